/** A promise about load: what share of callers of a usual week somebody answers in time. Held when asked, and before a change goes in force. */
import { z } from 'zod';
import { Id } from '../../system';
import type { Estimate } from '../intervals';
import { ratioOf, type Hours } from './answers';
import type { Week } from './run';

export const LoadPromise = z
  .object({
    id: Id,
    /** ISO days of the week. */
    days: z.array(z.number().int().min(1).max(7)).min(1, 'Choose a day.'),
    /** Hours, the last not part of it. */
    from: z.number().int().min(0).max(23),
    to: z.number().int().min(1).max(24),
    /** Of those offered, from 0 to 1. */
    share: z.number({ error: 'Give a share.' }).min(0.01, 'At least 1 %.').max(1, 'At most 100 %.'),
    /** In seconds. */
    within: z
      .number({ error: 'Give seconds.' })
      .int('Whole seconds.')
      .min(1, 'At least 1 s.')
      .max(600, 'At most 600 s.'),
  })
  .refine((p) => p.from < p.to, { error: 'It ends before it begins.', path: ['to'] });
export type LoadPromise = z.infer<typeof LoadPromise>;
export const MOST_LOAD_PROMISES = 20;
export const LoadPromises = z.array(LoadPromise).max(MOST_LOAD_PROMISES);
export type LoadPromises = z.infer<typeof LoadPromises>;

export interface LoadVerdict {
  /** `too close`: the interval has the promise in it, and more weeks may tell. */
  is: 'kept' | 'broken' | 'too close' | 'nobody calls';
  estimate: Estimate | null;
}

export const hoursOfPromise = ({ days, from, to }: LoadPromise): Hours =>
  days.flatMap((day) => Array.from({ length: to - from }, (_, i) => (day - 1) * 24 + from + i));

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
