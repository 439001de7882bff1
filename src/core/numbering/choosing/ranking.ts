/** Which of the numbers that fit are shown, in what order, and why: the easiest to remember for this business first. */
import { keypadDigits } from '../keypad';
import { profileOf } from '../profiles';
import { closeness, type Known } from './memorable';
import type { Item, Stock } from './offered';
import { patternTest, type Pattern } from './pattern';

/** What is asked for, as far as the order goes by it. */
export interface Asked {
  country: string;
  /** An area or a place, and a number it should be like; empty is none. */
  where: string;
  like?: string | null | undefined;
  /** So many in a row. */
  row: number;
  /** Numbers the business has, and words of its own that one may spell. */
  held: readonly Known[];
  words: readonly string[];
}

const MOST_CHOICES = 24;
/** With an open question, so many of one area at least, so that the list is not all neighbours. */
const LEAST_OF_AN_AREA = 6;
/** And so many with the same digits after the area code, so that it is not one number in every city. */
const MOST_ALIKE = 2;

/** Where a wished-for pattern lies after the area code, which everybody in town has, it counts more. */
const IN_LOCAL = 30;
/** With an open question: an area the business has a number in already. */
const OWN_AREA = 14;
const SAME_AREA = 'same area as';
/** A word of the business's own, by letter; other words count 6 or 9 (`easeOf`). */
const OWN_LETTER = 10;

/** One number, or several in a row. */
export interface Ranked {
  items: Item[];
  score: number;
  reasons: string[];
}

/**
 * Those that can be among the ones shown, with what speaks for each: some of each area, and all that are close to a
 * number held. @param pool with the easiest first
 */
export function rankSingles(pool: readonly Item[], search: Asked, pattern: Pattern, stock: Stock): Ranked[] {
  const fits = pattern.digits ? patternTest(pattern) : () => false;
  const open = isOpen(search);
  const most = open ? mostOfAnArea(search.country) : MOST_CHOICES;
  const near = nearHeld(search.held, stock);
  const spelling = new Map<Item, string>();
  for (const [digits, word] of ownWords(search.words))
    for (const item of stock.with(digits)) if (!spelling.has(item)) spelling.set(item, word);
  const areas = open ? areasHeld(search.held, search.country) : new Map<string, string>();
  /** How many of an area were taken up, of those that have the pattern after the area code and of the others. */
  const shown = new Map<string, { local: number; other: number }>();
  const found: Ranked[] = [];
  for (const item of pool) {
    const { local, ease, range } = item;
    const here = fits(local, local) ? 'local' : 'other';
    let count = shown.get(range.area);
    if (!count) shown.set(range.area, (count = { local: 0, other: 0 }));
    const word = spelling.get(item);
    if (count[here] >= most && !word && !near.has(item)) continue;
    count[here]++;
    const bonus = here === 'local' ? IN_LOCAL : 0;
    const ranked = { items: [item], score: ease.score + bonus, reasons: ease.reasons };
    if (word) add(ranked, word.length * OWN_LETTER, `spells ${word}`);
    const own = areas.get(range.area);
    if (own) add(ranked, OWN_AREA, `${SAME_AREA} ${own}`);
    found.push(ranked);
  }
  return inRank(found, search.held);
}

const add = (ranked: Ranked, score: number, reason: string): void => {
  ranked.score += score;
  ranked.reasons = [reason, ...ranked.reasons.filter((r) => r !== reason)];
};

/** The best come first, nearness to numbers held counted in; equally good ones by number. */
function inRank(ranked: Ranked[], held: readonly Known[]): Ranked[] {
  for (const r of ranked) {
    const close = closeness(r.items[0]!.e164, held);
    if (!close.score) continue;
    add(r, close.score, close.reasons[0]!);
    // Whoever is so near is in the same area.
    r.reasons = r.reasons.filter((reason) => !reason.startsWith(SAME_AREA));
  }
  return ranked.sort((a, b) => b.score - a.score || (a.items[0]!.e164 < b.items[0]!.e164 ? -1 : 1));
}

/** How many of one area are shown, so that a country of few areas fills the list too. */
const mostOfAnArea = (country: string): number =>
  Math.max(
    LEAST_OF_AN_AREA,
    Math.ceil(MOST_CHOICES / new Set(profileOf(country).fiction.map((f) => f.area)).size),
  );

/** Whether a question names neither a place nor a number it should be like. */
const isOpen = (search: Asked): boolean => !search.where && !search.like;

/** Items that are neighbours of a number held, differ from it in the last digit, or end like it. */
function nearHeld(held: readonly Known[], stock: Stock): Set<Item> {
  const near = new Set<Item>();
  for (const { e164 } of held) {
    for (const item of stock.byEnding.get(e164.slice(-4)) ?? []) near.add(item);
    const beside = [Number(e164) - 1, Number(e164) + 1].map((n) => `+${n}`);
    const alike = Array.from({ length: 10 }, (_, d) => e164.slice(0, -1) + d);
    for (const other of [...beside, ...alike])
      for (const item of stock.byEnding.get(other.slice(-4)) ?? []) if (item.e164 === other) near.add(item);
  }
  return near;
}

/** Areas in which the business has a number, with what that is called. */
function areasHeld(held: readonly Known[], country: string): Map<string, string> {
  const { areas, callingCode } = profileOf(country);
  return new Map(
    areas.flatMap(({ code }): [string, string][] => {
      const own = held.find((h) => h.e164.startsWith(`+${callingCode}${code.replace(/^0/, '')}`));
      return own ? [[code, own.label]] : [];
    }),
  );
}

/** Words with the digits that spell them (ITU-T E.161), the longest first; too short ones are left out. */
const ownWords = (words: readonly string[]): [digits: string, word: string][] =>
  words
    .map((w) => w.toUpperCase())
    .filter((w) => w.length >= 3 && !/\d/.test(w))
    .flatMap((w): [string, string][] => {
      const digits = keypadDigits(w);
      return digits ? [[digits, w]] : [];
    })
    .sort((a, b) => b[0].length - a[0].length);

/**
 * Blocks of numbers that follow each other, none of them in two blocks.
 * @param all in their order @param pool one of which each block has
 */
export function rankRows(all: readonly Item[], pool: readonly Item[], search: Asked): Ranked[] {
  const wanted = pool === all ? null : new Set(pool);
  const blocks: Ranked[] = [];
  let run: Item[] = [];
  for (const item of all) {
    const before = run.at(-1);
    if (before && item.value - before.value !== 1) run = [];
    run.push(item);
    if (run.length < search.row) continue;
    if (!wanted || run.some((i) => wanted.has(i))) {
      const easiest = run.reduce((a, b) => (b.ease.score > a.ease.score ? b : a));
      const round = run[0]!.e164.endsWith('0') ? 15 : 0;
      blocks.push({
        items: run,
        score: easiest.ease.score + round,
        reasons: [
          `${search.row} in a row`,
          ...(round ? [`starts at ${run[0]!.local.slice(-2)}`] : []),
          ...easiest.ease.reasons.slice(0, 1),
        ],
      });
    }
    run = [];
  }
  return inRank(blocks, search.held);
}

/** The ones to show: with an open question not too many of one area, nor of the same digits in different ones. */
export function spread(ranked: readonly Ranked[], search: Asked): Ranked[] {
  if (!isOpen(search)) return ranked.slice(0, MOST_CHOICES);
  const most = mostOfAnArea(search.country);
  const count = new Map<string, number>();
  const more = (key: string): number => {
    const n = (count.get(key) ?? 0) + 1;
    count.set(key, n);
    return n;
  };
  const shown: Ranked[] = [];
  for (const r of ranked) {
    const { range, local } = r.items[0]!;
    const ofArea = more(`area ${range.area}`);
    const alike = more(`digits ${local}`);
    if (ofArea <= most && alike <= MOST_ALIKE) shown.push(r);
    if (shown.length === MOST_CHOICES) break;
  }
  return shown;
}
