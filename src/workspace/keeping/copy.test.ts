/** Copies outside the browser: whether anything was done since the last, and when to remind of one. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { demonstration, DEMO_ID } from '../../../demo/lantern-cove';
import {
  Changes,
  copyIsDue,
  DB_NAME,
  openDatabase,
  readCopyPlace,
  revisionOf,
  Workspace,
  writeCopyPlace,
  writeWhole,
  type Db,
} from '..';

const DAY = 86_400_000;
const BEGAN = 1_800_000_000_000;
let db: Db;
let changes: Changes;
let w: Workspace;
beforeEach(async () => {
  db = await openDatabase();
  changes = new Changes();
  const whole = demonstration(BEGAN);
  await writeWhole(db, { ...whole, business: { ...whole.business, kind: 'own', createdAt: BEGAN } });
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
});
afterEach(async () => {
  await w.settled();
  w.close();
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});

it('whatever a file holds makes another state when it changes', async () => {
  const seen = new Set([revisionOf(w.view)]);
  const differs = () => {
    const revision = revisionOf(w.view);
    expect(seen.has(revision)).toBe(false);
    seen.add(revision);
  };
  w.edit({ words: 'x', commands: [{ do: 'person.set', id: 'rosa', change: { name: 'Rosa D' } }] });
  differs();
  await w.putInForce(w.view.draft.record.revision);
  differs();
  await w.changeStanding((s) => ({ ...s }));
  differs();
  const [message] = w.view.messages;
  await w.change('messages', [message!.id], { heard: true, note: 'Called back' });
  differs();
  await w.change('messages', [message!.id], { folder: 'archive' });
  differs();
  expect(revisionOf(w.view)).toBe(revisionOf({ ...w.view }));
});

it('reminds after a week in which something changed, of one’s own business only', async () => {
  const revision = revisionOf(w.view);
  expect(copyIsDue(w.view, null, BEGAN + 6 * DAY)).toBe(false);
  expect(copyIsDue(w.view, null, BEGAN + 8 * DAY)).toBe(true);
  const demo = { ...w.view, business: { ...w.view.business, kind: 'demonstration' as const } };
  expect(copyIsDue(demo, null, BEGAN + 80 * DAY)).toBe(false);
  const place = { file: null, at: BEGAN + DAY, revision };
  await writeCopyPlace(db, DEMO_ID, place);
  expect(await readCopyPlace(db, DEMO_ID)).toEqual(place);
  expect(copyIsDue(w.view, place, BEGAN + 80 * DAY)).toBe(false);
  w.edit({ words: 'x', commands: [{ do: 'person.set', id: 'rosa', change: { name: 'Rosa D' } }] });
  expect(copyIsDue(w.view, place, BEGAN + 7 * DAY)).toBe(false);
  expect(copyIsDue(w.view, place, BEGAN + 9 * DAY)).toBe(true);
});
