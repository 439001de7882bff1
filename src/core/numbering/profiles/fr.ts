import type { Profile } from '../profile';
import { areaList, range, starCodes } from './elsewhere';

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
  starCodes,
  dialling: { national: ['0[1-9]xxxxxxxx'], services: ['3xxx'], international: '00x.T' },
  address: {
    region: 'Region',
    postalCode: 'Postal code',
    postalPattern: /^(?:(?:0[1-9]|[1-8]\d|9[0-5])\d{3}|97[1-8]\d{2}|98[0678]\d{2})$/,
    needed: ['RD', 'A3', 'PC'],
  },
  textable: ['mobile'],
  textingApproval: false,
  areas: areaList(`
01 Paris
02 Nantes,Rennes,Brest,Rouen
03 Lille,Strasbourg
04 Lyon,Marseille,Nice
05 Bordeaux,Toulouse,La Rochelle
`),
  fiction: [
    range('3319900', 4, '01', ['Paris']),
    range('3326191', 4, '02', ['Nantes', 'Rennes', 'Brest']),
    range('3335301', 4, '03', ['Lille', 'Strasbourg']),
    range('3346571', 4, '04', ['Lyon', 'Marseille']),
    range('3353649', 4, '05', ['Bordeaux', 'La Rochelle']),
    range('3363998', 4, '06', ['Mobile'], 'mobile'),
  ],
};
