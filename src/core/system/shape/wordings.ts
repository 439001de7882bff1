/** Answers to texts that are ready made, with fields that are filled in when one is taken. */
import { z } from 'zod';
import { Id, name } from './primitives';

export const Wording = z.object({
  id: Id,
  name,
  /** With fields in braces; see `filled`. */
  text: z.string().trim().min(1, 'Write what it says.').max(1600, 'At most 1,600 letters.'),
});
export type Wording = z.infer<typeof Wording>;
