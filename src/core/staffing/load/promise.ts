/** A promise about load: what share of callers of a usual week somebody answers in time. Held when asked, and before a change goes in force. */
import type { Estimate } from '../intervals';
import { ratioOf, type Hours } from './answers';
import type { LoadPromise } from './promised';
import type { Week } from './run';

export interface LoadVerdict {
  /** `too close`: the interval has the promise in it, and more weeks may tell. */
  is: 'kept' | 'broken' | 'too close' | 'nobody calls';
  estimate: Estimate | null;
}

export const hoursOfPromise = ({ days, from, to }: LoadPromise): Hours =>
  days.flatMap((day) => Array.from({ length: to - from }, (_, i) => (day - 1) * 24 + from + i));

/**
 * The days of a usual week that have to be run to hold promises: theirs, and the evening before those that begin by night,
 * for calls of that evening may still go on.
 */
export const daysOfPromises = (promises: readonly LoadPromise[]): number[] => [
  ...new Set(promises.flatMap((p) => [...p.days, ...(p.from < NIGHT ? p.days.map((d) => d - 1 || 7) : [])])),
];
/** From this hour on nobody is left of the day before. No source. */
const NIGHT = 6;

/**
 * Kept where the lower end of the 95 % interval reaches what is promised, broken where the upper end does not.
 * @param weeks run with the promise's seconds as what is in time
 */
export function verdictOf(promise: LoadPromise, weeks: readonly Week[]): LoadVerdict {
  const estimate = ratioOf(weeks, 'inTime', 'offered', hoursOfPromise(promise));
  if (!estimate) return { is: 'nobody calls', estimate: null };
  if (estimate.low >= promise.share) return { is: 'kept', estimate };
  return { is: estimate.high < promise.share ? 'broken' : 'too close', estimate };
}

const NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** "Of callers on a usual Monday, 80 % are answered by a person within 20 s". */
export function loadPromiseInWords({ days, from, to, share, within }: LoadPromise): string {
  const sorted = [...days].sort();
  const when =
    sorted.length === 7
      ? 'day'
      : sorted.join() === '1,2,3,4,5'
        ? 'weekday'
        : sorted.map((d) => NAMES[d - 1]).join(' or ');
  const hours = from === 0 && to === 24 ? '' : ` from ${from} to ${to}`;
  return `Of callers on a usual ${when}${hours}, ${Math.round(share * 1000) / 10} % are answered by a person within ${within} s`;
}
