/** Dialogues in storage: each text is answered once, a person is left alone with nothing, and a follow-up begins one. */
import { expect, it } from 'vitest';
import { dialogueStarters } from '../../core/dialogues';
import { conversations } from '../../core/story';
import type { Dialogue } from '../../core/system';
import { receiveText } from '..';
import { ADA, begin, byId, having, later, MAIN, MINUTE, stored, w } from '../../../tests/fixtures/stored';

let n = 0;
const dialogues = dialogueStarters('rosa', () => `s${(n += 1)}`).map((d, i): Dialogue => ({
  ...d,
  id: `d${i}`,
}));

stored(() => begin({ ...having({ dialogues: byId(dialogues) }), texts: [], threads: [] }));
const write = async (text: string, from = ADA) => {
  later(MINUTE);
  await receiveText(w, { from, to: MAIN, text });
};
const said = () => w.view.texts.filter((t) => t.way === 'out').map((t) => t.text);
const waits = () =>
  conversations(w.view.texts, w.view.threads, w.system).filter((c) => c.waitsSince !== null);

it('a word is answered, and nobody has to see to it; what it does not know waits for a person', async () => {
  await write('When are you open?');
  expect(said()).toEqual(['The yard is open Monday to Friday from 8 to 17, on Saturday until noon.']);
  expect(waits()).toEqual([]);
  await write('And can you lift 12 t?');
  expect(said()).toHaveLength(1);
  expect(waits().map((c) => c.theirs)).toEqual([ADA]);
});

it('asks, keeps what is answered, makes the task and hands over; another caller has a dialogue of their own', async () => {
  await write('I need a repair');
  await write('A repair', '+12065550102');
  await write('Sloop, 9 m');
  expect(w.view.runs.map((r) => [r.theirs, r.step])).toEqual([
    [ADA, 1],
    ['+12065550102', 0],
  ]);
  await write('Yes');
  expect(w.view.runs[0]).toMatchObject({
    state: 'handed over',
    answers: [{ said: 'Sloop, 9 m' }, { value: 1 }],
  });
  expect(w.view.tasks).toMatchObject([
    { text: 'Call them today about Sloop, 9 m', other: ADA, callBack: true },
  ]);
  expect(waits().map((c) => c.theirs)).toEqual([ADA]);
});

it('a stop in the middle ends it, is confirmed, and the same words begin nothing', async () => {
  await write('I need a repair');
  await write('stop');
  expect(said().at(-1)).toContain('you get no more texts from us');
  expect(w.view.runs[0]).toMatchObject({ state: 'stopped' });
});
