/** The carrier's side of a business as it is stored: its book, what goes on with it, and what follows for calls. */
import { emptyStanding, standingOver, type Standing, type System } from '../../core/system';
import { emptyBook, giveBack, REST_MS, takeBack } from '../../standins/carrier/book';
import type { Db, Transaction } from '../stored/db';
import { reading } from '../stored/damage';
import { CarrierBook, DealingsRecord, noDealings, StandingRecord } from '../stored/records';
import { within } from '../stored/store';

/** The carrier's side of a business, to be changed together. */
export interface Side {
  book: CarrierBook;
  dealings: DealingsRecord;
  standing: Standing;
}

/** Reads the carrier's side. Consistent while nobody else writes. */
export async function readSide(db: Db, businessId: string): Promise<Side> {
  const [book, dealings, record] = await Promise.all([
    readBook(db),
    db.get('dealings', businessId),
    db.get('standing', businessId),
  ]);
  return {
    book,
    dealings: dealings ? reading('dealings', DealingsRecord, dealings) : noDealings(businessId),
    standing: record ? reading('standing', StandingRecord, record).standing : emptyStanding(),
  };
}

/** The stores of the carrier's side, of a transaction that covers them. */
interface SideStores {
  carrier: { put(book: CarrierBook, key: 'book'): Promise<unknown> };
  dealings: { put(dealings: DealingsRecord): Promise<unknown> };
  standing: { put(record: StandingRecord): Promise<unknown> };
}

/** The stores of the carrier's side in a transaction that covers them. */
export const storesOf = (tx: Transaction<'carrier' | 'dealings' | 'standing'>): SideStores => ({
  carrier: tx.objectStore('carrier'),
  dealings: tx.objectStore('dealings'),
  standing: tx.objectStore('standing'),
});

export function writeSide(stores: SideStores, businessId: string, side: Partial<Side>): void {
  if (side.book) within(stores.carrier.put(side.book, 'book'));
  if (side.dealings) within(stores.dealings.put(side.dealings));
  if (side.standing) {
    const standing = { ...side.standing, revision: side.standing.revision + 1 };
    within(stores.standing.put({ businessId, standing }));
  }
}

/**
 * What putting a system in force means for the carrier: numbers that are gone go back to it, and numbers that are there
 * again are taken back. @returns the new side, or why it cannot be
 */
export function settleNumbers(
  side: Side,
  businessId: string,
  before: System,
  after: System,
  now: number,
): { ok: true; side: Partial<Side> } | { ok: false; message: string } {
  const held = new Set(Object.values(after.numbers).map((n) => n.e164));
  let { book } = side;
  for (const e164 of held) {
    const sold = book.sold.find((s) => s.e164 === e164);
    if (sold) continue;
    if (book.resting.some((r) => r.e164 === e164 && r.businessId === businessId)) {
      const back = takeBack(book, businessId, e164, now);
      if (!back.ok) return { ok: false, message: `${e164} cannot be brought back. ${back.message}` };
      book = back.book;
    } else book = { ...book, sold: [...book.sold, { e164, businessId }] };
  }
  const gone = Object.values(before.numbers).filter((n) => !held.has(n.e164));
  const released = side.dealings.released.filter((r) => !held.has(r.number.e164));
  const intercepts = Object.fromEntries(
    Object.entries(side.standing.intercepts).filter(([e164]) => !held.has(e164)),
  );
  const referrals = { ...side.dealings.referrals };
  for (const number of gone) {
    const referTo = referrals[number.e164] ?? null;
    delete referrals[number.e164];
    book = giveBack(book, businessId, number.e164, now);
    released.push({ number, at: now, until: now + REST_MS, referTo });
    intercepts[number.e164] = { referTo, until: now + REST_MS };
  }
  return {
    ok: true,
    side: {
      book,
      dealings: { ...side.dealings, released, referrals },
      standing: { ...side.standing, intercepts },
    },
  };
}

/** What goes in force is the later word: settings of people and phones that stood over something else are dropped. */
export function overruled(side: Side, system: System): Side {
  const { own } = side.standing;
  return own ? { ...side, standing: { ...side.standing, own: standingOver(own, system) } } : side;
}

/** Numbers the carrier has sold to a business, of whatever draft. */
export const soldTo = (book: CarrierBook, businessId: string): string[] =>
  book.sold.filter((s) => s.businessId === businessId).map((s) => s.e164);

/** The carrier's book as it is stored. */
export const readBook = async (db: Db): Promise<CarrierBook> => bookOf(await db.get('carrier', 'book'));
/** What lies there as the book. One that cannot be read is an empty one: businesses enter what they hold again. */
export const bookOf = (raw: unknown): CarrierBook => CarrierBook.safeParse(raw).data ?? emptyBook();
