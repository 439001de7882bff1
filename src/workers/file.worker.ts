/** Writes and reads saved systems, off the page. Ended, it has done nothing. */
import { expose } from 'comlink';
import { readFile, type FileRead } from '../workspace/file/read';
import { writeFile } from '../workspace/file/write';
import type { Whole } from '../workspace';

export type Written = { ok: true; file: Blob } | { ok: false; message: string };

const files = {
  /** @param progress is told how many records of how many are done */
  async write(whole: Whole, at: number, progress: (done: number, of: number) => void): Promise<Written> {
    try {
      return { ok: true, file: new Blob(await writeFile(whole, at, progress), { type: 'application/gzip' }) };
    } catch (error) {
      return { ok: false, message: error instanceof Error ? error.message : String(error) };
    }
  },
  /** @param progress is told how many bytes are read */
  read: (file: Blob, progress: (read: number) => void): Promise<FileRead> => readFile(file, progress),
};
export type FileWorker = typeof files;
expose(files);
