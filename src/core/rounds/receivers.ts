/** Whom a round of texts is for: contacts, or a list from a file, with fields of their own. */
import Papa from 'papaparse';
import { readNumber } from '../numbering';
import type { Contact, System } from '../system';

export interface Receiver {
  /** E.164; null where there is none that could be texted. */
  number: string | null;
  name: string;
  contact: Contact | undefined;
  /** What a file says of them, by the name of its column in lower case. */
  fields: Readonly<Record<string, string>>;
  /** What is wrong with their line. */
  wrong: string;
}

/** The number of a contact that is texted: a mobile before others; none of a fax. */
export function numberToText({ numbers, kinds = {} }: Contact): string | null {
  return numbers.find((n) => kinds[n] === 'mobile') ?? numbers.find((n) => kinds[n] !== 'fax') ?? null;
}

/** Contacts on one of the lists, or all of them. @param listIds none is everybody */
export const contactsOn = (system: System, listIds: readonly string[]): Receiver[] =>
  Object.values(system.contacts)
    .filter((c) => !listIds.length || c.listIds.some((id) => listIds.includes(id)))
    .map((contact) => ({
      number: numberToText(contact),
      name: contact.name,
      contact,
      fields: {},
      wrong: contact.numbers.length ? '' : 'No number is known.',
    }));

/** At most so many lines are read. */
export const MOST_RECEIVERS = 10_000;

export interface Read {
  receivers: Receiver[];
  /** Columns besides number and name. */
  columns: string[];
  /** Lines that were left, because there are too many. */
  left: number;
}

/**
 * Reads lines of number and name, or a table (RFC 4180) whose first row names its columns; one of them is `number`.
 * @returns every line, also those that are wrong, which say why
 */
export function readReceivers(text: string, system: System): Read {
  const { country, outsideDigit } = system.business;
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const head = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const named = head.includes('number');
  const columns = named ? head : ['number', 'name'];
  const rows = named ? data.slice(1) : data;
  const contacts = new Map(
    Object.values(system.contacts).flatMap((c) => c.numbers.map((n) => [n, c] as const)),
  );
  const receivers = rows.slice(0, MOST_RECEIVERS).map((row): Receiver => {
    const fields = Object.fromEntries(columns.map((c, i) => [c, (row[i] ?? '').trim()]));
    const read = readNumber(fields.number ?? '', country, outsideDigit);
    const number = read.ok ? read.number.e164 : null;
    const contact = number ? contacts.get(number) : undefined;
    return {
      number,
      name: fields.name || contact?.name || '',
      contact,
      fields,
      wrong: read.ok ? '' : read.message,
    };
  });
  return {
    receivers,
    columns: columns.filter((c) => c && c !== 'number' && c !== 'name'),
    left: Math.max(0, rows.length - MOST_RECEIVERS),
  };
}
