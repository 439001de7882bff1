import type { Profile } from '../profile';
import { areaList, range, starCodes } from './elsewhere';

/**
 * Fiction ranges: ACMA's list of numbers for radio, film and print, from memory. Tones: ITU-T E.180 supplement 2, from
 * memory. Areas: the four of ACMA's plan.
 */
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
  starCodes,
  dialling: {
    national: ['0[1-478]xxxxxxxx', '13[1-9]xxx', '1300xxxxxx', '180[1-9]xxx', '1800xxxxxx', '190xxxxxxx'],
    services: [],
    international: '0011x.T',
  },
  address: {
    region: 'State',
    postalCode: 'Postcode',
    postalPattern: /^\d{4}$/,
    needed: ['HNO', 'RD', 'A3', 'A1', 'PC'],
  },
  textable: ['mobile'],
  textingApproval: false,
  areas: areaList(`
02 Sydney,Newcastle,Wollongong,Canberra,Batemans Bay
03 Melbourne,Geelong,Hobart,Launceston
07 Brisbane,Cairns,Gold Coast
08 Adelaide,Perth,Darwin,Fremantle
`),
  fiction: [
    range('6125550', 4, '02', ['Sydney', 'Newcastle', 'Wollongong']),
    range('6127010', 4, '02', ['Canberra', 'Batemans Bay']),
    range('6135550', 4, '03', ['Melbourne', 'Geelong']),
    range('6137010', 4, '03', ['Hobart', 'Launceston']),
    range('6175550', 4, '07', ['Brisbane', 'Gold Coast']),
    range('6177010', 4, '07', ['Cairns']),
    range('6185550', 4, '08', ['Adelaide', 'Darwin']),
    range('6187010', 4, '08', ['Perth', 'Fremantle']),
    { prefix: '61491570', digits: 3, from: 156, to: 159, kind: 'mobile', area: '0491', places: ['Mobile'] },
  ],
};
