/** PINs of mailboxes: which are good enough, how they are kept, and whether digits fit. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Pin } from '../system';

const SHORTEST_PIN = 4;
const LONGEST_PIN = 10;

/**
 * Why a PIN would soon be guessed, or undefined when it is good. Runs, repeats, years and the extension are what
 * strangers try first: common practice of the trade, no source.
 * @param extensions of whoever hears the mailbox
 */
export function pinProblem(pin: string, extensions: readonly string[]): string | undefined {
  if (!/^\d*$/.test(pin)) return 'Digits only.';
  if (pin.length < SHORTEST_PIN) return `At least ${SHORTEST_PIN} digits.`;
  if (pin.length > LONGEST_PIN) return `At most ${LONGEST_PIN} digits.`;
  if (isRun(pin)) return `${pin} is a run of digits: it is tried first. Choose another.`;
  if (isRepeat(pin)) return `${pin} repeats itself: it is tried first. Choose another.`;
  const own = extensions.find((e) => pin.includes(e));
  if (own) return `Your extension ${own} is in it: everybody knows that. Choose another.`;
  if (/^(19|20)\d\d$/.test(pin)) return `${pin} is a year: it is tried early. Choose another.`;
  return undefined;
}

/** Each digit one more, or one less, than the one before; 0 follows 9. */
const isRun = (pin: string): boolean =>
  [1, 9].some((step) => [...pin].every((d, i) => i === 0 || (Number(pin[i - 1]) + step) % 10 === Number(d)));

/** The same digits again and again: 1111, 1212, 123123. */
const isRepeat = (pin: string): boolean =>
  Array.from({ length: Math.floor(pin.length / 2) }, (_, i) => pin.slice(0, i + 1)).some(
    (part) => pin.length % part.length === 0 && part.repeat(pin.length / part.length) === pin,
  );

/** A PIN as it is kept. @param salt random, another for each */
export const keptPin = (pin: string, salt: string): Pin => ({
  salt,
  hash: bytesToHex(sha256(utf8ToBytes(salt + pin))),
});

/** Whether digits are the PIN. */
export const pinFits = (pin: Pin, digits: string): boolean => keptPin(digits, pin.salt).hash === pin.hash;
