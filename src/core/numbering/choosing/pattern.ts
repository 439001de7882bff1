/** What a wished-for number should contain: digits, letters of the keypad, "?" for any digit. */
import { keypadDigits } from '../keypad';

export type Where = 'anywhere' | 'start' | 'end';
export interface Pattern {
  /** Digits and "?". */
  digits: string;
  where: Where;
}
export type PatternResult = { ok: true; pattern: Pattern } | { ok: false; message: string };

/** Reads "555-0-BOAT", "42" or "1??1". Spaces, dashes, dots and brackets carry no meaning (as in RFC 3966). */
export function readPattern(typed: string, where: Where): PatternResult {
  const text = typed.replace(/[\s\-.()/]/g, '');
  const odd = [...text].find((c) => c !== '?' && keypadDigits(c) === undefined);
  if (odd)
    return {
      ok: false,
      message: `No key carries “${odd}”. Use digits, letters A to Z, and ? for any digit.`,
    };
  if (text.length > 15) return { ok: false, message: 'That is longer than any number: 15 digits at most.' };
  const digits = [...text].map((c) => (c === '?' ? c : keypadDigits(c)!)).join('');
  return { ok: true, pattern: { digits, where } };
}

/** Digits of a number: after the country code, and after the area code. */
export type PatternTest = (national: string, local: string) => boolean;

/** Whether numbers have the pattern in the wanted place: made once, asked of thousands. */
export function patternTest({ digits, where }: Pattern): PatternTest {
  if (!digits) return () => true;
  if (digits.includes('?')) {
    const at = digits.replaceAll('?', '.');
    const test = new RegExp(where === 'start' ? `^${at}` : where === 'end' ? `${at}$` : at);
    return (national, local) => test.test(where === 'start' ? local : national);
  }
  if (where === 'end') return (national) => national.endsWith(digits);
  if (where === 'start') return (_, local) => local.startsWith(digits);
  return (national) => national.includes(digits);
}

/** How many digits of the pattern the number has where it has most of them: for the closest where none has all. */
export function nearness(national: string, { digits, where }: Pattern): number {
  let best = 0;
  const last = Math.max(0, national.length - digits.length);
  const from = where === 'end' ? last : 0;
  const to = where === 'anywhere' ? last : from;
  for (let at = from; at <= to; at++) {
    let same = 0;
    for (let i = 0; i < digits.length; i++) if (digits[i] === '?' || digits[i] === national[at + i]) same++;
    if (same > best) best = same;
  }
  return best;
}
