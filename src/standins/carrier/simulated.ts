/**
 * A simulated carrier. Its inventory is worked out from the ranges that regulators keep for fiction, always the same,
 * and it behaves like a real one: some areas are sold out, some searches are slow, some numbers are gone when ordered.
 */
import { PROFILES, fictionRangeOf, numbersOf, profileOf, type FictionRange } from '../../core/numbering';
import type { Carrier, Offer, OrderResult, Search, SearchResult } from './carrier';

/** Areas where nothing is left. */
export const SOLD_OUT: readonly string[] = ['212', '0191'];
/** Areas that take their time to answer, with the delay in milliseconds. */
export const SLOW: Readonly<Record<string, number>> = { '415': 2500, '0161': 2500 };
const MOST_OFFERS = 24;

/** Price a month in cents of the country's currency, by kind of number. Invented. */
const PRICE = { geographic: 400, 'toll-free': 900, mobile: 600 } as const;

/** A small hash (FNV-1a, 32 bit), so that the inventory is the same every time. Source: the published algorithm by Fowler, Noll and Vo. */
function hash(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return h;
}

/** About three in five numbers are on offer. */
const inStock = (e164: string): boolean => hash('stock' + e164) % 5 < 3;
/** About one in twelve is gone by the time it is ordered. */
export const goneWhenOrdered = (e164: string): boolean => hash('gone' + e164) % 12 === 0;

function offerOf(e164: string, country: string, range: FictionRange): Offer {
  const place = range.places[hash('place' + e164) % range.places.length]!;
  const { currency } = profileOf(country);
  return {
    e164,
    country,
    kind: range.kind,
    area: range.area,
    place,
    monthlyCents: PRICE[range.kind],
    currency,
  };
}

/** @param wait how a delay passes; a test passes none */
export const simulatedCarrier = (wait: (ms: number) => Promise<void>): Carrier => ({
  async search(search: Search): Promise<SearchResult> {
    const profile = PROFILES.find((p) => p.country === search.country);
    const where = search.where.toLowerCase();
    const isArea = /^\d+$/.test(where);
    const ranges = (profile?.fiction ?? []).filter(
      (r) =>
        where === '' ||
        (isArea
          ? r.area.startsWith(where) || r.area.replace(/^0/, '') === where
          : r.places.some((p) => p.toLowerCase().startsWith(where))),
    );
    if (!ranges.length)
      return {
        ok: false,
        refusal: 'no such area',
        message: `The carrier knows no area or city "${search.where}" in ${profile?.name ?? search.country}.`,
      };
    const delay = Math.max(0, ...ranges.map((r) => (where === '' ? 0 : (SLOW[r.area] ?? 0))));
    if (delay) await wait(delay);
    const left = ranges.filter((r) => !SOLD_OUT.includes(r.area));
    if (!left.length)
      return {
        ok: false,
        refusal: 'area sold out',
        message: `No numbers are left in ${ranges[0]!.places[0]} (${ranges[0]!.area}). Try a neighbouring area.`,
      };
    const held = new Set(search.held);
    const offers = left.flatMap((range) => {
      // A large range is walked in strides, so that the list is not all neighbours.
      const all = numbersOf(range);
      const stride = Math.max(1, Math.floor(all.length / 100));
      return all
        .filter((e164, i) => i % stride === 0 && inStock(e164) && !held.has(e164))
        .map((e164) => offerOf(e164, search.country, range))
        .filter((o) => where === '' || isArea || o.place.toLowerCase().startsWith(where));
    });
    const perRange = where === '' ? Math.ceil(MOST_OFFERS / left.length) : MOST_OFFERS;
    const taken = new Map<string, number>();
    const shown = offers.filter((o) => {
      const n = (taken.get(o.area) ?? 0) + 1;
      taken.set(o.area, n);
      return n <= perRange;
    });
    return { ok: true, offers: shown.slice(0, MOST_OFFERS) };
  },

  async order(e164: string): Promise<OrderResult> {
    const found = fictionRangeOf(e164);
    if (!found || !inStock(e164) || SOLD_OUT.includes(found.range.area))
      return { ok: false, refusal: 'not offered', message: 'The carrier does not offer this number.' };
    if (goneWhenOrdered(e164))
      return {
        ok: false,
        refusal: 'taken in the meantime',
        message: 'Somebody else took this number in the meantime. Choose another.',
      };
    return { ok: true, offer: offerOf(e164, found.country, found.range) };
  },
});
