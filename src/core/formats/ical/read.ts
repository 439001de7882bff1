/** Reading calendars (iCalendar, RFC 5545): days off for hours, and turns for rotas. */
import { addDays } from '../../hours';
import { blocksOf, textOf, unfolded, type Block, type Property } from '../lines';
import { between, ruleOf, wall, type Wall } from './repeats';
import { isZone, momentIn, wallIn, zonesOf, type Zone } from './zones';

/** A calendar file larger than this is not read, in bytes. */
export const LARGEST_CALENDAR = 5_000_000;
/** So many events are kept. */
const MOST_EVENTS = 2000;
/** So many things are told of a file; what comes after is counted. */
const MOST_NOTES = 40;
/** Progress is told after so many events. */
const TELL_EVERY = 100;
const DAY = 86_400_000;
const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

export interface CalendarEvent {
  name: string;
  /** Whole days: the first and the last, ISO. Null where it has times. */
  days: { from: string; to: string } | null;
  /** Local date and time of the business, such as 2027-05-03T08:00; null for whole days. */
  times: { from: string; to: string } | null;
  /** It is one occurrence of an event of every week that has no end. */
  everyWeek?: true;
  /** Whoever has it is free meanwhile (TRANSP, RFC 5545 §3.8.2.7). */
  free?: true;
}

/** An event of every week without an end, within one day: what hours of a week are. */
export interface WeeklyEvent {
  name: string;
  /** ISO days of the week. */
  days: number[];
  /** Minutes of the local day. */
  from: number;
  to: number;
}

export type CalendarRead =
  | { ok: true; events: CalendarEvent[]; weekly: WeeklyEvent[]; notes: string[] }
  | { ok: false; message: string };

/**
 * Reads the events of a calendar that touch a span of days. Repeating events are taken apart, single occurrences that were
 * moved stand where they are now, and what was cancelled is left out. What cannot be read is told, and the rest is read.
 * @param file its bytes, or its text @param zone of the business, in which times are given back
 * @param from @param to first and last day, ISO @param progress is told how many events of how many are done
 */
export function readCalendar(
  file: Uint8Array | string,
  zone: string,
  from: string,
  to: string,
  progress: (done: number, of: number) => void = () => {},
): CalendarRead {
  if (file.length > LARGEST_CALENDAR)
    return { ok: false, message: 'This file is too large for a calendar: over 5 MB.' };
  const calendars = blocksOf(unfolded(file)).filter((b) => b.name === 'VCALENDAR');
  if (!calendars.length) return { ok: false, message: 'This is not an iCalendar file: it has no VCALENDAR.' };
  const notes = new Set<string>();
  if (calendars.some((c) => c.open)) notes.add('The file is cut off: what was there has been read.');
  const reader = new Reader(zone, from, to, notes);
  const parts = calendars.map((calendar) => ({
    zones: zonesOf(
      calendar.within.filter((b) => b.name === 'VTIMEZONE'),
      notes,
    ),
    events: calendar.within.filter((b) => b.name === 'VEVENT'),
  }));
  const of = parts.reduce((n, p) => n + p.events.length, 0);
  let done = 0;
  const weekly: WeeklyEvent[] = [];
  const read = parts.flatMap(({ zones, events }) => {
    const all = events.flatMap((block) => {
      if (done++ % TELL_EVERY === 0) progress(done, of);
      return reader.part(block, zones) ?? [];
    });
    // What stands for one occurrence of a repeat takes it out of the repeat.
    const moved = new Map<string, Set<Wall>>();
    for (const e of all)
      if (e.instead !== undefined) moved.set(e.uid, (moved.get(e.uid) ?? new Set()).add(e.instead));
    weekly.push(...all.flatMap((e) => reader.weekly(e) ?? []));
    return all.flatMap((e) => reader.occurrences(e, moved.get(e.uid)));
  });
  const events = read.slice(0, MOST_EVENTS);
  if (read.length > MOST_EVENTS)
    notes.add(`Only the first ${MOST_EVENTS} of ${read.length} events were read.`);
  events.sort((a, b) => begin(a).localeCompare(begin(b)));
  const told = [...notes];
  return {
    ok: true,
    events,
    weekly,
    notes:
      told.length > MOST_NOTES
        ? [...told.slice(0, MOST_NOTES), `and ${told.length - MOST_NOTES} more things like that`]
        : told,
  };
}

const begin = (e: CalendarEvent): string => e.days?.from ?? e.times!.from;

interface Moment {
  wall: Wall;
  isDate: boolean;
  zone: Zone;
}
/** An event as it stands in the file. */
interface Part {
  uid: string;
  name: string;
  start: Moment;
  /** Milliseconds of wall clock. */
  length: number;
  rule: string | undefined;
  added: Wall[];
  left: Wall[];
  /** It stands for the occurrence of a repeat that would begin then. */
  instead?: Wall;
  cancelled: boolean;
  free: boolean;
}

const DATE = /^(\d{4})(\d\d)(\d\d)$/;
const DATE_TIME = /^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)?(Z?)$/;
const DURATION =
  /^([+-]?)P(?:(\d{1,5})W)?(?:(\d{1,5})D)?(?:T(?:(\d{1,6})H)?(?:(\d{1,7})M)?(?:(\d{1,8})S)?)?$/;

class Reader {
  constructor(
    private here: string,
    private from: string,
    private to: string,
    private notes: Set<string>,
  ) {}

  /** An event, or undefined where it is left out; why is told. */
  part(block: Block, zones: Map<string, Zone>): Part | undefined {
    const all = (name: string) => block.properties.filter((p) => p.name === name);
    const one = (name: string) => all(name)[0];
    const name =
      textOf(one('SUMMARY')?.value ?? '')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, 80) || 'Without a name';
    const note = (text: string) => void this.notes.add(`“${name}” ${text}`);
    if (block.open) note('is cut off in the file.');
    if (block.wrong.length) note(`has a line that is none (“${block.wrong[0]}”); it was left out.`);
    const dtstart = one('DTSTART');
    if (!dtstart) return void note('has no start and was left out.');
    const start = this.moment(dtstart, dtstart.value, zones);
    if (!start)
      return void note(`has a start that is no date (“${dtstart.value.slice(0, 40)}”) and was left out.`);
    const length = this.lengthOf(one('DTEND'), one('DURATION'), start, zones, note);
    const rules = all('RRULE');
    if (rules.length > 1) note('has more than one rule; the first was followed.');
    const walls = (properties: Property[]): Wall[] =>
      properties.flatMap((p) =>
        p.value.split(',').flatMap((value) => {
          const at = this.moment(p, value.split('/')[0]!, zones);
          if (!at) note(`has a date that is none (“${value.slice(0, 40)}”).`);
          return at ? [this.wallLike(start, at)] : [];
        }),
      );
    const recurrence = one('RECURRENCE-ID');
    const instead = recurrence && this.moment(recurrence, recurrence.value, zones);
    if (recurrence?.parameters.range)
      note('was moved with all that come after it; only the one was read in its new place.');
    return {
      uid: one('UID')?.value ?? '',
      name,
      start,
      length,
      rule: rules[0]?.value,
      added: walls(all('RDATE')),
      left: walls(all('EXDATE')),
      ...(instead ? { instead: this.wallLike(start, instead) } : {}),
      cancelled: one('STATUS')?.value.trim().toUpperCase() === 'CANCELLED',
      free: one('TRANSP')?.value.trim().toUpperCase() === 'TRANSPARENT',
    };
  }

  /** An event of every week without an end, or undefined for any other. */
  weekly({ name, start, length, rule, cancelled, instead }: Part): WeeklyEvent | undefined {
    const parts = new Map(
      rule
        ?.toUpperCase()
        .split(';')
        .map((p) => p.split('=') as [string, string]),
    );
    const endless = parts.get('FREQ') === 'WEEKLY' && (parts.get('INTERVAL') ?? '1') === '1';
    const known = [...parts.keys()].every((k) => ['FREQ', 'INTERVAL', 'BYDAY', 'WKST'].includes(k));
    const from = (start.wall % DAY) / 60_000;
    const to = from + length / 60_000;
    if (!endless || !known || start.isDate || cancelled || instead !== undefined || to > 1440 || to <= from)
      return undefined;
    const byDay = parts.get('BYDAY')?.split(',') ?? [];
    const days = byDay.map((d) => WEEKDAYS.indexOf(d) + 1);
    // A number before a day, as in 1MO, is not of a week.
    if (days.includes(0)) return undefined;
    const first = ((Math.floor(start.wall / DAY) + 3) % 7) + 1;
    return { name, days: days.length ? days.sort((a, b) => a - b) : [first], from, to };
  }

  /** The occurrences of an event that touch the span. @param moved those that stand elsewhere */
  occurrences(part: Part, moved: ReadonlySet<Wall> | undefined): CalendarEvent[] {
    if (part.cancelled) return [];
    const { start, length, name } = part;
    // A day more at both ends, for zones; whether it touches is looked at exactly.
    const first = wall(...ymd(this.from)) - length - 2 * DAY;
    const last = wall(...ymd(this.to)) + 3 * DAY;
    let walls = [start.wall];
    if (part.rule !== undefined && part.instead === undefined) {
      const rule = ruleOf(part.rule, start.wall, (value) => this.until(value, start));
      if (!rule.ok)
        this.notes.add(
          `“${name}” repeats in a way that is not followed: ${rule.why}. Only its first day was read.`,
        );
      else {
        const found = between(rule.rule, first, last, MOST_EVENTS);
        if (found.cut) this.notes.add(`“${name}” repeats too often and was read in part.`);
        // The first counts, whether the rule gives it or not (RFC 5545 §3.8.2.4).
        walls = [...new Set([start.wall, ...found.walls])];
      }
    }
    const out = new Set(part.left);
    if (part.instead === undefined) {
      for (const w of moved ?? []) out.add(w);
      walls = [...new Set([...walls, ...part.added])].filter((w) => !out.has(w));
    }
    const more = {
      ...(this.weekly(part) ? { everyWeek: true as const } : {}),
      ...(part.free ? { free: true as const } : {}),
    };
    return walls
      .sort((a, b) => a - b)
      .flatMap((w) => {
        const event = this.asEvent(name, w, w + length, start);
        return event ? { ...event, ...more } : [];
      });
  }

  private asEvent(name: string, from: Wall, to: Wall, { isDate, zone }: Moment): CalendarEvent | undefined {
    if (isDate) {
      // The end of whole days is not part of them (RFC 5545 §3.6.1).
      const [first, after] = [dayOf(from), dayOf(to)];
      const last = after > first ? addDays(after, -1) : first;
      return first <= this.to && last >= this.from
        ? { name, days: { from: first, to: last }, times: null }
        : undefined;
    }
    const local = (w: Wall): string => {
      const at =
        zone.kind === 'floating' ? w : wallIn(HERE(this.here), momentIn(zone, w, this.here), this.here);
      return new Date(at).toISOString().slice(0, 16);
    };
    const times = { from: local(from), to: local(to) };
    // What ends as the span begins is over.
    const over = times.to <= `${this.from}T00:00` && times.from !== times.to;
    return times.from.slice(0, 10) <= this.to && times.to.slice(0, 10) >= this.from && !over
      ? { name, days: null, times }
      : undefined;
  }

  private moment({ parameters }: Property, value: string, zones: Map<string, Zone>): Moment | undefined {
    const text = value.trim();
    const date = DATE.exec(text);
    if (date) {
      const at = wallOf(date.slice(1, 4).map(Number));
      return at === undefined ? undefined : { wall: at, isDate: true, zone: { kind: 'floating' } };
    }
    const time = DATE_TIME.exec(text);
    if (!time) return undefined;
    const at = wallOf(time.slice(1, 7).map((n) => Number(n ?? 0)));
    if (at === undefined) return undefined;
    return {
      wall: at,
      isDate: false,
      zone: time[7] ? { kind: 'utc' } : this.zone(parameters.tzid, zones),
    };
  }

  private zone(id: string | undefined, zones: Map<string, Zone>): Zone {
    if (!id) return { kind: 'floating' };
    const own = zones.get(id);
    if (own) return own;
    if (isZone(id)) {
      const known: Zone = { kind: 'known', name: id };
      zones.set(id, known);
      return known;
    }
    zones.set(id, { kind: 'floating' });
    this.notes.add(`The time zone “${id.slice(0, 60)}” is not known: its times are read as of ${this.here}.`);
    return { kind: 'floating' };
  }

  private lengthOf(
    dtend: Property | undefined,
    duration: Property | undefined,
    start: Moment,
    zones: Map<string, Zone>,
    note: (text: string) => void,
  ): number {
    const usual = start.isDate ? DAY : 0;
    if (dtend) {
      const end = this.moment(dtend, dtend.value, zones);
      if (!end) note(`has an end that is no date (“${dtend.value.slice(0, 40)}”).`);
      else if (end.isDate !== start.isDate)
        note('begins on a day and ends at a time, or the other way round: its end was left out.');
      else {
        const length = this.wallLike(start, end) - start.wall;
        if (length >= 0) return length || usual;
        note('ends before it begins: its end was left out.');
      }
      return usual;
    }
    if (!duration) return usual;
    const d = DURATION.exec(duration.value.trim());
    if (!d || d[1] === '-') {
      note(`has a length that is none (“${duration.value.slice(0, 40)}”).`);
      return usual;
    }
    const [weeks, days, hours, minutes, seconds] = d.slice(2).map((n) => Number(n ?? 0)) as [
      number,
      number,
      number,
      number,
      number,
    ];
    return (weeks * 7 + days) * DAY + hours * 3_600_000 + minutes * 60_000 + seconds * 1000;
  }

  /** A moment as the wall clock of where an event takes place. */
  private wallLike(start: Moment, at: Moment): Wall {
    if (at.isDate || start.isDate || at.zone === start.zone || at.zone.kind === 'floating') return at.wall;
    return wallIn(start.zone, momentIn(at.zone, at.wall, this.here), this.here);
  }

  private until(value: string, start: Moment): Wall | undefined {
    const date = DATE.exec(value);
    if (date) {
      const at = wallOf(date.slice(1, 4).map(Number));
      // The day counts to its end.
      return at === undefined ? undefined : start.isDate ? at : at + DAY - 1000;
    }
    const time = DATE_TIME.exec(value);
    const at = time && wallOf(time.slice(1, 7).map((n) => Number(n ?? 0)));
    if (!time || at === undefined || at === null) return undefined;
    return time[7] && !start.isDate ? wallIn(start.zone, at, this.here) : at;
  }
}

const HERE = (name: string): Zone => ({ kind: 'known', name });
const ymd = (iso: string): [number, number, number] => iso.split('-').map(Number) as [number, number, number];
const dayOf = (at: Wall): string => new Date(at).toISOString().slice(0, 10);
/** A date that there is: the 30th of February is none. */
function wallOf(numbers: number[]): Wall | undefined {
  const [year, month, day, hour = 0, minute = 0, second = 0] = numbers as [number, number, number];
  const at = Date.UTC(year, month - 1, day, hour, minute, Math.min(second, 59));
  const d = new Date(at);
  const same =
    year >= 1 && d.getUTCMonth() === month - 1 && d.getUTCDate() === day && hour < 24 && minute < 60;
  return same && year >= 1000 ? at : undefined;
}
