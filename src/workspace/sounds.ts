/** The samples of recordings in storage, by their hash: what a document names stays the same whatever is edited or undone. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { Db } from './db';
import { SoundRecord } from './records';
import { NotStored, within } from './store';

export const hashOf = (ulaw: Uint8Array): string => bytesToHex(sha256(ulaw));

/** Thrown when the browser has no room for a sound. */
export class NoRoom extends Error {
  constructor() {
    super('The browser has no room left for this sound. Save it as a file, and make room.');
  }
}

/** Stores the samples of a sound. @returns the hash it is found by @throws NoRoom */
export async function storeSound(db: Db, businessId: string, ulaw: Uint8Array): Promise<string> {
  const hash = hashOf(ulaw);
  try {
    await db.write('sound', async (open) => {
      const tx = open('sounds');
      within(tx.objectStore('sounds').put({ businessId, hash, ulaw: toBase64(ulaw), storedAt: Date.now() }));
      await tx.done;
    });
  } catch (error) {
    if (error instanceof NotStored && error.why === 'full') throw new NoRoom();
    throw error;
  }
  return hash;
}

/** A sound stored so lately may belong to an edit that is still on its way, in milliseconds. */
const NEW_MS = 3_600_000;

/** The samples of a sound, µ-law at 8 kHz, or undefined where they are not in this browser. */
export async function readSound(db: Db, businessId: string, hash: string): Promise<Uint8Array | undefined> {
  const record = SoundRecord.safeParse(await db.get('sounds', [businessId, hash])).data;
  return record && fromBase64(record.ulaw);
}

/** Sounds of a file whose samples are not what their hash says. */
export const damagedSounds = (sounds: readonly SoundRecord[]): SoundRecord[] =>
  sounds.filter((s) => hashOf(fromBase64(s.ulaw)) !== s.hash);

/** In pieces: a call takes only so many arguments. */
const PIECE = 0x8000;
function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += PIECE) text += String.fromCharCode(...bytes.subarray(i, i + PIECE));
  return btoa(text);
}
const fromBase64 = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0));

/** What was recorded of calls: of a log of thousands only that. */
const recordingsIn = async (calls: Promise<{ recordings?: unknown }[]>): Promise<unknown[]> =>
  (await calls).flatMap((c) => c.recordings ?? []);

/**
 * Clears away sounds that nothing names any more: not the draft, nor what can be undone, a version that is kept, or a call.
 * @param now real time, epoch milliseconds @param only these by their hashes, however new they are @returns how many
 */
export const sweepSounds = (
  db: Db,
  businessId: string,
  now = Date.now(),
  only?: ReadonlySet<string>,
): Promise<number> =>
  db.write('upkeep', async (open) => {
    const tx = open('sounds', 'drafts', 'heads', 'edits', 'versions', 'calls', 'exchange');
    const sounds = await tx.objectStore('sounds').index('business').getAll(businessId);
    const old = sounds.filter((s) => (only ? only.has(s.hash) : now - (s.storedAt ?? 0) > NEW_MS));
    if (!old.length) return 0;
    const named = JSON.stringify([
      await tx.objectStore('drafts').get(businessId),
      await tx.objectStore('heads').get(businessId),
      await tx.objectStore('edits').index('business').getAll(businessId),
      await tx.objectStore('versions').index('business').getAll(businessId),
      await recordingsIn(tx.objectStore('calls').index('business').getAll(businessId)),
      await tx.objectStore('exchange').get(businessId),
    ]);
    const gone = old.filter(({ hash }) => !named.includes(hash));
    for (const { hash } of gone) within(tx.objectStore('sounds').delete([businessId, hash]));
    await tx.done;
    return gone.length;
  });
