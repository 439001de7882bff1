/** Lists of a business that are this browser's, as what windows look like is: kept searches, boards, promises about load. */
import type { z } from 'zod';
import type { Db, SettingKey } from '../stored/db';
import { within } from '../stored/store';

/** @param keyOf where it lies, by business @param schema of the whole list; what cannot be read is none */
export function keptList<T>(keyOf: (businessId: string) => SettingKey, schema: z.ZodType<T[]>) {
  const taken = (raw: unknown): T[] => schema.safeParse(raw).data ?? [];
  return {
    read: async (db: Db, businessId: string): Promise<T[]> =>
      taken(await db.get('settings', keyOf(businessId))),
    /** @param change what becomes of those that are stored: another window may have added some @returns what is stored now */
    change: (db: Db, businessId: string, change: (known: T[]) => T[]): Promise<T[]> =>
      db.write('upkeep', async (open) => {
        const tx = open('settings');
        const store = tx.objectStore('settings');
        const list = change(taken(await store.get(keyOf(businessId))));
        within(store.put(list as never, keyOf(businessId)));
        await tx.done;
        return list;
      }),
  };
}
