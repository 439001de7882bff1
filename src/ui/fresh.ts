/** Randomness of this browser, for codes, passwords and ids. */
import type { Fresh } from '$workspace';
import { freshId } from './ids';

export const fresh: Fresh = {
  id: () => freshId('mail'),
  random: () => crypto.getRandomValues(new Uint32Array(1))[0]! / 2 ** 32,
};
export const randomBytes = (bytes: Uint8Array<ArrayBuffer>): Uint8Array => crypto.getRandomValues(bytes);
