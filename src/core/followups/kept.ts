/** What is kept of what follow-ups do, and of the tasks they and people make. */
import { z } from 'zod';
import { E164, Id } from '../system';
import { Errand } from './errands';
import { ENTRY_KINDS } from '../story';

/** Of a web hook, what was answered, or how it failed. */
const Tried = z.object({ at: z.number(), said: z.string().max(300) });

/** Something a follow-up does, from when it came about. */
export const Kept = Errand.extend({
  state: z.enum(['waits', 'done', 'not done', 'failed', 'withdrawn']),
  /** When it is looked at next; there only as long as it waits. */
  next: z.number().optional(),
  /** When it came to an end. */
  at: z.number().optional(),
  /** Who outside got it: a number or an address; there only where it was sent. */
  receiver: z.string().max(320).optional(),
  /** Why it waits, was not done or failed. */
  why: z.string().max(500).optional(),
  /** It was done late. */
  late: z.boolean().optional(),
  tries: z.array(Tried).max(20).optional(),
  /** The text, mail or task that came of it. */
  came: Id.optional(),
});
export type Kept = z.infer<typeof Kept>;

const WEEK_MS = 7 * 86_400_000;
/** What follow-ups could not do in the last week: how often, and why the last time; by follow-up. @param now epoch milliseconds */
export function troubledBy(kept: readonly Kept[], now: number): Record<string, { n: number; why: string }> {
  const found: Record<string, { n: number; why: string }> = {};
  for (const { followUpId, state, at = 0, why = '' } of kept)
    if (state === 'failed' && at > now - WEEK_MS)
      found[followUpId] = { n: (found[followUpId]?.n ?? 0) + 1, why };
  return found;
}

/** Something somebody is to do. */
export const Task = z.object({
  id: Id,
  /** When it was made, epoch milliseconds. */
  at: z.number(),
  text: z.string().trim().min(1, 'Write what is to be done.').max(5000),
  /** Whose it is; null is anybody's. */
  personId: Id.nullable(),
  /** It is to call the other side back. */
  callBack: z.boolean(),
  /** The day by which, ISO; null is some time. */
  by: z.iso.date().nullable(),
  /** The other side, E.164. */
  other: E164.nullable(),
  about: z.object({ kind: z.enum(ENTRY_KINDS), id: z.string().max(60) }).nullable(),
  /** Who made it: a person by name, or a follow-up. */
  from: z.string().max(120),
  doneAt: z.number().optional(),
  doneBy: z.string().max(120).optional(),
});
export type Task = z.infer<typeof Task>;
export type TaskChange = Partial<Pick<Task, 'text' | 'personId' | 'by'>> & { done?: boolean };
