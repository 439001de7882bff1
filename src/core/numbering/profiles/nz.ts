import type { Profile } from '../profile';
import { areaList, starCodes } from './elsewhere';

/**
 * No range for fiction is known to us, so the carrier stand-in sells nothing here; numbers can be ported and called.
 * Tones: ITU-T E.180 supplement 2, from memory. Areas: the five of the Number Administration Deed, from memory.
 */
export const nz: Profile = {
  country: 'NZ',
  name: 'New Zealand',
  callingCode: '64',
  emergency: ['111'],
  ringback: { hertz: [400, 450], onOff: [400, 200, 400, 2000] },
  busy: { hertz: [400], onOff: [500, 500] },
  currency: 'NZD',
  areaWord: 'area code',
  timeZone: 'Pacific/Auckland',
  starCodes,
  dialling: {
    national: ['0[34679][2-9]xxxxxx', '070xxxxxxx', '0900xxxxx.T', '0[258]xxxxx.T'],
    services: ['105'],
    international: '00x.T',
  },
  address: {
    region: 'Region',
    postalCode: 'Postcode',
    postalPattern: /^\d{4}$/,
    needed: ['HNO', 'RD', 'A3', 'PC'],
  },
  textable: ['mobile'],
  textingApproval: false,
  areas: areaList(`
03 Christchurch,Dunedin,Nelson
04 Wellington
06 Napier,New Plymouth
07 Hamilton,Tauranga
09 Auckland,Whangarei
`),
  fiction: [],
};
