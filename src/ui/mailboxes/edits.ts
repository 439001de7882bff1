/** The edits of mailboxes, as commands with their words. */
import type { Greeting, Mailbox } from '$core/system';
import { freshId } from '../ids';
import { theBusiness } from '../window/session.svelte';

export const setMailbox = (
  mailbox: Mailbox,
  change: Partial<Omit<Mailbox, 'id'>>,
  words: string,
): string | undefined =>
  theBusiness().keep(`${mailbox.name}: ${words}`, [{ do: 'mailbox.set', id: mailbox.id, change }]);

/** Starts a mailbox. @returns its id */
export function addMailbox(name: string): string {
  const id = freshId('mailbox');
  theBusiness().edit(`Start the mailbox ${name}`, [
    { do: 'mailbox.add', value: { id, name, ownerIds: [], greetingId: null, longest: 180, mailTo: [] } },
  ]);
  return id;
}

export function removeMailbox(mailbox: Mailbox): void {
  theBusiness().edit(`Remove the mailbox ${mailbox.name}`, [{ do: 'mailbox.remove', id: mailbox.id }], {
    withNotice: true,
  });
}

export const setGreetings = (mailbox: Mailbox, greetings: Greeting[], words: string): string | undefined =>
  setMailbox(mailbox, { greetings }, words);
