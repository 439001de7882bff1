/** What is done from the log: a note, calling back that is done, a number that becomes a contact. */
import type { Entry } from '$core/story';
import { contactOf, type Contact } from '$core/system';
import { freshId } from '../ids';
import { markAnswered } from '../messages/answering';
import { theBusiness } from '../window/session.svelte';

export async function note({ id, message, call }: Entry, text: string): Promise<void> {
  const store = call ? 'calls' : 'messages';
  const value = text.trim() || undefined;
  const { workspace } = theBusiness();
  const back = await workspace.change(store, [id], { note: value }, 'A note');
  theBusiness().did(message && !call ? 'A note to the message' : 'A note to the call', back);
}

export const sayDone = ({ id, call, message, who }: Entry): Promise<void> =>
  markAnswered(message ? [id] : [], call ? [id] : [], `Done: ${who}`);

/** @returns what is wrong with the name or the number, or undefined */
export async function makeContact(name: string, number: string): Promise<string | undefined> {
  if (!name.trim()) return 'Give the contact a name.';
  const taken = contactOf(number, theBusiness().system.contacts);
  if (taken) return `${taken.name} has this number already.`;
  const value: Contact = {
    id: freshId('contact'),
    name: name.trim(),
    numbers: [number],
    ownerId: null,
    listIds: [],
    blocked: false,
  };
  return theBusiness().keepStored(`Add the contact ${value.name}`, [{ do: 'contact.add', value }]);
}
