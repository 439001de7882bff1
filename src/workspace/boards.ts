/** Boards of one's own, by business: they are this browser's, as kept searches are. */
import { Boards } from '../core/traffic';
import type { Db } from './db';
import { within } from './store';

const keyOf = (businessId: string) => `boards:${businessId}` as const;

/** Those that are kept; what cannot be read is none. */
export const readBoards = async (db: Db, businessId: string): Promise<Boards> =>
  Boards.safeParse(await db.get('settings', keyOf(businessId))).data ?? [];

/** @param change what becomes of those that are stored: another window may have changed some @returns what is stored now */
export const changeBoards = (
  db: Db,
  businessId: string,
  change: (known: Boards) => Boards,
): Promise<Boards> =>
  db.write('upkeep', async (open) => {
    const tx = open('settings');
    const store = tx.objectStore('settings');
    const boards = change(Boards.safeParse(await store.get(keyOf(businessId))).data ?? []);
    within(store.put(boards, keyOf(businessId)));
    await tx.done;
    return boards;
  });
