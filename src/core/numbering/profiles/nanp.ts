/** What the countries of the North American Numbering Plan share. */
import type { Area, Cadence, DialHabit, FictionRange, StarCodes } from '../profile';

/** North American precise tone plan: ringback 440 + 480 Hz, 2 s on, 4 s off. Source: ITU-T E.180 supplement 2, from memory. */
export const ringback: Cadence = { hertz: [440, 480], onOff: [2000, 4000] };
/** Busy 480 + 620 Hz, 0.5 s on, 0.5 s off. Source: ITU-T E.180 supplement 2, from memory. */
export const busy: Cadence = { hertz: [480, 620], onOff: [500, 500] };

/** *67, *82, *72, *73 and *90 to *93: ATIS vertical service codes, from memory. The rest: common practice, no source. */
export const starCodes: StarCodes = [
  { code: '*67', does: 'hide caller ID' },
  { code: '*82', does: 'show caller ID' },
  { code: '*72', does: 'forwarding on' },
  { code: '*73', does: 'forwarding off' },
  { code: '*90', does: 'forwarding when busy on' },
  { code: '*91', does: 'forwarding when busy off' },
  { code: '*92', does: 'forwarding when not answered on' },
  { code: '*93', does: 'forwarding when not answered off' },
  { code: '*78', does: 'do not disturb on' },
  { code: '*79', does: 'do not disturb off' },
  { code: '*98', does: 'voicemail' },
];

/** Ten digits with or without 1 before them, N11 services, 988, and 011 for abroad. Source: NANPA, from memory. */
export const dialling: DialHabit = {
  national: [
    '[2-9][02-9]x[2-9]xxxxxx',
    '[2-9]1[02-9][2-9]xxxxxx',
    '1[2-9][02-9]x[2-9]xxxxxx',
    '1[2-9]1[02-9][2-9]xxxxxx',
  ],
  services: ['211', '311', '411', '511', '611', '711', '811', '988'],
  international: '011x.T',
};

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

/** Reads a table of area codes: a line for each state or province, "WA 206 Seattle|253 Tacoma,Puyallup". */
export const areasOf = (table: string): Area[] =>
  table
    .trim()
    .split('\n')
    .flatMap((line) => {
      const region = line.slice(0, line.indexOf(' '));
      return line
        .slice(region.length + 1)
        .split('|')
        .map((entry) => ({ code: entry.slice(0, 3), region, places: entry.slice(4).split(',') }));
    });
