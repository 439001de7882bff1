/** What the countries of the North American Numbering Plan share. */
import type { Cadence, FictionRange } from '../profile';

/** North American precise tone plan: ringback 440 + 480 Hz, 2 s on, 4 s off. Source: ITU-T E.180 supplement 2, from memory. */
export const ringback: Cadence = { hertz: [440, 480], onOff: [2000, 4000] };
/** Busy 480 + 620 Hz, 0.5 s on, 0.5 s off. Source: ITU-T E.180 supplement 2, from memory. */
export const busy: Cadence = { hertz: [480, 620], onOff: [500, 500] };

/** 555-0100 to 555-0199 of an area code. Source: NANPA guidelines for fictitious use, from memory. */
export const fiction = (
  area: string,
  places: string[],
  kind: FictionRange['kind'] = 'geographic',
): FictionRange => ({
  prefix: `1${area}55501`,
  digits: 2,
  from: 0,
  to: 99,
  kind,
  area,
  places,
});
