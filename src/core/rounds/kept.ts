/** What is kept of a round of texts; what each receiver gets stands among what is done by itself. */
import { z } from 'zod';
import { E164, Id } from '../system';

export const Round = z.object({
  id: Id,
  /** When it was started, epoch milliseconds. */
  at: z.number(),
  name: z.string().trim().min(1, 'Give it a name.').max(80, 'At most 80 letters.'),
  from: E164,
  text: z.string().trim().min(1, 'Write what it says.').max(1600, 'At most 1,600 letters.'),
  /** Who started it, by name. */
  by: z.string().max(120).optional(),
  state: z.enum(['runs', 'pauses', 'called off']),
  /** How many it was for, and how many got nothing, by why. */
  goes: z.number().int().min(0),
  leftOut: z.array(z.object({ why: z.string().max(500), n: z.number().int().min(1) })).max(200),
  /** How and when those of a file agreed. */
  consent: z.string().max(500),
});
export type Round = z.infer<typeof Round>;

/** When those that wait go after a pause: the first now, and the others as far apart as they were. @param dues in order */
export function shifted(dues: readonly number[], now: number): number[] {
  const first = dues[0];
  if (first === undefined || first >= now) return [...dues];
  return dues.map((due) => due + (now - first));
}
