/** How many messages of the network a text takes: 3GPP TS 23.038 (alphabets), TS 23.040 (parts). */

/**
 * The default alphabet of TS 23.038, table in 6.2.1, without the escape (1B): each a septet. The characters were put down from
 * memory; the tests hold them against a library.
 */
const BASIC =
  '@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !"#¤%&\'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà';
/** Its extension table, 6.2.1.1: an escape and a septet each. */
const EXTENDED = '\f^{}\\[~]|€';
const SEPTETS = new Map([
  ...[...BASIC].map((c) => [c, 1] as const),
  ...[...EXTENDED].map((c) => [c, 2] as const),
]);

/** What fits: alone, and in each part of several, whose header takes the rest (TS 23.040, 9.2.3.24.1: 6 octets). */
const ROOM = {
  /** Septets. */
  'GSM 7 bit': { alone: 160, part: 153 },
  /** Units of two octets. */
  'UCS-2': { alone: 70, part: 67 },
} as const;
export type Alphabet = keyof typeof ROOM;

/** More than so many are not sent. */
export const MOST_PARTS = 10;

export interface Parts {
  alphabet: Alphabet;
  /** The text cut as it is sent; no character is split. One of no text is empty. */
  parts: string[];
  /** What could still be written without one part more. */
  left: number;
  /** The first character that makes it two octets for each; null where none does. */
  dear: { character: string; cheaper: string | null } | null;
}

/** What is written in its place where a text is to be cheaper; not a rule of anybody's. */
const CHEAPER: Readonly<Record<string, string>> = {
  '’': "'",
  '‘': "'",
  '“': '"',
  '”': '"',
  '„': '"',
  '–': '-',
  '—': '-',
  '…': '...',
  '\u00a0': ' ',
  '«': '"',
  '»': '"',
  '•': '-',
  '`': "'",
  '\t': ' ',
};

/** A character in its place that the default alphabet has; null where there is none. */
function cheaperThan(character: string): string | null {
  const known = CHEAPER[character];
  if (known !== undefined) return known;
  const base = character.normalize('NFD').replace(/\p{M}/gu, '');
  return base && base !== character && [...base].every((c) => SEPTETS.has(c)) ? base : null;
}

/** @param text composed first (NFC), as it is sent */
export function partsOf(text: string): Parts {
  const characters = [...text.normalize('NFC')];
  const first = characters.find((c) => !SEPTETS.has(c));
  const alphabet: Alphabet = first === undefined ? 'GSM 7 bit' : 'UCS-2';
  // A character outside the basic plane is two units (RFC 2781), which stay together.
  const lengthOf = (c: string): number => (alphabet === 'UCS-2' ? c.length : SEPTETS.get(c)!);
  const { alone, part } = ROOM[alphabet];
  const all = characters.reduce((sum, c) => sum + lengthOf(c), 0);
  const room = all <= alone ? alone : part;
  const parts: string[] = [''];
  let used = 0;
  for (const c of characters) {
    const length = lengthOf(c);
    if (used + length > room) {
      parts.push('');
      used = 0;
    }
    parts[parts.length - 1] += c;
    used += length;
  }
  return {
    alphabet,
    parts,
    left: room - used,
    dear: first === undefined ? null : { character: first, cheaper: cheaperThan(first) },
  };
}

/** The text with everything in cheaper characters for which there are any. */
export const madeCheaper = (text: string): string =>
  [...text.normalize('NFC')].map((c) => (SEPTETS.has(c) ? c : (cheaperThan(c) ?? c))).join('');
