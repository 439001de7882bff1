/** What pairs a phone, read from the picture or the settings file of an invitation, off the page. */
import type { FormatsWorker } from '../../../workers/formats.worker';
import type { Pairing } from '../../../workers/pairing';
import { DEADLINE_MS } from '../../files/file-reader.svelte';
import { Latest } from '../../asked/latest';

export type { Pairing };

const worker = new Latest<FormatsWorker>(
  () => new Worker(new URL('../../../workers/formats.worker.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MS,
);

/** Reads either; what it is goes by its content, whatever its name. */
export async function readPairing(file: File): Promise<Pairing> {
  try {
    const read = await worker.ask((w) => w.pairing(file) as Promise<Pairing>);
    return read ?? { message: 'The reading was stopped.' };
  } catch (error) {
    return { message: error instanceof Error ? error.message : 'The file could not be read.' };
  }
}
