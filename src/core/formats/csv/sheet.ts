/** What a kind of CSV file holds: its columns, and how a row becomes an edit. */
import type { Command, System } from '../../system';

/** One column. A cell is only read where it differs from what is there. */
export interface Column<T> {
  name: string;
  /** What the edit calls it, where that is something else: problems of the edit are shown in this column. */
  field?: string;
  write(item: T, system: System): string;
  /** The item with the cell put in, or what is wrong with the cell. Columns without it go out only. */
  read?(cell: string, item: T, system: System): T | string;
  /** An empty cell leaves what is there. */
  keeps?: boolean;
}

/** A cell that does not fit, in words. */
export const isWrong = <T>(read: T | string): read is string => typeof read === 'string';

/** @typeParam T what a row stands for */
export interface Sheet<T extends { id: string }> {
  /** The first names the row. */
  columns: readonly [Column<T>, ...Column<T>[]];
  items(system: System): T[];
  /** Made once a file: what a first cell names, which may be new; or why it names nothing. */
  finder(
    system: System,
    freshId: (kind: string) => string,
  ): (key: string) => { item: T; isNew: boolean } | string;
  /** What is wrong with a row as a whole, by column. */
  check?(item: T): { column: string; message: string }[];
  command(item: T, isNew: boolean): Command;
}

/** What reading one row would do. */
export interface RowPreview {
  /** Row of the file, the header being 1. */
  row: number;
  name: string;
  does: 'new' | 'changes' | 'same' | 'wrong';
  changes: { column: string; from: string; to: string }[];
  problems: { column: string; message: string }[];
}

/**
 * Reads one row. @param cell its text in a column; undefined where the file has no such column
 * @returns what it does, and the command that does it, or null where it does nothing
 */
export function readRow<T extends { id: string }>(
  sheet: Sheet<T>,
  found: { item: T; isNew: boolean },
  cell: (column: string) => string | undefined,
  system: System,
): Pick<RowPreview, 'changes' | 'problems'> & { command: Command | null } {
  const changes: RowPreview['changes'] = [];
  const problems: RowPreview['problems'] = [];
  let { item } = found;
  for (const column of sheet.columns.slice(1)) {
    const to = cell(column.name);
    const from = column.write(found.item, system);
    if (!column.read || to === undefined || to === from) continue;
    if (to === '' && (found.isNew || column.keeps)) continue;
    const read = column.read(to, item, system);
    if (isWrong(read)) problems.push({ column: column.name, message: read });
    else item = read;
    changes.push({ column: column.name, from: found.isNew ? '' : from, to });
  }
  const differs = changes.length > 0 || found.isNew;
  if (differs && !problems.length) problems.push(...(sheet.check?.(item) ?? []));
  return { changes, problems, command: differs ? sheet.command(item, found.isNew) : null };
}
