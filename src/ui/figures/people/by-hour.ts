/** What was run as charts and maps by the hour. */
import { ALL_HOURS, ratioOf, type Hours, type Week } from '$core/staffing';
import { DAY_NAMES, writeTime } from '$core/hours';
import type { Chart, WeekMap } from '$core/traffic';

/** Fewer callers in all weeks together say nothing of an hour. */
const FEWEST = 10;
const missedIn = (weeks: readonly Week[], hours: Hours): number | null => {
  const offered = weeks.reduce((sum, w) => sum + hours.reduce((all, h) => all + w.hours.offered[h]!, 0), 0);
  const missed = offered >= FEWEST ? ratioOf(weeks, 'missed', 'offered', hours) : null;
  return missed && Math.max(0, missed.mean);
};

export function missedMap(weeks: readonly Week[]): WeekMap {
  const values = ALL_HOURS.map((h) => missedIn(weeks, [h]));
  return {
    title: 'Missed of those offered, by the hour of a usual week',
    unit: 'share',
    values,
    keys: values.map(() => null),
  };
}

/** Missed by the hour of the day on the days that some hours lie in, as it is and after a change. */
export function missedChart(weeks: readonly Week[], after: readonly Week[], hours: Hours): Chart {
  const days = [...new Set(hours.map((h) => Math.floor(h / 24)))];
  const at = (of: readonly Week[]) =>
    Array.from({ length: 24 }, (_, hour) =>
      missedIn(
        of,
        days.map((d) => d * 24 + hour),
      ),
    );
  const [before, then] = [at(weeks), at(after)];
  const used = before.flatMap((v, hour) => (v === null ? [] : hour));
  const shown = used.length
    ? Array.from({ length: used.at(-1)! - used[0]! + 1 }, (_, i) => used[0]! + i)
    : [];
  const series = (of: string, values: (number | null)[]) => ({
    name: of,
    values: shown.map((hour) => values[hour] ?? null),
    keys: shown.map(() => null),
  });
  return {
    title: `Missed of those offered, by the hour${days.length < 7 ? ` on ${days.map((d) => DAY_NAMES[d]).join(', ')}` : ''}`,
    kind: 'bars',
    stacked: false,
    unit: 'share',
    labels: shown.map((hour) => writeTime(hour * 60)),
    series: [series('as it is', before), ...(after.length ? [series('after', then)] : [])],
  };
}
