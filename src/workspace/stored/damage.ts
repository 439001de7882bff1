/** Records that cannot be read: one of many is set aside and the rest opens; where all hangs on it, it is told and there are ways on. */
import { nanoid } from 'nanoid';
import type { z } from 'zod';
import type { Db, Stores } from './db';
import { MANY, type Many, type RecordOf } from './kinds';
import type { Aside } from './records';
import { within } from './store';

/** What everything hangs on, in words. */
const NAMES: Partial<Record<Stores, string>> = {
  businesses: 'The entry of this business',
  drafts: 'The draft',
  heads: 'What was done to the draft last',
  versions: 'What callers get now',
  standing: 'The settings that hold at once',
  dealings: 'What goes on with the carrier',
};

/** Thrown where a record that everything hangs on cannot be read. */
export class Damaged extends Error {
  constructor(
    readonly store: Stores,
    readonly reason: string,
    readonly raw: unknown,
  ) {
    super(`${NAMES[store] ?? store} cannot be read (${reason}).`);
  }
}

const reasonOf = (error: z.ZodError): string => {
  const issue = error.issues[0];
  return `${issue?.path.join(' › ') ?? ''}: ${issue?.message ?? 'not understood'}`.replace(/^: /, '');
};

/** A record that everything hangs on. @throws Damaged */
export function reading<T extends z.ZodType>(store: Stores, schema: T, raw: unknown): z.infer<T> {
  const parsed = schema.safeParse(raw);
  if (!parsed.success) throw new Damaged(store, reasonOf(parsed.error), raw);
  return parsed.data;
}

/** A record that could not be read, with what it is found by. */
export interface Unread {
  store: Aside['store'];
  key: IDBValidKey;
  why: string;
  raw: unknown;
}

/** What a record is found by in storage. */
const keyOf = (store: Many, raw: unknown): IDBValidKey => {
  const fields = raw as Record<string, IDBValidKey>;
  const { key } = MANY[store];
  return key === 'id' ? fields.id! : [fields.businessId!, fields[key]!];
};

/** Parts records as they lie in storage into those that can be read, in the order they came, and those that cannot. */
export function sorted<S extends Many>(
  store: S,
  raw: readonly unknown[],
): { good: RecordOf<S>[]; bad: Unread[] } {
  const good: RecordOf<S>[] = [];
  const bad: Unread[] = [];
  for (const item of raw) {
    const parsed = MANY[store].record.safeParse(item);
    if (parsed.success) good.push(parsed.data as RecordOf<S>);
    else bad.push({ store, key: keyOf(store, item), why: reasonOf(parsed.error), raw: item });
  }
  const order = (r: RecordOf<S>) => (r as unknown as Record<string, number>)[MANY[store].order]!;
  good.sort((a, b) => order(a) - order(b));
  return { good, bad };
}

/** Moves records that cannot be read out of the way, as they are, until somebody has seen to them. */
export async function setAside(db: Db, businessId: string, unread: readonly Unread[]): Promise<void> {
  if (!unread.length) return;
  await db.write('mending', async (open) => {
    const tx = open('aside', ...new Set(unread.map((u) => u.store)));
    for (const record of unread) putAside(tx, businessId, record);
    await tx.done;
  });
}

/** Does so within a transaction. */
export function putAside(
  tx: {
    objectStore(name: 'aside'): { put(record: Aside): Promise<unknown> };
    objectStore(name: Aside['store']): { delete(key: never): Promise<unknown> };
  },
  businessId: string,
  { store, key, why, raw }: Unread,
): void {
  within(tx.objectStore('aside').put({ id: nanoid(12), businessId, at: Date.now(), store, why, raw }));
  within(tx.objectStore(store).delete(key as never));
}

/** What lies aside of a business. */
export const readAside = async (db: Db, businessId: string): Promise<Aside[]> =>
  (await db.getAllFromIndex('aside', 'business', businessId)).sort((a, b) => a.at - b.at);

/** Lets go of what lay aside, once somebody has seen to it. */
export const dropAside = (db: Db, ids: readonly string[]): Promise<void> =>
  db.write('mending', async (open) => {
    const tx = open('aside');
    for (const id of ids) within(tx.objectStore('aside').delete(id));
    await tx.done;
  });
