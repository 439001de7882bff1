import type { Profile } from '../profile';
import { areaList, range, starCodes } from './elsewhere';

/**
 * Fiction ranges: Bundesnetzagentur's numbers for media use, from memory. Tones: ITU-T E.180 supplement 2, from memory.
 * Areas: the larger ones of its list, from memory.
 */
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
  starCodes,
  dialling: { national: ['0[1-9]xxx.T'], services: [], international: '00x.T' },
  address: {
    region: 'State',
    postalCode: 'Postal code',
    postalPattern: /^\d{5}$/,
    needed: ['HNO', 'RD', 'A3', 'PC'],
  },
  textable: ['mobile'],
  textingApproval: false,
  areas: areaList(`
030 Berlin
0201 Essen
0211 Düsseldorf
0221 Köln
0231 Dortmund
0251 Münster
0341 Leipzig
0351 Dresden
0381 Rostock
040 Hamburg
0421 Bremen
0431 Kiel
0451 Lübeck
0461 Flensburg
0511 Hannover
0531 Braunschweig
069 Frankfurt am Main
0711 Stuttgart
0761 Freiburg
0831 Kempten
089 München
0911 Nürnberg
`),
  fiction: [
    range('493023125', 3, '030', ['Berlin']),
    range('496990009', 3, '069', ['Frankfurt am Main']),
    range('494066969', 3, '040', ['Hamburg']),
    range('492214710', 3, '0221', ['Köln']),
    range('498999998', 3, '089', ['München']),
    range('4917139200', 2, '0171', ['Mobile'], 'mobile'),
    range('49176040690', 2, '0176', ['Mobile'], 'mobile'),
  ],
};
