/** Who may call where outside, and what stops calls that look like fraud. */
import { z } from 'zod';
import { CountryCode, Id } from './primitives';

const Who = z.union([z.literal('everybody'), z.array(Id).max(500)]);

/** Many short calls to one country within a while look like somebody else's calls on our account. */
export const Guard = z.object({
  /** So many calls to one country, each shorter than `seconds`, within `minutes`, stop the next. */
  calls: z.number().int().min(1, 'At least 1.').max(100, 'At most 100.'),
  seconds: z.number().int().min(1, 'At least 1 second.').max(3600, 'At most an hour.'),
  minutes: z.number().int().min(1, 'At least 1 minute.').max(1440, 'At most a day.'),
  /** Only outside these hours; null is at all times. */
  hoursId: Id.nullable(),
});

export const CallsOut = z.object({
  /** Who may call another country. */
  abroadFor: Who,
  /** Which other countries may be called. */
  countries: z.union([z.literal('all'), z.array(CountryCode).max(250)]),
  /** Who may call numbers with a price of their own. */
  premiumFor: Who,
  /** What one person may spend a day on calls out, in cents of the business's currency; null is no limit. */
  dailyCents: z.number().int().min(0, '0 or more.').max(1_000_000, 'At most 10,000.').nullable(),
  guard: Guard.nullable(),
});
export type CallsOut = z.infer<typeof CallsOut>;
export type Guard = z.infer<typeof Guard>;

/** What holds where nobody has said anything: no limit at all, as it was before there were any. */
export const ANY_CALLS_OUT: CallsOut = {
  abroadFor: 'everybody',
  countries: 'all',
  premiumFor: 'everybody',
  dailyCents: null,
  guard: null,
};
/** What a new business starts with: nobody calls premium numbers, and many short calls to one country are stopped. */
export const usualCallsOut = (): CallsOut => ({
  abroadFor: 'everybody',
  countries: 'all',
  premiumFor: [],
  dailyCents: null,
  guard: { calls: 8, seconds: 60, minutes: 60, hoursId: null },
});

/** Prices of calls out, in cents a minute; a minute that has begun is charged. */
export interface Rates {
  inland: number;
  premium: number;
  /** By ISO country code. */
  abroad: Record<string, number>;
  /** To any other country. */
  elsewhere: number;
}
