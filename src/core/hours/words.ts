/** Weekly hours in words. */
import type { Hours } from '../system/shape/hours';
import { dayAndMonth, writeTime, writtenAs } from './writing';
import { dayNumber, weekdayOf } from './zone';

export const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec'];

/** A day as it is written everywhere: "Sat 19 Dec 2026", or "Sat Dec 19, 2026". @param iso its date */
export function dateInWords(iso: string): string {
  const [year, month, day] = iso.split('-').map(Number) as [number, number, number];
  const comma = writtenAs().dates === 'month first' ? ',' : '';
  return `${DAY_NAMES[weekdayOf(dayNumber(iso)) - 1]} ${dayAndMonth(day, MONTHS[month - 1]!)}${comma} ${year}`;
}

/** Days as people say them: "Mon–Fri", "Sat", "Mon, Wed". @param days ISO days of the week */
export function daysInWords(days: readonly number[]): string {
  const sorted = [...new Set(days)].sort((a, b) => a - b);
  if (sorted.length === 7) return 'every day';
  const runs: number[][] = [];
  for (const day of sorted) {
    const run = runs.at(-1);
    if (run && run.at(-1) === day - 1) run.push(day);
    else runs.push([day]);
  }
  return runs
    .map((run) => {
      const [first, last] = [DAY_NAMES[run[0]! - 1]!, DAY_NAMES[run.at(-1)! - 1]!];
      return run.length === 1 ? first : run.length === 2 ? `${first}, ${last}` : `${first}–${last}`;
    })
    .join(', ');
}

/** When a kind of period is on: "Mon–Fri 08:00–17:00, Sat 09:00–13:00". */
export function periodInWords(hours: Hours, kind: string): string {
  const daysBySpans = new Map<string, number[]>();
  for (let day = 1; day <= 7; day++) {
    const spans = hours.weekly
      .filter((p) => p.day === day && p.kind === kind)
      .sort((a, b) => a.from - b.from)
      .map((p) => (p.from === 0 && p.to === 1440 ? 'all day' : `${writeTime(p.from)}–${writeTime(p.to)}`))
      .join(' and ');
    if (spans) daysBySpans.set(spans, [...(daysBySpans.get(spans) ?? []), day]);
  }
  const week = [...daysBySpans].map(([spans, days]) => `${daysInWords(days)} ${spans}`).join(', ');
  const others = (hours.exceptions ?? []).filter((e) => e.times.some((t) => t.kind === kind));
  const onlyThen =
    others.length > 2 ? `on ${others.length} exceptions` : others.map((e) => e.name).join(', ');
  return week || onlyThen || 'never';
}

/** The kinds of period a set has: those of the week in its order, then those only its exceptions have. */
export const kindsOf = (hours: Hours): string[] => [
  ...new Set([
    ...[...hours.weekly].sort((a, b) => a.day - b.day || a.from - b.from).map((p) => p.kind),
    ...(hours.exceptions ?? []).flatMap((e) => e.times.map((t) => t.kind)),
  ]),
];
