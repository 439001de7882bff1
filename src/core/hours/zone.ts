/** Local time of a zone, fast enough to be asked a million times: offsets are looked up once for each stretch between changes. */
import type { Temporal as TemporalApi } from 'temporal-polyfill';

/** The engine's own Temporal (ECMA-262 stage 4) where it has one; the polyfill is only loaded where it has not. */
const own = (globalThis as { Temporal?: typeof TemporalApi }).Temporal;
const Temporal = own ?? (await import('temporal-polyfill')).Temporal;

interface Stretch {
  from: number;
  to: number;
  /** Milliseconds to add to UTC. */
  offset: number;
}

const stretches = new Map<string, Stretch[]>();

function stretchAt(zone: string, at: number): Stretch {
  let known = stretches.get(zone);
  if (!known) stretches.set(zone, (known = []));
  for (const s of known) if (at >= s.from && at < s.to) return s;
  const moment = Temporal.Instant.fromEpochMilliseconds(Math.floor(at)).toZonedDateTimeISO(zone);
  const stretch = {
    // The search goes strictly before the moment, so a moment that is itself a change starts its own stretch.
    from: moment.add({ nanoseconds: 1 }).getTimeZoneTransition('previous')?.epochMilliseconds ?? -Infinity,
    to: moment.getTimeZoneTransition('next')?.epochMilliseconds ?? Infinity,
    offset: moment.offsetNanoseconds / 1e6,
  };
  known.push(stretch);
  return stretch;
}

const DAY = 86_400_000;

export interface LocalTime {
  /** Days since 1 January 1970. */
  days: number;
  /** ISO day of the week, 1 Monday to 7 Sunday. */
  day: number;
  /** Minutes since local midnight, with the fraction. */
  minute: number;
  /** ISO date. */
  date: string;
}

/** Day of the week and minute of the day in a zone. @param at epoch milliseconds */
export function localTime(zone: string, at: number): LocalTime {
  const local = at + stretchAt(zone, at).offset;
  const days = Math.floor(local / DAY);
  return new LocalMoment(days, (local - days * DAY) / 60_000);
}

/** A class, for a date is dear to write and seldom asked for. */
class LocalMoment implements LocalTime {
  constructor(
    readonly days: number,
    readonly minute: number,
  ) {}
  get day(): number {
    return weekdayOf(this.days);
  }
  get date(): string {
    return dateOf(this.days);
  }
}

/** Minutes that a zone is east of UTC at a moment (epoch milliseconds). */
export const offsetAt = (zone: string, at: number): number => stretchAt(zone, at).offset / 60_000;

/** The next moment after `at` at which the zone's clocks change (epoch milliseconds), or Infinity. */
export const nextClockChange = (zone: string, at: number): number => stretchAt(zone, at).to;

/** Days since 1 January 1970 of an ISO date. */
export const dayNumber = (date: string): number => Date.parse(`${date}T00:00:00Z`) / DAY;

/** The day asked for last: calls of a day, and hours of a day, ask for the same one again and again. */
let written = { days: 0, date: '1970-01-01' };

/** ISO date of days since 1 January 1970. */
export function dateOf(days: number): string {
  if (written.days !== days) written = { days, date: new Date(days * DAY).toISOString().slice(0, 10) };
  return written.date;
}

/** ISO day of the week, 1 Monday to 7 Sunday, of days since 1 January 1970 (a Thursday). */
export const weekdayOf = (days: number): number => ((((days + 3) % 7) + 7) % 7) + 1;

/**
 * Epoch milliseconds of a local wall-clock time. A time skipped when clocks go forward is taken with the offset from
 * before the change, a time that happens twice is its first (Temporal "compatible", as in RFC 5545),
 * or its second where `which` is "later".
 */
export const momentOf = (
  zone: string,
  date: string,
  minute: number,
  which: 'compatible' | 'later' = 'compatible',
): number => momentOfDay(zone, dayNumber(date), minute, which);

/** The same for a day given as days since 1 January 1970. */
export function momentOfDay(
  zone: string,
  days: number,
  minute: number,
  which: 'compatible' | 'later' = 'compatible',
): number {
  const local = days * DAY + minute * 60_000;
  // No zone's clocks change twice within two days: the offset is the one before or the one after.
  const before = stretchAt(zone, local - DAY).offset;
  const after = stretchAt(zone, local + DAY).offset;
  const early = local - before;
  if (before === after) return early;
  const late = local - after;
  const [isEarly, isLate] = [
    stretchAt(zone, early).offset === before,
    stretchAt(zone, late).offset === after,
  ];
  if (isEarly && isLate) return which === 'later' ? Math.max(early, late) : Math.min(early, late);
  return isLate ? late : early;
}

/** ISO date `days` after another. */
export const addDays = (date: string, days: number): string => dateOf(dayNumber(date) + days);
