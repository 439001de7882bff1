/** People outside as vCards: written as version 4.0 (RFC 6350), read as that and as 3.0 (RFC 2426). */
import ICAL from 'ical.js';
import { readNumber } from '../../numbering';
import type { Contact } from '../../system';
import { forLine } from '../clean';
import { blocksOf, partsOf, textOf, unfolded, type Block } from '../lines';

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
  /** It has a picture, which is not read. */
  picture?: boolean;
}

/** More than so many cards are not read at once. */
export const MOST_CARDS = 10_000;
/** A note of a contact has at most so many letters. */
export const NOTE_LENGTH = 2000;
/** A contact has at most so many numbers, and so many addresses. */
export const MOST_NUMBERS = 10;

const all = (card: Block, name: string): string[] =>
  card.properties.flatMap((p) => (p.name === name ? [textOf(p.value).trim()] : [])).filter(Boolean);

/**
 * @param country in which numbers are meant that say none, ISO 3166
 * @returns the cards of people and firms, or why there are none; groups are no contacts
 */
export function readCards(file: Uint8Array | string, country: string): Card[] | { message: string } {
  const blocks = blocksOf(unfolded(file)).filter((b) => b.name === 'VCARD');
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
  for (const tel of all(block, 'TEL')) {
    // RFC 3966: what hangs on a number is no part of it.
    const read = readNumber(tel.replace(/^tel:/i, '').replace(/;.*$/, ''), country);
    if (read.ok) numbers.add(read.number.e164);
    else unread.push(tel.slice(0, 60));
  }
  const org = block.properties.find((p) => p.name === 'ORG');
  const firm = org ? partsOf(org.value, ';').filter(Boolean).join(', ') : '';
  const [family = '', given = ''] = partsOf(block.properties.find((p) => p.name === 'N')?.value ?? '', ';');
  const name = all(block, 'FN')[0] || `${given} ${family}`.trim() || firm;
  const emails = all(block, 'EMAIL').map((e) => e.replace(/^mailto:/i, ''));
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
    ...(block.properties.some((p) => p.name === 'PHOTO') ? { picture: true } : {}),
  };
}

/** @param lists names of lists by id, which are written as categories */
export const writeCards = (
  contacts: readonly Contact[],
  lists: Readonly<Record<string, { name: string }>>,
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
        tel.setValue(`tel:${number}`);
        card.addProperty(tel);
      }
      for (const email of c.emails ?? []) card.addPropertyWithValue('email', email);
      if (c.note) card.addPropertyWithValue('note', c.note);
      const on = c.listIds.flatMap((id) => lists[id]?.name ?? []);
      if (on.length) {
        const categories = new ICAL.Property('categories', card);
        categories.setValues(on.map(forLine));
        card.addProperty(categories);
      }
      return `${card.toString()}\r\n`;
    })
    .join('');
