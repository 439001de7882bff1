/** Records that cannot be read: one of many is set aside, and where all hangs on one it is told and there are ways on. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demonstration, DEMO_ID } from '../../../demo/lantern-cove';
import { Changes, DB_NAME, mend, openDatabase, readWhole, Workspace, writeWhole, type Db } from '..';

let db: Db;
let changes: Changes;
let open: Workspace[] = [];
beforeEach(async () => {
  db = await openDatabase();
  changes = new Changes();
  await writeWhole(db, demonstration(1_800_000_000_000));
});
afterEach(async () => {
  for (const w of open) {
    await w.settled();
    w.close();
  }
  open = [];
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});
async function opened(): Promise<Workspace> {
  const result = await Workspace.open(db, changes, DEMO_ID);
  if (!result.ok) throw new Error(result.message);
  open.push(result.workspace);
  return result.workspace;
}
const rename = (w: Workspace, name: string) =>
  w.edit({ words: `Call her ${name}`, commands: [{ do: 'person.set', id: 'rosa', change: { name } }] });

describe('one of many', () => {
  it.each(['messages', 'mail', 'calls', 'invitations'] as const)(
    'of the %s is set aside as it lay there, and the rest opens',
    async (store) => {
      const before = await db.countFromIndex(store, 'business', DEMO_ID);
      const bad = { id: 'bad', businessId: DEMO_ID, at: 'yesterday', sound: 'javascript:alert(1)' };
      await db.raw.put(store, bad as never);
      const w = await opened();
      expect(w.view[store]).toHaveLength(before);
      expect(w.view.aside).toMatchObject([{ store, raw: bad, why: expect.any(String) }]);
      expect(await db.get(store, 'bad')).toBeUndefined();
      // It is told until somebody has seen to it, also by another window.
      expect((await opened()).view.aside).toHaveLength(1);
      await w.dropAside(w.view.aside.map((a) => a.id));
      expect((await opened()).view.aside).toEqual([]);
    },
  );

  it('a message whose sound is no sound is one of them', async () => {
    const [message] = demonstration(0).messages;
    await db.raw.put('messages', { ...message!, sound: 'data:text/html;base64,PGI+' });
    expect((await opened()).view.aside).toMatchObject([{ store: 'messages' }]);
  });

  it('of the edits ends what can be undone there, and no further', async () => {
    const first = await opened();
    for (const name of ['A', 'B', 'C']) rename(first, name);
    await first.settled();
    await db.raw.put('edits', { ...(await db.get('edits', [DEMO_ID, 2]))!, patches: 'none' } as never);
    const w = await opened();
    expect(w.view.draft.edits.map((e) => e.words)).toEqual(['Call her C']);
    expect(w.undo().ok).toBe(true);
    expect(w.system.people.rosa!.name).toBe('B');
    expect(w.undo().ok).toBe(false);
    expect(w.view.aside).toMatchObject([{ store: 'edits' }]);
  });
});

describe('a damaged head', () => {
  beforeEach(async () => {
    const w = await opened();
    rename(w, 'Rosa D');
    await w.settled();
    await db.raw.put('heads', { ...(await db.get('heads', DEMO_ID))!, base: 'of something else' });
  });
  it('opens nothing older by itself, and keeps everything', async () => {
    const read = await readWhole(db, DEMO_ID);
    expect(read).toMatchObject({
      ok: false,
      why: 'damaged',
      ways: ['draft without head', 'draft from version'],
      raw: { head: { base: 'of something else' } },
    });
    expect(await db.get('heads', DEMO_ID)).toBeDefined();
  });
  it('is left out where that is chosen, and lies aside', async () => {
    await mend(db, DEMO_ID, 'draft without head');
    const w = await opened();
    expect(w.system.people.rosa!.name).toBe('Rosa Delgado');
    expect(w.view.aside).toMatchObject([{ store: 'heads', raw: { base: 'of something else' } }]);
    rename(w, 'Rosa E');
    await w.settled();
    expect((await opened()).system.people.rosa!.name).toBe('Rosa E');
  });
});

it('a damaged draft can begin from what is in force', async () => {
  const draft = (await db.get('drafts', DEMO_ID))!;
  await db.raw.put('drafts', { ...draft, system: { ...draft.system, people: [] } } as never);
  expect(await readWhole(db, DEMO_ID)).toMatchObject({ ok: false, ways: ['draft from version'] });
  await mend(db, DEMO_ID, 'draft from version');
  const w = await opened();
  expect(w.system).toEqual(w.view.inForce.system);
  expect(w.view.aside).toMatchObject([{ store: 'drafts' }]);
});

it('a damaged version in force does not let an older one be it unasked', async () => {
  const w = await opened();
  rename(w, 'Rosa D');
  expect(await w.putInForce(w.view.draft.record.revision)).toBeUndefined();
  await db.raw.put('versions', { ...(await db.get('versions', [DEMO_ID, 1]))!, system: null } as never);
  expect(await readWhole(db, DEMO_ID)).toMatchObject({ ok: false, ways: ['version before'] });
  await mend(db, DEMO_ID, 'version before');
  expect((await opened()).view.inForce.n).toBe(0);
});

it('a damaged clock is real time again, damaged calls are ended, and both are told', async () => {
  await db.raw.put('settings', { mode: 'set', benchAt: 'noon' } as never, 'clock');
  await db.raw.put('exchange', { businessId: DEMO_ID, snapshot: { calls: [{}] } } as never);
  const w = await opened();
  expect(w.view.clock).toEqual({ mode: 'real' });
  expect(w.view.aside.map((a) => a.why)).toEqual(
    expect.arrayContaining([expect.stringContaining('real time'), expect.stringContaining('ended')]),
  );
  expect(await db.get('exchange', DEMO_ID)).toBeUndefined();
});
