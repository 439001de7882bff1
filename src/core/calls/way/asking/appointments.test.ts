/** An appointment that was made is given back or moved by voice: by its code, from the number that made it, and never twice. */
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../../../demo/lantern-cove';
import { allOn } from '../../../../../tests/fixtures/yard';
import { callersOf } from '../../../coverage/callers';
import { momentOf } from '../../../hours';
import type { System } from '../../../system';
import {
  CallEngine,
  sentence,
  simulate,
  SnapshotRecord,
  type CallRequest,
  type Taken,
  type Trace,
} from '../..';

const ZONE = 'America/Los_Angeles';
const NOON = momentOf(ZONE, '2026-11-24', 12 * 60 + 5);
const MAIN = '+13605550142';
const ME = '+12065550187';
const demo = demoSystem();
const mainNumber = Object.values(demo.numbers).find((n) => n.e164 === MAIN)!;
const system: System = {
  ...demo,
  numbers: { ...demo.numbers, [mainNumber.id]: { ...mainNumber, planId: 'asks-first' } },
};
const at = (day: string, hour: number) => momentOf(ZONE, day, hour * 60);
const one = (id: string, from: number, code: string, number: string | null, off = false): Taken => ({
  id,
  from,
  to: from + 3_600_000,
  code,
  number,
  off,
});
const MINE = one('mine', at('2026-11-26', 8), '12345', ME);
const KEPT = [
  MINE,
  one('theirs', at('2026-11-27', 8), '54321', '+13605550199'),
  one('gone', at('2026-11-27', 11), '33333', ME, true),
  one('before', at('2026-11-23', 8), '44444', ME),
  one('nobody', at('2026-11-30', 8), '00000', null),
];
const BEFORE = { Wish: '', 'Haul out': 'no', 'Has one': 'yes' };
const call = (said: string, change: Partial<CallRequest> = {}): CallRequest => ({
  id: 'c',
  at: NOON,
  from: { kind: 'outside', number: ME },
  to: { kind: 'number', e164: MAIN },
  behaviour: {
    people: {},
    phones: {},
    otherwise: { does: 'nothing' },
    caller: { hangsUpAfter: null, talks: 10, message: 5, says: { ...BEFORE, Appointment: said } },
  },
  ...change,
});
const run = (request: CallRequest, kept: readonly Taken[] = KEPT): Trace =>
  simulate(system, allOn(system), [request], () => kept).get('c')!;
const heard = (trace: Trace) =>
  trace.flatMap((e) => (e.kind === 'asked' || e.kind === 'told' ? [e.says] : [])).join(' ');
const givenBack = (trace: Trace) => trace.flatMap((e) => (e.kind === 'given back' ? [e.id] : []));
const booked = (trace: Trace) =>
  trace.flatMap((e) => (e.kind === 'booked' ? [{ from: e.from, instead: e.instead }] : []));

it.each(['12345 / 1', '1 2 3 4 5 / give it back', 'one two, three four five / cancel it please'])(
  'is given back by “%s”',
  (said) => {
    const trace = run(call(said));
    expect(givenBack(trace)).toEqual(['mine']);
    expect(heard(trace)).toContain('Thursday, 26 November 2026 at 08:00: to give it back press 1');
    expect(heard(trace)).toContain('Your appointment Thursday, 26 November 2026 at 08:00 is given back.');
    expect(sentence(trace, system)).toContain('gave back a time of The slipway');
  },
);
it('is moved: the old time stands until the new one is had', () => {
  const trace = run(call('12345 / another time / Friday / 2'));
  // Friday at eight is somebody else's, and what was given back is free.
  expect(booked(trace)).toEqual([{ from: at('2026-11-27', 11), instead: 'mine' }]);
  expect(givenBack(trace)).toEqual([]);
  expect(heard(trace)).toContain('Moved: Friday, 27 November 2026 at 11:00.');
  expect(sentence(trace, system)).toContain('moved to another time of The slipway');
});
it.each(['12345 / 3', '12345 / 2 / none of those', '12345 / leave it', '12345', '12345 / purple / green'])(
  'stays as it is by “%s”',
  (said) => {
    const trace = run(call(said));
    expect(heard(trace)).toContain('It stays as it is.');
    expect([...givenBack(trace), ...booked(trace)]).toEqual([]);
  },
);
it.each([
  ['the code of somebody else', '54321'],
  ['one that was given back', '33333'],
  ['one that is over', '44444'],
  ['one that belongs to nobody', '00000'],
  ['one of too few digits', '1234'],
])('%s finds none, and is not tried for ever', (_, code) => {
  const trace = run(call(Array(9).fill(`${code} / 1`).join(' / ')));
  expect([...givenBack(trace), ...booked(trace)]).toEqual([]);
  expect(heard(trace).match(/We know no appointment with that code for your number/g)).toHaveLength(2);
  expect(heard(trace)).toContain('One of us sees to it.');
});
it('a code alone does nothing from another number, nor from a hidden one', () => {
  for (const number of ['+13605550134', null])
    expect(givenBack(run(call('12345 / 1', { from: { kind: 'outside', number } })))).toEqual([]);
});
it('two who call at once with the same code give it back once, as it is kept meanwhile', () => {
  const kept = KEPT.map((k) => ({ ...k }));
  const engine = new CallEngine(system, allOn(system));
  engine.taken = () => kept;
  engine.act(NOON, { kind: 'place', request: call('12345 / 1', { id: 'a' }) });
  engine.act(NOON + 9000, { kind: 'place', request: call('12345 / 1', { id: 'b' }) });
  for (let t = NOON; t < NOON + 180_000; t += 500) {
    engine.advance(t);
    if (givenBack(engine.calls.get('a')!.trace).length) kept[0]!.off = true;
  }
  engine.advance(Infinity);
  expect(givenBack(engine.calls.get('b')!.trace)).toEqual([]);
  expect(heard(engine.calls.get('b')!.trace)).toContain('has just been changed');
});

describe('in a rehearsal', () => {
  it('“their code” is the code of one they have; where they have none, one is made up', () => {
    expect(givenBack(run(call('their code / 1')))).toEqual(['mine']);
    const none = run(call('their code / 1'), []);
    expect(givenBack(none)).toHaveLength(1);
    expect(heard(none)).toContain('is given back');
  });
  it('is said by nobody who really calls', () => {
    const engine = new CallEngine(system, allOn(system));
    engine.taken = () => KEPT;
    const live = () => engine.calls.get('c')!;
    engine.act(NOON, { kind: 'place', request: call('', { behaviour: null }) });
    let t = NOON;
    engine.advance(t);
    const asked = () => live().trace.findLast((e) => e.kind === 'asked')?.label;
    for (let n = 0; n < 400 && asked() !== 'Appointment'; n++) {
      engine.advance((t += 500));
      if (live().asking?.part === 'answer')
        engine.act(t, { kind: 'say', callId: 'c', text: asked() === 'Has one' ? 'yes' : 'no' });
    }
    expect(asked()).toBe('Appointment');
    engine.act(t, { kind: 'say', callId: 'c', text: 'their code' });
    engine.advance((t += 1000));
    expect(heard(live().trace)).toContain('We know no appointment with that code');
    // By keys: the fifth digit is the last, and a square key behind it does no harm.
    for (const key of '12345#') engine.act((t += 200), { kind: 'press', callId: 'c', key });
    engine.advance((t += 1000));
    expect(heard(live().trace)).toContain('to give it back press 1');
    engine.act(t, { kind: 'press', callId: 'c', key: '1' });
    engine.advance(t + 1000);
    expect(givenBack(live().trace)).toEqual(['mine']);
  });
  it('a caller who changes an appointment is among those that coverage knows, where a branch asks for it', () => {
    const plan = system.plans['asks-first']!;
    const [first, ...rest] = plan.steps;
    if (first?.kind !== 'ask') throw new Error('The plan asks first.');
    const branches = [{ test: { is: 'yes' as const, label: 'Appointment' }, steps: [] }];
    const asking = {
      ...system,
      plans: { ...system.plans, 'asks-first': { ...plan, steps: [{ ...first, branches }, ...rest] } },
    };
    const number = asking.numbers[mainNumber.id]!;
    const caller = callersOf(asking, number).callers.find((c) => c.words.includes('Appointment'))!;
    const request = { ...caller.callAt(number, NOON), id: 'c' };
    const trace = simulate(asking, allOn(asking), [request]).get('c')!;
    expect(givenBack(trace)).toHaveLength(1);
    expect(trace.some((e) => e.kind === 'sorted' && e.branch === 0)).toBe(true);
  });
});

it('stored and taken up again at any moment, it goes as it would', () => {
  const request = call('99999 / 12345 / 2 / Friday / 1');
  let engine = new CallEngine(system, allOn(system));
  engine.taken = () => KEPT;
  engine.act(NOON, { kind: 'place', request });
  for (let t = NOON; t < NOON + 120_000; t += 2500) {
    engine.advance(t);
    engine = CallEngine.restore(
      SnapshotRecord.parse(JSON.parse(JSON.stringify(engine.snapshot()))),
      allOn(system),
    );
    engine.taken = () => KEPT;
  }
  engine.advance(Infinity);
  expect(engine.calls.get('c')!.trace).toEqual(run(request));
});
