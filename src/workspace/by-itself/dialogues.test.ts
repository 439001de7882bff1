/** Dialogues in storage: each text is answered once, a person is left alone with nothing, and a follow-up begins one. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { dialogueStarters } from '../../core/dialogues';
import { conversations } from '../../core/story';
import type { Dialogue } from '../../core/system';
import { Changes, DB_NAME, openDatabase, receiveText, Workspace, writeWhole, type Db } from '..';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const ADA = '+12065550101';
const MAIN = '+13605550142';
let n = 0;
const dialogues = dialogueStarters('rosa', () => `s${(n += 1)}`).map((d, i): Dialogue => ({
  ...d,
  id: `d${i}`,
}));

let db: Db;
let w: Workspace;
let changes: Changes;
let now = NOW;
beforeEach(async () => {
  now = NOW;
  db = await openDatabase();
  changes = new Changes();
  const whole = demonstration(NOW);
  const system = { ...whole.draft.system, dialogues: Object.fromEntries(dialogues.map((d) => [d.id, d])) };
  const versions = [{ ...whole.versions[0]!, system }];
  await writeWhole(db, { ...whole, draft: { ...whole.draft, system }, versions, texts: [], threads: [] });
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
  w.now = () => now;
});
afterEach(async () => {
  w.close();
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});
const write = async (text: string, from = ADA) => {
  now += 60_000;
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
