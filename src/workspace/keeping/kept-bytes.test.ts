/** Samples of recordings: found by their hash, in files, and kept whatever is undone. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import {
  Changes,
  DB_NAME,
  NoRoom,
  openDatabase,
  readFile,
  readSound,
  storeSound,
  sweepBytes,
  Workspace,
  writeFile,
  writeWhole,
  type Db,
} from '..';

const ULAW = Uint8Array.from({ length: 20_000 }, (_, i) => (i * 7) & 0xff);
let db: Db;
let w: Workspace;
const changes = new Changes();
beforeEach(async () => {
  db = await openDatabase();
  const whole = demonstration(Date.UTC(2026, 10, 24, 18, 15));
  await writeWhole(db, whole);
  const opened = await Workspace.open(db, changes, whole.business.id);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
});
afterEach(async () => {
  await w.settled();
  w.close();
  db.close();
  await deleteDB(DB_NAME);
});
const recording = () => Object.values(w.system.recordings)[0]!;
const give = (hash: string) =>
  w.edit({
    words: 'Record it',
    commands: [
      {
        do: 'recording.set',
        id: recording().id,
        change: { sound: { hash, seconds: 2.5, made: 'recorded' } },
      },
    ],
  });

it('are the same bytes when they are read again', async () => {
  const hash = await storeSound(db, w.id, ULAW);
  expect(await readSound(db, w.id, hash)).toEqual(ULAW);
  expect(await readSound(db, 'another', hash)).toBeUndefined();
  expect(await storeSound(db, w.id, ULAW)).toBe(hash);
});
it('stay when the recording is undone and done again', async () => {
  const hash = await storeSound(db, w.id, ULAW);
  expect(give(hash).ok).toBe(true);
  w.undo();
  expect(recording().sound ?? null).toBeNull();
  w.redo();
  expect(await readSound(db, w.id, recording().sound!.hash)).toEqual(ULAW);
});
it('go with the business into a file and come back from it', async () => {
  const hash = await storeSound(db, w.id, ULAW);
  give(hash);
  const read = await readFile(new Blob(await writeFile(await w.whole(), 0)));
  if (!read.ok) throw new Error(read.message);
  await db.raw.clear('sounds');
  await w.adopt(read.whole);
  expect(await readSound(db, w.id, hash)).toEqual(ULAW);
});
it('that are not what their hash says make a file a damaged one', async () => {
  await storeSound(db, w.id, ULAW);
  const whole = structuredClone(await w.whole());
  whole.sounds![0]!.ulaw = `AAAA${whole.sounds![0]!.ulaw.slice(4)}`;
  expect(await readFile(new Blob(await writeFile(whole, 0)))).toMatchObject({
    ok: false,
    message: expect.stringContaining('damaged: the sound'),
  });
});
it('for which there is no room are refused in words', async () => {
  vi.spyOn(db.raw, 'transaction').mockImplementationOnce(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await expect(storeSound(db, w.id, ULAW)).rejects.toThrow(NoRoom);
});

it('what nothing names any more is cleared away, but not what can be undone, nor what is new', async () => {
  const id = w.view.business.id;
  const hash = await storeSound(db, id, ULAW);
  const later = Date.now() + 2 * 3_600_000;
  expect(await sweepBytes(db, id)).toBe(0);
  give(hash);
  await w.settled();
  expect(await sweepBytes(db, id, later)).toBe(0);
  // Undone, it can still be done again.
  w.undo();
  await w.settled();
  expect(await sweepBytes(db, id, later)).toBe(0);
  const lost = await storeSound(db, id, ULAW.subarray(1));
  expect(await sweepBytes(db, id, later)).toBe(1);
  expect(await readSound(db, id, lost)).toBeUndefined();
  expect(await readSound(db, id, hash)).toEqual(ULAW);
});

it('a recorded call keeps its sound until its time is over; then it goes for good, and the log says so', async () => {
  const [ours, theirs] = [await storeSound(db, w.id, ULAW), await storeSound(db, w.id, ULAW.slice(5))];
  const at = w.now() - 60_000;
  const put = async (until: number | null) => {
    await db.write('call', async (open) => {
      const tx = open('calls');
      void tx.objectStore('calls').put({
        id: 'recorded',
        businessId: w.id,
        at,
        request: {
          id: 'recorded',
          at,
          from: { kind: 'outside', number: null },
          to: { kind: 'number', e164: '+13605550142' },
          behaviour: null,
        },
        trace: [],
        words: 'a call',
        recordings: [{ phone: 'rosa-desk', at, seconds: 2.5, ours, theirs, consent: 'all', by: null, until }],
      });
      await tx.done;
    });
    await w.changedOnes('calls');
  };
  await put(at + 86_400_000);
  await sweepBytes(db, w.id, Date.now() + 7_200_000);
  await w.sweep();
  expect(await readSound(db, w.id, ours)).toEqual(ULAW);
  await put(at + 1000);
  await w.sweep();
  expect(await readSound(db, w.id, ours)).toBeUndefined();
  expect(await readSound(db, w.id, theirs)).toBeUndefined();
  expect(w.view.calls.find((c) => c.id === 'recorded')).toMatchObject({
    recordings: [],
    deleted: [{ recordedAt: at, seconds: 2.5, by: 'the rule of how long they are kept' }],
  });
});
