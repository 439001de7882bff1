/** What becomes of cards that are read: who is new, who is known already and what they would get, before anything is changed. */
import { z } from 'zod';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { Command, Contact, System } from '../../system';
import { MOST_NUMBERS, NOTE_LENGTH, type Card } from './cards';

export interface CardRow {
  name: string;
  is: 'new' | 'adds' | 'same' | 'not taken';
  /** Who they are joined with; undefined of somebody new. */
  contact: Contact | undefined;
  /** What is added, or why nothing is, in words. */
  says: string;
  /** None where nothing changes. */
  command: Command | undefined;
  /** The picture that the command names by its hash: it has to be kept first. */
  picture?: Uint8Array<ArrayBuffer>;
}

const isEmail = (text: string): boolean => z.email().safeParse(text).success;

/** What a card adds to what is known, and what of it is left out. */
function joined(
  card: Card,
  known: Contact | undefined,
  lists: ReadonlyMap<string, string>,
): { change: Partial<Contact>; says: string[] } {
  const says: string[] = [];
  const change: Partial<Contact> = {};
  const merge = (field: 'numbers' | 'emails', read: readonly string[], what: string) => {
    const old = known?.[field] ?? [];
    const fresh = read.filter((x) => !old.includes(x));
    const taken = fresh.slice(0, MOST_NUMBERS - old.length);
    if (taken.length) {
      change[field] = [...old, ...taken];
      if (known)
        says.push(
          `${taken.length === 1 ? `the ${what}` : `${taken.length} ${what}s`} ${taken.slice(0, 3).join(', ')}`,
        );
    }
    if (fresh.length > taken.length)
      says.push(`${fresh.length - taken.length} ${what}s more than ${MOST_NUMBERS} are left out`);
  };
  merge('numbers', card.numbers, 'number');
  merge('emails', card.emails.filter(isEmail), 'address');
  for (const field of ['firm', 'note', 'uid'] as const)
    if (card[field] && !known?.[field]) {
      change[field] = card[field].slice(0, field === 'note' ? NOTE_LENGTH : undefined);
      if (known && field !== 'uid')
        says.push(`the ${field} “${change[field]!.slice(0, 40)}”, where there was none`);
    }
  const on = card.lists.flatMap((name) => lists.get(name.toLowerCase()) ?? []);
  const fresh = on.filter((id) => !known?.listIds.includes(id));
  if (fresh.length) {
    change.listIds = [...new Set([...(known?.listIds ?? []), ...fresh])].slice(0, 20);
    if (known) says.push(fresh.length === 1 ? 'a list' : `${fresh.length} lists`);
  }
  const strange = card.lists.filter((name) => !lists.has(name.toLowerCase()));
  if (strange.length)
    says.push(
      `there is no list “${strange[0]!.slice(0, 60)}”${strange.length > 1 ? `, nor ${strange.length - 1} more` : ''}`,
    );
  const fresher = Object.entries(card.kinds).filter(
    ([address]) =>
      !known?.kinds?.[address] &&
      [...(change.numbers ?? known?.numbers ?? []), ...(change.emails ?? known?.emails ?? [])].includes(
        address,
      ),
  );
  if (fresher.length) {
    change.kinds = { ...known?.kinds, ...Object.fromEntries(fresher) };
    if (known) says.push('what numbers are for');
  }
  if (card.picture && !known?.picture) {
    change.picture = bytesToHex(sha256(card.picture));
    if (known) says.push('the picture');
  }
  if (card.noPicture) says.push(card.noPicture);
  if (change.note && card.note.length > NOTE_LENGTH)
    says.push(`its note is cut at ${NOTE_LENGTH.toLocaleString('en')} letters`);
  const wrong = card.emails.filter((e) => !isEmail(e));
  if (wrong.length)
    says.push(
      `“${wrong[0]!.slice(0, 60)}” is no address${wrong.length > 1 ? `, and ${wrong.length - 1} more` : ''}`,
    );
  if (card.unread.length)
    says.push(
      `“${card.unread[0]}” is no number${card.unread.length > 1 ? `, and ${card.unread.length - 1} more` : ''}`,
    );
  return { change, says };
}

const pictured = (card: Card, { picture }: Partial<Contact>) =>
  picture && card.picture ? { picture: card.picture } : {};

/**
 * Cards with the same number as a contact, with its card's own name for it, or with its name and an address of it, are of the
 * same contact; so are cards of one file among each other.
 */
export function previewCards(
  cards: readonly Card[],
  system: System,
  freshId: (kind: string) => string,
): CardRow[] {
  const lists = new Map(Object.values(system.lists).map((l) => [l.name.toLowerCase(), l.id]));
  const contacts = new Map(Object.values(system.contacts).map((c) => [c.id, c]));
  const by = new Map<string, string>();
  const keysOf = (c: Pick<Contact, 'name' | 'numbers' | 'emails' | 'uid'>) => [
    ...(c.uid ? [`uid ${c.uid}`] : []),
    ...c.numbers.map((n) => `number ${n}`),
    ...(c.emails ?? []).map((e) => `mail ${c.name.toLowerCase()} ${e.toLowerCase()}`),
  ];
  const remember = (c: Contact) => {
    contacts.set(c.id, c);
    for (const key of keysOf(c)) if (!by.has(key)) by.set(key, c.id);
  };
  for (const c of contacts.values()) remember(c);
  return cards.map((card): CardRow => {
    const row = { name: card.name || 'a card without a name', contact: undefined, command: undefined };
    const id = keysOf(card)
      .map((key) => by.get(key))
      .find((found) => found !== undefined);
    const known = id === undefined ? undefined : contacts.get(id);
    if (!card.name && !known) return { ...row, is: 'not taken', says: 'It says no name.' };
    if (!known && !card.numbers.length)
      return {
        ...row,
        is: 'not taken',
        says: card.unread.length
          ? `“${card.unread[0]}” is no number.`
          : 'It has no number: nobody could call from it.',
      };
    const { change, says } = joined(card, known, lists);
    if (!known) {
      const value: Contact = {
        id: freshId('contact'),
        name: card.name,
        numbers: [],
        ownerId: null,
        listIds: [],
        blocked: false,
        ...change,
      };
      remember(value);
      return {
        ...row,
        is: 'new',
        says: says.join('; '),
        command: { do: 'contact.add', value },
        ...pictured(card, change),
      };
    }
    // A number that is another contact's stays there.
    const numbers = change.numbers?.filter((n) => known.numbers.includes(n) || !by.has(`number ${n}`));
    if (numbers && numbers.length === known.numbers.length) delete change.numbers;
    else if (numbers) change.numbers = numbers;
    if (!Object.keys(change).length)
      return { ...row, contact: known, is: 'same', says: says.join('; ') || 'nothing that is not known' };
    remember({ ...known, ...change });
    return {
      ...row,
      contact: known,
      is: 'adds',
      says: says.join('; ') || 'the name the file has for it',
      command: { do: 'contact.set', id: known.id, change },
      ...pictured(card, change),
    };
  });
}
