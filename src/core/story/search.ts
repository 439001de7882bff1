/**
 * Searching a long log: the texts of entries lie one after the other in blocks, and a word is looked for in a block at once. Asking
 * each entry by itself takes several times as long among a hundred thousand.
 */
import type { Settling } from './settled';
import { digitsIn, tester, wordsIn, type Question } from './question';
import type { Entry } from './story';

/** So many entries lie in a block; counted from the oldest, so that new ones change the newest block only. */
const BLOCK = 2000;
/** Among fewer it is not worth it: they are asked one by one. */
export const FEW = 2000;
/** Stands between entries: no text has it, nor can it be typed. */
const APART = '\u0000';

interface Block {
  entries: readonly Entry[];
  text: string;
  /** Where the text of each entry ends. */
  ends: Uint32Array;
}

/** Blocks by their oldest entry. */
const known = new WeakMap<Entry, Block>();

function blockOf(entries: readonly Entry[]): Block {
  const oldest = entries.at(-1)!;
  const found = known.get(oldest);
  if (found?.entries.length === entries.length && entries.every((e, i) => e === found.entries[i]))
    return found;
  const ends = new Uint32Array(entries.length);
  const texts: string[] = [];
  let at = 0;
  for (const [i, { search }] of entries.entries()) {
    texts.push(search);
    at += search.length;
    ends[i] = at;
    at += 1;
  }
  const block = { entries, text: texts.join(APART), ends };
  known.set(oldest, block);
  return block;
}

/** Marks the entries of a block that have a word. @param first index of its first entry among all */
function mark({ text, ends }: Block, word: string, marks: Uint8Array, first: number): void {
  let entry = 0;
  for (let at = text.indexOf(word); at >= 0;) {
    // The first entry that ends after it: most hits are near the one before.
    if (ends[entry]! <= at) {
      let [low, high] = [entry + 1, ends.length - 1];
      while (low < high) {
        const middle = (low + high) >> 1;
        if (ends[middle]! > at) high = middle;
        else low = middle + 1;
      }
      entry = low;
    }
    marks[first + entry] = 1;
    at = text.indexOf(word, ends[entry]! + 1);
  }
}

/** Which entries have all words, by their places. */
function having(entries: readonly Entry[], words: readonly string[]): Uint8Array {
  const all = new Uint8Array(entries.length).fill(1);
  for (const word of words) {
    const marks = new Uint8Array(entries.length);
    for (let end = entries.length; end > 0; end -= BLOCK) {
      const first = Math.max(0, end - BLOCK);
      mark(blockOf(entries.slice(first, end)), word, marks, first);
    }
    for (let i = 0; i < all.length; i++) all[i]! &= marks[i]!;
  }
  return all;
}

/** What a question finds among entries, in their order: what `tester` finds, one by one. @param entries the newest first */
export function search(
  entries: readonly Entry[],
  question: Question,
  by: Settling,
  day: (iso: string) => readonly [from: number, to: number],
): Entry[] {
  const words = wordsIn(question);
  const plain = entries.length < FEW || !words.length || words.some((w) => w.includes(APART));
  if (plain) return entries.filter(tester(question, by, day));
  const digits = digitsIn(question.text);
  const marks = having(entries, words);
  if (digits) for (const [i, has] of having(entries, [digits]).entries()) marks[i]! |= has;
  const rest = tester({ ...question, text: '' }, by, day);
  return entries.filter((entry, i) => marks[i] === 1 && rest(entry));
}
