/** People outside who call: contacts, and the lists they are on. */
import { z } from 'zod';
import { E164, Id, name } from './primitives';

export const Contact = z.object({
  id: Id,
  name,
  numbers: z.array(E164).max(10),
  /** Who on staff looks after them. */
  ownerId: Id.nullable(),
  listIds: z.array(Id).max(20),
  blocked: z.boolean(),
});
export const ContactList = z.object({ id: Id, name });

/** The contact a number belongs to. */
export const contactOf = (number: string, contacts: Record<string, Contact>): Contact | undefined =>
  Object.values(contacts).find((c) => c.numbers.includes(number));

export type Contact = z.infer<typeof Contact>;
export type ContactList = z.infer<typeof ContactList>;
