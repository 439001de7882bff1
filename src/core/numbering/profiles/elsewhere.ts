/** What the countries outside North America share here. */
import type { FictionRange, NumberKind, StarCodes } from '../profile';

/** Codes a new business starts with. 21, 31, 61 and 67 stand for forwarding, caller ID, and forwarding when not answered and when busy in ETSI supplementary services, from memory; the rest is ours. */
export const starCodes: StarCodes = [
  { code: '*31', does: 'hide caller ID' },
  { code: '*32', does: 'show caller ID' },
  { code: '*21', does: 'forwarding on' },
  { code: '*22', does: 'forwarding off' },
  { code: '*67', does: 'forwarding when busy on' },
  { code: '*68', does: 'forwarding when busy off' },
  { code: '*61', does: 'forwarding when not answered on' },
  { code: '*62', does: 'forwarding when not answered off' },
  { code: '*26', does: 'do not disturb on' },
  { code: '*27', does: 'do not disturb off' },
  { code: '*98', does: 'voicemail' },
];

/** A fiction range of which the last `digits` digits vary from 0 to all nines. */
export const range = (
  prefix: string,
  digits: number,
  area: string,
  places: string[],
  kind: NumberKind = 'geographic',
): FictionRange => ({ prefix, digits, from: 0, to: 10 ** digits - 1, kind, area, places });

/** Areas written as "020 London", several places of one parted by commas. */
export const areaList = (table: string) =>
  table
    .trim()
    .split('\n')
    .map((line) => {
      const [code, ...rest] = line.split(' ');
      return { code: code!, region: '', places: rest.join(' ').split(',') };
    });
