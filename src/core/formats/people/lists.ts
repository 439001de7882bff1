/** Several names in one cell: parted by semicolons; a name that holds one stands in quotes (RFC 4180 with another separator). */
import Papa from 'papaparse';

/** A semicolon and the blanks behind it, outside quotes. */
const SEPARATOR = /;\s*(?=(?:[^"]*"[^"]*")*[^"]*$)/g;

export const writeList = (names: readonly string[]): string =>
  names.length ? Papa.unparse([[...names]], { delimiter: ';' }).replaceAll(SEPARATOR, '; ') : '';

/** The names of a cell, without repeats. */
export const readList = (cell: string): string[] => [
  ...new Set(
    (Papa.parse<string[]>(cell.replaceAll(SEPARATOR, ';'), { delimiter: ';' }).data[0] ?? [])
      .map((n) => n.trim())
      .filter(Boolean),
  ),
];
