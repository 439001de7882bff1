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
  const moment = Temporal.Instant.fromEpochMilliseconds(at).toZonedDateTimeISO(zone);
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
  return {
    day: ((((days + 3) % 7) + 7) % 7) + 1,
    minute: (local - days * DAY) / 60_000,
    get date() {
      return new Date(days * DAY).toISOString().slice(0, 10);
    },
  };
}

/** The next moment after `at` at which the zone's clocks change (epoch milliseconds), or Infinity. */
export const nextClockChange = (zone: string, at: number): number => stretchAt(zone, at).to;

/**
 * Epoch milliseconds of a local wall-clock time. A time skipped when clocks go forward is taken with the offset from
 * before the change, a time that happens twice is its first (Temporal "compatible", as in RFC 5545),
 * or its second where `which` is "later".
 */
export function momentOf(
  zone: string,
  date: string,
  minute: number,
  which: 'compatible' | 'later' = 'compatible',
): number {
  const day = Temporal.PlainDate.from(date);
  const time = Temporal.PlainTime.from('00:00').add({ minutes: minute % 1440 });
  return day
    .add({ days: Math.floor(minute / 1440) })
    .toPlainDateTime(time)
    .toZonedDateTime(zone, { disambiguation: which }).epochMilliseconds;
}

/** ISO date `days` after another. */
export const addDays = (date: string, days: number): string =>
  Temporal.PlainDate.from(date).add({ days }).toString();
