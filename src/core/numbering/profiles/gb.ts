import type { Profile } from '../profile';

/** Fiction ranges: Ofcom's list of numbers for drama use, from memory. Tones: ITU-T E.180 supplement 2, from memory. */
export const gb: Profile = {
  country: 'GB',
  name: 'United Kingdom',
  callingCode: '44',
  emergency: ['999', '112'],
  ringback: { hertz: [400, 450], onOff: [400, 200, 400, 2000] },
  busy: { hertz: [400], onOff: [375, 375] },
  currency: 'GBP',
  areaWord: 'area code',
  timeZone: 'Europe/London',
  fiction: [
    { prefix: '442079460', digits: 3, from: 0, to: 999, kind: 'geographic', area: '020', places: ['London'] },
    {
      prefix: '441614960',
      digits: 3,
      from: 0,
      to: 999,
      kind: 'geographic',
      area: '0161',
      places: ['Manchester'],
    },
    {
      prefix: '441914980',
      digits: 3,
      from: 0,
      to: 999,
      kind: 'geographic',
      area: '0191',
      places: ['Newcastle upon Tyne', 'Sunderland'],
    },
    {
      prefix: '442920180',
      digits: 3,
      from: 0,
      to: 999,
      kind: 'geographic',
      area: '029',
      places: ['Cardiff'],
    },
    { prefix: '447700900', digits: 3, from: 0, to: 999, kind: 'mobile', area: '07700', places: ['Mobile'] },
    {
      prefix: '448081570',
      digits: 3,
      from: 0,
      to: 999,
      kind: 'toll-free',
      area: '0808',
      places: ['Freephone'],
    },
  ],
};
