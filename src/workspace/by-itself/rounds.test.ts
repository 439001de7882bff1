/** Rounds of texts in storage: one after the other, nobody twice, paused and called off. */
import { expect, it } from 'vitest';
import { DEMO_ID } from '../../../demo/lantern-cove';
import { changeRound, startRound, writeTextHabits } from '..';
import {
  becomes,
  begin,
  carry,
  db,
  errands,
  having,
  HOUR,
  later,
  MAIN,
  MINUTE,
  NOW,
  stored,
  tasks,
  texts,
  w,
} from '../../../tests/fixtures/stored';

stored(() => begin({ ...having({ followUps: {} }), texts: [], threads: [] }));

const line = (n: number) => ({
  number: `+1206555010${n}`,
  name: '',
  text: `Text ${n}`,
  parts: 1,
  at: NOW + n * 1000,
  due: NOW + n * 1000,
  why: '',
});
const made = {
  lines: [
    line(1),
    line(2),
    line(3),
    { ...line(4), text: null, at: null, due: null, why: 'They want no texts.' },
  ],
  goes: 3,
  parts: 3,
  leftOut: [{ why: 'They want no texts.', n: 1 }],
  first: NOW,
  last: NOW,
};
const words = { name: 'Spring', from: MAIN, text: 'Text {n}', consent: 'on paper' };
const round = async () => {
  const done = await startRound(w, words, made);
  if (!done.ok) throw new Error(done.message);
  return done.round.id;
};
it('goes one after the other, paused and gone on with comes to the same, and nobody gets it twice', async () => {
  const id = await round();
  becomes(NOW + 1000);
  await carry();
  expect((await texts()).map((t) => t.to)).toEqual(['+12065550101']);
  expect(await changeRound(w, id, 'pauses')).toBe(true);
  expect(await changeRound(w, id, 'pauses')).toBe(false);
  later(HOUR);
  await carry();
  expect(await texts()).toHaveLength(1);
  await changeRound(w, id, 'runs');
  await carry();
  expect(await texts()).toHaveLength(2);
  later(1000);
  await carry();
  await carry();
  expect((await texts()).map((t) => [t.to, t.text])).toEqual([
    ['+12065550101', 'Text 1'],
    ['+12065550102', 'Text 2'],
    ['+12065550103', 'Text 3'],
  ]);
});
it('called off does not go on, and what fails of it is counted and no task', async () => {
  await writeTextHabits(db, DEMO_ID, { '+12065550101': 'blocks them' });
  const id = await round();
  becomes(NOW + 1000);
  await carry();
  later(MINUTE);
  await changeRound(w, id, 'called off');
  expect(await changeRound(w, id, 'runs')).toBe(false);
  await carry();
  expect((await errands()).map((e) => e.state).toSorted()).toEqual(['failed', 'withdrawn', 'withdrawn']);
  expect(await tasks()).toEqual([]);
});
it('without a name, or for nobody, is refused and stores nothing', async () => {
  expect(await startRound(w, { ...words, name: ' ' }, made)).toMatchObject({ ok: false, field: 'name' });
  expect(await startRound(w, words, { ...made, lines: [made.lines[3]!] })).toMatchObject({ ok: false });
  expect(await errands()).toEqual([]);
});
