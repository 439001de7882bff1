/** Call lists in storage: three people at one list at once call nobody twice, and what follows is stored with the call or not at all. */
import { expect, it } from 'vitest';
import { usualOutcomes } from '../../core/call-lists';
import { whereaboutsOf } from '../../core/numbering';
import { readReceivers } from '../../core/rounds';
import { changeCallList, endCall, makeCallList, putBack, takeNext, Workspace } from '..';
import { begin, stored, w, window } from '../../../tests/fixtures/stored';

const ZONE = 'America/Los_Angeles';
const where = (number: string) => whereaboutsOf(number, 'US', ZONE);
/** Somebody's window. */
async function windowOf(by: string): Promise<Workspace> {
  const own = await window();
  own.by = by;
  return own;
}
stored(async () => {
  await begin();
  w.by = 'Mei';
});
const words = { name: 'Spring', selling: false, registry: null, script: '', outcomes: usualOutcomes() };
async function listOf(n: number, change = {}) {
  const text = Array.from({ length: n }, (_, i) => `206 555 01${String(i + 10)}`).join('\n');
  const made = await makeCallList(w, { ...words, ...change }, readReceivers(text, w.system).receivers);
  if (!made.ok) throw new Error(made.message);
  return made.list.id;
}
const take = async (who: Workspace, id: string) => {
  const next = await takeNext(who, id, ZONE, where);
  return 'is' in next && next.is === 'somebody' ? next.entry : null;
};

it('three who ask at once get three people; whoever asks again has the same; nobody is called twice', async () => {
  const id = await listOf(9);
  const three = [w, await windowOf('Rosa'), await windowOf('Idris')];
  const called: string[] = [];
  for (let round = 0; round < 4; round++) {
    const taken = await Promise.all(three.map((who) => take(who, id)));
    const there = taken.filter((e) => e !== null);
    expect(new Set(there.map((e) => e.number)).size).toBe(there.length);
    expect((await take(w, id))?.number).toBe(taken[0]?.number);
    await Promise.all(
      taken.map(async (entry, i) => {
        if (!entry) return;
        called.push(entry.number);
        expect(await endCall(three[i]!, entry.id, 'reached', '', ZONE)).toMatchObject({ ok: true });
      }),
    );
  }
  expect(called).toHaveLength(9);
  expect(new Set(called).size).toBe(9);
});

it('a colleague’s cannot be ended by another; put back they are free', async () => {
  const id = await listOf(1);
  const rosa = await windowOf('Rosa');
  const entry = (await take(w, id))!;
  expect(await endCall(rosa, entry.id, 'reached', '', ZONE)).toMatchObject({
    ok: false,
    message: 'Mei has them before themselves.',
  });
  await putBack(rosa, entry.id);
  expect(await take(rosa, id)).toBeNull();
  await putBack(w, entry.id);
  expect((await take(rosa, id))?.id).toBe(entry.id);
});

it('who wants no calls is called from no list any more, until that is taken back', async () => {
  const id = await listOf(1);
  const other = await listOf(1, { name: 'Other' });
  const entry = (await take(w, id))!;
  const done = await endCall(w, entry.id, 'never', 'Please no', ZONE);
  if (!done.ok) throw new Error(done.message);
  expect(await takeNext(w, other, ZONE, where)).toEqual({ is: 'over' });
  await w.refresh('dealings');
  expect(await makeCallList(w, words, readReceivers('206 555 0110', w.system).receivers)).toMatchObject({
    ok: false,
    message: 'There is nobody on it who may be called.',
  });
  await done.back();
  expect((await take(w, other))?.number).toBe(entry.number);
});

it('a task comes of an outcome, and goes with it when that is taken back', async () => {
  const id = await listOf(1);
  const entry = (await take(w, id))!;
  const done = await endCall(w, entry.id, 'wants', 'A new mast', ZONE);
  expect(w.view.tasks).toMatchObject([
    { text: 'Wants something of us: +12065550110. A new mast', by: '2026-11-25' },
  ]);
  if (done.ok) await done.back();
  expect(w.view.tasks).toEqual([]);
  expect(w.view.listed[0]).toMatchObject({ state: 'taken', calls: [] });
});

it('a list for selling that was not held against the registry, or rests, gives nobody out; wrong changes change nothing', async () => {
  const id = await listOf(1, { selling: true });
  expect(await takeNext(w, id, ZONE, where)).toMatchObject({
    ok: false,
    message: expect.stringContaining('registry') as string,
  });
  await changeCallList(w, id, { registry: { on: '2026-11-20', how: 'by file' } });
  expect(await take(w, id)).not.toBeNull();
  expect(await changeCallList(w, id, { outcomes: [] })).toMatchObject({
    ok: false,
    message: 'Say how a call can end.',
  });
  await changeCallList(w, id, { rests: true });
  expect(await takeNext(w, id, ZONE, where)).toMatchObject({ message: 'The list rests.' });
});
