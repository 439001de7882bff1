/** Faxes in storage: to numbers that take them, with files that are what they say, and nothing of them left where they are deleted. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../demo/lantern-cove';
import {
  Changes,
  DB_NAME,
  deleteEntries,
  keepPapers,
  openDatabase,
  readBytes,
  readMany,
  receiveFax,
  sendFax,
  Workspace,
  writeFaxHabits,
  writeWhole,
  type Db,
} from '.';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const MAIN = '+13605550142';
const CHARTERS = '+13605550151';
const OUTSIDE = '+12065550134';
// The first bytes of a PNG (RFC 2083, 3.1) with its header; of a PDF (ISO 32000, 7.5.2).
const PNG = Uint8Array.from([
  137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 0, 1, 0, 0, 0, 1, 8, 2, 0, 0, 0, 0x90,
  0x77, 0x53, 0xde, 0, 0, 0, 12, 73, 68, 65, 84,
]);
const PDF = new TextEncoder().encode('%PDF-1.4\n1 0 obj\n');
let db: Db;
let changes: Changes;
let w: Workspace;
beforeEach(async () => {
  db = await openDatabase();
  const whole = demonstration(NOW);
  const { system } = whole.versions[0]!;
  const main = Object.values(system.numbers).find((n) => n.e164 === MAIN)!;
  const numbers = { ...system.numbers, [main.id]: { ...main, faxMailboxId: 'front' } };
  await writeWhole(db, { ...whole, versions: [{ ...whole.versions[0]!, system: { ...system, numbers } }] });
  changes = new Changes();
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
  w.now = () => NOW;
});
afterEach(async () => {
  w.close();
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});
const keep = (name: string, bytes: Uint8Array, pages = 2) =>
  keepPapers(db, DEMO_ID, name, bytes, () => Promise.resolve(pages));
const papers = async () => {
  const kept = await keep('order.pdf', PDF);
  if (!kept.ok) throw new Error(kept.message);
  return { file: kept.file, pages: kept.pages };
};

it('takes pictures and PDFs by their bytes, of so many pages, and nothing else', async () => {
  expect(await keep('drawing.pdf', PNG)).toMatchObject({ ok: true, file: { type: 'image/png' }, pages: 1 });
  expect(await papers()).toMatchObject({ pages: 2 });
  expect(await keep('song.mp3', new TextEncoder().encode('ID3 a song'))).toMatchObject({
    ok: false,
    message: expect.stringContaining('no picture and no PDF'),
  });
  expect(await keep('long.pdf', PDF, 101)).toMatchObject({ message: expect.stringContaining('at most 100') });
  const broken = keepPapers(db, DEMO_ID, 'broken.pdf', PDF, () => Promise.reject(new Error('x')));
  expect(await broken).toMatchObject({ ok: false, message: expect.stringContaining('cannot be read') });
  expect(await keep('large.png', new Uint8Array(10_000_001))).toMatchObject({ ok: false });
});

it('comes to the mailbox of its number; a number without one has no fax', async () => {
  expect(await receiveFax(w, { from: OUTSIDE, to: MAIN, ...(await papers()) })).toEqual({ ok: true });
  expect(w.view.faxes).toMatchObject([{ way: 'in', mailboxId: 'front', pages: 2 }]);
  expect(await receiveFax(w, { from: OUTSIDE, to: CHARTERS, ...(await papers()) })).toMatchObject({
    ok: false,
  });
  expect(await receiveFax(w, { from: OUTSIDE, to: '+13605550199', ...(await papers()) })).toMatchObject({
    ok: false,
  });
  expect(w.view.faxes).toHaveLength(1);
});

it('what is sent meets the machine that is there; without its file nothing is sent', async () => {
  await writeFaxHabits(db, DEMO_ID, { [OUTSIDE]: 'busy' });
  expect(await sendFax(w, { from: MAIN, to: OUTSIDE, ...(await papers()) })).toEqual({ ok: true });
  expect(w.view.faxes[0]!.fate).toMatchObject({ failed: 'busy' });
  const gone = { ...(await papers()).file, hash: 'a'.repeat(64) };
  expect(await sendFax(w, { from: MAIN, to: OUTSIDE, file: gone, pages: 1 })).toMatchObject({
    field: 'file',
  });
});

it('is changed with a way back, and deleted with its pages', async () => {
  await receiveFax(w, { from: OUTSIDE, to: MAIN, ...(await papers()) });
  const [fax] = w.view.faxes;
  const back = await w.change('faxes', [fax!.id], { assignedTo: 'rosa' });
  expect(w.view.faxes[0]!.assignedTo).toBe('rosa');
  await back();
  expect(w.view.faxes[0]!.assignedTo).toBeUndefined();
  await deleteEntries(w, { faxes: [fax!.id] }, 'Rosa Delgado');
  expect(await readMany(db, 'faxes', DEMO_ID)).toEqual([]);
  expect(await readBytes(db, DEMO_ID, fax!.file.hash)).toBeUndefined();
  expect(w.view.dealings.forgotten).toMatchObject([{ entries: 1 }]);
});
