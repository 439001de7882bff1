/** A business that moves: it rests where it was, brings its calls along, and what comes is looked at. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { demonstration, DEMO_ID } from '../../../demo/lantern-cove';
import {
  besideOf,
  Changes,
  DB_NAME,
  exchangeKeys,
  keysIn,
  letGoOfKeys,
  movedOf,
  openDatabase,
  putAround,
  readCalls,
  readMany,
  rest,
  writeWhole,
  type Db,
} from '..';

let db: Db;
const NOW = Date.UTC(2026, 10, 24, 18, 15);
beforeEach(async () => {
  db = await openDatabase();
  await writeWhole(db, demonstration(NOW));
});
afterEach(async () => {
  db.close();
  await deleteDB(DB_NAME);
});

it('rests until it is put here anew, or the move came to nothing', async () => {
  await rest(db, DEMO_ID, { at: NOW, to: 'Chrome on Linux', known: true });
  expect(await movedOf(db, DEMO_ID)).toEqual({ at: NOW, to: 'Chrome on Linux', known: true });
  await rest(db, DEMO_ID, null);
  expect(await movedOf(db, DEMO_ID)).toBeUndefined();
  await rest(db, DEMO_ID, { at: NOW, to: 'x', known: false });
  await writeWhole(db, demonstration(NOW));
  expect(await movedOf(db, DEMO_ID)).toBeUndefined();
});

it('what stands around it goes along, and nothing of another business or that is no such thing comes in', async () => {
  await putAround(db, DEMO_ID, [
    { key: `views:${DEMO_ID}`, value: [{ name: 'mine' }] },
    { key: 'views:other', value: [] },
    { key: 'business', value: 'other' },
    { key: `moved:${DEMO_ID}`, value: {} },
    'nothing',
  ]);
  // One that is none spoils the list: it is left, whole.
  expect((await besideOf(db, DEMO_ID)).around).toEqual([]);
  await putAround(db, DEMO_ID, [
    { key: `views:${DEMO_ID}`, value: [{ name: 'mine' }] },
    { key: 'views:other', value: [] },
    { key: 'business', value: 'other' },
    { key: `moved:${DEMO_ID}`, value: {} },
  ]);
  expect((await besideOf(db, DEMO_ID)).around).toEqual([
    { key: `views:${DEMO_ID}`, value: [{ name: 'mine' }] },
  ]);
  expect(await movedOf(db, DEMO_ID)).toBeUndefined();
});

it('calls that cannot be read are none; keys go once the other machine answers', async () => {
  expect(readCalls({ businessId: DEMO_ID, snapshot: 'x' })).toBeNull();
  const changes = new Changes();
  await exchangeKeys(db, changes, DEMO_ID, NOW);
  expect(keysIn(await readMany(db, 'devices', DEMO_ID))).toBeDefined();
  await letGoOfKeys(db, DEMO_ID);
  expect(keysIn(await readMany(db, 'devices', DEMO_ID))).toBeUndefined();
  changes.close();
});
