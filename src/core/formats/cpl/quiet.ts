/** Quiet hours as the times of a week, and back. */
import type { PeriodOfWeek, Quiet } from '../../system';

const WEEK = [1, 2, 3, 4, 5, 6, 7];
const DAY_MINUTES = 1440;
type Span = readonly [from: number, to: number];
type Time = Pick<PeriodOfWeek, 'day' | 'from' | 'to'>;

/** The times of a week that are quiet. */
export const quietTimes = (quiet: Quiet): Time[] =>
  WEEK.flatMap((day) =>
    (quiet.wholeDays?.includes(day) ? ([[0, DAY_MINUTES]] as const) : daily(quiet))
      .filter(([from, to]) => from < to)
      .map(([from, to]) => ({ day, from, to })),
  );

const daily = ({ from, to }: Quiet): readonly Span[] =>
  from <= to
    ? [[from, to]]
    : [
        [0, to],
        [from, DAY_MINUTES],
      ];

/** The rest of the week. */
export const otherTimes = (times: readonly Time[]): Time[] =>
  WEEK.flatMap((day) => {
    const spans = spansOn(day, times);
    const cuts = [0, ...spans.flat(), DAY_MINUTES];
    return Array.from({ length: cuts.length / 2 }, (_, i) => ({
      day,
      from: cuts[2 * i]!,
      to: cuts[2 * i + 1]!,
    })).filter((t) => t.from < t.to);
  });

/** What is on a day, in order, with what touches or overlaps taken together. */
function spansOn(day: number, times: readonly Time[]): Span[] {
  const spans: [number, number][] = [];
  for (const { from, to } of times.filter((t) => t.day === day).sort((a, b) => a.from - b.from)) {
    const last = spans.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else spans.push([from, to]);
  }
  return spans;
}

/** Quiet hours that are just these times of a week; undefined where one span of every day and whole days do not say it. */
export function quietOf(times: readonly Time[]): Quiet | undefined {
  const days = WEEK.map((day) => spansOn(day, times));
  const isWhole = ([first]: readonly Span[]) => first?.[0] === 0 && first[1] === DAY_MINUTES;
  const wholeDays = WEEK.filter((day) => isWhole(days[day - 1]!));
  const others = days.filter((spans) => !isWhole(spans));
  const [spans = []] = others;
  if (others.some((o) => JSON.stringify(o) !== JSON.stringify(spans))) return undefined;
  const span = oneSpan(spans);
  return span && { from: span[0], to: span[1], ...(wholeDays.length ? { wholeDays } : {}) };
}

/** Spans of a day as one that may go over midnight. */
function oneSpan(spans: readonly Span[]): Span | undefined {
  const [first, second, third] = spans;
  if (!first) return [0, 0];
  if (!second) return [first[0], first[1] % DAY_MINUTES];
  return !third && first[0] === 0 && second[1] === DAY_MINUTES ? [second[0], first[1]] : undefined;
}
