import type { Profile } from '../profile';
import { areaList, range, starCodes } from './elsewhere';

/**
 * Fiction range: ComReg keeps 020 91x xxxx for drama, from memory; only the first tenth of it is used here.
 * Tones: ITU-T E.180 supplement 2, from memory. Areas: the larger ones of ComReg's list, from memory.
 */
export const ie: Profile = {
  country: 'IE',
  name: 'Ireland',
  callingCode: '353',
  emergency: ['112', '999'],
  ringback: { hertz: [400, 450], onOff: [400, 200, 400, 2000] },
  busy: { hertz: [425], onOff: [500, 500] },
  currency: 'EUR',
  areaWord: 'area code',
  timeZone: 'Europe/Dublin',
  starCodes,
  dialling: { national: ['0[1-9]xxxxx.T', '1[58]xxxxxxxx'], services: [], international: '00x.T' },
  address: {
    region: 'County',
    postalCode: 'Eircode',
    postalPattern: /^[A-Z]\d[\dW] ?[A-Z\d]{4}$/i,
    needed: ['RD', 'A3', 'PC'],
  },
  textable: ['mobile'],
  textingApproval: false,
  areas: areaList(`
01 Dublin
021 Cork
022 Mallow
023 Bandon
028 Skibbereen
041 Drogheda
042 Dundalk
051 Waterford
053 Wexford
056 Kilkenny
061 Limerick
064 Killarney
066 Tralee,Dingle
067 Nenagh
071 Sligo
074 Letterkenny
090 Athlone
091 Galway
098 Westport
`),
  fiction: [range('35320910', 4, '020', ['Any place'])],
};
