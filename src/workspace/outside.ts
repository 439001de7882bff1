/** What outside phones of the bench do when they are called, by business. */
import { OutsideHabits } from '../standins/outside/outside';
import type { Db } from './stored/db';
import { within } from './stored/store';

const keyOf = (businessId: string) => `outside:${businessId}` as const;

/** What has been set; what cannot be read is nothing. */
export async function readHabits(db: Db, businessId: string): Promise<OutsideHabits> {
  return OutsideHabits.safeParse(await db.get('settings', keyOf(businessId))).data ?? {};
}

export async function writeHabits(db: Db, businessId: string, habits: OutsideHabits): Promise<void> {
  await db.write('bench', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').put(habits, keyOf(businessId)));
    await tx.done;
  });
}
