/** A call says when what it is in ends by itself: what counts down on screen is right. */
import { expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import { keptPin } from '../../messages';
import type { Step } from '../../system';
import { CallEngine, type Phase } from '..';

const TEN = momentOf('America/Los_Angeles', '2026-11-24', 600);
const steps: Step[] = [
  { id: 'play', kind: 'play', recordingId: 'welcome' },
  {
    id: 'menu',
    kind: 'menu',
    recordingId: 'closed',
    seconds: 5,
    tries: 1,
    dialExtension: false,
    nameKey: null,
    branches: [{ key: '1', steps: [] }],
    otherwise: [],
  },
  {
    id: 'ask',
    kind: 'ask',
    questions: [{ id: 'q', label: 'Reason', says: 'What is it about?', by: 'voice' }],
    answers: [],
  },
  {
    id: 'ring',
    kind: 'ring',
    targets: [{ kind: 'person', id: 'rosa' }],
    pattern: 'together',
    seconds: 12,
    followReach: false,
    askName: true,
  },
  { id: 'vm', kind: 'voicemail', mailboxId: 'front' },
];
const system = edited(yard(), [{ do: 'plan.set', id: 'main-plan', change: { steps } }]);

/** What a call is in, one after the other, with when each says it ends and when it did; nobody does anything. */
function phasesOf(engine: CallEngine, id: string): { phase: Phase; says: number | null; ended: number }[] {
  const found: { phase: Phase; says: number | null; ended: number }[] = [];
  for (let due = engine.next(); due !== undefined; due = engine.next()) {
    const call = engine.calls.get(id)!;
    const { phase, until, turn } = call;
    engine.advance(due);
    if (call.turn !== turn) found.push({ phase, says: until, ended: due });
  }
  return found;
}

it('in a recording, a menu, a question, a name, ringing, a greeting and a message', () => {
  const engine = new CallEngine(system, allOn(system));
  const from = { kind: 'outside', number: '+12065550187' } as const;
  engine.act(TEN, {
    kind: 'place',
    request: { id: 'a', at: TEN, from, to: { kind: 'number', e164: MAIN }, behaviour: null },
  });
  engine.advance(TEN);
  const phases = phasesOf(engine, 'a');
  expect(phases.map((p) => p.phase)).toEqual([
    'prompt',
    'menu',
    'asked',
    'asked',
    'naming',
    'ringing',
    'greeting',
    'tone',
    'message',
  ]);
  for (const { phase, says, ended } of phases) if (phase !== 'tone') expect(says, phase).toBe(ended);
});

it('while somebody listens by keypad', () => {
  const pins = { 'rosa-box': { value: keptPin('4827', 'salt'), at: 0, by: 'Rosa' } };
  const engine = new CallEngine(system, { ...allOn(system), pins });
  engine.held = () => [{ id: 'm', from: 'Ada', fromNumber: null, at: TEN, seconds: 7, heard: false }];
  engine.act(TEN, {
    kind: 'place',
    request: {
      id: 'a',
      at: TEN,
      from: { kind: 'phone', phoneId: 'rosa-desk' },
      to: { kind: 'digits', digits: '*98' },
      behaviour: null,
    },
  });
  engine.advance(TEN);
  let at = TEN;
  const press = (keys: string) => {
    for (const key of keys) engine.act((at += 100), { kind: 'press', callId: 'a', key });
    engine.advance(at);
    return engine.calls.get('a')!.until;
  };
  expect(press('4')).toBe(at + 4000);
  press('827#');
  // What is said takes 3 s, the message 7 s.
  expect(press('1')! - at).toBeGreaterThan(7000);
  expect(engine.next()).toBe(engine.calls.get('a')!.until);
});
