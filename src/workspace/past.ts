/** Calls and messages of an invented past: laid down and taken away together. */
import type { Db } from './db';
import type { CallRecord, MessageRecord } from './records';
import { within } from './store';

/** Those of the same ids are written over. */
export const storePast = (
  db: Db,
  calls: readonly CallRecord[],
  messages: readonly MessageRecord[],
): Promise<void> =>
  db.write('bench', async (open) => {
    const tx = open('calls', 'messages');
    for (const call of calls) within(tx.objectStore('calls').put(call));
    for (const message of messages) within(tx.objectStore('messages').put(message));
    await tx.done;
  });

/** @param isPast of records, by their ids @returns how many went for good */
export const dropPast = (db: Db, businessId: string, isPast: (id: string) => boolean): Promise<number> =>
  db.write('bench', async (open) => {
    const tx = open('calls', 'messages');
    let gone = 0;
    for (const store of ['calls', 'messages'] as const)
      for (const id of await tx.objectStore(store).index('business').getAllKeys(businessId))
        if (isPast(id)) {
          within(tx.objectStore(store).delete(id));
          gone++;
        }
    await tx.done;
    return gone;
  });
