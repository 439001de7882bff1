/** People as vCards: written as version 4.0 (RFC 6350), read as that and as 3.0 (RFC 2426). A library takes them apart. */
import ICAL from 'ical.js';
import type { DirectoryEntry } from '../../people';
import { MOST_ROWS } from '../csv/decode';
import type { Field, PeopleTable } from './columns';
import { writeList } from './lists';

const READ_FIELDS: Field[] = ['name', 'family name', 'e-mail', 'extension', 'mobile', 'groups'];

/** The cards of a text as a table of people. A card that cannot be read keeps its row, with why. */
export function readVcards(text: string): PeopleTable | { message: string } {
  const cards = text.replace(/^\uFEFF/, '').match(/BEGIN:VCARD[\s\S]*?(END:VCARD|(?=BEGIN:VCARD)|$)/gi) ?? [];
  if (cards.length > MOST_ROWS)
    return { message: `There are more than ${MOST_ROWS.toLocaleString('en')} cards. Nothing was read.` };
  const faults: Record<number, string> = {};
  const rows = cards.map((card, i) => {
    try {
      return rowOf(card);
    } catch (error) {
      faults[i] = error instanceof Refused ? error.message : 'This card is damaged or cut off.';
      return READ_FIELDS.map((_, c) =>
        c === 0 ? (/^FN[^:\r\n]*:(.*)$/im.exec(card)?.[1]?.trim() ?? '') : '',
      );
    }
  });
  return { header: [...READ_FIELDS], rows, fields: [...READ_FIELDS], faults, note: '' };
}

class Refused extends Error {}

function rowOf(text: string): string[] {
  const version = /^VERSION[^:]*:\s*(\S+)/im.exec(text)?.[1];
  if (version !== '4.0' && version !== '3.0')
    throw new Refused(
      `This card is of version ${version ?? 'unknown'}: 4.0 and 3.0 are read. Save it as one of those.`,
    );
  if (!/END:VCARD\s*$/i.test(text)) throw new Refused('This card is cut off.');
  const card = new ICAL.Component(ICAL.parse(text.trim().replace(/\r?\n/g, '\r\n')) as unknown as unknown[]);
  const one = (name: string): string => {
    const value: unknown = card.getFirstPropertyValue(name);
    return typeof value === 'string' ? value.trim() : '';
  };
  const names: unknown = card.getFirstPropertyValue('n');
  const [family = '', given = ''] = Array.isArray(names) ? names.map(String) : [];
  const phones = card.getAllProperties('tel').map((p) => ({
    types: [p.getParameter('type') ?? []].flat().map((t) => String(t).toLowerCase()),
    value: String(p.getFirstValue()),
  }));
  const mobile = phones.find((p) => p.types.some((t) => t === 'cell'))?.value ?? '';
  const extension = phones.map((p) => /;ext=(\d+)/i.exec(p.value)?.[1]).find(Boolean) ?? '';
  const groups = card.getAllProperties('categories').flatMap((p) => p.getValues().map(String));
  return [
    one('fn') || `${given} ${family}`.trim(),
    family,
    one('email'),
    extension,
    mobile.replace(/^tel:/i, '').replace(/;.*$/, ''),
    writeList(groups),
  ];
}

/** Entries of a directory as vCards. @param main the business's own number, that extensions hang on, E.164 or null @param org its name */
export function writeVcards(entries: readonly DirectoryEntry[], main: string | null, org: string): string {
  return entries
    .map((e) => {
      const card = new ICAL.Component(['vcard', [], []]);
      card.addPropertyWithValue('version', '4.0');
      card.addPropertyWithValue('kind', { person: 'individual', room: 'location', group: 'group' }[e.kind]);
      card.addPropertyWithValue('fn', e.name);
      if (e.kind === 'person') {
        const n = new ICAL.Property('n', card);
        const given = e.name.endsWith(e.family)
          ? e.name.slice(0, e.name.length - e.family.length).trim()
          : e.name;
        n.setValue([e.family, given, '', '', ''] as unknown as string);
        card.addProperty(n);
      }
      card.addPropertyWithValue('org', org);
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
        categories.setValues(e.groups);
        card.addProperty(categories);
      }
      return card.toString() + '\r\n';
    })
    .join('');
}
