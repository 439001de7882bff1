/** Searches of the log that are kept under a name, by business: they are this browser's, as what windows look like is. */
import { z } from 'zod';
import { SavedView } from '../core/story';
import type { Db } from './db';
import { within } from './store';

/** More than so many are not kept. */
export const MOST_VIEWS = 50;
export const SavedViews = z.array(SavedView).max(MOST_VIEWS);
export type SavedViews = z.infer<typeof SavedViews>;

const keyOf = (businessId: string) => `views:${businessId}` as const;

/** Those that are kept; what cannot be read is none. */
export async function readViews(db: Db, businessId: string): Promise<SavedViews> {
  return SavedViews.safeParse(await db.get('settings', keyOf(businessId))).data ?? [];
}

/** @param change what becomes of those that are stored: another window may have added some @returns what is stored now */
export const changeViews = (
  db: Db,
  businessId: string,
  change: (known: SavedViews) => SavedViews,
): Promise<SavedViews> =>
  db.write('upkeep', async (open) => {
    const tx = open('settings');
    const store = tx.objectStore('settings');
    const views = change(SavedViews.safeParse(await store.get(keyOf(businessId))).data ?? []);
    within(store.put(views, keyOf(businessId)));
    await tx.done;
    return views;
  });
