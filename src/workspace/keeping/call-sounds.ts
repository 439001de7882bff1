/** Recordings of calls that are over: deleted for good, sound and all, with a word of it in the log. */
import type { Db } from '../stored/db';
import type { CallRecord } from '../stored/records';
import { sweepBytes } from './kept-bytes';
import { within } from '../stored/store';

type Kept = NonNullable<CallRecord['recordings']>[number];

/**
 * Deletes recordings of a call for good.
 * @param which of them @param gone when and by whom, for the log
 * @returns how many
 */
export async function dropRecordings(
  db: Db,
  businessId: string,
  callId: string,
  which: (kept: Kept) => boolean,
  gone: { at: number; by: string },
): Promise<number> {
  const dropped = await db.write('call', async (open) => {
    const tx = open('calls');
    const record = await tx.objectStore('calls').get(callId);
    const out = record?.businessId === businessId ? (record.recordings ?? []).filter(which) : [];
    if (record && out.length) {
      const recordings = (record.recordings ?? []).filter((r) => !out.includes(r));
      const deleted = [
        ...(record.deleted ?? []),
        ...out.map((r) => ({ recordedAt: r.at, seconds: r.seconds, ...gone })),
      ];
      within(tx.objectStore('calls').put({ ...record, recordings, deleted }));
    }
    await tx.done;
    return out;
  });
  if (dropped.length)
    await sweepBytes(db, businessId, Date.now(), new Set(dropped.flatMap((r) => [r.ours, r.theirs])));
  return dropped.length;
}
