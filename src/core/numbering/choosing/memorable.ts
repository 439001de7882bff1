/**
 * How easy a number is to remember, and why. Weights are our own, without a source: repeats before steps before pairs,
 * and what stands at the end counts most, because that is the part people say last.
 */
import { wordIn } from '../keypad';

export interface Ease {
  /** 0 and up; only to be compared. */
  score: number;
  /** In plain words, the weightiest first; empty where nothing helps. */
  reasons: string[];
}
type Reason = [score: number, words: string];

/** @param local digits of a number after its area code, such as 5550142 */
export function easeOf(local: string): Ease {
  const found: Reason[] = [];
  const run = longestTail(local, (a, b) => a === b);
  if (run >= 3) found.push([run * 12, `ends with ${tail(local, run)}`]);
  else if (local.endsWith('00')) found.push([20, 'round: ends with 00']);
  else if (run === 2) found.push([9, `ends with ${tail(local, 2)}`]);
  const up = longestTail(local, (a, b) => b - a === 1);
  const down = longestTail(local, (a, b) => a - b === 1);
  if (up >= 3) found.push([up * 9, `steps up: ${tail(local, up)}`]);
  if (down >= 3) found.push([down * 8, `steps down: ${tail(local, down)}`]);
  found.push(...lastFour(local.slice(-4)));
  const different = new Set(local).size;
  if (local.length >= 6 && different <= 3)
    found.push([(4 - different) * 8, `only ${different} different digits`]);
  const spelt = wordIn(local);
  if (spelt) {
    const atEnd = spelt.at + spelt.word.length === local.length;
    found.push([spelt.word.length * (atEnd ? 9 : 6), `spells ${spelt.word}`]);
  }
  found.sort((a, b) => b[0] - a[0]);
  return { score: found.reduce((sum, [s]) => sum + s, 0), reasons: found.map(([, words]) => words) };
}

function lastFour(four: string): Reason[] {
  const [a, b, c, d] = four;
  if (d === undefined || new Set(four).size === 1) return [];
  if (a === c && b === d) return [[26, `${a}${b} twice`]];
  if (a === b && c === d) return [[22, `pairs: ${a}${b} ${c}${d}`]];
  if (a === d && b === c) return [[18, `reads the same both ways: ${four}`]];
  const [first, second] = [Number(four.slice(0, 2)), Number(four.slice(2))];
  if (first > 0 && (second === first * 2 || second === first + 1))
    return [[8, `${four.slice(0, 2)}, then ${four.slice(2)}`]];
  return [];
}

/** Length of the longest end of the digits in which each neighbour pair passes. */
function longestTail(digits: string, passes: (a: number, b: number) => boolean): number {
  let length = 1;
  while (
    length < digits.length &&
    passes(Number(digits[digits.length - length - 1]), Number(digits[digits.length - length]))
  )
    length++;
  return length;
}
const tail = (digits: string, length: number): string => digits.slice(-length);

/** A number already held, with what it is called. */
export interface Known {
  e164: string;
  label: string;
}

/** How close a number is to ones already held: neighbours and numbers that differ in the last digit are learnt together. */
export function closeness(e164: string, held: readonly Known[]): Ease {
  let best: Reason = [0, ''];
  const value = Number(e164);
  for (const known of held) {
    if (known.e164.length !== e164.length) continue;
    const apart = value - Number(known.e164);
    const found: Reason =
      apart === 1
        ? [24, `next after ${known.label}`]
        : apart === -1
          ? [22, `just before ${known.label}`]
          : known.e164.slice(0, -1) === e164.slice(0, -1)
            ? [16, `as ${known.label} but for the last digit`]
            : known.e164.slice(-4) === e164.slice(-4)
              ? [14, `same last four digits as ${known.label}`]
              : [0, ''];
    if (found[0] > best[0]) best = found;
  }
  return { score: best[0], reasons: best[1] ? [best[1]] : [] };
}
