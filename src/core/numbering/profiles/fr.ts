import type { Profile } from '../profile';

/** Fiction ranges: Arcep's numbers for audiovisual works, from memory. Tones: ITU-T E.180 supplement 2, from memory. */
export const fr: Profile = {
  country: 'FR',
  name: 'France',
  callingCode: '33',
  emergency: ['112', '15', '17', '18'],
  ringback: { hertz: [440], onOff: [1500, 3500] },
  busy: { hertz: [440], onOff: [500, 500] },
  currency: 'EUR',
  areaWord: 'area',
  timeZone: 'Europe/Paris',
  fiction: [
    { prefix: '331990', digits: 5, from: 0, to: 99999, kind: 'geographic', area: '01', places: ['Paris'] },
    { prefix: '336399', digits: 5, from: 80000, to: 89999, kind: 'mobile', area: '06', places: ['Mobile'] },
  ],
};
