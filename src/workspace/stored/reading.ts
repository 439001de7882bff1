/** Records of a business as they are read: all, the newest, those that changed, or one. */
import { sorted } from './damage';
import type { Db } from './db';
import { MANY, type Many, type OneByOne, type RecordOf } from './kinds';
import { nearCalls } from './near';

/** The records of a business that can be read. */
export const readMany = async <S extends Many>(
  db: Db,
  store: S,
  businessId: string,
): Promise<RecordOf<S>[]> =>
  sorted(store, await db.getAllFromIndex(store as 'calls', 'business', businessId)).good;

/** Those that pages go by: of calls the newest, see `nearCalls`; of everything else all. */
export const readNear = async <S extends Many>(
  db: Db,
  store: S,
  businessId: string,
): Promise<RecordOf<S>[]> =>
  store === 'calls' ? sorted(store, await nearCalls(db, businessId)).good : readMany(db, store, businessId);

/** More than so many are read together. */
const MOST_AGAIN = 500;

/**
 * The records of a business as they are now, where some of them may have changed, come or gone.
 * @param known as they were read before, in order @param ids those that may be others; absent is any
 */
export async function readAgain<S extends OneByOne>(
  db: Db,
  store: S,
  businessId: string,
  known: readonly RecordOf<S>[],
  ids: readonly string[] | undefined,
): Promise<RecordOf<S>[]> {
  if (!ids || ids.length > MOST_AGAIN) return readNear(db, store, businessId);
  const changed = new Set(ids);
  const read = await Promise.all([...changed].map((id) => readOne(db, store, id)));
  const order = (r: RecordOf<S>) => (r as unknown as Record<string, number>)[MANY[store].order]!;
  const fresh = read
    .filter((r): r is Awaited<RecordOf<S>> => r?.businessId === businessId)
    .sort((a, b) => order(a) - order(b));
  const all: RecordOf<S>[] = [];
  for (const record of known) {
    if (changed.has(record.id)) continue;
    while (fresh.length && order(fresh[0]!) < order(record)) all.push(fresh.shift()!);
    all.push(record);
  }
  return [...all, ...fresh];
}

/** One of them, or undefined where there is none that can be read. */
export const readOne = async <S extends OneByOne>(
  db: Db,
  store: S,
  id: string,
): Promise<RecordOf<S> | undefined> => {
  const raw: unknown = await db.get(store as 'calls', id);
  return raw === undefined ? undefined : sorted(store, [raw]).good[0];
};
