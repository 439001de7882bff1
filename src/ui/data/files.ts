/** Saved systems, written and read in a worker. */
import { proxy } from 'comlink';
import type { FileRead, Whole } from '$workspace';
import type { FileWorker, Written } from '../../workers/file.worker';
import { Latest } from '../asked/latest';

/** Ten minutes, in milliseconds: the largest file there may be takes less. */
const DEADLINE_MS = 600_000;

/** One at a time: writing and reading each have one of these. */
export class Files {
  private worker = new Latest<FileWorker>(
    () => new Worker(new URL('../../workers/file.worker.ts', import.meta.url), { type: 'module' }),
    DEADLINE_MS,
  );

  /** @returns null when it was stopped @throws when the worker fails */
  write(whole: Whole, progress: (done: number, of: number) => void): Promise<Written | null> {
    return this.worker.ask((w) => w.write(whole, Date.now(), proxy(told(progress))) as Promise<Written>);
  }
  /** @returns null when it was stopped @throws when the worker fails */
  read(file: Blob, progress: (read: number) => void): Promise<FileRead | null> {
    return this.worker.ask((w) => w.read(file, proxy(told(progress))) as Promise<FileRead>);
  }
  stop(): void {
    this.worker.stop();
  }
}

/** Nothing goes back to the worker from being told how far it is. */
const told =
  <A extends unknown[]>(progress: (...how: A) => void) =>
  (...how: A): void => {
    progress(...how);
  };

/** What a file of a business is called. */
export const fileName = (business: string, day: string): string =>
  `${
    business
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'business'
  }-${day}.upper-line.gz`;
