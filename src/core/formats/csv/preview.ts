/** Numbers and sites as CSV (RFC 4180), out and in. Reading makes a preview, row by row; nothing is changed by it. */
import Papa from 'papaparse';
import { applyEdit, type Command, type System } from '../../system';
import { cellText, FORMULA, parseCsv } from './decode';
import { numbersSheet } from './numbers';
import { isWrong, readRow, type RowPreview, type Sheet } from './sheet';
import { sitesSheet } from './sites';

export type CsvKind = 'numbers' | 'sites';

/**
 * The file. A text that a spreadsheet would run as a formula gets an apostrophe in front, which reading takes off again;
 * numbers with a plus sign are left as they are.
 */
export function writeCsv(kind: CsvKind, system: System): string {
  const rowsOf = <T extends { id: string }>({ columns, items }: Sheet<T>) => ({
    fields: columns.map((c) => c.name),
    data: items(system).map((item) => columns.map((c) => c.write(item, system))),
  });
  return Papa.unparse(kind === 'numbers' ? rowsOf(numbersSheet) : rowsOf(sitesSheet), {
    newline: '\r\n',
    escapeFormulae: FORMULA,
  });
}

export type CsvPreview =
  | {
      ok: true;
      rows: RowPreview[];
      commands: Command[];
      /** Columns the file has and this reading leaves aside. */
      ignored: string[];
    }
  | { ok: false; message: string };

/** Progress is told after so many rows. */
const TELL_EVERY = 100;

/**
 * What reading a file would change.
 * @param freshId makes ids for what is new @param progress is told how many rows of how many are done
 */
export function previewCsv(
  kind: CsvKind,
  text: string,
  system: System,
  freshId: (kind: string) => string,
  progress: (done: number, of: number) => void = () => {},
): CsvPreview {
  return kind === 'numbers'
    ? preview(numbersSheet, text, system, freshId, progress)
    : preview(sitesSheet, text, system, freshId, progress);
}

function preview<T extends { id: string }>(
  sheet: Sheet<T>,
  text: string,
  system: System,
  freshId: (kind: string) => string,
  progress: (done: number, of: number) => void,
): CsvPreview {
  const known = sheet.columns.map((c) => c.name);
  const file = parseCsv(text, known);
  if (!file.ok) return file;
  const at = new Map(file.header.map((name, i) => [name, i]));
  const find = sheet.finder(system, freshId);
  const seen = new Map<string, number>();
  const commands: Command[] = [];
  const key = known[0]!;
  const rows = file.body.map((cells, i): RowPreview => {
    if (i % TELL_EVERY === 0) progress(i, file.body.length);
    const cell = (column: string): string | undefined => {
      const index = at.get(column);
      return index === undefined ? undefined : cellText(cells[index] ?? '');
    };
    const name = cell(key) ?? '';
    const row: RowPreview = { row: i + 2, name, does: 'same', changes: [], problems: [] };
    const wrong = (column: string, message: string) => row.problems.push({ column, message });
    if (cells.length > file.header.length)
      wrong('', `has ${cells.length} cells, the header ${file.header.length}`);
    const found = find(name);
    if (isWrong(found)) {
      wrong(key, found);
      return { ...row, does: 'wrong' };
    }
    const before = seen.get(found.item.id);
    if (before) wrong(key, `is the same as row ${before}`);
    else seen.set(found.item.id, row.row);
    const read = readRow(sheet, found, cell, system);
    row.changes = read.changes;
    row.problems.push(...read.problems);
    if (!row.problems.length && read.command) {
      const tried = applyEdit(system, { words: 'row', commands: [read.command] });
      if (!tried.ok)
        for (const p of tried.problems)
          wrong(sheet.columns.find((c) => c.field === p.field)?.name ?? p.field, p.message);
    }
    if (row.problems.length) return { ...row, does: 'wrong' };
    if (!read.command) return row;
    commands.push(read.command);
    return { ...row, does: found.isNew ? 'new' : 'changes' };
  });
  return { ok: true, rows, commands, ignored: file.header.filter((n) => n && !known.includes(n)) };
}
