/** A list of people as a table of cells, whatever it came as: CSV, cells pasted from a spreadsheet, vCards. */
import { cellText, parseTable, titlesAbove } from '../csv/decode';
import { fieldNamed, guessColumns, type PeopleTable } from './columns';
import { readVcards } from './vcard';

/** A list of at most `most` rows as a table, or what is wrong with it as a whole. */
export function tableOf(text: string): PeopleTable | { message: string } {
  if (isVcards(text)) return readVcards(text);
  const parsed = parseTable(text);
  if (!parsed.ok) return parsed;
  // A row with a word that columns are called by is a header; one with an address in it never is.
  const isHeader = (row: readonly string[]) =>
    row.some((c) => fieldNamed(c)) && !row.some((c) => c.includes('@'));
  const titles = titlesAbove(parsed.rows, isHeader);
  const [first = [], ...rest] = parsed.rows.slice(titles);
  const hasHeader = isHeader(first);
  const rows = hasHeader ? rest : parsed.rows;
  if (!rows.length) return { message: 'The list has a header and no rows.' };
  const fields = guessColumns(hasHeader ? first : null, rows);
  return {
    header: fields.map((_, i) => (hasHeader ? (first[i] ?? '').trim() : '') || `column ${i + 1}`),
    rows: rows.map((r) => fields.map((_, i) => cellText(r[i] ?? '').replace(/\s+/g, ' '))),
    fields,
    faults: Object.fromEntries(
      rows.flatMap((r, i) =>
        r.length > fields.length ? [[i, `has ${r.length} cells, more than there are columns`]] : [],
      ),
    ),
    note: !hasHeader
      ? 'No header was found: the first row is read as a person.'
      : titles
        ? `${titles === 1 ? 'A row' : `${titles} rows`} above the header ${titles === 1 ? 'was' : 'were'} left out: “${parsed.rows[0]!.join(' ').trim().slice(0, 60)}”.`
        : '',
  };
}

export const isVcards = (text: string): boolean => /^\s*(\uFEFF)?BEGIN:VCARD/i.test(text.slice(0, 1000));
