/** Standing state in storage. */
import { settle, type Setting, type Settled, type Stamp, type Standing, type System } from '../core/system';
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

/** What settings stand over: what is in force, and of those who are not in force yet the draft. */
export const settable = (inForce: System, draft: System): System => ({
  ...inForce,
  people: { ...draft.people, ...inForce.people },
  phones: { ...draft.phones, ...inForce.phones },
});

/**
 * Carries out changes of settings that hold at once. @param document what is in force
 * @returns the newer settings that stayed as they are
 */
export async function storeSettings(
  db: Db,
  businessId: string,
  settings: readonly Setting[],
  stamp: Stamp,
  document: System,
): Promise<Settled['stayed']> {
  const stayed: Settled['stayed'] = [];
  await storeStanding(db, businessId, (standing) =>
    settings.reduce((now, setting) => {
      const settled = settle(now, setting, stamp, document);
      stayed.push(...settled.stayed);
      return settled.standing;
    }, standing),
  );
  return stayed;
}
