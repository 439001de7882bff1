import type { FictionRange } from './profile';
import { PROFILES } from './profiles';

/** All ranges by their prefix: there are some five hundred, and every number typed is looked for. */
const byPrefix = new Map(
  PROFILES.flatMap(({ country, fiction }) =>
    fiction.map((range) => [range.prefix, { country, range }] as const),
  ),
);
const lengths = [...new Set([...byPrefix.keys()].map((p) => p.length))];

/** The fiction range a number (E.164) lies in, with its country, or undefined. */
export function fictionRangeOf(e164: string): { country: string; range: FictionRange } | undefined {
  for (const length of lengths) {
    const found = byPrefix.get(e164.slice(1, 1 + length));
    if (found && inRange(e164, found.range)) return found;
  }
  return undefined;
}

function inRange(e164: string, range: FictionRange): boolean {
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
