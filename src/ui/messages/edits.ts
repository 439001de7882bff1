/** What is done to messages: at once, and taken back by the notice that tells of it. */
import type { MessageRecord } from '$workspace';
import { count } from '../format';
import { sendFromHere, type Send } from '../reach/settings.svelte';
import { theBusiness } from '../window/session.svelte';

type Change = Partial<Pick<MessageRecord, 'heard' | 'note' | 'assignedTo' | 'folder' | 'binnedAt'>>;

/** Changes messages. @param told what is said of it, with the way back; nothing where it is plain to see */
export async function change(messages: readonly MessageRecord[], to: Change, told?: string): Promise<void> {
  const ids = messages.map((m) => m.id);
  const back = await theBusiness().workspace.change('messages', ids, to, told);
  if (told) theBusiness().sayDone({ kind: 'info', title: told }, back);
  else theBusiness().did(`${inWords(to)}: ${what(messages)}`, back);
}
const inWords = (to: Change): string =>
  'note' in to
    ? 'A note'
    : to.heard === undefined
      ? 'Changed'
      : to.heard
        ? 'Marked as heard'
        : 'Marked as new';

const what = (messages: readonly MessageRecord[]): string =>
  messages.length === 1 ? `the message from ${messages[0]!.from}` : count(messages.length, 'message');

export const archive = (messages: readonly MessageRecord[]): Promise<void> =>
  change(messages, { folder: 'archive', binnedAt: undefined, heard: true }, `Archived ${what(messages)}`);

/** Into the bin, from which it comes back. */
export const bin = (messages: readonly MessageRecord[]): Promise<void> =>
  change(messages, { folder: 'bin', binnedAt: theBusiness().workspace.now() }, `Deleted ${what(messages)}`);

/** Among what nobody wants, to be looked through now and then. */
export const markSpam = (messages: readonly MessageRecord[]): Promise<void> =>
  change(messages, { folder: 'spam', binnedAt: undefined, heard: true }, `Marked as spam: ${what(messages)}`);

/** Takes no more calls of a number, or takes them again. It holds at once. @param sendSetting by whom and where */
export const block = (number: string, on: boolean, sendSetting: Send = sendFromHere): Promise<void> =>
  sendSetting(`${theBusiness().number(number)} is ${on ? 'blocked' : 'no longer blocked'}`, [
    { kind: 'blocked', number, on },
  ]);

export const backToInbox = (messages: readonly MessageRecord[]): Promise<void> =>
  change(messages, { folder: undefined, binnedAt: undefined }, `Back in the inbox: ${what(messages)}`);

export function assign(messages: readonly MessageRecord[], personId: string): Promise<void> {
  const name = theBusiness().system.people[personId]?.name;
  return change(
    messages,
    { assignedTo: personId || undefined },
    name ? `${name} sees to ${what(messages)}` : `Nobody in particular sees to ${what(messages)}`,
  );
}
