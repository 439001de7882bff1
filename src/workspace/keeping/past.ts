/** Calls, messages and texts of an invented past: laid down and taken away together. */
import type { Db } from '../stored/db';
import type { CallRecord, MessageRecord, TextRecord } from '../stored/records';
import { within } from '../stored/store';

const KINDS = ['calls', 'messages', 'texts'] as const;
interface Past {
  calls: readonly CallRecord[];
  messages: readonly MessageRecord[];
  texts: readonly TextRecord[];
}
/** So many are stored at once: whatever else is to be stored comes in between. */
const AT_ONCE = 400;
const markOf = (businessId: string) => `past:${businessId}` as const;

/** Those of the same ids are written over. Where it ends half-way it has not been laid down; the same again makes it whole. */
export async function storePast(db: Db, businessId: string, past: Past): Promise<void> {
  for (const kind of KINDS)
    for (let from = 0; from < past[kind].length; from += AT_ONCE)
      await db.write('bench', async (open) => {
        const tx = open(kind);
        for (const record of past[kind].slice(from, from + AT_ONCE))
          within(tx.objectStore(kind).put(record as never));
        await tx.done;
      });
  await db.write('bench', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').put('laid down', markOf(businessId)));
    await tx.done;
  });
}
/** Whether one was laid down once, also where it was taken away since. */
export const wasLaid = async (db: Db, businessId: string): Promise<boolean> =>
  (await db.get('settings', markOf(businessId))) !== undefined;

/** It may be laid down again: the business begins anew. */
export const forgetLaid = (db: Db, businessId: string): Promise<void> =>
  db.write('bench', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').delete(markOf(businessId)));
    await tx.done;
  });

/** @param isPast of records, by their ids @returns how many went for good */
export const dropPast = (db: Db, businessId: string, isPast: (id: string) => boolean): Promise<number> =>
  db.write('bench', async (open) => {
    const tx = open(...KINDS);
    let gone = 0;
    for (const store of KINDS)
      for (const id of await tx.objectStore(store).index('business').getAllKeys(businessId))
        if (isPast(id)) {
          within(tx.objectStore(store).delete(id));
          gone++;
        }
    await tx.done;
    return gone;
  });
