/** Files that go with texts: what they are is told by their bytes, whatever they are called. */
import { CARRIED, MOST_BYTES, TextFile } from '../../standins/carrier/texting';
import type { Db } from '../stored/db';
import { storeBytes } from '../keeping/kept-bytes';

export type FileKept = { ok: true; file: TextFile } | { ok: false; message: string; tooLarge?: boolean };

const isCarried = (type: string): type is keyof typeof CARRIED => Object.hasOwn(CARRIED, type);
const kinds = (): string => [...new Set(Object.values(CARRIED))].join(', ');
const LENGTH = 120;

/** What a file is by its bytes; undefined where that is not known. */
export async function kindOf(bytes: Uint8Array): Promise<string | undefined> {
  const { fileTypeFromBuffer } = await import('file-type');
  return (await fileTypeFromBuffer(bytes).catch(() => undefined))?.mime;
}

/**
 * Stores a file that is to go with a text. What it is by its bytes decides; its name is only shown.
 * @throws NoRoom
 */
export async function keepFile(
  db: Db,
  businessId: string,
  name: string,
  bytes: Uint8Array,
): Promise<FileKept> {
  if (!bytes.length) return { ok: false, message: `${name} is empty.` };
  const type = await kindOf(bytes);
  if (!type || !isCarried(type))
    return { ok: false, message: `${name} is none of what texts carry: ${kinds()}.` };
  if (bytes.length > MOST_BYTES)
    return {
      ok: false,
      tooLarge: true,
      message: `${name} has ${(bytes.length / 1e6).toFixed(1)} MB: texts carry 1 MB together.`,
    };
  const hash = await storeBytes(db, businessId, bytes);
  return {
    ok: true,
    file: TextFile.parse({ hash, name: name.slice(-LENGTH) || 'file', type, size: bytes.length }),
  };
}
