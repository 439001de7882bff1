/** From the bytes of a CSV file (RFC 4180) to its header and rows. */
import Papa from 'papaparse';

/** A file with more rows is not read: nobody has so many, and it is most likely the wrong file. */
export const MOST_ROWS = 5000;

/** Bytes of a file as text: UTF-8 or UTF-16 by its mark, else UTF-8, else Windows-1252, which is then said. */
export function decodeCsv(bytes: Uint8Array): { text: string; note: string } {
  const utf16 = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff);
  if (utf16)
    return {
      text: new TextDecoder(bytes[0] === 0xff ? 'utf-16le' : 'utf-16be').decode(bytes),
      note: 'Read as UTF-16.',
    };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), note: '' };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      note: 'The file is not UTF-8; it was read as Windows-1252. Look whether accents are right.',
    };
  }
}

/** Texts that a spreadsheet would run as a formula; a plus or minus before a digit is a number. */
export const FORMULA = /^[=@\t\r]|^[+-](?!\d)/;

/** Takes a text apart into rows of cells, or says what is wrong with it as a whole. Empty rows are left out. */
export function parseTable(text: string): { ok: true; rows: string[][] } | { ok: false; message: string } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 2,
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
  if (rows.length > MOST_ROWS + 1)
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
  const [head = [], ...body] = table.rows;
  const no = (message: string): Parsed => ({ ok: false, message });
  const header = head.map((h) => h.trim().toLowerCase());
  const [key] = columns;
  if (!header.includes(key!))
    return no(
      `There is no column “${key}”. The file has: ${header.slice(0, 8).join(', ')}. Columns that are read: ${columns.join(', ')}.`,
    );
  const twice = header.find((n, i) => columns.includes(n) && header.indexOf(n) !== i);
  if (twice) return no(`The column “${twice}” is there twice.`);
  if (!body.length) return no('The file has a header and no rows.');
  return { ok: true, header, body };
}
