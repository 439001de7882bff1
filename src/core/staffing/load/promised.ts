/** What may be promised about load, as it is kept: apart from how it is held, for whoever stores it needs no statistics. */
import { z } from 'zod';
import { Id } from '../../system';

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
