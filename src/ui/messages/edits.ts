/** What is done to messages: at once, and taken back by the notice that tells of it. */
import type { MessageChange } from '$core/messages';
import type { MessageKnown } from '$exchange';
import { count } from '../format';
import { sendFromHere, type Send } from '../reach/settings.svelte';
import { here } from '../window/session.svelte';

/** Changes messages. @param told what is said of it, with the way back; nothing where it is plain to see */
export async function change(
  messages: readonly MessageKnown[],
  to: MessageChange,
  told?: string,
): Promise<void> {
  const ids = messages.map((m) => m.id);
  const back = await here().deeds.changeMessages(ids, to, told);
  if (told) here().sayDone({ kind: 'info', title: told }, back);
  else here().did(`${inWords(to)}: ${what(messages)}`, back);
}
const inWords = (to: MessageChange): string =>
  'note' in to
    ? 'A note'
    : to.heard === undefined
      ? 'Changed'
      : to.heard
        ? 'Marked as heard'
        : 'Marked as new';

const what = (messages: readonly MessageKnown[]): string =>
  messages.length === 1 ? `the message from ${messages[0]!.from}` : count(messages.length, 'message');

export const archive = (messages: readonly MessageKnown[]): Promise<void> =>
  change(messages, { folder: 'archive', binnedAt: undefined, heard: true }, `Archived ${what(messages)}`);

/** Into the bin, from which it comes back. */
export const bin = (messages: readonly MessageKnown[]): Promise<void> =>
  change(messages, { folder: 'bin', binnedAt: here().now }, `Deleted ${what(messages)}`);

/** Among what nobody wants, to be looked through now and then. */
export const markSpam = (messages: readonly MessageKnown[]): Promise<void> =>
  change(messages, { folder: 'spam', binnedAt: undefined, heard: true }, `Marked as spam: ${what(messages)}`);

/** Takes no more calls of a number, or takes them again. It holds at once. @param sendSetting by whom and where */
export const block = (number: string, on: boolean, sendSetting: Send = sendFromHere): Promise<void> =>
  sendSetting(`${here().number(number)} is ${on ? 'blocked' : 'no longer blocked'}`, [
    { kind: 'blocked', number, on },
  ]);

export const backToInbox = (messages: readonly MessageKnown[]): Promise<void> =>
  change(messages, { folder: undefined, binnedAt: undefined }, `Back in the inbox: ${what(messages)}`);

export function assign(messages: readonly MessageKnown[], personId: string): Promise<void> {
  const name = here().system.people[personId]?.name;
  return change(
    messages,
    { assignedTo: personId || undefined },
    name ? `${name} sees to ${what(messages)}` : `Nobody in particular sees to ${what(messages)}`,
  );
}
