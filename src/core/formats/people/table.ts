/** A list of people as a table of cells, whatever it came as: CSV, cells pasted from a spreadsheet, vCards. */
import { parseTable } from '../csv/decode';
import { fieldNamed, guessColumns, type PeopleTable } from './columns';
import { readVcards } from './vcard';

/** A list of at most `most` rows as a table, or what is wrong with it as a whole. */
export function tableOf(text: string): PeopleTable | { message: string } {
  if (/^\s*(\uFEFF)?BEGIN:VCARD/i.test(text)) return readVcards(text);
  const parsed = parseTable(text);
  if (!parsed.ok) return parsed;
  const [first = [], ...rest] = parsed.rows;
  // A first row with a word that columns are called by is a header; one with an address in it never is.
  const hasHeader = first.some((c) => fieldNamed(c)) && !first.some((c) => c.includes('@'));
  const rows = hasHeader ? rest : parsed.rows;
  if (!rows.length) return { message: 'The list has a header and no rows.' };
  const fields = guessColumns(hasHeader ? first : null, rows);
  return {
    header: fields.map((_, i) => (hasHeader ? (first[i] ?? '').trim() : '') || `column ${i + 1}`),
    rows: rows.map((r) => fields.map((_, i) => unescaped((r[i] ?? '').trim()))),
    fields,
    faults: Object.fromEntries(
      rows.flatMap((r, i) =>
        r.length > fields.length ? [[i, `has ${r.length} cells, more than there are columns`]] : [],
      ),
    ),
    note: hasHeader ? '' : 'No header was found: the first row is read as a person.',
  };
}

/** Takes the apostrophe off that keeps a spreadsheet from running a text as a formula. */
const unescaped = (cell: string): string => cell.replace(/^'(?=[=@+\-\t\r])/, '');
