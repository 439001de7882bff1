/** Traffic that somebody types, where the log has none to go by. */
import { z } from 'zod';
import { QUARTERS, USUAL, type Traffic } from './traffic';

const n = (least: number, most: number, what: string) =>
  z
    .number({ error: `Give ${what}.` })
    .min(least, `At least ${least}.`)
    .max(most, `At most ${most.toLocaleString('en-US')}.`);

export const Typed = z
  .object({
    /** The line they call. */
    e164: z.string().min(1, 'Choose the line they call.'),
    perHour: n(0, 10_000, 'how many call in an hour'),
    from: z.number().int().min(0).max(23),
    /** Not part of it. */
    to: z.number().int().min(1).max(24),
    weekdays: z.array(z.number().int().min(1).max(7)).min(1, 'Choose a day.'),
    /** Mean length of a talk, in seconds. */
    talk: n(1, 7200, 'how long they talk'),
    /** Mean patience, in seconds; null is for ever. */
    patience: n(1, 7200, 'how long they wait').nullable(),
    /** How likely somebody who is rung lifts. */
    lifts: n(0.01, 1, 'how often somebody lifts'),
  })
  .refine((t) => t.from < t.to, { error: 'The last hour is before the first.', path: ['to'] });
export type Typed = z.infer<typeof Typed>;

export const typedTraffic = ({
  e164,
  perHour,
  from,
  to,
  weekdays,
  talk,
  patience,
  lifts,
}: Typed): Traffic => ({
  lines: [
    {
      e164,
      rates: Array.from({ length: QUARTERS }, (_, q) => {
        const [day, hour] = [Math.floor(q / 96) + 1, (q % 96) / 4];
        return weekdays.includes(day) && hour >= from && hour < to ? perHour / 4 : 0;
      }),
      keys: [],
    },
  ],
  spread: 0,
  talk: { as: 'exponential', mean: talk },
  talkAt: {},
  patience,
  lifts,
  lift: { as: 'exponential', mean: USUAL.lift },
  before: 0,
  callers: [null],
});
