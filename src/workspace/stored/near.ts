/** The newest calls of a business: what its pages go by. All of them stand in the log, see `KeptLog`. */
import { sorted } from './damage';
import type { Db } from './db';
import type { CallRecord } from './records';

/** So many days back from the newest call, and no more calls than so many. */
export const NEAR_DAYS = 45;
export const NEAR_MOST = 5000;
const DAY_MS = 86_400_000;

/** As they lie in storage, the oldest first. */
export async function nearCalls(db: Db, businessId: string): Promise<unknown[]> {
  const tx = db.reading('calls');
  const index = tx.objectStore('calls').index('at');
  const business = tx.objectStore('calls').index('business');
  const upTo = (from: number) => IDBKeyRange.bound([businessId, from], [businessId, Infinity]);
  // What has no moment is not in the index: it is damaged, and whoever reads sees to it.
  const [all, timed] = await Promise.all([business.count(businessId), index.count(upTo(-Infinity))]);
  if (all !== timed) return business.getAll(businessId);
  const cursor = await index.openKeyCursor(upTo(-Infinity), 'prev');
  if (!cursor) return [];
  const since = cursor.key[1] - NEAR_DAYS * DAY_MS;
  const last = (await cursor.advance(NEAR_MOST - 1))?.key[1] ?? -Infinity;
  return index.getAll(upTo(Math.max(since, last)));
}

/** So many are read at once. */
const BATCH = 500;

/**
 * Calls of a business from a span of time, in batches, the newest first.
 * @param to epoch milliseconds; a call of that moment is part of it @yields those that can be read, and how many cannot
 */
export async function* callsUpTo(
  db: Db,
  businessId: string,
  to = Infinity,
): AsyncGenerator<{ calls: CallRecord[]; unread: number }> {
  const range = IDBKeyRange.bound([businessId, -Infinity], [businessId, to]);
  const ids = await db.getAllKeysFromIndex('calls', 'at', range);
  for (let end = ids.length; end > 0; end -= BATCH) {
    const raw = await Promise.all(ids.slice(Math.max(0, end - BATCH), end).map((id) => db.get('calls', id)));
    const { good, bad } = sorted(
      'calls',
      raw.filter((r) => r !== undefined),
    );
    yield { calls: good, unread: bad.length };
  }
}
