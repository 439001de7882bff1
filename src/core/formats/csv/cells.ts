/** Cells that several kinds of file have: addresses, people, choices. */
import type { CivicAddress, System } from '../../system';
import { wholeNumber } from './decode';
import type { Column } from './sheet';

/** Parts of an address with the names of their columns. */
export const ADDRESS_PARTS: readonly (readonly [keyof CivicAddress, string])[] = [
  ['HNO', 'house number'],
  ['RD', 'street'],
  ['A3', 'city'],
  ['A1', 'state'],
  ['PC', 'postal code'],
  ['country', 'country'],
  ['UNIT', 'unit'],
  ['BLD', 'building'],
  ['FLR', 'floor'],
  ['ROOM', 'room'],
  ['LOC', 'how to find it'],
  ['NAM', 'name at the door'],
];

/** A column for each part of an address. @param of the address of an item, or null @param put the item with another one */
export const addressColumns = <T>(
  of: (item: T) => CivicAddress | null,
  put: (item: T, part: keyof CivicAddress, text: string) => T,
  prefix = '',
): Column<T>[] =>
  ADDRESS_PARTS.map(([part, column]) => ({
    name: prefix + column,
    write: (item) => of(item)?.[part] ?? '',
    read: (cell, item) => {
      // A house number or postal code that a spreadsheet has made a decimal.
      if (part !== 'country') return put(item, part, wholeNumber(cell));
      return /^[a-z]{2}$/i.test(cell)
        ? put(item, part, cell.toUpperCase())
        : 'A country is two letters, such as US.';
    },
    keeps: part === 'country',
  }));

/** The column a part of an address stands in. */
export const addressColumn = (part: string, prefix = ''): string =>
  prefix + (ADDRESS_PARTS.find(([p]) => p === part)?.[1] ?? part);

/** People by name, or by extension where two have the same name; parted by semicolons. */
export function writePeople(ids: readonly string[], system: System): string {
  const people = Object.values(system.people);
  return ids
    .flatMap((id) => system.people[id] ?? [])
    .map((p) => (people.some((o) => o !== p && o.name === p.name) ? p.extension : p.name))
    .join('; ');
}

/** The ids of people named so, or what is wrong. */
export function readPeople(cell: string, system: System): string[] | { wrong: string } {
  const ids: string[] = [];
  for (const text of cell.split(';').map((t) => t.trim())) {
    if (!text) continue;
    const found = Object.values(system.people).filter(
      (p) => p.extension === text || p.name.toLowerCase() === text.toLowerCase(),
    );
    if (!found.length) return { wrong: `There is nobody called “${text}”, and nobody has that extension.` };
    if (found.length > 1) return { wrong: `Two are called “${text}”. Write their extension.` };
    ids.push(found[0]!.id);
  }
  return [...new Set(ids)];
}

/** A column that names one thing of a collection by its name, or nothing. */
export const namedColumn = <T, N extends { id: string; name: string }>(
  name: string,
  collection: (system: System) => Record<string, N>,
  of: (item: T) => string | null,
  put: (item: T, id: string | null) => T,
): Column<T> => ({
  name,
  write: (item, system) => collection(system)[of(item) ?? '']?.name ?? '',
  read: (cell, item, system) => {
    if (!cell) return put(item, null);
    const found = Object.values(collection(system)).find((n) => n.name.toLowerCase() === cell.toLowerCase());
    return found ? put(item, found.id) : `There is no ${name} “${cell}”.`;
  },
});

/** A column of plain text. */
export const textColumn = <T>(
  name: string,
  of: (item: T) => string,
  put: (item: T, text: string) => T,
): Column<T> => ({ name, write: of, read: (cell, item) => put(item, cell) });
