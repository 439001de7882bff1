/** Contacts of one person only: nobody else sees them, and plans know nothing of them. */
import { z } from 'zod';
import { Contact } from './shape/contacts';
import { Id } from './shape/primitives';

export const OwnContact = Contact.pick({
  id: true,
  name: true,
  firm: true,
  numbers: true,
  emails: true,
  note: true,
}).extend({ numbers: Contact.shape.numbers.min(1, 'It needs a number.') });
export type OwnContact = z.infer<typeof OwnContact>;

/** What every id of one begins with. */
const OWN = 'own-';
export const ownContactId = (id: string): string => `${OWN}${id}`;
export const isOwnContact = (id: string): boolean => id.startsWith(OWN);
export const OwnContactId = Id.refine(isOwnContact, 'It is not one of your own.');

/** As the phone of whoever has it shows it, among those of the business. */
export const asContact = (own: OwnContact): Contact => ({
  ...own,
  ownerId: null,
  listIds: [],
  blocked: false,
});
