/** The rows of the log beside their records: never behind them, whoever writes, and whatever windows there are. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { rowKey } from '../../core/story';
import { pastOf } from '../../standins/past/past';
import {
  Changes,
  DB_NAME,
  deleteEntries,
  dropPast,
  forget,
  KeptLog,
  NEAR_DAYS,
  openDatabase,
  receiveText,
  storePast,
  Workspace,
  writeWhole,
  type Db,
} from '..';
import { isPast } from '../../standins/past/past';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const DAY = 86_400_000;
const HARROW = '+13605550134';
let db: Db;
let w: Workspace;
let changes: Changes;
const open = async () => {
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
  w.now = () => NOW;
};
beforeEach(async () => {
  db = await openDatabase();
  changes = new Changes();
  const whole = demonstration(NOW);
  await writeWhole(db, whole);
  const past = pastOf(DEMO_ID, whole.draft.system, whole.standing.standing, NOW, 60);
  // One of eight: what takes long is storage as it is played here.
  const some = past.calls.filter((_, i) => i % 8 === 0);
  const ids = new Set(some.map((c) => c.id));
  await storePast(db, DEMO_ID, {
    calls: some,
    messages: past.messages.filter((m) => ids.has(m.id)),
    texts: past.texts.slice(-100),
  });
  await open();
});
afterEach(async () => {
  w.close();
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});

const load = async (): Promise<KeptLog> => {
  const kept = new KeptLog(db, DEMO_ID);
  await kept.load();
  return kept;
};
/** What a log worked out of all records anew has. */
async function anew(): Promise<unknown[]> {
  const fresh = new KeptLog(db, DEMO_ID);
  // Of no stored days, whatever there are.
  Object.assign(fresh, { fromDays: () => Promise.resolve(false) });
  await fresh.load();
  return rowsOf(fresh);
}
const rowsOf = (kept: KeptLog): unknown[] =>
  (JSON.parse(JSON.stringify([...kept.log.rows()])) as Parameters<typeof rowKey>[0][]).sort((a, b) =>
    rowKey(a) < rowKey(b) ? -1 : 1,
  );

describe('the log beside its records', () => {
  it('is read again from its days, the same as from its records', async () => {
    const first = await load();
    await first.save();
    const second = new KeptLog(db, DEMO_ID);
    let shown = 0;
    // From days it is there at once, and whole.
    await second.load(() => void shown++);
    expect(shown).toBe(1);
    expect(second.log.size).toBeGreaterThan(400);
    expect(rowsOf(second)).toEqual(rowsOf(first));
    expect(rowsOf(second)).toEqual(await anew());
  });

  it('is never behind, whoever writes', async () => {
    const kept = await load();
    await kept.save();
    const calls = await db.getAllFromIndex('calls', 'business', DEMO_ID);
    const old = calls.find((c) => c.at < NOW - 50 * DAY)!;
    expect(w.view.calls.some((c) => c.id === old.id)).toBe(false);
    // A note to a call of long ago, which the pages do not have; taken back; a call that is done.
    const back = await w.change('calls', [old.id], { note: 'a keel of oak' });
    expect(await kept.catchUp()).toBe(true);
    expect(kept.log.row(`call ${old.id}`)).toMatchObject({ noted: true });
    expect(kept.log.row(`call ${old.id}`)!.facts.text).toContain('a keel of oak');
    await back();
    await w.change('calls', [calls.at(-1)!.id], { answeredAt: NOW });
    await deleteEntries(w, { calls: [calls.at(-2)!.id] }, 'Rosa');
    await receiveText(w, { from: HARROW, to: '+13605550142', text: 'Is she afloat?' });
    await forget(db, DEMO_ID, ['+12065550115'], 'Rosa', NOW);
    await kept.catchUp();
    expect(rowsOf(kept)).toEqual(await anew());
    expect(kept.log.with(['+12065550115'])).toEqual([]);
    await kept.save();
    expect(rowsOf(await load())).toEqual(await anew());
  });

  it('hears of what was written while nobody looked, and of a business that was put in its place', async () => {
    await (await load()).save();
    await dropPast(db, DEMO_ID, (id) => isPast(id) && id.endsWith('7'));
    const kept = await load();
    expect(rowsOf(kept)).toEqual(await anew());
    await kept.save();
    const { calls } = demonstration(NOW);
    await writeWhole(db, demonstration(NOW));
    await kept.catchUp();
    expect([...kept.log.rows()].filter((r) => r.kind === 'call')).toHaveLength(calls.length);
  });

  it('of two windows the one that is behind does not write over the other, and finds what it missed', async () => {
    const [a, b] = [await load(), await load()];
    await a.save();
    const [first, second] = (await db.getAllFromIndex('calls', 'business', DEMO_ID)).slice(-2);
    await w.change('calls', [first!.id], { note: 'one' });
    await a.catchUp();
    await w.change('calls', [second!.id], { note: 'two' });
    await b.catchUp();
    await b.save();
    await a.save();
    expect((await load()).log.row(`call ${second!.id}`)!.noted).toBe(true);
    // What both were noted by is let go of, but for the last.
    expect(await db.getAllKeys('journal')).toHaveLength(1);
    await w.change('calls', [first!.id], { note: undefined });
    await a.catchUp();
    expect(rowsOf(a)).toEqual(await anew());
  });

  it('what is damaged of it is worked out anew, and a record that cannot be read is told', async () => {
    await (await load()).save();
    const { day } = (await db.getAllFromIndex('days', 'business', DEMO_ID))[3]!;
    const [some] = (await db.getAllFromIndex('calls', 'business', DEMO_ID)).filter((c) => isPast(c.id));
    await db.write('bench', async (start) => {
      const tx = start('days', 'calls');
      await tx.objectStore('days').put({ businessId: DEMO_ID, day, rows: '[{"id":' });
      await tx.objectStore('calls').put({ ...some!, trace: 'gone' as never });
      await tx.done;
    });
    const kept = await load();
    expect(rowsOf(kept)).toEqual(await anew());
    expect(kept.unread).toBe(1);
    expect(kept.log.has(`call ${some!.id}`)).toBe(false);
  });

  it('a transaction that fails notes nothing', async () => {
    const before = await db.getAllKeys('journal');
    await expect(
      db.write('calls', async (start) => {
        const tx = start('calls');
        tx.objectStore('calls')
          .delete('past-1')
          .catch(() => {});
        await Promise.resolve();
        tx.abort();
        throw new Error('It was not to be.');
      }),
    ).rejects.toThrow('It was not to be.');
    expect(await db.getAllKeys('journal')).toEqual(before);
  });
});

it('pages have the newest calls alone; the file has all', async () => {
  const all = await db.getAllFromIndex('calls', 'business', DEMO_ID);
  const newest = Math.max(...all.map((c) => c.at));
  expect(w.view.calls.map((c) => c.id).sort()).toEqual(
    all
      .filter((c) => c.at >= newest - NEAR_DAYS * DAY)
      .map((c) => c.id)
      .sort(),
  );
  expect(w.view.calls.length).toBeLessThan(all.length);
  expect((await w.whole()).calls).toHaveLength(all.length);
});
