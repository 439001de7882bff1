/** People outside as vCards: written as version 4.0 (RFC 6350), read as that, as 3.0 (RFC 2426) and as 2.1. */
import ICAL from 'ical.js';
import { readNumber } from '../../numbering';
import type { AddressKind, Contact } from '../../system';
import { forLine } from '../clean';
import { modernised } from './older';
import { blocksOf, partsOf, textOf, unfolded, type Block, type Property } from '../lines';

/** A card as it is read. */
export interface Card {
  name: string;
  firm: string;
  /** E.164, each once. */
  numbers: string[];
  /** As they stand there, where they are no numbers. */
  unread: string[];
  emails: string[];
  /** As long as it stands there. */
  note: string;
  uid: string;
  /** Names of lists they are on. */
  lists: string[];
  /** What numbers and addresses are for, where the card says it. */
  kinds: Record<string, AddressKind>;
  /** A picture that stands in the card itself. */
  picture?: Uint8Array<ArrayBuffer>;
  /** Why its picture is not taken, in words. */
  noPicture?: string;
}

/** A picture of a card has at most so many bytes. */
export const MOST_PICTURE = 1_000_000;

/** More than so many cards are not read at once. */
export const MOST_CARDS = 10_000;
/** A note of a contact has at most so many letters. */
export const NOTE_LENGTH = 2000;
/** A contact has at most so many numbers, and so many addresses. */
export const MOST_NUMBERS = 10;

/** What cards call the kinds, in the order in which one of several counts. */
const TYPES: readonly (readonly [type: string, kind: AddressKind])[] = [
  ['fax', 'fax'],
  ['cell', 'mobile'],
  ['work', 'work'],
  ['home', 'home'],
];
function kindOf({ parameters }: Property): AddressKind | undefined {
  const types = (parameters['type'] ?? '').toLowerCase().split(',');
  return TYPES.find(([type]) => types.includes(type))?.[1];
}
const typeOf = (kind: AddressKind): string => TYPES.find(([, of]) => of === kind)![0];

/** The picture of a card: as data in its address (RFC 6350, 6.2.4; RFC 2397), or as binary text (RFC 2426, 3.1.4). */
function pictureOf(block: Block): Pick<Card, 'picture' | 'noPicture'> {
  const photo = block.properties.find((p) => p.name === 'PHOTO');
  if (!photo) return {};
  const inAddress = /^data:[^,]*;base64,(.*)$/is.exec(textOf(photo.value).trim());
  const binary = /^b(ase64)?$/i.test(photo.parameters['encoding'] ?? '');
  const base64 = (inAddress?.[1] ?? (binary ? photo.value : '')).replace(/\\?\s/g, '').replaceAll('\\', '');
  if (!base64) return { noPicture: 'its picture lies elsewhere and is not fetched' };
  if (base64.length > (MOST_PICTURE * 4) / 3 + 4)
    return { noPicture: 'its picture is larger than 1 MB and left out' };
  try {
    return { picture: Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)) };
  } catch {
    return { noPicture: 'its picture cannot be read' };
  }
}

const all = (card: Block, name: string): string[] =>
  card.properties.flatMap((p) => (p.name === name ? [textOf(p.value).trim()] : [])).filter(Boolean);

/**
 * @param country in which numbers are meant that say none, ISO 3166
 * @returns the cards of people and firms, or why there are none; groups are no contacts
 */
export function readCards(file: Uint8Array | string, country: string): Card[] | { message: string } {
  const blocks = blocksOf(modernised(unfolded(file))).filter((b) => b.name === 'VCARD');
  if (!blocks.length) return { message: 'There is no card in it.' };
  if (blocks.length > MOST_CARDS)
    return { message: `There are more than ${MOST_CARDS.toLocaleString('en')} cards. Nothing was read.` };
  return blocks
    .filter((b) => (all(b, 'KIND')[0] ?? '').toLowerCase() !== 'group')
    .map((b) => cardOf(b, country));
}

function cardOf(block: Block, country: string): Card {
  const numbers = new Set<string>();
  const unread: string[] = [];
  const kinds: Record<string, AddressKind> = {};
  for (const property of block.properties.filter((p) => p.name === 'TEL')) {
    const tel = textOf(property.value).trim();
    if (!tel) continue;
    // RFC 3966: what hangs on a number is no part of it.
    const read = readNumber(tel.replace(/^tel:/i, '').replace(/;.*$/, ''), country);
    if (read.ok) {
      numbers.add(read.number.e164);
      const kind = kindOf(property);
      if (kind) kinds[read.number.e164] ??= kind;
    } else unread.push(tel.slice(0, 60));
  }
  const org = block.properties.find((p) => p.name === 'ORG');
  const firm = org ? partsOf(org.value, ';').filter(Boolean).join(', ') : '';
  const [family = '', given = ''] = partsOf(block.properties.find((p) => p.name === 'N')?.value ?? '', ';');
  const name = all(block, 'FN')[0] || `${given} ${family}`.trim() || firm;
  const emails: string[] = [];
  for (const property of block.properties.filter((p) => p.name === 'EMAIL')) {
    const email = textOf(property.value)
      .trim()
      .replace(/^mailto:/i, '');
    if (!email) continue;
    emails.push(email);
    const kind = kindOf(property);
    if (kind) kinds[email] ??= kind;
  }
  return {
    name: name.slice(0, 80),
    firm: firm === name ? '' : firm.slice(0, 80),
    numbers: [...numbers],
    unread,
    emails: [...new Set(emails)],
    note: all(block, 'NOTE').join('\n'),
    uid: (all(block, 'UID')[0] ?? '').slice(0, 200),
    lists: block.properties
      .flatMap((p) => (p.name === 'CATEGORIES' ? partsOf(p.value, ',') : []))
      .filter(Boolean),
    kinds,
    ...pictureOf(block),
  };
}

/** A picture as it is written. */
export interface CardPicture {
  /** Media type. */
  type: string;
  bytes: Uint8Array;
}
const base64Of = (bytes: Uint8Array): string => {
  let text = '';
  // In pieces: a call takes only so many arguments.
  for (let i = 0; i < bytes.length; i += 0x8000)
    text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
  return btoa(text);
};

/** @param lists names of lists by id, which are written as categories @param pictures by their hashes, as far as they are there */
export const writeCards = (
  contacts: readonly Contact[],
  lists: Readonly<Record<string, { name: string }>>,
  pictures: ReadonlyMap<string, CardPicture> = new Map(),
): string =>
  contacts
    .map((c) => {
      const card = new ICAL.Component(['vcard', [], []]);
      card.addPropertyWithValue('version', '4.0');
      card.addPropertyWithValue('uid', c.uid ?? `urn:upper-line:${c.id}`);
      card.addPropertyWithValue('fn', forLine(c.name));
      if (c.firm) {
        // One part of those it may have (RFC 6350, 6.6.4).
        const org = new ICAL.Property('org', card);
        org.setValue([forLine(c.firm)] as unknown as string);
        card.addProperty(org);
      }
      for (const number of c.numbers) {
        const tel = new ICAL.Property('tel', card);
        tel.setParameter('value', 'uri');
        const kind = c.kinds?.[number];
        if (kind) tel.setParameter('type', typeOf(kind));
        tel.setValue(`tel:${number}`);
        card.addProperty(tel);
      }
      for (const email of c.emails ?? []) {
        const property = card.addPropertyWithValue('email', email);
        const kind = c.kinds?.[email];
        if (kind) property.setParameter('type', typeOf(kind));
      }
      const picture = c.picture && pictures.get(c.picture);
      if (picture) {
        const address = `data:${picture.type};base64,${base64Of(picture.bytes)}`;
        card.addProperty(new ICAL.Property(['photo', {}, 'uri', address], card));
      }
      if (c.note) card.addPropertyWithValue('note', c.note);
      const on = c.listIds.flatMap((id) => lists[id]?.name ?? []);
      if (on.length) {
        const categories = new ICAL.Property('categories', card);
        categories.setValues(on.map(forLine));
        card.addProperty(categories);
      }
      // An address is no text: the library takes its comma for one of a text (RFC 6350, 5.2 and 6.2.4).
      return `${card.toString().replace(/^(PHOTO:data:[^,\\]+;base64)\\,/m, '$1,')}\r\n`;
    })
    .join('');
