import type { Profile } from '../profile';

/** Fiction ranges: Bundesnetzagentur's numbers for media use, from memory. Tones: ITU-T E.180 supplement 2, from memory. */
export const de: Profile = {
  country: 'DE',
  name: 'Germany',
  callingCode: '49',
  emergency: ['112', '110'],
  ringback: { hertz: [425], onOff: [1000, 4000] },
  busy: { hertz: [425], onOff: [480, 480] },
  currency: 'EUR',
  areaWord: 'area code',
  timeZone: 'Europe/Berlin',
  fiction: [
    { prefix: '493023125', digits: 3, from: 0, to: 999, kind: 'geographic', area: '030', places: ['Berlin'] },
    {
      prefix: '496990009',
      digits: 3,
      from: 0,
      to: 999,
      kind: 'geographic',
      area: '069',
      places: ['Frankfurt am Main'],
    },
  ],
};
