/** What goes by rule and by hand: all of it, nothing else, and that it went stays on record. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import {
  Changes,
  DB_NAME,
  deleteEntries,
  openDatabase,
  readMany,
  readSound,
  storePast,
  storeSound,
  Workspace,
  writeWhole,
  type Db,
} from '..';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const DAY = 86_400_000;
let db: Db;
let w: Workspace;
let changes: Changes;
beforeEach(async () => {
  db = await openDatabase();
  const whole = demonstration(NOW);
  const system = {
    ...whole.draft.system,
    business: { ...whole.draft.system.business, keeping: { callDays: 20, textDays: 2, hideDays: 7 } },
  };
  await writeWhole(db, { ...whole, versions: [{ ...whole.versions[0]!, system }] });
  const past = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 30);
  const some = past.calls.filter((_, i) => i % 4 === 0);
  const ids = new Set(some.map((c) => c.id));
  await storePast(db, DEMO_ID, {
    calls: some,
    messages: past.messages.filter((m) => ids.has(m.id)),
    texts: [],
  });
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

it('by rule old calls and texts go, and numbers of callers are hidden, once', async () => {
  const before = w.view.calls;
  const younger = before.filter((c) => NOW - c.at <= 20 * DAY);
  await w.sweep();
  const calls = await readMany(db, 'calls', DEMO_ID);
  expect(calls.map((c) => c.id)).toEqual(younger.map((c) => c.id));
  expect(w.view.calls).toHaveLength(younger.length);
  const older = calls.filter((c) => NOW - c.at > 7 * DAY && c.request.from.kind === 'outside');
  expect(older.length).toBeGreaterThan(20);
  for (const { request } of older) expect(request.from).toEqual({ kind: 'outside', number: null });
  const known = calls.filter((c) => NOW - c.at <= 7 * DAY);
  expect(known.some((c) => c.request.from.kind === 'outside' && c.request.from.number !== null)).toBe(true);
  for (const message of await readMany(db, 'messages', DEMO_ID))
    if (older.some((c) => c.id === message.id)) expect(message.fromNumber).toBeNull();
  expect((await readMany(db, 'texts', DEMO_ID)).every((t) => t.sendAt || NOW - t.at <= 2 * DAY)).toBe(true);
  const forgotten = w.view.dealings.forgotten!;
  expect(forgotten).toHaveLength(2);
  expect(forgotten[1]).toMatchObject({ hidden: true });
  expect(JSON.stringify(forgotten)).not.toMatch(/\+\d{8}/);
  await w.sweep();
  expect(w.view.dealings.forgotten).toHaveLength(2);
});

it('an entry goes by hand with its recording; what another still names stays', async () => {
  const [first, second] = w.view.calls;
  const sound = await storeSound(db, DEMO_ID, new Uint8Array([1, 2, 3]));
  const shared = await storeSound(db, DEMO_ID, new Uint8Array([4, 5]));
  const kept = (ours: string, theirs: string) => ({
    phone: 'rosa-desk',
    at: NOW,
    seconds: 1,
    ours,
    theirs,
    consent: 'one' as const,
    by: null,
    until: null,
  });
  await w.change('calls', [first!.id], { recordings: [kept(sound, shared)] });
  await w.change('calls', [second!.id], { recordings: [kept(shared, shared)] });
  expect(await deleteEntries(w, { calls: [first!.id] }, 'Rosa Delgado')).toBe(1);
  expect(w.view.calls.map((c) => c.id)).not.toContain(first!.id);
  expect(await readSound(db, DEMO_ID, sound)).toBeUndefined();
  expect(await readSound(db, DEMO_ID, shared)).toBeDefined();
  expect(w.view.dealings.forgotten!.at(-1)).toMatchObject({ by: 'Rosa Delgado', entries: 1 });
});
