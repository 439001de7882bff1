/** Weekly hours: which period is on, and when the next change comes. */
import type { Hours } from '../system/schema';
import { addDays, localTime, momentOf, nextClockChange } from './zone';

/** The kind of period that is on at a moment ("Open", "Lunch"), or null when none is. @param at epoch milliseconds */
export function periodAt(hours: Hours, businessZone: string, at: number): string | null {
  const { day, minute } = localTime(hours.timeZone ?? businessZone, at);
  for (const p of hours.weekly) if (p.day === day && minute >= p.from && minute < p.to) return p.kind;
  return null;
}

/**
 * All moments from `from` up to but without `to` (epoch milliseconds) at which what these hours say can change:
 * the start and end of every period, in local time, and every change of the clocks. Ascending, without repeats.
 */
export function boundaries(hours: Hours, businessZone: string, from: number, to: number): number[] {
  const zone = hours.timeZone ?? businessZone;
  const found = new Set<number>();
  const last = addDays(localTime(zone, to).date, 1);
  for (let date = addDays(localTime(zone, from).date, -1); date <= last; date = addDays(date, 1)) {
    const { day } = localTime(zone, momentOf(zone, date, 720));
    for (const p of hours.weekly)
      if (p.day === day)
        for (const minute of [p.from, p.to])
          // On the day the clocks go back a time of the doubled hour comes twice.
          for (const which of ['compatible', 'later'] as const)
            found.add(momentOf(zone, date, minute, which));
  }
  for (let at = nextClockChange(zone, from); at < to; at = nextClockChange(zone, at)) found.add(at);
  return [...found].filter((t) => t >= from && t < to).sort((a, b) => a - b);
}
