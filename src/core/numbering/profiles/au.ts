import type { Profile } from '../profile';

/** Fiction ranges: ACMA's list of numbers for radio, film and print, from memory. Tones: ITU-T E.180 supplement 2, from memory. */
export const au: Profile = {
  country: 'AU',
  name: 'Australia',
  callingCode: '61',
  emergency: ['000', '112'],
  ringback: { hertz: [400, 425, 450], onOff: [400, 200, 400, 2000] },
  busy: { hertz: [425], onOff: [375, 375] },
  currency: 'AUD',
  areaWord: 'area code',
  timeZone: 'Australia/Sydney',
  fiction: [
    {
      prefix: '6125550',
      digits: 4,
      from: 0,
      to: 9999,
      kind: 'geographic',
      area: '02',
      places: ['Sydney', 'Newcastle', 'Wollongong'],
    },
    {
      prefix: '6127010',
      digits: 4,
      from: 0,
      to: 9999,
      kind: 'geographic',
      area: '02',
      places: ['Canberra', 'Batemans Bay'],
    },
    { prefix: '61491570', digits: 3, from: 156, to: 159, kind: 'mobile', area: '0491', places: ['Mobile'] },
  ],
};
