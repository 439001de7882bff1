/** People as vCards: written as version 4.0 (RFC 6350), read as that and as 3.0 (RFC 2426). A library takes them apart. */
import ICAL from 'ical.js';
import type { DirectoryEntry } from '../../people';
import { forLine } from '../clean';
import { MOST_ROWS } from '../csv/decode';
import type { Field, PeopleTable } from './columns';
import { blocksOf, partsOf, textOf, unfolded, type Block, type Property } from '../lines';
import { writeList } from './lists';

const READ_FIELDS: Field[] = ['name', 'family name', 'e-mail', 'extension', 'mobile', 'groups', 'role'];

/** The cards of a file as a table of people. A card that cannot be read keeps its row, with why. */
export function readVcards(file: Uint8Array | string): PeopleTable | { message: string } {
  const cards = blocksOf(unfolded(file)).filter((b) => b.name === 'VCARD');
  if (cards.length > MOST_ROWS)
    return { message: `There are more than ${MOST_ROWS.toLocaleString('en')} cards. Nothing was read.` };
  const faults: Record<number, string> = {};
  const others = new Set<string>();
  const rows: string[][] = [];
  for (const card of cards) {
    const kind = valueOf(card, 'KIND').toLowerCase();
    // RFC 6350 §6.1.4: groups, organisations and things are no people.
    if (kind && kind !== 'individual' && kind !== 'location') {
      others.add(nameOf(card) || kind);
      continue;
    }
    const wrong = whatIsWrong(card);
    if (wrong) faults[rows.length] = wrong;
    rows.push(
      wrong ? READ_FIELDS.map((_, c) => (c === 0 ? nameOf(card) : '')) : rowOf(card, kind === 'location'),
    );
  }
  const [some] = others;
  const note = others.size
    ? `${others.size === 1 ? `“${some}” is` : `${others.size} cards (“${some}” and others) are`} no person and ${others.size === 1 ? 'was' : 'were'} left out.`
    : '';
  if (!rows.length) return { message: note || 'There is no card in it.' };
  return { header: [...READ_FIELDS], rows, fields: [...READ_FIELDS], faults, note };
}

const propertyOf = (card: Block, name: string) => card.properties.find((p) => p.name === name);
const valueOf = (card: Block, name: string): string => textOf(propertyOf(card, name)?.value ?? '').trim();

function whatIsWrong(card: Block): string | undefined {
  const version = valueOf(card, 'VERSION');
  if (card.open) return 'This card is cut off.';
  if (card.wrong.length && !nameOf(card)) return `This card is damaged: “${card.wrong[0]}”.`;
  if (version === '4.0' || version === '3.0') return undefined;
  return `This card is of version ${version.slice(0, 20) || 'unknown'}: 4.0 and 3.0 are read. Save it as one of those.`;
}

/** What a card is called, also one of a version that is not read. */
function nameOf(card: Block): string {
  const name = propertyOf(card, 'FN') ?? propertyOf(card, 'N');
  if (!name) return '';
  const quoted =
    /quoted-printable/i.test(Object.values(name.parameters).join()) || /(=[0-9A-F]{2}){2}/.test(name.value);
  return (quoted ? fromQuotedPrintable(name.value) : textOf(name.value))
    .replaceAll(';', ' ')
    .trim()
    .slice(0, 80);
}
/** RFC 2045 §6.7, as UTF-8: only to say whose card it is. */
function fromQuotedPrintable(text: string): string {
  const bytes: number[] = [];
  for (let i = 0; i < text.length; i++) {
    const hex = text[i] === '=' ? /^[0-9A-F]{2}/i.exec(text.slice(i + 1, i + 3)) : null;
    if (hex) i += 2;
    bytes.push(...(hex ? [parseInt(hex[0], 16)] : new TextEncoder().encode(text[i])));
  }
  return new TextDecoder().decode(Uint8Array.from(bytes));
}

function rowOf(card: Block, room: boolean): string[] {
  const [family = '', given = ''] = partsOf(propertyOf(card, 'N')?.value ?? '', ';');
  const phones = card.properties.flatMap((p) =>
    p.name === 'TEL'
      ? [{ types: (p.parameters.type ?? '').toLowerCase().split(','), value: textOf(p.value).trim() }]
      : [],
  );
  const mobile = phones.find((p) => p.types.includes('cell'))?.value ?? '';
  const extension = phones.map((p) => /;ext=(\d+)/i.exec(p.value)?.[1]).find(Boolean) ?? '';
  const groups = card.properties.flatMap((p) => (p.name === 'CATEGORIES' ? partsOf(p.value, ',') : []));
  return [
    valueOf(card, 'FN') || `${given} ${family}`.trim(),
    family,
    preferred(card.properties.filter((p) => p.name === 'EMAIL')),
    extension,
    mobile.replace(/^tel:/i, '').replace(/;.*$/, ''),
    writeList(groups.map((g) => g.trim()).filter(Boolean)),
    room ? 'shared room' : '',
  ];
}

/** The one that is preferred: the lowest PREF of version 4 (RFC 6350 §5.3), the type “pref” of version 3 (RFC 2426 §3.3.2). */
function preferred(emails: readonly Property[]): string {
  const rank = ({ parameters: { pref, type = '' } }: Property): number =>
    pref && /^\d{1,3}$/.test(pref) ? Number(pref) : type.toLowerCase().split(',').includes('pref') ? 1 : 101;
  const [first] = [...emails].sort((a, b) => rank(a) - rank(b));
  return first
    ? textOf(first.value)
        .trim()
        .replace(/^mailto:/i, '')
    : '';
}

/** Entries of a directory as vCards. @param main the business's own number, that extensions hang on, E.164 or null @param org its name */
export function writeVcards(entries: readonly DirectoryEntry[], main: string | null, org: string): string {
  return entries
    .map((e) => {
      const card = new ICAL.Component(['vcard', [], []]);
      card.addPropertyWithValue('version', '4.0');
      card.addPropertyWithValue('kind', { person: 'individual', room: 'location', group: 'group' }[e.kind]);
      card.addPropertyWithValue('fn', forLine(e.name));
      if (e.kind === 'person') {
        const n = new ICAL.Property('n', card);
        const given = e.name.endsWith(e.family)
          ? e.name.slice(0, e.name.length - e.family.length).trim()
          : e.name;
        n.setValue([forLine(e.family), forLine(given), '', '', ''] as unknown as string);
        card.addProperty(n);
      }
      card.addPropertyWithValue('org', forLine(org));
      if (e.email) card.addPropertyWithValue('email', e.email);
      const tel = (uri: string, type: string | string[]) => {
        const p = new ICAL.Property('tel', card);
        p.setParameter('value', 'uri');
        p.setParameter('type', type as string);
        p.setValue(uri);
        card.addProperty(p);
      };
      // RFC 3966 §5.3: an extension hangs on a number.
      if (e.extension && main) tel(`tel:${main};ext=${e.extension}`, ['work', 'voice']);
      for (const number of e.direct) tel(`tel:${number}`, ['work', 'voice']);
      for (const number of e.mobile) tel(`tel:${number}`, 'cell');
      if (e.kind !== 'group' && e.groups.length) {
        const categories = new ICAL.Property('categories', card);
        categories.setValues(e.groups.map(forLine));
        card.addProperty(categories);
      }
      return card.toString() + '\r\n';
    })
    .join('');
}
