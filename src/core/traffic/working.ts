/** When somebody works: what their talk is held against. */
import { once } from '../once';
import { boundaries, localTime, periodAt } from '../hours';
import { allSteps, zoneOf, type Hours, type Person, type System } from '../system';
import { momentsOf, type Span } from './span';

export type Interval = readonly [from: number, to: number];

/** The hours that most plans ask which numbers lead to; undefined where none does. */
export const usualHours = once((system: System): Hours | undefined => {
  const asked = new Map<string, number>();
  for (const { planId } of Object.values(system.numbers)) {
    const plan = planId ? system.plans[planId] : undefined;
    for (const step of allSteps(plan?.steps ?? []))
      if (step.kind === 'hours' && step.hoursId) asked.set(step.hoursId, (asked.get(step.hoursId) ?? 0) + 1);
  }
  const [most] = [...asked].sort(([, a], [, b]) => b - a)[0] ?? [];
  return most ? system.hours[most] : undefined;
});

/** What was worked out last for a set of hours: everybody who has them asks for the same span. */
const known = new WeakMap<Hours, { key: string; times: Interval[] }>();

/** Open times of hours in a span, epoch milliseconds. */
export function openTimes(hours: Hours, zone: string, [from, to]: Interval): Interval[] {
  const key = `${zone} ${from} ${to}`;
  const last = known.get(hours);
  if (last?.key === key) return last.times;
  const cuts = [from, ...boundaries(hours, zone, from, to), to];
  const times = cuts.slice(0, -1).flatMap((at, i) => {
    const end = cuts[i + 1]!;
    return end > at && periodAt(hours, zone, at) !== null ? [[at, end] as const] : [];
  });
  known.set(hours, { key, times });
  return times;
}

/** When somebody works in a span: their hours, else the usual ones, on days they are not away. Null where no hours are known. */
export function worksIn(person: Person, system: System, span: Span): Interval[] | null {
  const zone = zoneOf(person, system);
  const hours = (person.hoursId ? system.hours[person.hoursId] : undefined) ?? usualHours(system);
  if (!hours) return null;
  return openTimes(hours, system.business.timeZone, momentsOf(span, zone)).filter(([from]) => {
    const { date } = localTime(zone, from);
    return !person.away.some((a) => a.from <= date && date <= a.to);
  });
}

/** The same times in order, each moment once. */
export function united(times: readonly Interval[]): Interval[] {
  const out: [number, number][] = [];
  for (const [from, to] of [...times].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else if (to > from) out.push([from, to]);
  }
  return out;
}
/** How long two lists of times lie in each other, in milliseconds. @param one, other in order, each moment once */
export function commonTo(one: readonly Interval[], other: readonly Interval[]): number {
  let [i, j, sum] = [0, 0, 0];
  while (i < one.length && j < other.length) {
    sum += Math.max(0, Math.min(one[i]![1], other[j]![1]) - Math.max(one[i]![0], other[j]![0]));
    if (one[i]![1] < other[j]![1]) i++;
    else j++;
  }
  return sum;
}
export const lengthOfAll = (times: readonly Interval[]): number =>
  times.reduce((sum, [from, to]) => sum + to - from, 0);
