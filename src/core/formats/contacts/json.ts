/** Contacts as JSON: jCard (RFC 7095), the form of vCard for programs. Taken apart and put together by a library. */
import ICAL from 'ical.js';

type JCard = [name: 'vcard', properties: unknown[], ...rest: unknown[]];

/** @param cards vCards one after the other @returns a JSON array of jCards */
export function asJCards(cards: string): string {
  const read = ICAL.parse(cards) as unknown as JCard | JCard[];
  return `${JSON.stringify(read[0] === 'vcard' ? [read] : read, null, 1)}\n`;
}

/** Whether a file looks like JSON: its first sign is that of a list. */
export const isJson = (text: string): boolean => /^\s*\uFEFF?\s*\[/.test(text);

const isCard = (raw: unknown): raw is JCard =>
  Array.isArray(raw) &&
  raw[0] === 'vcard' &&
  Array.isArray(raw[1]) &&
  raw[1].every((p) => Array.isArray(p) && p.length >= 4);

/** @returns the same as vCards, to be read as such; or what is wrong with the file */
export function fromJCards(text: string): string | { message: string } {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return { message: 'This file is no JSON: it may be cut off.' };
  }
  const list = Array.isArray(raw) && raw[0] === 'vcard' ? [raw] : raw;
  if (!Array.isArray(list) || !list.length || !list.every(isCard))
    return { message: 'This JSON holds no contacts: each has to be a jCard, ["vcard", [...]] (RFC 7095).' };
  try {
    return list.map((card) => new ICAL.Component(card as never).toString()).join('\r\n');
  } catch {
    return { message: 'A contact in this file cannot be read as a jCard (RFC 7095).' };
  }
}
