/** Asked after a talk: only whoever stays, once we have hung up; the talk ends with the talk, and the answers are kept. */
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../../../demo/lantern-cove';
import { allOn } from '../../../../../tests/fixtures/yard';
import { afterCall } from '../../../dialogues';
import { momentOf } from '../../../hours';
import type { Dialogue, System } from '../../../system';
import {
  CallEngine,
  outcomeOf,
  recordedIn,
  sentence,
  SnapshotRecord,
  timesOf,
  type CallRequest,
  type Trace,
} from '../..';

const NOON = momentOf('America/Los_Angeles', '2026-11-24', 12 * 60 + 5);
const MAIN = '+13605550142';
const demo = demoSystem();
const survey: Dialogue = {
  id: 'how-was-it',
  name: 'How was it',
  words: [],
  numberIds: [],
  days: 3,
  steps: [
    {
      id: 'a',
      only: null,
      kind: 'ask',
      label: 'Satisfied',
      text: 'How was it, {first name|dear caller}?',
      by: '1 to 5',
    },
    {
      id: 'b',
      only: { is: 'at most', label: 'Satisfied', n: 2 },
      kind: 'ask',
      label: 'Why',
      text: 'What went wrong?',
      by: 'words',
    },
    {
      id: 'c',
      only: { is: 'at most', label: 'Satisfied', n: 2 },
      kind: 'task',
      personId: 'rosa',
      text: 'Call them: {why}',
    },
    {
      id: 'd',
      only: { is: 'at least', label: 'Satisfied', n: 4 },
      kind: 'say',
      text: 'Tell others: https://lanterncove.example/say',
    },
    { id: 'e', only: null, kind: 'say', text: 'Thank you for your answer.' },
  ],
};
const system: System = {
  ...demo,
  dialogues: { 'how-was-it': survey },
  numbers: Object.fromEntries(
    Object.entries(demo.numbers).map(([id, n]) => [
      id,
      n.e164 === MAIN ? { ...n, afterwardsId: 'how-was-it' } : n,
    ]),
  ),
};
const request = (says: Record<string, string>, hangsUp: boolean): CallRequest => ({
  id: 'c',
  at: NOON,
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'number', e164: MAIN },
  behaviour: {
    people: { rosa: { does: 'answers', after: 4 } },
    phones: {},
    otherwise: { does: 'nothing' },
    caller: { hangsUpAfter: null, talks: 60, message: 12, says },
    ...(hangsUp ? { then: [{ personId: 'rosa', after: 30, doing: { does: 'hangs up' } }] } : {}),
  },
});
function run(says: Record<string, string>, hangsUp = true, stored = false): Trace {
  let engine = new CallEngine(system, allOn(system));
  const one = request(says, hangsUp);
  engine.act(NOON, { kind: 'place', request: one });
  if (stored)
    // Stored and taken up again every second: nothing changes by it.
    for (let t = NOON; t < NOON + 120_000; t += 1000) {
      engine.advance(t);
      const snapshot = SnapshotRecord.parse(JSON.parse(JSON.stringify(engine.snapshot())));
      engine = CallEngine.restore(snapshot, allOn(system));
    }
  engine.advance(Infinity);
  return engine.calls.get('c')!.trace;
}
const after = (trace: Trace, theirs: string | null = '+12065550187') =>
  afterCall(survey, trace, { id: 'run', callId: 'c', ours: MAIN, theirs }, NOON, () => '');

describe('whoever stays', () => {
  it('is asked once we have hung up, and the talk is as long as it was', () => {
    const trace = run({ Satisfied: '2', Why: 'I waited long' });
    const talk = timesOf(run({}, false));
    expect(timesOf(trace).talked).toBe(30);
    expect(talk.talked).toBe(60);
    expect(trace.filter((e) => e.kind === 'asked').map((e) => e.kind === 'asked' && e.says)).toEqual([
      'How was it, dear caller? Press or say a number from 1 to 5.',
      'What went wrong?',
    ]);
    expect(outcomeOf(trace)!.outcome).toMatchObject({ kind: 'answered', personId: 'rosa' });
    expect(sentence(trace, system)).toContain('asked afterwards');
    expect(recordedIn(trace).every((r) => r.spans.every((s) => s.to <= 60_000))).toBe(true);
  });
  it('leaves answers, a task where it was bad, and reads what is for reading where it was good', () => {
    const bad = after(run({ Satisfied: '2', Why: 'I waited long' }))!;
    expect(bad.run).toMatchObject({ state: 'done', put: ['Satisfied', 'Why'], theirs: '+12065550187' });
    expect(bad.tasks).toEqual([{ personId: 'rosa', text: 'Call them: I waited long' }]);
    expect(bad.texts).toEqual([]);
    const good = after(run({ Satisfied: 'five' }))!;
    expect(good.run.answers).toEqual([{ label: 'Satisfied', said: 'five', value: 5 }]);
    expect(good.tasks).toEqual([]);
    expect(good.texts).toEqual(['Tell others: https://lanterncove.example/say']);
  });
  it('and says nothing, or nothing that is understood, leaves no answer, no task, no text', () => {
    for (const said of ['', 'purple / green']) {
      const none = after(run({ Satisfied: said }))!;
      expect(none.run).toMatchObject({ state: 'left', answers: [], put: ['Satisfied'] });
      expect([...none.tasks, ...none.texts]).toEqual([]);
    }
  });
  it('the address of the web is not read out, thanks are', () => {
    const told = run({ Satisfied: '5' }).flatMap((e) => (e.kind === 'told' ? e.says : []));
    expect(told).toEqual(['Thank you for your answer.']);
  });
  it('stored and taken up again at any moment, it goes as it would', () =>
    expect(run({ Satisfied: '1', Why: 'rude' }, true, true)).toEqual(run({ Satisfied: '1', Why: 'rude' })));
});

it('whoever hangs up first is asked nothing', () => {
  const trace = run({ Satisfied: '2' }, false);
  expect(trace.some((e) => e.kind === 'asked afterwards')).toBe(false);
  expect(after(trace)).toBeNull();
});

it('a caller who hangs up in the middle has talked, and what was answered until then is kept', () => {
  const engine = new CallEngine(system, allOn(system));
  engine.act(NOON, { kind: 'place', request: { ...request({ Satisfied: '2' }, true) } });
  let t = NOON;
  engine.advance(t);
  const call = () => engine.calls.get('c')!;
  while (!call().trace.some((e) => e.kind === 'asked' && e.label === 'Why')) engine.advance((t += 500));
  engine.act(t, { kind: 'hang up', callId: 'c', by: 'caller' });
  engine.advance(Infinity);
  expect(outcomeOf(call().trace)!.outcome.kind).toBe('answered');
  expect(after(call().trace)!.run).toMatchObject({
    state: 'left',
    step: 1,
    answers: [{ label: 'Satisfied', value: 2 }],
  });
});
