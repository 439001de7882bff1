/** Data of version 1, as that version wrote it, read by this one: nothing is lost, and undo still works. */
import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { deleteDB, openDB } from 'idb';
import { afterEach, describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { newQueue, SYSTEM_VERSION } from '../../core/system';
import { Changes, DB_NAME, openDatabase, readFile, Workspace, writeWhole, type Db, type Whole } from '..';

const text = readFileSync('tests/fixtures/version-1.json', 'utf8');
const old = JSON.parse(text) as Whole & Record<string, unknown>;

/** The stores of version 1, with its records in them. */
async function writeVersion1(): Promise<void> {
  const db = await openDB(DB_NAME, 1, {
    upgrade(db) {
      db.createObjectStore('businesses', { keyPath: 'id' });
      db.createObjectStore('drafts', { keyPath: 'businessId' }).createIndex('revision', [
        'businessId',
        'revision',
      ]);
      db.createObjectStore('standing', { keyPath: 'businessId' });
      db.createObjectStore('exchange', { keyPath: 'businessId' });
      db.createObjectStore('settings');
      for (const [store, key] of [
        ['edits', ['businessId', 'seq']],
        ['versions', ['businessId', 'n']],
        ['invitations', 'id'],
        ['mail', 'id'],
        ['messages', 'id'],
        ['calls', 'id'],
      ] as const)
        db.createObjectStore(store, { keyPath: key as string }).createIndex('business', 'businessId');
    },
  });
  await db.put('businesses', old.business);
  await db.put('drafts', old.draft);
  await db.put('standing', old.standing);
  for (const store of ['edits', 'versions', 'messages'] as const)
    for (const record of old[store]) await db.put(store, record);
  db.close();
}

let db: Db | undefined;
let open: { close(): void }[] = [];
afterEach(async () => {
  for (const thing of open) if (thing instanceof Workspace) await thing.settled();
  for (const thing of open) thing.close();
  open = [];
  db?.close();
  await deleteDB(DB_NAME);
});

describe('what version 1 stored', () => {
  it('is brought to today’s shape when the database is opened', async () => {
    await writeVersion1();
    db = await openDatabase();
    const changes = new Changes();
    const opened = await Workspace.open(db, changes, 'lantern-cove');
    if (!opened.ok) throw new Error(opened.message);
    const w = opened.workspace;
    open.push(changes, w);
    expect(w.system.numbers['n-main']).toMatchObject({
      label: 'Main line',
      callerIdFor: 'everybody',
      address: null,
    });
    expect(w.system.sites.yard).toMatchObject({
      networks: [],
      address: { RD: 'Lantern Cove Road', FLR: '' },
    });
    expect(w.system.business.starCodes.length).toBeGreaterThan(0);
    // A linked phone that rang before goes on ringing.
    expect(w.view.standing.proved['dov-linked-mobile']).toMatchObject({ number: '+13605550188' });
    expect(w.view.book.sold.map((s) => s.e164)).toContain('+13605550142');
    expect(w.view.messages).toHaveLength(old.messages.length);
    // Undo brings back objects that version 1 had removed, in today's shape.
    expect(w.undo().ok).toBe(true);
    await w.settled();
    expect(w.system.numbers['n-winter-store']).toMatchObject({ use: 'department', siteId: 'store' });
    expect(w.system.sites.store).toMatchObject({ checkAgainOn: null, address: { A3: 'Drayhorse', LOC: '' } });
    expect((await w.putInForce(w.view.draft.record.revision)) ?? 'in force').toBe('in force');
  });

  it('is read from a file too', async () => {
    const read = await readFile(new Blob([text]));
    if (!read.ok) throw new Error(read.message);
    expect(read.whole.draft.system.numbers['n-main']!.label).toBe('Main line');
    expect(read.whole.dealings.businessId).toBe('lantern-cove');
    expect(read.whole.versions[0]!.version).toBe(SYSTEM_VERSION);
  });
});

/** A file that an earlier version saved, read and opened. */
async function openFixture(version: number): Promise<Workspace> {
  const read = await readFile(new Blob([readFileSync(`tests/fixtures/version-${version}.json`)]));
  if (!read.ok) throw new Error(read.message);
  db = await openDatabase();
  const changes = new Changes();
  await writeWhole(db, read.whole);
  const opened = await Workspace.open(db, changes, 'lantern-cove');
  if (!opened.ok) throw new Error(opened.message);
  open.push(changes, opened.workspace);
  return opened.workspace;
}

// Written by version 2 after somebody was put away, brought back, and somebody else removed.
it('what version 2 stored is read, and undo brings back what it took away', async () => {
  const w = await openFixture(2);
  expect(w.system.people.rosa).toMatchObject({ further: [], hoursId: null, familyName: '' });
  expect(w.system.phones['rosa-desk']).toMatchObject({ keys: [], transport: 'tls' });
  expect(w.system.business.invitation.text).toContain('{link}');
  expect(w.view.standing.registrations['rosa-desk']).toMatchObject({
    condition: 'in reach',
    passwordOf: null,
  });
  expect(w.view.invitations[0]).toMatchObject({ code: '123456', to: '', mailId: null });
  expect(w.undo().ok).toBe(true);
  expect(w.system.people.wren).toMatchObject({ name: 'Wren Halloran', further: [] });
  expect(w.undo().ok).toBe(true);
  expect(w.system.people.pia!.away).toEqual([{ from: '2026-12-01', to: '2026-12-05', standInId: null }]);
  await w.settled();
});

// Written by version 3 after its first plan was removed.
it('what version 3 stored is read, and undo brings back the plan with the steps it had', async () => {
  const w = await openFixture(3);
  expect(w.system).toMatchObject({ queues: {}, rotas: {}, contacts: {}, lists: {}, promises: {} });
  expect(w.view.standing).toMatchObject({ overrides: {}, logins: {} });
  const plans = Object.keys(w.system.plans).length;
  expect(w.undo().ok).toBe(true);
  expect(Object.keys(w.system.plans)).toHaveLength(plans + 1);
  expect(
    w.edit({ words: 'Menu', commands: [{ do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk' }) }] }).ok,
  ).toBe(true);
  await w.settled();
});

// Written by version 4: recordings were words alone, and sounds were not kept.
it('what version 4 stored is read as it was', async () => {
  const w = await openFixture(4);
  expect(Object.values(w.system.recordings).every((r) => r.text && !r.sound)).toBe(true);
  const sound = { hash: 'a'.repeat(64), seconds: 3, made: 'file' as const };
  const [first] = Object.keys(w.system.recordings);
  expect(
    w.edit({ words: 'Sound', commands: [{ do: 'recording.set', id: first!, change: { sound } }] }).ok,
  ).toBe(true);
  expect(w.undo().ok).toBe(true);
  await w.settled();
});

it('what version 9 of the database stored is brought to today’s shape as well', async () => {
  // The stores as they are now but for the one that version 10 added, with systems that lack what came with it.
  const whole = demonstration(Date.UTC(2026, 10, 24, 18, 15));
  db = await openDatabase();
  await writeWhole(db, whole);
  db.close();
  const now = await openDB(DB_NAME);
  const stores = [...now.objectStoreNames].filter((name) => name !== 'meetings' && name !== 'devices');
  const laid = await Promise.all(
    stores.map(async (name) => {
      const store = now.transaction(name).objectStore(name);
      const indexes = [...store.indexNames].map((i) => [i, store.index(i).keyPath] as const);
      const [keys, values] = await Promise.all([store.getAllKeys(), store.getAll()]);
      return {
        name,
        keyPath: store.keyPath,
        auto: store.autoIncrement,
        indexes,
        keys,
        values: values as unknown[],
      };
    }),
  );
  now.close();
  await deleteDB(DB_NAME);
  const without = (value: unknown): unknown => {
    if (typeof value !== 'object' || value === null || !('system' in value)) return value;
    const { ownAnswers: _, buttons: __, rooms: ___, ...system } = value.system as Record<string, unknown>;
    return { ...value, system };
  };
  const before = await openDB(DB_NAME, 9, {
    upgrade(old) {
      for (const { name, keyPath, auto, indexes } of laid) {
        const store = old.createObjectStore(name, {
          ...(keyPath === null ? {} : { keyPath: keyPath as string | string[] }),
          autoIncrement: auto,
        });
        for (const [index, path] of indexes) store.createIndex(index, path);
      }
    },
  });
  for (const { name, keyPath, keys, values } of laid)
    for (const [i, value] of values.entries())
      await (keyPath === null ? before.put(name, value, keys[i]) : before.put(name, without(value)));
  before.close();
  db = await openDatabase();
  const changes = new Changes();
  const opened = await Workspace.open(db, changes, 'lantern-cove');
  if (!opened.ok) throw new Error(opened.message);
  open.push(changes, opened.workspace);
  expect(opened.workspace.system).toMatchObject({ ownAnswers: {}, buttons: {}, rooms: {} });
  expect(opened.workspace.system.people.rosa?.name).toBe('Rosa Delgado');
  expect(opened.workspace.view.standing.proved).toEqual(whole.standing.standing.proved);
  expect(opened.workspace.view.meetings).toEqual([]);
});
