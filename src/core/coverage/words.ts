/** What callers get, where it can go several ways, in words. */
import { sentence } from '../calls';
import type { System } from '../system';
import type { Piece } from './pieces';
import { MOST_WAYS } from './ways';

/** So many ways are told in full. */
const MOST_TOLD = 3;

/** That not every way was followed. @param left see `Piece` */
export const leftInWords = (left: number): string =>
  `Not followed to the end: ${MOST_WAYS.toLocaleString('en-US')} ways were, at least ${left.toLocaleString('en-US')} more were left out.`;

/** The usual way as a sentence, and the others that chance, or whose turn it is, can bring; and that some were not followed. */
export function waysInWords({ ways, left }: Pick<Piece, 'ways' | 'left'>, system: System): string {
  const [usual, ...others] = [...new Set(ways.map((way) => sentence(way, system)))];
  if (!others.length) return usual ?? '';
  const told = others.slice(0, MOST_TOLD - 1).map((words) => words[0]!.toLowerCase() + words.slice(1, -1));
  const more = others.length - told.length;
  const words = `${usual} Or, by chance or turn: ${told.join(' – or: ')}${more ? ` – or ${more} more ways` : ''}.`;
  return left ? `${words} ${leftInWords(left)}` : words;
}
