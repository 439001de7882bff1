/** What many usual weeks say, with the intervals in which it lies: from weeks, which are independent, and never from calls. */
import { estimateOf, type Estimate } from '../intervals';
import type { Count, Week } from './run';

/** Hours of the week that belong together. */
export type Hours = readonly number[];

const sumOver = (values: readonly number[], hours: Hours): number =>
  hours.reduce((sum, h) => sum + (values[h] ?? 0), 0);

/** One count over another, in some hours of each week. */
interface Ratio {
  part: number;
  whole: number;
}
const ratios = (weeks: readonly Week[], part: Count, whole: Count, hours: Hours): Ratio[] =>
  weeks.map((w) => ({ part: sumOver(w.hours[part], hours), whole: sumOver(w.hours[whole], hours) }));

/** The values whose mean is the ratio, and whose spread is that of the ratio: its linear form (W. G. Cochran, "Sampling Techniques"). */
function linear(of: readonly Ratio[]): number[] | null {
  const whole = of.reduce((sum, r) => sum + r.whole, 0);
  if (!whole) return null;
  const ratio = of.reduce((sum, r) => sum + r.part, 0) / whole;
  const mean = whole / of.length;
  return of.map((r) => ratio + (r.part - ratio * r.whole) / mean);
}

/** A share of callers, or their mean, with its interval. @returns null where nobody called, or of fewer than two weeks */
export function ratioOf(weeks: readonly Week[], part: Count, whole: Count, hours: Hours): Estimate | null {
  const values = linear(ratios(weeks, part, whole, hours));
  return values && estimateOf(values);
}

/** How much more it is after a change, week by week with the same callers. */
export function changeOf(
  before: readonly Week[],
  after: readonly Week[],
  part: Count,
  whole: Count,
  hours: Hours,
): Estimate | null {
  const n = Math.min(before.length, after.length);
  const [one, other] = [before, after].map((weeks) => linear(ratios(weeks.slice(0, n), part, whole, hours)));
  return one && other ? estimateOf(other.map((value, i) => value - one[i]!)) : null;
}

/** How many a week, with its interval. */
export const countOf = (weeks: readonly Week[], count: Count, hours: Hours): Estimate | null =>
  estimateOf(weeks.map((w) => sumOver(w.hours[count], hours)));

/** How much of some hours somebody talks. */
export const busyOf = (weeks: readonly Week[], personId: string, hours: Hours): Estimate | null =>
  hours.length
    ? estimateOf(weeks.map((w) => sumOver(w.busy[personId] ?? [], hours) / (hours.length * 3600)))
    : null;

/** Lines in use in some hours, in the mean: their load in erlangs. */
export const loadOf = (weeks: readonly Week[], hours: Hours): Estimate | null =>
  hours.length ? estimateOf(weeks.map((w) => sumOver(w.load, hours) / hours.length)) : null;

/**
 * The fewest lines with which at most a share of callers would find all of them taken, by what callers found where there was
 * always one more. @returns null where nobody called
 */
export function linesNeeded(weeks: readonly Week[], lost: number): number | null {
  const found: number[] = [];
  for (const week of weeks) week.found.forEach((n, lines) => (found[lines] = (found[lines] ?? 0) + n));
  const all = found.reduce((sum, n) => sum + (n ?? 0), 0);
  if (!all) return null;
  let above = all;
  for (let lines = 0; ; lines++) {
    // Whoever finds so many in use, or more, would not get one.
    if (above / all <= lost) return lines;
    above -= found[lines] ?? 0;
  }
}
