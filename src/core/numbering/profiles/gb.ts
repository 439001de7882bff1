import type { Profile } from '../profile';
import { areaList, range, starCodes } from './elsewhere';

/**
 * Fiction ranges: Ofcom's list of numbers for drama use, from memory. Tones: ITU-T E.180 supplement 2, from memory.
 * Areas: the larger ones of Ofcom's list, from memory.
 */
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
  starCodes,
  dialling: {
    national: ['0[1-9]xxxxxxxxT', '0[1-9]xxxxxxxxx'],
    services: ['101', '105', '111', '119'],
    international: '00x.T',
  },
  address: {
    region: 'County',
    postalCode: 'Postcode',
    postalPattern: /^[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2}$/i,
    needed: ['HNO', 'RD', 'A3', 'PC'],
  },
  textable: ['mobile'],
  textingApproval: false,
  areas: areaList(`
020 London
0113 Leeds
0114 Sheffield
0115 Nottingham
0116 Leicester
0117 Bristol
0118 Reading
0121 Birmingham
0131 Edinburgh
0141 Glasgow
0151 Liverpool
0161 Manchester
0191 Newcastle upon Tyne,Sunderland
01202 Bournemouth
01224 Aberdeen
01273 Brighton
01326 Falmouth
01392 Exeter
01482 Hull
01603 Norwich
01752 Plymouth
01865 Oxford
01983 Isle of Wight
023 Portsmouth,Southampton
028 Belfast
029 Cardiff
`),
  fiction: [
    range('442079460', 3, '020', ['London']),
    range('441134960', 3, '0113', ['Leeds']),
    range('441144960', 3, '0114', ['Sheffield']),
    range('441154960', 3, '0115', ['Nottingham']),
    range('441164960', 3, '0116', ['Leicester']),
    range('441174960', 3, '0117', ['Bristol']),
    range('441184960', 3, '0118', ['Reading']),
    range('441214960', 3, '0121', ['Birmingham']),
    range('441314960', 3, '0131', ['Edinburgh']),
    range('441414960', 3, '0141', ['Glasgow']),
    range('441514960', 3, '0151', ['Liverpool']),
    range('441614960', 3, '0161', ['Manchester']),
    range('441914980', 3, '0191', ['Newcastle upon Tyne', 'Sunderland']),
    range('442896496', 3, '028', ['Belfast']),
    range('442920180', 3, '029', ['Cardiff']),
    range('447700900', 3, '07700', ['Mobile'], 'mobile'),
    range('448081570', 3, '0808', ['Freephone'], 'toll-free'),
  ],
};
