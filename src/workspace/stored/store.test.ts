/** The gate to what is stored: what cannot be stored is told, kept and tried again, and holds back the rest. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { demonstration, DEMO_ID } from '../../../demo/lantern-cove';
import { Changes, DB_NAME, NotStored, openDatabase, readWhole, Workspace, writeWhole, type Db } from '..';

const full = () => new DOMException('full', 'QuotaExceededError');
let db: Db;
let changes: Changes;
let w: Workspace;

beforeEach(async () => {
  db = await openDatabase();
  changes = new Changes();
  await writeWhole(db, demonstration(1_800_000_000_000));
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
});
afterEach(async () => {
  vi.restoreAllMocks();
  w.close();
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});

/** Storage is full from now on. @returns how it gets room again */
function fill(): () => void {
  const { prototype } = IDBDatabase;
  const { transaction } = prototype;
  prototype.transaction = function (...given) {
    if (given[1] === 'readwrite') throw full();
    return transaction.apply(this, given);
  };
  return () => {
    prototype.transaction = transaction;
  };
}
const rename = (name: string) =>
  w.edit({ words: `Call her ${name}`, commands: [{ do: 'person.set', id: 'rosa', change: { name } }] });
const stored = async () => {
  const read = await readWhole(db, DEMO_ID);
  return read.ok ? read.whole.draft.system.people.rosa!.name : read.message;
};

describe('with storage full', () => {
  it('an edit stays on screen as not stored, holds back the next, and is stored when there is room', async () => {
    const room = fill();
    expect(rename('Rosa Delgado-Finch').ok).toBe(true);
    await w.settled();
    expect(w.view.storage.failed).toEqual({
      why: 'full',
      reason: 'The browser has no room left for it.',
      waiting: ['Call her Rosa Delgado-Finch'],
    });
    expect(w.system.people.rosa!.name).toBe('Rosa Delgado-Finch');
    expect(await stored()).toBe('Rosa Delgado');
    expect(rename('somebody else')).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('not stored yet') }],
    });
    expect(w.undo().ok).toBe(false);
    await expect(w.putInForce(w.view.draft.record.revision)).rejects.toThrow(NotStored);
    // The file holds what could not be stored.
    expect((await w.whole()).draft.system.people.rosa!.name).toBe('Rosa Delgado-Finch');
    room();
    await db.again();
    await w.settled();
    expect(w.view.storage).toEqual({ pending: 0, failed: null });
    expect(await stored()).toBe('Rosa Delgado-Finch');
    expect(w.undo().ok).toBe(true);
  });

  it('is tried again by itself', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const room = fill();
    rename('Rosa D');
    await vi.waitFor(() => expect(w.view.storage.failed).not.toBeNull());
    room();
    await vi.advanceTimersByTimeAsync(2500);
    vi.useRealTimers();
    await vi.waitFor(() => expect(w.view.storage.failed).toBeNull());
    expect(await stored()).toBe('Rosa D');
  });

  it('what is given up is taken off the screen, and nothing else', async () => {
    rename('Rosa D');
    await w.settled();
    const room = fill();
    const done = rename('Rosa E');
    await w.settled();
    await w.giveUp();
    expect(w.system.people.rosa!.name).toBe('Rosa D');
    expect(done.ok && (await done.stored)).toMatchObject([{ message: expect.stringContaining('given up') }]);
    room();
    expect(rename('Rosa F').ok).toBe(true);
    await w.settled();
    expect(await stored()).toBe('Rosa F');
  });

  it('a put in force and a deleted message wait too, and are not shown as done', async () => {
    rename('Rosa D');
    await w.settled();
    const [message] = w.view.messages;
    const room = fill();
    const deleted = w.change('messages', [message!.id], { folder: 'bin', binnedAt: 1 }, 'Delete a message');
    await w.settled();
    expect(w.view.storage.failed?.waiting).toEqual(['Delete a message']);
    expect(w.view.messages[0]!.folder).toBeUndefined();
    room();
    await db.again();
    await deleted;
    expect(w.view.messages[0]!.folder).toBe('bin');
    const refill = fill();
    const putting = w.putInForce(w.view.draft.record.revision);
    await w.settled();
    expect(w.view.storage.failed?.waiting).toEqual(['put in force']);
    expect(w.view.inForce.n).toBe(0);
    refill();
    await db.again();
    expect(await putting).toBeUndefined();
    expect(w.view.inForce.n).toBe(1);
  });

  it('reading a file in changes nothing, and says so at once', async () => {
    const other = demonstration(1_800_000_000_000, 'other');
    const room = fill();
    await expect(w.adopt(other)).rejects.toThrow('no room');
    room();
    expect(w.view.storage.failed).toBeNull();
    expect(await db.getAllKeys('businesses')).toEqual([DEMO_ID]);
  });
});

describe('a window whose database is closed under it', () => {
  it('by a newer version says so, refuses what comes, and still gives a file', async () => {
    await new Promise<void>((resolve) => {
      const newer = indexedDB.open(DB_NAME, 999);
      newer.onsuccess = () => {
        newer.result.close();
        resolve();
      };
    });
    expect(w.view.storage.failed).toMatchObject({
      why: 'newer',
      reason: expect.stringContaining('newer version'),
    });
    expect(rename('x').ok).toBe(false);
    expect((await w.whole()).draft.system.people.rosa!.name).toBe('Rosa Delgado');
  });
  it('by deleting the data says that', async () => {
    await deleteDB(DB_NAME);
    expect(w.view.storage.failed).toMatchObject({ why: 'deleted' });
    await expect(w.changeStanding((s) => s)).rejects.toThrow('deleted');
  });
});

it('an edit that another window made impossible says why, and is not shown any longer', async () => {
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  const other = opened.workspace;
  const give = (window: Workspace, id: string) =>
    window.edit({
      words: `Give ${id} 377`,
      commands: [{ do: 'person.set', id, change: { extension: '377' } }],
    });
  const [first, second] = [give(w, 'rosa'), give(other, 'pia')];
  expect(first.ok && second.ok).toBe(true);
  expect(first.ok && (await first.stored)).toEqual([]);
  expect(second.ok && (await second.stored)).toMatchObject([
    { field: 'extension', message: '377 belongs to Rosa Delgado.' },
  ]);
  expect(other.system.people.pia!.extension).not.toBe('377');
  expect(other.system.people.rosa!.extension).toBe('377');
  other.close();
});

/** Types a name, letter by letter or not, all within one moment, and opens the business anew. */
async function typedAndOpened(...names: string[]): Promise<Workspace> {
  vi.spyOn(Date, 'now').mockReturnValue(1_900_000_000_000);
  for (const name of names) {
    w.edit({
      words: 'Rename',
      mergeKey: 'name',
      commands: [{ do: 'person.set', id: 'rosa', change: { name } }],
    });
    await w.settled();
  }
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  return opened.workspace;
}

it('an edit that grew within the same moment and words is stored as it grew', async () => {
  const opened = await typedAndOpened('R', 'Ro');
  opened.undo();
  expect(opened.system.people.rosa!.name).toBe('Rosa Delgado');
  await opened.settled();
  opened.close();
});

it('what was typed and cleared again leaves nothing in storage either', async () => {
  const opened = await typedAndOpened('R', 'Rosa Delgado');
  expect(opened.view.draft).toMatchObject({ edits: [], record: { done: 0 } });
  expect(opened.undo()).toMatchObject({ ok: false });
  opened.close();
});

it('what was planned stays planned until it is in force', async () => {
  rename('Rosa D');
  await w.settled();
  await w.putInForceLater({ at: w.now() - 1, revision: w.view.draft.record.revision });
  const room = fill();
  const due = w.putInForceIfDue();
  await w.settled();
  expect((await db.get('standing', DEMO_ID))!.standing.planned).not.toBeNull();
  room();
  await db.again();
  expect(await due).toEqual({ problem: undefined });
  expect((await db.get('standing', DEMO_ID))!.standing.planned).toBeNull();
  expect(w.view.inForce.system.people.rosa!.name).toBe('Rosa D');
});
