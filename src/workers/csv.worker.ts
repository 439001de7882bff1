/** Reads a CSV file off the page, so that the page stays alive and the reading can be stopped. */
import { expose } from 'comlink';
import { nanoid } from 'nanoid';
import { decodeCsv, previewCsv, type CsvKind, type CsvPreview } from '../core/formats/csv';
import type { System } from '../core/system';

export interface CsvRead {
  preview: CsvPreview;
  /** What was peculiar about the file, or empty. */
  note: string;
}

const reader = {
  /** @param progress is told how many rows of how many are done */
  read(
    kind: CsvKind,
    bytes: Uint8Array,
    system: System,
    progress: (done: number, of: number) => void,
  ): CsvRead {
    const { text, note } = decodeCsv(bytes);
    const preview = previewCsv(kind, text, system, (what) => `${what}-${nanoid(12)}`, progress);
    return { preview, note };
  },
};
export type CsvReader = typeof reader;

expose(reader);
