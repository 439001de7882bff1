import type { Profile } from '../profile';
import { areasOf, busy, dialling, fiction, ringback, starCodes } from './nanp';

/** Source: the Canadian Numbering Administrator's list, from memory; tested to be complete against google-libphonenumber. */
const areas = areasOf(`
AB 368 Calgary|403 Calgary,Lethbridge|587 Calgary|780 Edmonton|825 Edmonton
BC 236 Vancouver|250 Victoria,Kelowna,Prince Rupert|257 Vancouver|604 Vancouver,Richmond|672 Victoria|778 Vancouver
MB 204 Winnipeg|431 Winnipeg|584 Winnipeg
NB 428 Saint John|506 Saint John,Moncton
NL 709 St. John's|879 St. John's
NS 782 Halifax|902 Halifax,Lunenburg,Charlottetown
ON 226 London ON|249 Sudbury|289 Hamilton|343 Ottawa|365 Hamilton|382 London ON|416 Toronto|437 Toronto|519 London ON,Windsor|548 London ON|613 Ottawa,Kingston|647 Toronto|683 Sudbury|705 Sudbury|742 Hamilton|753 Ottawa|807 Thunder Bay|905 Hamilton|942 Toronto
QC 263 Montreal|273 Quebec City|354 Granby|367 Quebec City|418 Quebec City|438 Montreal|450 Laval|468 Gatineau|514 Montreal|579 Laval|581 Quebec City|819 Gatineau|873 Gatineau
SK 306 Regina,Saskatoon|474 Regina|639 Regina
YT 867 Whitehorse,Yellowknife
`);

export const ca: Profile = {
  country: 'CA',
  name: 'Canada',
  callingCode: '1',
  emergency: ['911'],
  ringback,
  busy,
  currency: 'CAD',
  areaWord: 'area code',
  timeZone: 'America/Vancouver',
  starCodes,
  // 310-xxxx reaches a business from anywhere in the country without an area code; from memory.
  dialling: { ...dialling, national: [...dialling.national, '310xxxx'] },
  address: {
    region: 'Province',
    postalCode: 'Postal code',
    postalPattern: /^[A-Z]\d[A-Z] ?\d[A-Z]\d$/i,
    needed: ['HNO', 'RD', 'A3', 'A1', 'PC'],
  },
  textable: ['geographic', 'toll-free'],
  textingApproval: false,
  areas,
  fiction: areas.map(({ code, places }) => fiction(code, places)),
};
