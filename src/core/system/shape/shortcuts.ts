/** Whom a business calls often: rows that call in one tap, and two digits that are dialled for them. */
import { z } from 'zod';
import { E164, Id, name, text } from './primitives';

export const ShortcutTarget = z.discriminatedUnion('kind', [
  /** The first number of theirs, or one of their numbers. */
  z.object({ kind: z.literal('contact'), contactId: Id, number: E164.nullable() }),
  z.object({ kind: z.literal('person'), personId: Id }),
  z.object({ kind: z.literal('number'), number: E164, name }),
]);
export type ShortcutTarget = z.infer<typeof ShortcutTarget>;

export const ShortCode = z.string().regex(/^\d\d$/, 'Two digits.');

export const Shortcut = z.object({
  id: Id,
  /** What is dialled for it, inside; null where it is a row only. */
  code: ShortCode.nullable(),
  /** The group it stands in; empty is none. */
  group: text(40),
  target: ShortcutTarget,
});
export type Shortcut = z.infer<typeof Shortcut>;
