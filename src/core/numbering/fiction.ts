import type { FictionRange } from './profile';
import { PROFILES } from './profiles';

/** The fiction range a number (E.164) lies in, with its country, or undefined. */
export function fictionRangeOf(e164: string): { country: string; range: FictionRange } | undefined {
  for (const { country, fiction } of PROFILES) {
    const range = fiction.find((r) => inRange(e164, r));
    if (range) return { country, range };
  }
  return undefined;
}

function inRange(e164: string, range: FictionRange): boolean {
  if (!e164.startsWith('+' + range.prefix)) return false;
  const rest = e164.slice(1 + range.prefix.length);
  if (rest.length !== range.digits || !/^\d+$/.test(rest)) return false;
  return Number(rest) >= range.from && Number(rest) <= range.to;
}

/** Every number of a fiction range, as E.164, in order. */
export function numbersOf(range: FictionRange): string[] {
  return Array.from(
    { length: range.to - range.from + 1 },
    (_, i) => '+' + range.prefix + String(range.from + i).padStart(range.digits, '0'),
  );
}
