/** Web hooks as they go out: signed, and to stand-ins of the records elsewhere. */
import { nanoid } from 'nanoid';
import { signedRequest } from '../../core/formats/signed-request';
import { emptyHookBook, HookBook, post, type Posted } from '../../standins/hooks/receiver';
import type { Db } from '../stored/db';
import { DealingsRecord, noDealings } from '../stored/records';
import { within } from '../stored/store';

const bookKey = (businessId: string) => `hooks:${businessId}` as const;
export async function readHookBook(db: Db, businessId: string): Promise<HookBook> {
  return HookBook.safeParse(await db.get('settings', bookKey(businessId))).data ?? emptyHookBook();
}
const writeHookBook = (db: Db, businessId: string, change: (book: HookBook) => HookBook): Promise<void> =>
  db.write('bench', async (open) => {
    const tx = open('settings');
    const raw = await tx.objectStore('settings').get(bookKey(businessId));
    const book = HookBook.safeParse(raw).data ?? emptyHookBook();
    within(tx.objectStore('settings').put(change(book), bookKey(businessId)));
    await tx.done;
  });
/** Sets what the program behind an address does. */
export const setHookHabit = (
  db: Db,
  businessId: string,
  url: string,
  habit: HookBook['habits'][string],
): Promise<void> =>
  writeHookBook(db, businessId, (book) => ({ ...book, habits: { ...book.habits, [url]: habit } }));

/** What web hooks are signed with; made when it is first needed. */
export const hookSecret = (db: Db, businessId: string): Promise<string> =>
  db.write('bench', async (open) => {
    const tx = open('dealings');
    const raw = await tx.objectStore('dealings').get(businessId);
    const dealings = DealingsRecord.safeParse(raw).data ?? noDealings(businessId);
    const secret = dealings.hookSecret ?? nanoid(40);
    if (!dealings.hookSecret) within(tx.objectStore('dealings').put({ ...dealings, hookSecret: secret }));
    await tx.done;
    return secret;
  });

/** Hands one over. @param key the same for each try */
export async function postHook(
  db: Db,
  businessId: string,
  { url, key, body, at }: { url: string; key: string; body: string; at: number },
): Promise<Posted['answer']> {
  const secret = await hookSecret(db, businessId);
  const request = signedRequest(url, body, key, secret, at);
  let answer: Posted['answer'] = { status: null, said: '' };
  await writeHookBook(db, businessId, (book) => {
    const posted = post(book, url, key, request, secret, at);
    answer = posted.answer;
    return posted.book;
  });
  return answer;
}
