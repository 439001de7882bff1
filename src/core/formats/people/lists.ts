/** Several names in one cell: parted by semicolons; a name that holds one stands in quotes (RFC 4180 with another separator). */
import Papa from 'papaparse';

/** A cell of names longer than this is none, in characters. */
export const LONGEST_LIST = 10_000;

export const writeList = (names: readonly string[]): string =>
  names.length ? spaced(Papa.unparse([[...names]], { delimiter: ';' })) : '';

/** The names of a cell, without repeats. A cell that is too long is none. */
export const readList = (cell: string): string[] =>
  cell.length > LONGEST_LIST
    ? []
    : [
        ...new Set(
          (Papa.parse<string[]>(unspaced(cell), { delimiter: ';' }).data[0] ?? [])
            .map((n) => n.trim())
            .filter(Boolean),
        ),
      ];

/** A blank behind each semicolon outside quotes, for people to read. */
const spaced = (text: string): string => outsideQuotes(text, (sign) => (sign === ';' ? '; ' : sign));
/** Without blanks behind semicolons outside quotes: a quote is only one at the very beginning of a name. */
function unspaced(text: string): string {
  let after = false;
  return outsideQuotes(text, (sign) => {
    if (after && /\s/.test(sign)) return '';
    after = sign === ';';
    return sign;
  });
}
function outsideQuotes(text: string, change: (sign: string) => string): string {
  let inside = false;
  let out = '';
  for (const sign of text) {
    if (sign === '"') inside = !inside;
    out += inside || sign === '"' ? (change(sign), sign) : change(sign);
  }
  return out;
}
