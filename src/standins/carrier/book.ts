/**
 * The carrier's book: who has set a number aside, who has bought it, who has given it back. Pure: a book and a moment in,
 * a book and an answer out. No number is ever sold twice.
 */
import type { CarrierBook, Offer, Refusal } from './carrier';
import { goneWhenOrdered, offered } from './stock';

/** A reservation lasts so long, in milliseconds. */
export const RESERVATION_MS = 10 * 60_000;
/** A number given back is kept for who had it so long, in milliseconds. Invented: carriers differ. */
export const REST_MS = 30 * 86_400_000;
/** Reserved at once by one business. */
export const MOST_RESERVED = 20;

export const emptyBook = (): CarrierBook => ({ reserved: [], sold: [], resting: [] });

type Refused = { ok: false; refusal: Refusal; message: string };
export type Reserved = { ok: true; book: CarrierBook; until: number } | Refused;

/** The book without what has run out. */
const current = (book: CarrierBook, now: number): CarrierBook => ({
  ...book,
  resting: book.resting.filter((r) => r.until > now),
});

/** Numbers nobody can be offered now. */
export const takenNow = (book: CarrierBook, now: number): string[] => [
  ...book.sold.map((s) => s.e164),
  ...book.reserved.filter((r) => r.until > now).map((r) => r.offer.e164),
  ...book.resting.filter((r) => r.until > now).map((r) => r.e164),
];

/** Sets numbers aside for a business: all of them or none. Those it has aside already get their time anew. */
export function reserve(
  book: CarrierBook,
  businessId: string,
  numbers: readonly string[],
  now: number,
): Reserved {
  const offers: Offer[] = [];
  for (const e164 of numbers) {
    const offer = offered(e164);
    if (!offer) return no('not offered', 'The carrier does not offer this number.');
    const elsewhere =
      book.sold.some((s) => s.e164 === e164) ||
      book.reserved.some((r) => r.offer.e164 === e164 && r.businessId !== businessId && r.until > now) ||
      book.resting.some((r) => r.e164 === e164 && r.until > now);
    if (elsewhere) return no('taken in the meantime', 'Somebody else has this number. Choose another.');
    offers.push(offer);
  }
  const others = book.reserved.filter(
    (r) => (r.until > now || r.businessId === businessId) && !numbers.includes(r.offer.e164),
  );
  const own = others.filter((r) => r.businessId === businessId).length;
  if (own + offers.length > MOST_RESERVED)
    return no(
      'not offered',
      `The carrier sets aside ${MOST_RESERVED} numbers at most. Order or drop some first.`,
    );
  const until = now + RESERVATION_MS;
  const reserved = [...others, ...offers.map((offer) => ({ offer, businessId, until }))];
  return { ok: true, until, book: { ...current(book, now), reserved } };
}

/** Lets reserved numbers go. */
export const drop = (book: CarrierBook, businessId: string, numbers: readonly string[]): CarrierBook => ({
  ...book,
  reserved: book.reserved.filter((r) => r.businessId !== businessId || !numbers.includes(r.offer.e164)),
});

export type Ordered = { offer: Offer; ok: true } | (Refused & { offer: Offer });

/** Buys what a business has set aside. Each number for itself: one that fails is named, and the others are bought. */
export function order(
  book: CarrierBook,
  businessId: string,
  numbers: readonly string[],
  now: number,
): { book: CarrierBook; results: Ordered[] } {
  const results: Ordered[] = [];
  const sold = [...book.sold];
  for (const e164 of new Set(numbers)) {
    const aside = book.reserved.find((r) => r.offer.e164 === e164 && r.businessId === businessId);
    const offer = aside?.offer ?? offered(e164);
    if (!offer) continue;
    if (sold.some((s) => s.e164 === e164) || goneWhenOrdered(e164))
      results.push({
        offer,
        ...no('taken in the meantime', 'Somebody else took this number in the meantime.'),
      });
    else if (!aside || aside.until <= now)
      results.push({
        offer,
        ...no('reservation ran out', 'The ten minutes were over. Take it again if it is still free.'),
      });
    else {
      sold.push({ e164, businessId });
      results.push({ offer, ok: true });
    }
  }
  return { book: { ...drop(current(book, now), businessId, numbers), sold }, results };
}

/** Numbers a business already has come into the book, as when it is read from a file; what it had before leaves it. */
export function register(book: CarrierBook, businessId: string, numbers: readonly string[]): CarrierBook {
  const others = book.sold.filter((s) => s.businessId !== businessId);
  const known = new Set(others.map((s) => s.e164));
  return {
    ...book,
    sold: [...others, ...numbers.filter((n) => !known.has(n)).map((e164) => ({ e164, businessId }))],
    resting: book.resting.filter((r) => r.businessId !== businessId),
  };
}

/** A number goes back to the carrier, which keeps it a while. */
export const giveBack = (book: CarrierBook, businessId: string, e164: string, now: number): CarrierBook => ({
  ...book,
  sold: book.sold.filter((s) => s.e164 !== e164 || s.businessId !== businessId),
  resting: [...book.resting.filter((r) => r.e164 !== e164), { e164, businessId, until: now + REST_MS }],
});

/** The business takes back a number it gave back. */
export function takeBack(
  book: CarrierBook,
  businessId: string,
  e164: string,
  now: number,
): { ok: true; book: CarrierBook } | Refused {
  if (book.sold.some((s) => s.e164 === e164 && s.businessId === businessId)) return { ok: true, book };
  const resting = book.resting.find((r) => r.e164 === e164 && r.businessId === businessId);
  if (!resting || resting.until <= now)
    return no('not offered', 'The carrier kept it for 30 days, and they are over.');
  return {
    ok: true,
    book: {
      ...book,
      resting: book.resting.filter((r) => r !== resting),
      sold: [...book.sold, { e164, businessId }],
    },
  };
}

const no = (refusal: Refusal, message: string): Refused => ({ ok: false, refusal, message });
