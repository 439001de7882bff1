/** Sounds once: a message's recording stands in the message and again in every mail of it; the file holds it one time. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Parts } from './lines';

/** Shorter ones stay where they are, in characters of base64. */
const SHORTEST = 400;
const DATA_URL = /^(data:audio\/[^,]*;base64,)([A-Za-z0-9+/]+={0,2})$/;
/** A body of base64 as mail carries it: lines of one length, the last at most that long. */
const WRAPPED = /(?:[A-Za-z0-9+/]{20,998}(\r?\n))+[A-Za-z0-9+/]*={0,2}/g;

const hashOf = (base64: string): string => bytesToHex(sha256(utf8ToBytes(base64)));

/** Sounds met so far, by their hash. */
export class SoundsOnce {
  private readonly known = new Map<string, string>();

  /** @param found is given each sound when it is first met */
  constructor(private readonly found: (hash: string, base64: string) => void) {}

  /** A data URL in parts, or undefined where it is better left as it is. */
  ofUrl(url: string | null): Parts | undefined {
    const [, head, base64] = (url && DATA_URL.exec(url)) || [];
    if (!head || !base64 || base64.length < SHORTEST) return undefined;
    return [head, { sound: this.keep(base64) }];
  }

  /** A mail in parts: each sound that is known already stands there by its hash. */
  ofMail(raw: string): Parts | undefined {
    const parts: Parts = [];
    let at = 0;
    for (const match of raw.matchAll(WRAPPED)) {
      const end = match[1]!;
      const width = match[0].indexOf(end);
      const base64 = match[0].replaceAll(end, '');
      if (base64.length < SHORTEST || wrapped(base64, width, end) !== match[0]) continue;
      const hash = hashOf(base64);
      if (this.known.get(hash) !== base64) continue;
      parts.push(raw.slice(at, match.index), { sound: hash, width, end });
      at = match.index + match[0].length;
    }
    return parts.length ? [...parts, raw.slice(at)] : undefined;
  }

  private keep(base64: string): string {
    const hash = hashOf(base64);
    if (!this.known.has(hash)) {
      this.known.set(hash, base64);
      this.found(hash, base64);
    }
    return hash;
  }
}

function wrapped(base64: string, width: number, end: string): string {
  const lines: string[] = [];
  for (let i = 0; i < base64.length; i += width) lines.push(base64.slice(i, i + width));
  return lines.join(end);
}

/** Parts put together again. @returns undefined where a sound is not in the file */
export function joined(parts: Parts, sounds: ReadonlyMap<string, string>): string | undefined {
  const texts = parts.map((part) => {
    if (typeof part === 'string') return part;
    const base64 = sounds.get(part.sound);
    return base64 && part.width ? wrapped(base64, part.width, part.end ?? '\r\n') : base64;
  });
  return texts.some((t) => t === undefined) ? undefined : texts.join('');
}

/** A sound is what its hash says. */
export const isSound = (hash: string, base64: string): boolean => hashOf(base64) === hash;
