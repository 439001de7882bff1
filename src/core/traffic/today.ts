/** Today so far, and what is usual by this time on such a day. */
import { dayNumber, localTime, momentOfDay } from '../hours';
import type { Log } from '../story';
import type { System } from '../system';
import { inTimeOf, tally, type Tally } from './figures';
import { judged, passes, EVERYTHING, type Rules } from './judged';

/** So many weeks back are looked at. */
const WEEKS = 8;

export interface SoFar {
  offered: number;
  answered: number;
  missed: number;
  gaveUp: number;
  /** Null of too few. */
  inTime: number | null;
}
export interface Today {
  now: SoFar;
  /** In the mean of the days there were; null where there was none. */
  usual: Omit<SoFar, 'inTime'> | null;
  /** Of so many days. */
  days: number;
}

/** @param now epoch milliseconds @param people to whose calls it is narrowed; null is everybody's */
export function todayOf(
  log: Log,
  system: System,
  rules: Rules,
  now: number,
  people: ReadonlySet<string> | null,
): Today {
  const zone = system.business.timeZone;
  const { date, minute } = localTime(zone, now);
  const is = passes(EVERYTHING, system, zone, (n) => log.firstOf(n), people);
  const upTo = (day: number): Tally => {
    const calls = [];
    for (const row of log.between(
      momentOfDay(zone, day, 0),
      Math.min(now, momentOfDay(zone, day, minute)) + 1,
    )) {
      const call = is(row) ? judged(row, rules, zone) : null;
      if (call) calls.push(call);
    }
    return tally(calls, rules);
  };
  const today = dayNumber(date);
  const all = upTo(today);
  // A day without a call at all was closed, or there was no log yet.
  const before = Array.from({ length: WEEKS }, (_, i) => today - 7 * (i + 1)).flatMap((day) => {
    let any = false;
    for (const row of log.between(momentOfDay(zone, day, 0), momentOfDay(zone, day + 1, 0)))
      if (row.kind === 'call' && row.facts.way === 'in') any = true;
    return any ? [upTo(day)] : [];
  });
  const mean = (of: (t: Tally) => number) => before.reduce((sum, t) => sum + of(t), 0) / before.length;
  return {
    now: {
      offered: all.offered,
      answered: all.answered,
      missed: all.missed,
      gaveUp: all.of['gave up'],
      inTime: inTimeOf(all, rules),
    },
    usual: before.length
      ? {
          offered: mean((t) => t.offered),
          answered: mean((t) => t.answered),
          missed: mean((t) => t.missed),
          gaveUp: mean((t) => t.of['gave up']),
        }
      : null,
    days: before.length,
  };
}
