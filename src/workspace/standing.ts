/** Standing state in storage. */
import type { Standing } from '../core/system';
import type { Db } from './db';
import { whileWriting } from './sync';

/** Changes the standing state of a business in storage. The last change wins, and raises the revision. */
export const storeStanding = (
  db: Db,
  businessId: string,
  change: (standing: Standing) => Standing,
): Promise<void> =>
  whileWriting(async () => {
    const tx = db.transaction('standing', 'readwrite');
    const record = await tx.store.get(businessId);
    if (record) {
      const standing = change(record.standing);
      void tx.store.put({ businessId, standing: { ...standing, revision: record.standing.revision + 1 } });
    }
    await tx.done;
  });
