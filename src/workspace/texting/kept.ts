/** Texts as they lie in storage: what there was with a number, what is due, and what a new one meets there. */
import { answerTo, stoppedBy, type Stopped } from '../../core/texting';
import { writeNumber } from '../../core/numbering';
import type { System } from '../../core/system';
import { deliveryOf, fateOf, TextHabits, type TextMessage } from '../../standins/carrier/texting';
import type { Db, Transaction } from '../stored/db';
import { DealingsRecord, noDealings, TextRecord } from '../stored/records';
import { within } from '../stored/store';

/** A transaction over all that a text goes by. */
export type TextTransaction = Transaction<'texts' | 'dealings' | 'settings'>;
const STORES = ['texts', 'dealings', 'settings'] as const;
export const openTexts = <T>(open: (...stores: (typeof STORES)[number][]) => T): T => open(...STORES);

const habitsKey = (businessId: string) => `texting:${businessId}` as const;
export async function readTextHabits(db: Db, businessId: string): Promise<TextHabits> {
  return TextHabits.safeParse(await db.get('settings', habitsKey(businessId))).data ?? {};
}
export const writeTextHabits = (db: Db, businessId: string, habits: TextHabits): Promise<void> =>
  db.write('bench', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').put(habits, habitsKey(businessId)));
    await tx.done;
  });

/** Those a number sent since a moment, in order. What cannot be read is passed over. */
async function sentBy(
  tx: TextTransaction,
  businessId: string,
  from: string,
  since = -Infinity,
): Promise<TextRecord[]> {
  const range = IDBKeyRange.bound([businessId, from, since], [businessId, from, Infinity]);
  const raw = await tx.objectStore('texts').index('from').getAll(range);
  return raw.flatMap((r) => TextRecord.safeParse(r).data ?? []);
}

const dealingsIn = async (tx: TextTransaction, businessId: string): Promise<DealingsRecord> =>
  DealingsRecord.safeParse(await tx.objectStore('dealings').get(businessId)).data ?? noDealings(businessId);

/** Whether somebody wants no texts, by all that is stored. */
export async function stoppedIn(
  tx: TextTransaction,
  businessId: string,
  number: string,
): Promise<Stopped | null> {
  const { wishes = [] } = await dealingsIn(tx, businessId);
  return stoppedBy(await sentBy(tx, businessId, number), wishes, number);
}

/** More than the pace looks back on, in milliseconds. */
const LATELY_MS = 120_000;
/** Puts down a text of ours that leaves now, with what becomes of it. @returns it as it was kept */
export async function putLeaving(tx: TextTransaction, text: TextRecord): Promise<TextRecord> {
  const { businessId } = text;
  const habits = TextHabits.safeParse(await tx.objectStore('settings').get(habitsKey(businessId))).data ?? {};
  const lately = await sentBy(tx, businessId, text.from, text.at - LATELY_MS);
  const fate = fateOf(
    text,
    lately.filter((t) => t.id !== text.id),
    habits,
    text.at,
  );
  const kept = { ...text, fate };
  within(tx.objectStore('texts').put(kept));
  return kept;
}

/** What the id of such an answer ends with. */
const ANSWER = '-answer';

/** Answers by itself what has to be: a stop, that it is lifted, who writes. @returns the answer, if there is one */
export async function putAnswer(
  tx: TextTransaction,
  text: TextRecord,
  { business }: System,
): Promise<TextRecord | null> {
  const { businessId, at } = text;
  const ours = await sentBy(tx, businessId, text.to, at - LATELY_MS * 3);
  // What a follow-up or a dialogue said by itself is no such answer.
  const lastAt =
    ours.findLast((t) => t.byItself && t.to === text.from && t.id.endsWith(ANSWER))?.at ?? -Infinity;
  const words = answerTo(text.text, at, {
    business: business.name,
    number: writeNumber(text.to, business.country),
    lastAt,
  });
  if (!words) return null;
  const answer: TextRecord = {
    id: `${text.id.slice(0, 60 - ANSWER.length)}${ANSWER}`,
    businessId,
    way: 'out',
    from: text.to,
    to: text.from,
    text: words,
    at,
    byItself: true,
  };
  await putLeaving(tx, answer);
  return answer;
}

/** Later than this it does not go any more: a person looks. */
const TOO_LATE_MS = 12 * 3_600_000;

/** Sends what was to go later and whose time has come. Each goes once, whatever windows there are. @returns their ids */
export async function sendDue(db: Db, businessId: string, now: number): Promise<string[]> {
  const due = (at: number) => IDBKeyRange.bound([businessId, -Infinity], [businessId, at]);
  // Nearly always there is none: nothing is written then, and nobody waits.
  if (!(await db.countFromIndex('texts', 'later', due(now)))) return [];
  return db.write('text', async (open) => {
    const tx = openTexts(open);
    const ids: string[] = [];
    for (const raw of await tx.objectStore('texts').index('later').getAll(due(now))) {
      const text = TextRecord.safeParse(raw).data;
      if (!text?.sendAt) continue;
      const { sendAt, ...rest } = text;
      const leaving = { ...rest, at: Math.max(now, sendAt) };
      ids.push(text.id);
      if (now - sendAt > TOO_LATE_MS)
        within(tx.objectStore('texts').put({ ...leaving, fate: { after: 0, failed: 'late' } }));
      else if (await stoppedIn(tx, businessId, text.to))
        within(tx.objectStore('texts').put({ ...leaving, fate: { after: 0, failed: 'stopped' } }));
      else await putLeaving(tx, leaving);
    }
    await tx.done;
    return ids;
  });
}

/** Whether a text has gone as far as it will. */
export const isSettled = (
  text: TextMessage,
  requests: Parameters<typeof deliveryOf>[1],
  now: number,
): boolean => ['delivered', 'failed'].includes(deliveryOf(text, requests, now).state);
