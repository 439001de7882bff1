/** What somebody answered, by text, by voice or by key, read as what was asked for. */
import type { AnswerTest } from '../system';

/** What an answer is read as. */
export type AnsweredBy = 'words' | '1 to 5' | 'yes or no';

/** An answer as it is kept. */
export interface Answer {
  label: string;
  /** As it was written. */
  said: string;
  /** Read: 1 to 5, or 1 for yes and 0 for no; null where it is words. */
  value: number | null;
}

const NUMBERS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4, five: 5 };
/** Words for yes and no in the languages that the country profiles speak; put down from memory, without a source. */
const YES = new Set(['y', 'yes', 'yeah', 'yep', 'ok', 'okay', 'sure', 'ja', 'oui', 'si', 'sí', 'tak', 'sim']);
const NO = new Set(['n', 'no', 'nope', 'nein', 'non', 'nie', 'nej', 'não', 'nao', 'nee']);

const wordsOf = (text: string): string[] =>
  text
    .normalize('NFC')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** @returns what was read, or null where it is none of what was asked for */
export function readAnswer({ label, by }: { label: string; by: AnsweredBy }, said: string): Answer | null {
  const words = wordsOf(said);
  const of = (value: number | null): Answer => ({ label, said: said.trim(), value });
  switch (by) {
    case 'words':
      return said.trim() ? of(null) : null;
    case '1 to 5': {
      // "4", "4 of 5" and "four" are four; "10" and "4 or 5" are nothing that could be counted.
      const given = words.map((w) => NUMBERS[w] ?? (/^\d+$/.test(w) ? Number(w) : null));
      const numbers = given.filter((n) => n !== null);
      const scale = words.findIndex((w, i) => (w === 'of' || w === 'out') && given[i - 1] != null);
      const first = scale > 0 ? given[scale - 1]! : numbers.length === 1 ? numbers[0]! : null;
      return first !== null && Number.isInteger(first) && first >= 1 && first <= 5 ? of(first) : null;
    }
    case 'yes or no': {
      const yes = words.some((w) => YES.has(w));
      const no = words.some((w) => NO.has(w));
      return yes === no ? null : of(yes ? 1 : 0);
    }
  }
}

const hasWord = (text: string, word: string): boolean =>
  ` ${wordsOf(text).join(' ')} `.includes(` ${wordsOf(word).join(' ')} `);

/** Whether one of the words stands in a text. */
export const hasAny = (text: string, words: readonly string[]): boolean =>
  words.some((w) => wordsOf(w).length > 0 && hasWord(text, w));

/** Whether an answer is as a step wants it; what was not asked or not answered is not. */
export function isSo(test: AnswerTest, answers: readonly Answer[]): boolean {
  const answer = answers.findLast((a) => a.label.toLowerCase() === test.label.toLowerCase());
  if (!answer) return false;
  const { value, said } = answer;
  switch (test.is) {
    case 'at least':
      return value !== null && value >= test.n;
    case 'at most':
      return value !== null && value <= test.n;
    case 'yes':
      return value === 1;
    case 'no':
      return value === 0;
    case 'has':
      return hasAny(said, test.words);
  }
}
