/** Numbers on offer, put in order once, so that they can be searched while somebody types. */
import type { FictionRange } from '../profile';
import type { Ease } from './memorable';

/** One number on offer, with what a search asks of it. */
export interface Item {
  e164: string;
  /** The same as a number, to see which follow each other. */
  value: number;
  range: FictionRange;
  place: string;
  /** Digits after the country code, and after the area code. */
  national: string;
  local: string;
  ease: Ease;
}

/** All numbers on offer in a country, in two orders. */
export interface Stock {
  byNumber: readonly Item[];
  /** The easiest to remember first; equally easy ones by number. */
  byEase: readonly Item[];
  /** By the last four digits. */
  byEnding: ReadonlyMap<string, readonly Item[]>;
  /** Those that have some digits after the area code; looked for once. */
  with(digits: string): ReadonlySet<Item>;
}

/** So many words of businesses are remembered with the numbers that spell them. */
const MOST_REMEMBERED = 200;

/** Puts numbers on offer in order. */
export const inOrder = (items: readonly Item[]): Stock => {
  const byNumber = [...items].sort((a, b) => (a.e164 < b.e164 ? -1 : 1));
  const byEnding = new Map<string, Item[]>();
  for (const item of items) {
    const ending = item.e164.slice(-4);
    const same = byEnding.get(ending);
    if (same) same.push(item);
    else byEnding.set(ending, [item]);
  }
  const found = new Map<string, Set<Item>>();
  return {
    byNumber,
    byEase: [...byNumber].sort((a, b) => b.ease.score - a.ease.score),
    byEnding,
    with(digits) {
      let some = found.get(digits);
      if (!some) {
        if (found.size >= MOST_REMEMBERED) found.clear();
        found.set(digits, (some = new Set(items.filter((i) => i.local.includes(digits)))));
      }
      return some;
    },
  };
};
