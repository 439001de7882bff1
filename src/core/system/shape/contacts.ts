/** People outside who call: contacts, and the lists they are on. */
import { z } from 'zod';
import { E164, Id, name, text, TimeZone } from './primitives';

/** What a number or an address of theirs is for: the kinds that cards have for both of them (RFC 6350, 5.6 and 6.4.1). */
export const ADDRESS_KINDS = ['mobile', 'work', 'home', 'fax'] as const;
export const AddressKind = z.enum(ADDRESS_KINDS);
export type AddressKind = z.infer<typeof AddressKind>;

export const Contact = z.object({
  id: Id,
  name,
  numbers: z.array(E164).max(10),
  /** Who on staff looks after them. */
  ownerId: Id.nullable(),
  listIds: z.array(Id).max(20),
  blocked: z.boolean(),
  /** The firm they are of. */
  firm: text(80).optional(),
  emails: z.array(z.email()).max(10).optional(),
  /** By number (E.164) or address; of one that is not in it, nothing is known. */
  kinds: z.record(z.string().max(320), AddressKind).optional(),
  /** A picture of them, by the SHA-256 of its bytes, which are kept beside. */
  picture: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .optional(),
  note: text(2000).optional(),
  /** Where they are, by its time zone: it decides when they may be bothered. */
  timeZone: TimeZone.nullable().optional(),
  /** That they agreed to be texted, when and how. */
  consent: z
    .object({ on: z.iso.date('Write a day.'), how: text(120).min(1, 'Say how they agreed.') })
    .optional(),
  /** What a file of cards calls them, by which they are found in it again (RFC 6350, 6.7.6). */
  uid: text(200).optional(),
});
export const ContactList = z.object({ id: Id, name });

/** The contact a number belongs to. */
export const contactOf = (number: string, contacts: Record<string, Contact>): Contact | undefined =>
  Object.values(contacts).find((c) => c.numbers.includes(number));

export type Contact = z.infer<typeof Contact>;
export type ContactList = z.infer<typeof ContactList>;
