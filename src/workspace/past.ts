/** Calls, messages and texts of an invented past: laid down and taken away together. */
import type { Db } from './db';
import type { CallRecord, MessageRecord, TextRecord } from './records';
import { within } from './store';

/** Those of the same ids are written over. */
export const storePast = (
  db: Db,
  calls: readonly CallRecord[],
  messages: readonly MessageRecord[],
  texts: readonly TextRecord[] = [],
): Promise<void> =>
  db.write('bench', async (open) => {
    const tx = open('calls', 'messages', 'texts');
    for (const text of texts) within(tx.objectStore('texts').put(text));
    for (const call of calls) within(tx.objectStore('calls').put(call));
    for (const message of messages) within(tx.objectStore('messages').put(message));
    await tx.done;
  });

/** @param isPast of records, by their ids @returns how many went for good */
export const dropPast = (db: Db, businessId: string, isPast: (id: string) => boolean): Promise<number> =>
  db.write('bench', async (open) => {
    const tx = open('calls', 'messages', 'texts');
    let gone = 0;
    for (const store of ['calls', 'messages', 'texts'] as const)
      for (const id of await tx.objectStore(store).index('business').getAllKeys(businessId))
        if (isPast(id)) {
          within(tx.objectStore(store).delete(id));
          gone++;
        }
    await tx.done;
    return gone;
  });
