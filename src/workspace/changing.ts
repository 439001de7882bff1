/** Changes to messages and calls as they are stored at that moment: what another window has changed of them stays. */
import equal from 'fast-deep-equal';
import type { Db } from './stored/db';
import type { Remark } from '../core/story';
import { MOST_REMARKS, type CallRecord, type FaxRecord, type MessageRecord } from './stored/records';
import { within } from './stored/store';

interface Changeable {
  messages: MessageRecord;
  calls: CallRecord;
  faxes: FaxRecord;
}
export type RecordChange<S extends keyof Changeable> = {
  [K in Exclude<keyof Changeable[S], 'id' | 'businessId'>]?: Changeable[S][K] | undefined;
};
/** Fields of one record, or what they were. */
type Fields = Record<string, unknown>;

/**
 * Sets fields of records; those that are no longer there are passed over. A field given as undefined goes.
 * @param words what it is, for the person @returns what the fields were, by record
 */
export async function changeRecords<S extends keyof Changeable>(
  db: Db,
  store: S,
  ids: readonly string[],
  to: RecordChange<S>,
  words?: string,
): Promise<Map<string, Fields>> {
  return rewrite(db, store, ids, () => to, words);
}

/**
 * Gives records back what their fields were, as long as they still have what was put there.
 * @returns how many had something else meanwhile, or were gone, and stay so
 */
export async function changeBack<S extends keyof Changeable>(
  db: Db,
  store: S,
  were: ReadonlyMap<string, Fields>,
  put: RecordChange<S>,
): Promise<number> {
  const untouched = (record: Fields) =>
    Object.entries(put).every(([key, value]) => equal(record[key], value));
  const back = await rewrite(db, store, [...were.keys()], (id, record) =>
    untouched(record) ? were.get(id)! : undefined,
  );
  return were.size - back.size;
}

/**
 * Adds what somebody wrote down, to whatever others have written meanwhile.
 * @returns whether it stands there: not where the record has gone, or has as many as it may have
 */
export async function addRemark(
  db: Db,
  store: 'messages' | 'calls',
  id: string,
  remark: Remark,
): Promise<boolean> {
  const done = await rewrite(db, store, [id], (_, { remarks }) => {
    const all = (remarks ?? []) as Remark[];
    return all.length < MOST_REMARKS ? { remarks: [...all, remark] } : undefined;
  });
  return done.size > 0;
}
/** Takes one away. @returns whether it was there */
export async function dropRemark(
  db: Db,
  store: 'messages' | 'calls',
  id: string,
  remark: Remark,
): Promise<boolean> {
  const done = await rewrite(db, store, [id], (_, { remarks }) => {
    const all = (remarks ?? []) as Remark[];
    const at = all.findIndex((r) => equal(r, remark));
    return at < 0 ? undefined : { remarks: all.length > 1 ? all.toSpliced(at, 1) : undefined };
  });
  return done.size > 0;
}

/** @param change what becomes of a record, or nothing @returns what the fields of those that changed were */
function rewrite(
  db: Db,
  store: keyof Changeable,
  ids: readonly string[],
  change: (id: string, record: Fields) => Fields | undefined,
  words?: string,
): Promise<Map<string, Fields>> {
  return db.write(
    store === 'faxes' ? 'messages' : store,
    async (open) => {
      const tx = open(store);
      const were = new Map<string, Fields>();
      for (const id of ids) {
        const record = (await tx.objectStore(store).get(id)) as Fields | undefined;
        const to = record && change(id, record);
        if (!record || !to) continue;
        were.set(id, Object.fromEntries(Object.keys(to).map((key) => [key, record[key]])));
        const next = Object.entries({ ...record, ...to }).filter(([, value]) => value !== undefined);
        within(tx.objectStore(store).put(Object.fromEntries(next) as never));
      }
      await tx.done;
      return were;
    },
    words,
  );
}
