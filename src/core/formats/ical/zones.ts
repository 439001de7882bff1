/** What time it is where an event takes place: UTC, a zone known by name, one the file describes, or whatever the clock here says. */
import type ICAL from 'ical.js';
import { localTime, momentOf } from '../../hours';
import { zoneOf, type Block } from '../lines';
import type { Wall } from './repeats';
import { floating } from './write';

export type Zone =
  | { kind: 'floating' }
  | { kind: 'utc' }
  | { kind: 'known'; name: string }
  | { kind: 'own'; zone: ICAL.Timezone };

/** More changes than any zone ever had. */
const MOST_CHANGES = 400;

export function isZone(zone: string): boolean {
  try {
    localTime(zone, 0);
    return true;
  } catch {
    return false;
  }
}

/** The zones a file describes, by their ids. What is no zone that clocks could follow is left out, with why. */
export function zonesOf(blocks: readonly Block[], notes: Set<string>): Map<string, Zone> {
  const zones = new Map<string, Zone>();
  for (const block of blocks) {
    const id = block.properties.find((p) => p.name === 'TZID')?.value ?? '';
    if (!id || isZone(id) || zones.has(id)) continue;
    const wrong = whatIsWrong(block);
    if (wrong) {
      notes.add(`The time zone “${id.slice(0, 60)}” is described so that it cannot be followed: ${wrong}.`);
      continue;
    }
    const lines = [
      'BEGIN:VTIMEZONE',
      `TZID:${id}`,
      ...block.within.flatMap((b) => [
        `BEGIN:${b.name}`,
        ...b.properties.filter((p) => CHANGE.test(p.name)).map((p) => `${p.name}:${p.value}`),
        `END:${b.name}`,
      ]),
      'END:VTIMEZONE',
    ];
    try {
      zones.set(id, { kind: 'own', zone: zoneOf(lines) });
    } catch {
      notes.add(`The time zone “${id.slice(0, 60)}” cannot be read.`);
    }
  }
  return zones;
}

const CHANGE = /^(DTSTART|TZOFFSETFROM|TZOFFSETTO|RRULE|RDATE)$/;

/** Clocks change some times a year, by a rule that names days of a year. */
function whatIsWrong(block: Block): string | undefined {
  if (!block.within.length || block.within.length > MOST_CHANGES) return 'it has no changes, or too many';
  for (const { name, properties } of block.within) {
    if (name !== 'STANDARD' && name !== 'DAYLIGHT') return `it has a part called ${name.slice(0, 20)}`;
    const one = (what: string) => properties.find((p) => p.name === what)?.value ?? '';
    if (!/^\d{8}T\d{6}Z?$/.test(one('DTSTART'))) return 'a change has no beginning';
    if (!/^[+-]\d{4}(\d\d)?$/.test(one('TZOFFSETFROM')) || !/^[+-]\d{4}(\d\d)?$/.test(one('TZOFFSETTO')))
      return 'a change has no offset';
    const rules = properties.filter((p) => p.name === 'RRULE');
    if (
      rules.some(
        (r) =>
          !/^FREQ=YEARLY(;(INTERVAL=1|BYMONTH=\d{1,2}|BYDAY=[+-]?[1-5](MO|TU|WE|TH|FR|SA|SU)|BYMONTHDAY=[1-9](\d)?(,\d{1,2})*|BYDAY=(MO|TU|WE|TH|FR|SA|SU)|UNTIL=\d{8}(T\d{6}Z?)?|WKST=\w\w|COUNT=\d{1,3}))*$/i.test(
            r.value,
          ),
      )
    )
      return 'it changes by a rule that no clock follows';
    if (properties.filter((p) => p.name === 'RDATE').length > MOST_CHANGES) return 'it has too many changes';
  }
  return undefined;
}

/** The moment of a wall clock in a zone, epoch milliseconds. @param here the zone of the business, for floating times */
export function momentIn(zone: Zone, wall: Wall, here: string): number {
  switch (zone.kind) {
    case 'utc':
      return wall;
    case 'floating':
    case 'known': {
      const d = new Date(wall);
      const minute = d.getUTCHours() * 60 + d.getUTCMinutes() + d.getUTCSeconds() / 60;
      return momentOf(zone.kind === 'known' ? zone.name : here, d.toISOString().slice(0, 10), minute);
    }
    case 'own':
      return wall - zone.zone.utcOffset(floating(wall)) * 1000;
  }
}

/** The wall clock of a moment in a zone. */
export function wallIn(zone: Zone, at: number, here: string): Wall {
  if (zone.kind === 'utc') return at;
  if (zone.kind === 'own') {
    // Right but within the hour of a change, which only the end of a repeat can fall in.
    const guess = at + (at - momentIn(zone, at, here));
    return at + (guess - momentIn(zone, guess, here));
  }
  const { days, minute } = localTime(zone.kind === 'known' ? zone.name : here, at);
  return days * 86_400_000 + Math.round(minute * 60_000);
}
