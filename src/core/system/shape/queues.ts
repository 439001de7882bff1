/** Queues: callers wait in order until one of those who serve it is free. */
import { z } from 'zod';
import { Pattern, Weights } from './people';
import { Key } from './plans';
import { Extension, Id, name, RingSeconds } from './primitives';

export const Queue = z.object({
  id: Id,
  name,
  extension: Extension.nullable(),
  /** People who serve it, in order. */
  memberIds: z.array(Id).max(200),
  /** Groups whose people serve it, after those; absent is none. Who serves it in all is `servingOf`. */
  groupIds: z.array(Id).max(20, 'At most 20 groups.').optional(),
  pattern: Pattern,
  weights: Weights.optional(),
  /** Seconds one of them is rung before the next is tried. */
  seconds: RingSeconds,
  /** Callers who may wait at once. */
  limit: z.number().int().min(0, 'None or more.').max(500, 'At most 500.'),
  /** Seconds somebody waits at most. */
  longestWait: z.number().int().min(5, 'At least 5 seconds.').max(7200, 'At most two hours.'),
  holdMusicId: Id.nullable(),
  /** They hear nothing at all instead; absent is that they do. */
  holdSilent: z.boolean().optional(),
  /** What is said to those who wait, and every how many seconds; null for nothing. */
  comfort: z
    .object({ recordingId: Id, every: z.number().int().min(10).max(600), position: z.boolean() })
    .nullable(),
  /** The key with which somebody leaves the queue, or null. */
  exitKey: Key.nullable(),
  /** The key with which somebody asks to be called back instead of waiting, or null. */
  callBackKey: Key.nullable(),
  /** Seconds one of them is left alone after a call. */
  wrapUp: z.number().int().min(0).max(600),
  /** Offers missed in a row after which somebody is paused; absent or null is never. */
  pauseAfter: z.number().int().min(1, 'At least 1.').max(10, 'At most 10.').nullable().optional(),
  /** Who leads it, and is told of that. */
  leadId: Id.nullable().optional(),
});
export type Queue = z.infer<typeof Queue>;
