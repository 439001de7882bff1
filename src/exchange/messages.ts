/** Messages as those who dial in meet them: what lies in each mailbox, and what becomes of it while they listen. */
import type { CallState } from '../core/calls';
import type { Held } from '../core/messages';
import { within, type Db, type MessageRecord } from '../workspace';

/** What lies in the inboxes of a business, by mailbox, the oldest first. @param messages of it, in order */
export function heldIn(messages: readonly MessageRecord[]): Map<string, Held[]> {
  const held = new Map<string, Held[]>();
  for (const m of messages) {
    if (m.folder) continue;
    const { id, from, fromNumber, at, seconds, heard } = m;
    const inbox = held.get(m.mailboxId);
    const one = { id, from, fromNumber, at, seconds, heard };
    if (inbox) inbox.push(one);
    else held.set(m.mailboxId, [one]);
  }
  return held;
}

/** Marks messages as a caller who listens has from the n-th event of the call on. @returns which */
export async function markMessages(db: Db, { request, trace }: CallState, from: number): Promise<string[]> {
  const marks = trace
    .slice(from)
    .flatMap((e) => (e.kind === 'marked' ? [{ ...e, at: request.at + e.t }] : []));
  if (!marks.length) return [];
  await db.write('call', async (open) => {
    const tx = open('messages');
    for (const { messageId, as, at } of marks) {
      const message: MessageRecord | undefined = await tx.objectStore('messages').get(messageId);
      if (!message) continue;
      const binned = as === 'binned' ? { folder: 'bin' as const, binnedAt: at } : {};
      within(tx.objectStore('messages').put({ ...message, heard: true, ...binned }));
    }
    await tx.done;
  });
  return marks.map((m) => m.messageId);
}
