/** Reading a CSV file in a worker. */
import { proxy, transfer, wrap } from 'comlink';
import type { CsvKind } from '$core/formats/csv';
import type { System } from '$core/system';
import { DEADLINE_MS } from '../files/file-reader.svelte';
import { TookTooLong } from '../asked/latest';
import type { CsvRead, CsvReader } from '../../workers/csv.worker';

/**
 * What reading a file would change. @param stop ends the reading; the promise then never settles
 * @throws when the file cannot be read or the worker fails
 */
export async function readCsvFile(
  kind: CsvKind,
  file: File,
  system: System,
  progress: (done: number, of: number) => void,
  stop: AbortSignal,
): Promise<CsvRead> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const worker = new Worker(new URL('../../workers/csv.worker.ts', import.meta.url), { type: 'module' });
  stop.addEventListener('abort', () => worker.terminate());
  if (stop.aborted) worker.terminate();
  let late: ReturnType<typeof setTimeout> | undefined;
  try {
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = () => reject(new Error('The file could not be read.'));
      late = setTimeout(() => reject(new TookTooLong(DEADLINE_MS)), DEADLINE_MS);
    });
    const read = wrap<CsvReader>(worker).read(kind, transfer(bytes, [bytes.buffer]), system, proxy(progress));
    return await Promise.race([read, broken]);
  } finally {
    clearTimeout(late);
    worker.terminate();
  }
}
