/** What the simulated carrier has to sell: worked out from the ranges that regulators keep for fiction, always the same. */
import {
  easeOf,
  inOrder,
  fictionRangeOf,
  numbersOf,
  profileOf,
  type Ease,
  type FictionRange,
  type Item,
  type Stock,
} from '../../core/numbering';
import type { Offer } from './carrier';

/** Areas where nothing is left. */
export const SOLD_OUT: readonly string[] = ['212', '0191'];
/** Price a month in cents of the country's currency, by kind of number. Invented. */
export const PRICE = { geographic: 400, 'toll-free': 900, mobile: 600 } as const;

/** A small hash (FNV-1a, 32 bit), so that the inventory is the same every time. Source: the published algorithm by Fowler, Noll and Vo. */
function hash(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return h;
}

/** About three in five numbers are on offer. */
export const inStock = (e164: string): boolean => hash('stock' + e164) % 5 < 3;
/** About one in twelve is gone by the time it is ordered. */
export const goneWhenOrdered = (e164: string): boolean => hash('gone' + e164) % 12 === 0;

/** The inventory of a country. Worked out once: some ten thousand numbers. */
export function stockOf(country: string): Stock {
  let stock = stocks.get(country);
  if (!stock) stocks.set(country, (stock = inOrder(build(country))));
  return stock;
}
const stocks = new Map<string, Stock>();

function build(country: string): Item[] {
  const { fiction, callingCode } = profileOf(country);
  const items: Item[] = [];
  // The same digits stand behind many area codes.
  const known = new Map<string, Ease>();
  const ease = (local: string): Ease => {
    let found = known.get(local);
    if (!found) known.set(local, (found = easeOf(local)));
    return found;
  };
  for (const range of fiction) {
    if (SOLD_OUT.includes(range.area)) continue;
    const area = range.area.replace(/^0/, '');
    for (const e164 of numbersOf(range)) {
      if (!inStock(e164)) continue;
      const national = e164.slice(1 + callingCode.length);
      const local = national.startsWith(area) ? national.slice(area.length) : national;
      items.push({
        e164,
        value: Number(e164),
        range,
        place: placeOf(e164, range),
        national,
        local,
        ease: ease(local),
      });
    }
  }
  return items;
}

const placeOf = (e164: string, range: FictionRange): string =>
  range.places[hash('place' + e164) % range.places.length]!;

export const offerOf = (e164: string, country: string, range: FictionRange): Offer => ({
  e164,
  country,
  kind: range.kind,
  area: range.area,
  place: placeOf(e164, range),
  monthlyCents: PRICE[range.kind],
  currency: profileOf(country).currency,
});

/** The offer of a number, or undefined when the carrier does not sell it. */
export function offered(e164: string): Offer | undefined {
  const found = fictionRangeOf(e164);
  if (!found || !inStock(e164) || SOLD_OUT.includes(found.range.area)) return undefined;
  return offerOf(e164, found.country, found.range);
}
