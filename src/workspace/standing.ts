/** Standing state in storage. */
import { settle, type Setting, type Settled, type Stamp, type Standing, type System } from '../core/system';
import type { Db } from './stored/db';
import { reading } from './stored/damage';
import { StandingRecord } from './stored/records';
import { within } from './stored/store';

/** Changes the standing state of a business in storage. The last change wins, and raises the revision. */
export const storeStanding = (
  db: Db,
  businessId: string,
  change: (standing: Standing) => Standing,
  words?: string,
): Promise<void> =>
  db.write(
    'standing',
    async (open) => {
      const tx = open('standing');
      const raw = await tx.objectStore('standing').get(businessId);
      if (raw) {
        const before = reading('standing', StandingRecord, raw).standing;
        const standing = { ...change(before), revision: before.revision + 1 };
        within(tx.objectStore('standing').put({ businessId, standing }));
      }
      await tx.done;
    },
    words,
  );

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
  let stayed: Settled['stayed'] = [];
  await storeStanding(db, businessId, (standing) => {
    stayed = [];
    return settings.reduce((now, setting) => {
      const settled = settle(now, setting, stamp, document);
      stayed.push(...settled.stayed);
      return settled.standing;
    }, standing);
  });
  return stayed;
}
