/** Takes a list of people apart and works out what it would change, off the page. */
import { expose } from 'comlink';
import { nanoid } from 'nanoid';
import { decodeCsv } from '../core/formats/csv';
import {
  previewPeople,
  isVcards,
  readVcards,
  tableOf,
  type Field,
  type PeopleOptions,
  type PeoplePreview,
  type PeopleTable,
} from '../core/formats/people';
import type { System } from '../core/system';

const reader = {
  /** A list as a table of cells. */
  async table(list: string | Uint8Array): Promise<PeopleTable | { message: string }> {
    if (typeof list === 'string') return tableOf(list);
    // Cards are unfolded before they are decoded: a fold may stand within a character.
    if (isVcards(new TextDecoder().decode(list.subarray(0, 1000)))) return readVcards(list);
    const { text, note } = decodeCsv(list);
    const table = tableOf(text);
    return 'message' in table ? table : { ...table, note: [note, table.note].filter(Boolean).join(' ') };
  },
  /** What the table would change. @param progress is told how many rows of how many are done */
  preview(
    rows: string[][],
    fields: (Field | null)[],
    faults: Record<number, string>,
    options: PeopleOptions,
    system: System,
    progress: (done: number, of: number) => void,
  ): PeoplePreview {
    return previewPeople(rows, fields, faults, options, system, (kind) => `${kind}-${nanoid(12)}`, progress);
  },
};
export type PeopleReader = typeof reader;
expose(reader);
