/**
 * Samples of recordings, pictures and papers in storage, by the hash of their bytes: what a record names stays the same whatever
 * is edited or undone.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { Db } from '../stored/db';
import { FileRecord, SoundRecord } from '../stored/records';
import { NotStored, within } from '../stored/store';

export const hashOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** Thrown when the browser has no room for a sound or a file. */
export class NoRoom extends Error {
  constructor(what: 'sound' | 'file' = 'sound') {
    super(
      what === 'sound'
        ? 'The browser has no room left for this sound. Save it as a file, and make room.'
        : 'The browser has no room left for this file. Make room, and add it again.',
    );
  }
}

type KeptIn = 'sounds' | 'files';

/** Stores bytes. @returns the hash they are found by @throws NoRoom */
async function store(db: Db, kept: KeptIn, businessId: string, bytes: Uint8Array): Promise<string> {
  const hash = hashOf(bytes);
  const stamp = { businessId, hash, storedAt: Date.now() };
  try {
    await db.write(kept === 'sounds' ? 'sound' : 'file', async (open) => {
      const tx = open(kept);
      within(
        kept === 'sounds'
          ? tx.objectStore('sounds').put({ ...stamp, ulaw: toBase64(bytes) })
          : tx.objectStore('files').put({ ...stamp, base64: toBase64(bytes) }),
      );
      await tx.done;
    });
  } catch (error) {
    if (error instanceof NotStored && error.why === 'full')
      throw new NoRoom(kept === 'sounds' ? 'sound' : 'file');
    throw error;
  }
  return hash;
}

/** Stores the samples of a sound. @returns the hash it is found by @throws NoRoom */
export const storeSound = (db: Db, businessId: string, ulaw: Uint8Array): Promise<string> =>
  store(db, 'sounds', businessId, ulaw);
/** Stores a picture or paper. @returns the hash it is found by @throws NoRoom */
export const storeBytes = (db: Db, businessId: string, bytes: Uint8Array): Promise<string> =>
  store(db, 'files', businessId, bytes);

/** What was stored so lately may belong to something that is still on its way, in milliseconds. */
const NEW_MS = 3_600_000;

/** The samples of a sound, µ-law at 8 kHz, or undefined where they are not in this browser. */
export async function readSound(
  db: Db,
  businessId: string,
  hash: string,
): Promise<Uint8Array<ArrayBuffer> | undefined> {
  const record = SoundRecord.safeParse(await db.get('sounds', [businessId, hash])).data;
  return record && fromBase64(record.ulaw);
}
/** A picture or paper, or undefined where it is not in this browser. */
export async function readBytes(
  db: Db,
  businessId: string,
  hash: string,
): Promise<Uint8Array<ArrayBuffer> | undefined> {
  const record = FileRecord.safeParse(await db.get('files', [businessId, hash])).data;
  return record && fromBase64(record.base64);
}

/** The hash of the first whose bytes are not what it says, if there is one. */
export const damaged = (
  kept: KeptIn,
  records: readonly { hash: string; ulaw?: string; base64?: string }[],
): string | undefined =>
  records.find((r) => hashOf(fromBase64((kept === 'sounds' ? r.ulaw : r.base64) ?? '')) !== r.hash)?.hash;

/** In pieces: a call takes only so many arguments. */
const PIECE = 0x8000;
function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += PIECE) text += String.fromCharCode(...bytes.subarray(i, i + PIECE));
  return btoa(text);
}
const fromBase64 = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(text), (c) => c.charCodeAt(0));

/** What was recorded of calls: of a log of thousands only that. */
const recordingsIn = async (calls: Promise<{ recordings?: unknown }[]>): Promise<unknown[]> =>
  (await calls).flatMap((c) => c.recordings ?? []);
const filesIn = async (records: Promise<{ files?: unknown }[]>): Promise<unknown[]> =>
  (await records).flatMap((r) => r.files ?? []);

/**
 * Clears away sounds and files that nothing names any more: not the draft, nor what can be undone, a version that is kept, a call
 * or a text.
 * @param now real time, epoch milliseconds @param only these by their hashes, however new they are @returns how many
 */
export const sweepBytes = (
  db: Db,
  businessId: string,
  now = Date.now(),
  only?: ReadonlySet<string>,
): Promise<number> =>
  db.write('upkeep', async (open) => {
    const tx = open(
      'sounds',
      'files',
      'drafts',
      'heads',
      'edits',
      'versions',
      'calls',
      'texts',
      'words',
      'faxes',
      'exchange',
    );
    const kept = await Promise.all(
      (['sounds', 'files'] as const).map(async (store) =>
        (await tx.objectStore(store).index('business').getAll(businessId)).map((r) => ({ store, ...r })),
      ),
    );
    const old = kept.flat().filter((s) => (only ? only.has(s.hash) : now - (s.storedAt ?? 0) > NEW_MS));
    if (!old.length) return 0;
    const named = JSON.stringify([
      await tx.objectStore('drafts').get(businessId),
      await tx.objectStore('heads').get(businessId),
      await tx.objectStore('edits').index('business').getAll(businessId),
      await tx.objectStore('versions').index('business').getAll(businessId),
      await recordingsIn(tx.objectStore('calls').index('business').getAll(businessId)),
      await filesIn(tx.objectStore('texts').index('business').getAll(businessId)),
      await filesIn(tx.objectStore('words').index('business').getAll(businessId)),
      (await tx.objectStore('faxes').index('business').getAll(businessId)).map((f) => f.file.hash),
      await tx.objectStore('exchange').get(businessId),
    ]);
    const gone = old.filter(({ hash }) => !named.includes(hash));
    for (const { store, hash } of gone) within(tx.objectStore(store).delete([businessId, hash]));
    await tx.done;
    return gone.length;
  });
