/** Hours: which period is on, and when the next change comes. */
import type { Hours, Override } from '../system/shape/hours';
import { calendarOf } from './days';
import { localTime, momentOfDay, nextClockChange } from './zone';

/**
 * The kind of period that is on at a moment ("Open", "Lunch"), or null when none is.
 * @param at epoch milliseconds @param override what holds in place of the hours for a time
 */
export function periodAt(hours: Hours, businessZone: string, at: number, override?: Override): string | null {
  if (override && override.from <= at && at < override.until) return override.kind;
  const { days, minute } = localTime(hours.timeZone ?? businessZone, at);
  for (const span of calendarOf(hours).on(days).spans)
    if (minute >= span.from && minute < span.to) return span.kind;
  return null;
}

/**
 * Whether hours are as they are at a moment (epoch milliseconds) because of a public holiday: its times hold that day, and
 * none of them is on, or one of a kind that no day of the week has.
 */
export function isHoliday(hours: Hours, businessZone: string, at: number, override?: Override): boolean {
  if (override && override.from <= at && at < override.until) return false;
  if (!calendarOf(hours).hasHolidays) return false;
  const { days, minute } = localTime(hours.timeZone ?? businessZone, at);
  const { spans, exception } = calendarOf(hours).on(days);
  if (exception?.holiday == null) return false;
  const span = spans.find((s) => minute >= s.from && minute < s.to);
  return !span || !hours.weekly.some((p) => p.kind === span.kind);
}

/** What was worked out last for a set of hours: plans of many numbers ask for the same span. */
const known = new WeakMap<Hours, { key: string; found: number[] }>();

/**
 * All moments from `from` up to but without `to` (epoch milliseconds) at which what these hours say can change:
 * the start and end of every period of every day, in local time, the midnights at which a holiday begins or ends, every
 * change of the clocks, and the ends of an override.
 * Ascending, without repeats.
 */
export function boundaries(
  hours: Hours,
  businessZone: string,
  from: number,
  to: number,
  override?: Override,
): number[] {
  const zone = hours.timeZone ?? businessZone;
  const key = `${zone} ${from} ${to} ${override?.from} ${override?.until}`;
  const last = known.get(hours);
  if (last?.key === key) return last.found;
  const all = new Set<number>();
  const calendar = calendarOf(hours);
  const end = localTime(zone, to).days + 1;
  const isOff = (days: number) => calendar.on(days).exception?.holiday != null;
  for (let days = localTime(zone, from).days - 1; days <= end; days++) {
    if (isOff(days) !== isOff(days - 1)) all.add(momentOfDay(zone, days, 0));
    for (const span of calendar.on(days).spans)
      for (const minute of [span.from, span.to]) {
        // On the day the clocks go back a time of the doubled hour comes twice.
        all.add(momentOfDay(zone, days, minute));
        all.add(momentOfDay(zone, days, minute, 'later'));
      }
  }
  for (let at = nextClockChange(zone, from); at < to; at = nextClockChange(zone, at)) all.add(at);
  if (override) all.add(override.from).add(override.until);
  const found = [...all].filter((t) => t >= from && t < to).sort((a, b) => a - b);
  known.set(hours, { key, found });
  return found;
}
