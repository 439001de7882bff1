/** Contacts as CSV (RFC 4180): written in columns that reading knows, read from whatever columns a list has. */
import Papa from 'papaparse';
import { readNumber } from '../../numbering';
import type { AddressKind, Contact, System } from '../../system';
import { cellText, FORMULA, fromPower, parseTable, titlesAbove } from '../csv/decode';
import type { Card } from './cards';

/** What a column can hold, with the words it goes by elsewhere; several columns may hold numbers, or addresses. */
const WORDS = {
  name: ['name', 'full name', 'display name', 'contact', 'customer', 'company contact', 'who'],
  'given name': ['given name', 'first name', 'forename', 'given', 'first'],
  'family name': ['family name', 'last name', 'surname', 'family', 'last'],
  firm: ['firm', 'company', 'organization', 'organisation', 'company name', 'business', 'org'],
  number: ['number', 'numbers', 'phone', 'phones', 'phone number', 'telephone', 'tel', 'mobile', 'cell'],
  'e-mail': ['e-mail', 'email', 'mail', 'e-mails', 'e-mail address', 'email address'],
  note: ['note', 'notes', 'comment', 'comments', 'remark', 'memo'],
  lists: ['lists', 'list', 'labels', 'tags', 'categories', 'groups'],
  'card id': ['card id', 'uid', 'id'],
} as const;
type Field = keyof typeof WORDS;

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[_\s-]+/g, ' ')
    .replace(/\s*\d+(\s*value)?$/, '')
    .replace(/\s*value$/, '');
const byWord = new Map<string, Field>(
  (Object.keys(WORDS) as Field[]).flatMap((field) =>
    WORDS[field].map((word): [string, Field] => [plain(word), field]),
  ),
);
/** "Home Phone", "Work e-mail": what stands before says which of several it is. */
const BEFORE = /^(home|work|business|private|mobile|main|other|primary|secondary|direct)\s+/;
const fieldOf = (title: string): Field | undefined =>
  byWord.get(plain(title)) ?? byWord.get(plain(title).replace(BEFORE, ''));

const listed = (cell: string): string[] =>
  cell
    .split(/\s*[;\n]\s*|\s*,\s*(?=[+\d(])|\s+:::\s+/)
    .map((t) => t.trim())
    .filter(Boolean);

/**
 * The rows of a list as cards.
 * @param country in which numbers are meant that say none, ISO 3166 @returns the cards, or what is wrong with the list as a whole
 */
export function readContactTable(text: string, country: string): Card[] | { message: string } {
  const parsed = parseTable(text);
  if (!parsed.ok) return parsed;
  const isHeader = (row: readonly string[]) =>
    row.filter((c) => fieldOf(c)).length >= 2 && !row.some((c) => c.includes('@'));
  const titles = titlesAbove(parsed.rows, isHeader);
  const [header = [], ...rows] = parsed.rows.slice(titles);
  if (!isHeader(header))
    return {
      message: 'No column is called what contacts have: a header with “name” and “number” is needed.',
    };
  const fields = header.map(fieldOf);
  if (!fields.includes('number'))
    return { message: 'No column is called “number”, “phone” or “mobile”: nobody could be known by it.' };
  if (!rows.length) return { message: 'The list has a header and no rows.' };
  const kinds = header.map(kindIn);
  return rows.map((row) => cardOf(row, fields, kinds, country));
}

/** What a column says that its numbers or addresses are for: "Home Phone", "Mobile". */
function kindIn(title: string): AddressKind | undefined {
  const word = /\b(home|work|business|mobile|cell)\b/.exec(plain(title))?.[1];
  return word === 'cell' ? 'mobile' : word === 'business' ? 'work' : (word as AddressKind | undefined);
}

function cardOf(
  row: readonly string[],
  fields: readonly (Field | undefined)[],
  kindsOf: readonly (AddressKind | undefined)[],
  country: string,
): Card {
  const all = (field: Field): string[] =>
    fields.flatMap((f, i) => (f === field ? [cellText(row[i] ?? '')] : [])).filter(Boolean);
  const numbers = new Set<string>();
  const unread: string[] = [];
  const kinds: Record<string, AddressKind> = {};
  /** Each number or address that stands in columns of a kind, with what the column is for. */
  const each = (field: Field) =>
    fields.flatMap((f, i) =>
      f === field ? listed(cellText(row[i] ?? '')).map((cell) => ({ cell, kind: kindsOf[i] })) : [],
    );
  for (const { cell, kind } of each('number')) {
    const power = fromPower(cell);
    const read = power && 'wrong' in power ? null : readNumber(power ? power.digits : cell, country);
    if (read?.ok) {
      numbers.add(read.number.e164);
      if (kind) kinds[read.number.e164] ??= kind;
    } else unread.push(cell.slice(0, 60));
  }
  for (const { cell, kind } of each('e-mail')) if (kind) kinds[cell] ??= kind;
  const firm = all('firm')[0] ?? '';
  const parts = [...all('given name'), ...all('family name')].join(' ');
  const name = all('name')[0] ?? (parts || firm);
  return {
    name: name.slice(0, 80),
    firm: firm === name ? '' : firm.slice(0, 80),
    numbers: [...numbers],
    unread,
    emails: [...new Set(each('e-mail').map((e) => e.cell))],
    kinds,
    note: all('note').join('\n'),
    uid: (all('card id')[0] ?? '').slice(0, 200),
    lists: all('lists')
      .flatMap((cell) => cell.split(/\s*[;,]\s*|\s+:::\s+/))
      .filter(Boolean),
  };
}

const COLUMNS: [Field | 'looked after by' | 'blocked', (c: Contact, system: System) => string][] = [
  ['name', (c) => c.name],
  ['firm', (c) => c.firm ?? ''],
  ['number', (c) => c.numbers.join('; ')],
  ['e-mail', (c) => (c.emails ?? []).join('; ')],
  ['note', (c) => c.note ?? ''],
  ['lists', (c, s) => c.listIds.flatMap((id) => s.lists[id]?.name ?? []).join('; ')],
  ['looked after by', (c, s) => s.people[c.ownerId ?? '']?.name ?? ''],
  ['blocked', (c) => (c.blocked ? 'yes' : '')],
  ['card id', (c) => c.uid ?? `urn:upper-line:${c.id}`],
];

/** The list, in which no cell is run as a formula by a spreadsheet. */
export const writeContactTable = (contacts: readonly Contact[], system: System): string =>
  Papa.unparse(
    {
      fields: COLUMNS.map(([name]) => name),
      data: contacts.map((c) => COLUMNS.map(([, write]) => write(c, system))),
    },
    { newline: '\r\n', escapeFormulae: FORMULA },
  );
