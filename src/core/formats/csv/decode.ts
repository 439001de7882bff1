/** From the bytes of a CSV file (RFC 4180) to its header and rows. */
import Papa from 'papaparse';

/** A file with more rows is not read: nobody has so many, and it is most likely the wrong file. */
export const MOST_ROWS = 5000;

/** Bytes of a file as text: UTF-8 or UTF-16 by its mark, else UTF-8, else Windows-1252, which is then said. */
export function decodeCsv(bytes: Uint8Array): { text: string; note: string } {
  const utf16 = utf16Of(bytes);
  if (utf16) return { text: new TextDecoder(utf16).decode(bytes), note: 'Read as UTF-16.' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), note: '' };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      note: 'The file is not UTF-8; it was read as Windows-1252. Look whether accents are right.',
    };
  }
}

/** UTF-16 by its mark, or where every other byte of the beginning is nought: Latin letters have it so. */
function utf16Of(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const some = bytes.subarray(0, Math.min(400, bytes.length - (bytes.length % 2)));
  if (some.length < 8) return undefined;
  const noughts = [0, 1].map((odd) => some.filter((b, i) => i % 2 === odd && b === 0).length * 2);
  if (noughts[1]! > some.length * 0.7) return 'utf-16le';
  return noughts[0]! > some.length * 0.7 ? 'utf-16be' : undefined;
}

/**
 * Texts that a spreadsheet would run as a formula: whatever begins with one of its signs, also behind blanks or in full width.
 * A number, plain or as E.164 writes it, is left as it is. Common practice; no source.
 */
export const FORMULA = /^\s*[=@\t\r＝＠]|^[\t\r]|^\s*[+\-＋－](?!\d[\d ]*$|\d+[.,]\d+$)/;
/** What the apostrophe stands in front of that keeps a spreadsheet from running a text. */
const ESCAPED = /^'(?=\s*[=@+\-\t\r＝＠＋－])/;

/** A cell as it is meant: without that apostrophe, blanks at its ends, and what nobody sees. */
export const cellText = (cell: string): string =>
  cell
    .replace(ESCAPED, '')
    .replace(/[\u200B-\u200D\u2060\uFEFF\u00AD]/g, '')
    .replaceAll('\u00A0', ' ')
    .trim();

/** A count or short number that a spreadsheet has made a decimal: 242.0. */
export const wholeNumber = (cell: string): string => cell.replace(/^(\d{1,15})[.,]0+$/, '$1');

/**
 * A telephone number that a spreadsheet has written as a power of ten: 3.605550142E9. Where it has rounded it, the digits are
 * gone. @returns the digits, or what is wrong, or undefined where it is no such number
 */
export function fromPower(cell: string): { digits: string } | { wrong: string } | undefined {
  const match = /^\+?(\d)(?:[.,](\d+))?E\+?(\d{1,2})$/i.exec(cell);
  if (!match) return undefined;
  const [, first, rest = '', power] = match;
  const n = Number(power);
  if (rest.replace(/0+$/, '').length > n) return undefined;
  // All digits but trailing noughts are there, or it was rounded to fit a narrow column.
  if (rest.length < n - 1)
    return { wrong: `A spreadsheet has rounded this number to ${cell}: its last digits are gone.` };
  return { digits: first + rest.padEnd(n, '0').slice(0, n) };
}

/** How many rows stand above the header: titles that somebody wrote over a table. */
export function titlesAbove(
  rows: readonly string[][],
  isHeader: (row: readonly string[]) => boolean,
): number {
  const at = rows.slice(0, 10).findIndex(isHeader);
  const isTitle = (row: readonly string[]) => row.filter((c) => c.trim()).length <= 1;
  return at > 0 && rows.slice(0, at).every(isTitle) ? at : 0;
}

/** Takes a text apart into rows of cells, or says what is wrong with it as a whole. Empty rows are left out. */
export function parseTable(text: string): { ok: true; rows: string[][] } | { ok: false; message: string } {
  // A first line that only says by what cells are parted (common practice of spreadsheets; no source).
  const sep = /^\uFEFF?"?sep=(.)"?[ \t]*(?:\r\n|\r|\n)/i.exec(text);
  const parsed = Papa.parse<string[]>(sep ? text.slice(sep[0].length) : text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 12,
    ...(sep ? { delimiter: sep[1]! } : {}),
  });
  const no = (message: string) => ({ ok: false as const, message });
  const broken = parsed.errors.find((e) => e.type === 'Quotes');
  if (broken)
    return no(
      `Quotes do not match in row ${(broken.row ?? 0) + 1}: a quote was opened and never closed, or stands alone.`,
    );
  const rows = parsed.data;
  if (!rows[0]?.length || (rows.length === 1 && rows[0].every((c) => !c.trim())))
    return no('The file is empty.');
  if (rows.length > MOST_ROWS + 11)
    return no(
      `The file has more than ${MOST_ROWS.toLocaleString('en')} rows. Is it the right one? Nothing was read.`,
    );
  return { ok: true, rows };
}

export type Parsed =
  | { ok: true; /** Names of the columns, in small letters. */ header: string[]; body: string[][] }
  | { ok: false; message: string };

/** Takes a text with a header apart. @param columns that are known, the first of which must be there */
export function parseCsv(text: string, columns: readonly string[]): Parsed {
  const table = parseTable(text);
  if (!table.ok) return table;
  const [key] = columns;
  const named = (row: readonly string[]) => row.map((h) => cellText(h).toLowerCase());
  const [head = [], ...body] = table.rows.slice(titlesAbove(table.rows, (row) => named(row).includes(key!)));
  const no = (message: string): Parsed => ({ ok: false, message });
  const header = named(head);
  if (!header.includes(key!))
    return no(
      `There is no column “${key}”. The file has: ${header.slice(0, 8).join(', ')}. Columns that are read: ${columns.join(', ')}.`,
    );
  const twice = header.find((n, i) => columns.includes(n) && header.indexOf(n) !== i);
  if (twice) return no(`The column “${twice}” is there twice.`);
  if (!body.length) return no('The file has a header and no rows.');
  return { ok: true, header, body };
}
