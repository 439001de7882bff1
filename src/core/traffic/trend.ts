/** Whether calls grow or shrink over the whole weeks of a span, and how sure that is. */
import { deviation, mean } from 'd3-array';
import jStat from 'jstat';
import { addDays, dayNumber, localTime } from '../hours';
import type { Judged } from './judged';
import { partOf, partsOf, type Span } from './span';

/** The straight line nearest to values, by least squares, with where its slope lies 95 times of 100. */
export interface Line {
  /** Of the first value, and by how much each next one is more. */
  from: number;
  slope: number;
  low: number;
  high: number;
}

/**
 * @param points with distances from the line that are independent of each other @returns null of fewer than three, or where all
 * lie above each other
 */
export function lineThrough(points: readonly (readonly [x: number, y: number])[]): Line | null {
  const n = points.length;
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const spread = deviation(xs);
  if (n < 3 || !spread) return null;
  const [x0, y0] = [mean(xs)!, mean(ys)!];
  const square = spread ** 2 * (n - 1);
  const slope = points.reduce((sum, [x, y]) => sum + (x - x0) * (y - y0), 0) / square;
  const from = y0 - slope * x0;
  const left = points.reduce((sum, [x, y]) => sum + (y - from - slope * x) ** 2, 0);
  const half = jStat.studentt.inv(0.975, n - 2) * Math.sqrt(left / (n - 2) / square);
  return { from, slope, low: slope - half, high: slope + half };
}

/** Of fewer whole weeks nothing is said: any two lie on a line. No source. */
const FEWEST_WEEKS = 6;

/**
 * Of calls by whole weeks that are over, in words; weeks before the first call of all are not counted.
 * @param now the last moment the log knows of, epoch milliseconds @returns null where there are too few weeks to say
 */
export function trendInWords(calls: readonly Judged[], span: Span, zone: string, now: number): string | null {
  const today = localTime(zone, now).date;
  const weeks = partsOf(span, 'week', zone).filter(
    (monday) => monday >= span.from && addDays(monday, 6) <= span.to && addDays(monday, 7) <= today,
  );
  const counts = new Map(weeks.map((w) => [w, 0]));
  for (const { row } of calls) {
    const week = partOf(row.at, 'week', zone);
    const had = counts.get(week);
    if (had !== undefined) counts.set(week, had + 1);
  }
  const first = weeks.findIndex((w) => counts.get(w));
  const seen = first < 0 ? [] : weeks.slice(first);
  if (seen.length < FEWEST_WEEKS) return null;
  const line = lineThrough(seen.map((w) => [(dayNumber(w) - dayNumber(seen[0]!)) / 7, counts.get(w)!]));
  if (!line) return null;
  const { slope, low, high } = line;
  const round = (n: number) => (Math.abs(n) < 10 ? n.toFixed(1) : n.toFixed(0)).replace(/^-/, '−');
  const between = `95 times of 100 between ${round(low)} and ${round(high)}`;
  return low <= 0 && high >= 0
    ? `Calls offered neither grow nor shrink over these ${seen.length} whole weeks beyond what chance does: ${round(slope)} a week, ${between}.`
    : `Calls offered: over these ${seen.length} whole weeks ${round(Math.abs(slope))} ${slope > 0 ? 'more' : 'fewer'} from week to week, ${between}.`;
}
