/** What callers get, where it can go several ways, in words. */
import { sentence, type Trace } from '../calls';
import type { System } from '../system';

/** So many ways are told in full. */
const MOST_TOLD = 3;

/** The usual way as a sentence, and the others that chance, or whose turn it is, can bring. */
export function waysInWords(ways: readonly Trace[], system: System): string {
  const [usual, ...others] = [...new Set(ways.map((way) => sentence(way, system)))];
  if (!others.length) return usual ?? '';
  const told = others.slice(0, MOST_TOLD - 1).map((words) => words[0]!.toLowerCase() + words.slice(1, -1));
  const more = others.length - told.length;
  return `${usual} Or, by chance or turn: ${told.join(' – or: ')}${more ? ` – or ${more} more ways` : ''}.`;
}
