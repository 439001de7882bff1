/** The businesses of this browser: the draft of each with its history, what was put in force, and what stands. */
import { z } from 'zod';
import { Id, Standing, System, SYSTEM_VERSION } from '../../../core/system';

export const BusinessRecord = z.object({
  id: Id,
  kind: z.enum(['demonstration', 'own']),
  createdAt: z.number(),
});
export type BusinessRecord = z.infer<typeof BusinessRecord>;

const Patches = z.array(
  z.object({
    op: z.enum(['replace', 'remove', 'add']),
    path: z.array(z.union([z.string(), z.number()])),
    value: z.unknown().optional(),
    before: z.string().nullable().optional(),
  }),
);

/** Name, as it was then, of whoever did something; absent where they run the system and are nobody in it. */
const By = z.string().optional();

/** One edit as it stands in the history of a draft. */
export const EditRecord = z.object({
  businessId: Id,
  /** Counts up within the business; undone edits are those above the draft's `done`. */
  seq: z.number().int().min(1),
  at: z.number(),
  words: z.string(),
  by: By,
  mergeKey: z.string().optional(),
  patches: Patches,
  inverse: Patches,
});
export type EditRecord = z.infer<typeof EditRecord>;

/** The draft, with how far its history has been done and how much of it is in force. */
export const DraftRecord = z.object({
  businessId: Id,
  version: z.literal(SYSTEM_VERSION),
  /** A new one with every step: two drafts are the same when theirs are. */
  revision: z.string(),
  done: z.number().int().min(0),
  /** `done` when the draft was last put in force. */
  inForceAt: z.number().int().min(0),
  system: System,
});
export type DraftRecord = z.infer<typeof DraftRecord>;

/**
 * What was done to a draft since the whole of it was stored: an edit is then a few hundred bytes to store, not the whole
 * system. It is folded into the draft when nothing has been done for a while.
 */
export const HeadRecord = z.object({
  businessId: Id,
  /** Revision of the stored draft that the patches go on. */
  base: z.string(),
  revision: z.string(),
  done: z.number().int().min(0),
  patches: Patches,
});
export type HeadRecord = z.infer<typeof HeadRecord>;

/** A system that is or was in force. */
export const VersionRecord = z.object({
  businessId: Id,
  version: z.literal(SYSTEM_VERSION),
  n: z.number().int().min(0),
  at: z.number(),
  /** Who put it in force. */
  by: By,
  words: z.array(z.string()),
  system: System,
});
export type VersionRecord = z.infer<typeof VersionRecord>;

export const StandingRecord = z.object({ businessId: Id, standing: Standing });
export type StandingRecord = z.infer<typeof StandingRecord>;
