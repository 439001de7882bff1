/** Texts in storage: each goes once, to nobody who wants none; conversations have one who sees to them. */
import 'fake-indexeddb/auto';
import { deleteDB, openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import {
  callOff,
  changeThread,
  Changes,
  DB_NAME,
  enterWish,
  keepFile,
  openDatabase,
  readBytes,
  readFile,
  readMany,
  receiveText,
  sendDue,
  sendText,
  sweepBytes,
  Workspace,
  writeFile,
  writeTextHabits,
  writeWhole,
  type Db,
} from '..';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const HOUR = 3_600_000;
const MAIN = '+13605550142';
const SERVICE = '+13605550143';
const ADA = '+12065550134';

let db: Db;
let open: { close(): void }[] = [];
async function window(): Promise<Workspace> {
  const changes = new Changes();
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  // The clock stands.
  opened.workspace.now = () => NOW;
  open.push(opened.workspace, changes);
  return opened.workspace;
}
let w: Workspace;
beforeEach(async () => {
  db = await openDatabase();
  await writeWhole(db, { ...demonstration(NOW), texts: [], threads: [] });
  w = await window();
  w.by = 'Rosa Delgado';
});
afterEach(async () => {
  for (const thing of open) thing.close();
  open = [];
  db.close();
  await deleteDB(DB_NAME);
});
const texts = () => readMany(db, 'texts', DEMO_ID);
const write = (text: string, to = MAIN) => receiveText(w, { from: ADA, to, text });
const send = (change: object = {}) => sendText(w, { from: MAIN, to: ADA, text: 'Ready', ...change });

describe('what wants no texts', () => {
  it('a stop to one number holds for all, and is confirmed once by itself', async () => {
    await write('STOP', SERVICE);
    await write('stop', SERVICE);
    expect(await send()).toMatchObject({ ok: false, field: 'to' });
    const answers = (await texts()).filter((t) => t.byItself);
    expect(answers).toMatchObject([{ from: SERVICE, to: ADA, way: 'out' }]);
    expect(answers[0]!.text).toContain('START');
  });
  it('one that was spoken is entered, and taken back', async () => {
    await enterWish(w, ADA, 'stop');
    expect((await send()).ok).toBe(false);
    await enterWish(w, ADA, 'lift');
    expect((await send()).ok).toBe(true);
  });
});

describe('a text that is to go later', () => {
  const later = () => send({ sendAt: NOW + HOUR });
  it('goes at its time, once, whichever window sees to it', async () => {
    await later();
    expect(await sendDue(db, DEMO_ID, NOW + HOUR - 1)).toEqual([]);
    const sent = await Promise.all([sendDue(db, DEMO_ID, NOW + HOUR), sendDue(db, DEMO_ID, NOW + HOUR)]);
    expect(sent.flat()).toHaveLength(1);
    expect(await texts()).toMatchObject([{ at: NOW + HOUR, fate: { after: 2500 }, by: 'Rosa Delgado' }]);
    expect((await texts())[0]).not.toHaveProperty('sendAt');
  });
  it('does not go to somebody who has said stop meanwhile, nor half a day late', async () => {
    await later();
    await write('STOP');
    await sendDue(db, DEMO_ID, NOW + HOUR);
    const find = async () => (await texts()).find((t) => t.text === 'Ready');
    expect(await find()).toMatchObject({ fate: { failed: 'stopped' } });
    w.now = () => NOW + 1;
    await write('START');
    await later();
    await sendDue(db, DEMO_ID, NOW + 14 * HOUR);
    expect((await texts()).filter((t) => t.fate?.failed === 'late')).toHaveLength(1);
  });
  it('is called off, and that is taken back; one that has gone cannot be', async () => {
    await later();
    const [text] = await texts();
    const back = await callOff(w, text!.id);
    expect(await texts()).toEqual([]);
    expect(await back!(w)).toBeUndefined();
    expect(await texts()).toMatchObject([{ text: 'Ready', sendAt: NOW + HOUR }]);
    await sendDue(db, DEMO_ID, NOW + HOUR);
    expect(await callOff(w, (await texts())[0]!.id)).toBeNull();
  });
  it.each([
    [NOW - 1, 'over'],
    [NOW + 400 * 24 * HOUR, 'a year'],
  ])('is refused for %i', async (sendAt, why) => {
    expect(await send({ sendAt })).toMatchObject({
      ok: false,
      field: 'sendAt',
      message: expect.stringContaining(why),
    });
    expect(await texts()).toEqual([]);
  });
});

it('how the other phone takes texts decides what becomes of one', async () => {
  await writeTextHabits(db, DEMO_ID, { [ADA]: 'calls only' });
  await send();
  expect(await texts()).toMatchObject([{ fate: { failed: 'landline' } }]);
});

describe('who has a conversation', () => {
  const between = { ours: MAIN, theirs: ADA };
  const give = (to: string | undefined, seen: string | undefined, by = w) =>
    changeThread(by, between, { does: 'give', to, seen });
  it('is one; who comes a moment later is told who was first', async () => {
    const other = await window();
    const [first, second] = await Promise.all([give('rosa', undefined), give('idris', undefined, other)]);
    expect(first.ok).toBe(true);
    expect(second).toMatchObject({ ok: false, message: 'Rosa Delgado has taken it meanwhile.' });
    expect(other.view.threads).toMatchObject([{ assignedTo: 'rosa' }]);
    expect((await give('idris', 'rosa', other)).ok).toBe(true);
    expect(await give(undefined, 'rosa')).toMatchObject({ ok: false });
  });
  it('is taken back, unless it was changed meanwhile', async () => {
    const first = await give('rosa', undefined);
    if (!first.ok) throw new Error(first.message);
    await first.back(w);
    expect(w.view.threads[0]!.assignedTo).toBeUndefined();
    const again = await give('rosa', undefined);
    await give('idris', 'rosa');
    expect(again.ok && (await again.back(w))).toContain('stays as it is');
  });
  it('is closed and opened again', async () => {
    await changeThread(w, between, { does: 'close' });
    expect(w.view.threads[0]!.closedAt).toBe(NOW);
    await changeThread(w, between, { does: 'open' });
    expect(w.view.threads[0]!.closedAt).toBeUndefined();
  });
});

// The first bytes of a PNG (RFC 2083, 3.1) and of a header; the rest does not matter.
const PNG = Uint8Array.from([
  137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 0, 1, 0, 0, 0, 1, 8, 2, 0, 0, 0, 0x90,
  0x77, 0x53, 0xde, 0, 0, 0, 12, 73, 68, 65, 84,
]);

describe('files', () => {
  const keep = (name: string, bytes: Uint8Array) => keepFile(db, DEMO_ID, name, bytes);
  it('are what their bytes say, whatever they are called', async () => {
    expect(await keep('bill.pdf', PNG)).toMatchObject({
      ok: true,
      file: { type: 'image/png', name: 'bill.pdf' },
    });
    const page = new TextEncoder().encode('<!doctype html><script>alert(1)</script>');
    expect(await keep('mast.png', page)).toMatchObject({
      ok: false,
      message: expect.stringContaining('mast.png'),
    });
    expect(await keep('nothing.png', new Uint8Array())).toMatchObject({ ok: false });
    const large = new Uint8Array(20_000_000);
    large.set(PNG);
    expect(await keep('mast.png', large)).toMatchObject({
      ok: false,
      tooLarge: true,
      message: 'mast.png has 20.0 MB: texts carry 1 MB together.',
    });
  });
  it('stay while a text names them, and go along in a file', async () => {
    const kept = await keep('mast.png', PNG);
    if (!kept.ok) throw new Error(kept.message);
    await send({ text: '', files: [kept.file] });
    await keep('other.png', Uint8Array.from([...PNG, 1]));
    expect(await sweepBytes(db, DEMO_ID, Date.now() + 2 * HOUR)).toBe(1);
    expect(await readBytes(db, DEMO_ID, kept.file.hash)).toEqual(PNG);
    const saved = await readFile(new Blob(await writeFile(await w.whole(), 0)));
    expect(saved.ok && saved.whole.files).toMatchObject([{ hash: kept.file.hash }]);
    expect(saved.ok && saved.whole.texts).toMatchObject([{ files: [{ name: 'mast.png' }] }]);
  });
  it('that are not what their hash says are found in a file', async () => {
    const kept = await keep('mast.png', PNG);
    if (!kept.ok) throw new Error(kept.message);
    const whole = await w.whole();
    const files = whole.files!.map((f) => ({ ...f, base64: btoa('other') }));
    expect(await readFile(new Blob(await writeFile({ ...whole, files }, 0)))).toMatchObject({
      ok: false,
      message: expect.stringContaining('not what it should be'),
    });
  });
});

it('texts that stood among the dealings become records of their own', async () => {
  for (const thing of open) thing.close();
  open = [];
  db.close();
  await deleteDB(DB_NAME);
  const whole = demonstration(NOW);
  const old = await openDB(DB_NAME, 6, {
    upgrade(raw) {
      for (const [store, keyPath] of [
        ['businesses', 'id'],
        ['drafts', 'businessId'],
        ['standing', 'businessId'],
        ['exchange', 'businessId'],
        ['heads', 'businessId'],
        ['dealings', 'businessId'],
      ] as const)
        raw.createObjectStore(store, { keyPath });
      for (const store of ['settings', 'carrier']) raw.createObjectStore(store);
      for (const [store, keyPath] of [
        ['edits', ['businessId', 'seq']],
        ['versions', ['businessId', 'n']],
        ['sounds', ['businessId', 'hash']],
        ['aside', 'id'],
        ['invitations', 'id'],
        ['mail', 'id'],
        ['messages', 'id'],
        ['calls', 'id'],
      ] as const)
        raw.createObjectStore(store, { keyPath: keyPath as string }).createIndex('business', 'businessId');
    },
  });
  const without = ({ shortcuts: _, wordings: __, followUps: ___, ...system }: typeof whole.draft.system) =>
    system;
  await old.put('businesses', whole.business);
  await old.put('drafts', { ...whole.draft, version: 5, system: without(whole.draft.system) });
  for (const v of whole.versions) await old.put('versions', { ...v, version: 5, system: without(v.system) });
  await old.put('standing', whole.standing);
  const text = { id: 'a', way: 'in', from: ADA, to: MAIN, text: 'Hello', at: NOW };
  await old.put('dealings', { ...whole.dealings, texts: [text] });
  old.close();
  db = await openDatabase();
  w = await window();
  expect(w.view.texts).toEqual([{ ...text, businessId: DEMO_ID }]);
  expect(w.view.dealings).not.toHaveProperty('texts');
  expect(w.system).toMatchObject({ shortcuts: {}, wordings: {}, followUps: {} });
});
