/** A list of people to call: what is said to them, how calls can end and what follows, and how far each is. */
import { z } from 'zod';
import { E164, Id } from '../system';

/** How a call can end, in own words, and what follows from it. */
export const Outcome = z.object({
  id: Id,
  name: z.string().trim().min(1, 'Give it a name.').max(60, 'At most 60 letters.'),
  /** Called again after some days, not any more, never again by anybody, or done with a task. */
  then: z.enum(['done', 'again', 'never', 'task']),
  /** Days after which they are called again, or by which the task is due. */
  days: z.number().int().min(0).max(365),
});
export type Outcome = z.infer<typeof Outcome>;

/** That a list for selling was held against the registry of those not to be called: how, and on which day. */
const Registry = z.object({ on: z.iso.date(), how: z.string().trim().min(1).max(300) });

export const CallList = z.object({
  id: Id,
  at: z.number(),
  name: z.string().trim().min(1, 'Give it a name.').max(80, 'At most 80 letters.'),
  selling: z.boolean(),
  registry: Registry.nullable(),
  script: z.string().max(4000, 'At most 4,000 letters.'),
  outcomes: z.array(Outcome).min(1, 'Say how a call can end.').max(12, 'At most 12 outcomes.'),
  rests: z.boolean(),
  by: z.string().max(120).optional(),
});
export type CallList = z.infer<typeof CallList>;

export const Entry = z.object({
  /** Of the list and the number: nobody stands in a list twice. */
  id: z.string().min(1).max(100),
  listId: Id,
  /** Its place in the list. */
  order: z.number().int().min(0),
  number: E164,
  name: z.string().max(200),
  /** What a file says of them besides. */
  fields: z.record(z.string().max(60), z.string().max(500)),
  state: z.enum(['waits', 'taken', 'done', 'never', 'left out']),
  /** Why they are left out. */
  why: z.string().max(300).optional(),
  /** Not before this, epoch milliseconds. */
  from: z.number().optional(),
  /** Who has them before themselves, by name, and since when. */
  takenBy: z.string().max(120).optional(),
  takenAt: z.number().optional(),
  calls: z
    .array(
      z.object({
        at: z.number(),
        by: z.string().max(120),
        outcomeId: Id,
        note: z.string().max(2000),
      }),
    )
    .max(100),
});
export type Entry = z.infer<typeof Entry>;

export const MOST_ENTRIES = 5000;

/** Outcomes to begin with. */
export const usualOutcomes = (): Outcome[] => [
  { id: 'reached', name: 'Reached, all said', then: 'done', days: 0 },
  { id: 'not-there', name: 'Nobody answered', then: 'again', days: 1 },
  { id: 'later', name: 'Asked for another day', then: 'again', days: 3 },
  { id: 'wants', name: 'Wants something of us', then: 'task', days: 1 },
  { id: 'never', name: 'Wants no calls', then: 'never', days: 0 },
];
