/** Who lifts by chance: what a load run lets everybody do of whom nothing is said. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { CallEngine, NEW_CALLER, nobodyAnswers, type CallRequest } from '..';
import type { Command } from '../../system';
import { hashOf, liftsByChance, spreadAt } from './chance';
import type { Act, Lifting } from '../base/request';

const lifts = (act: Act) => act.does === 'answers';
const LIFTING: Lifting = { share: 0.6, after: { as: 'seen', sorted: [2, 4, 10] } };

it('numbers of texts are those of FNV-1a, 32 bits (test vectors of its authors: "", "a", "foobar"; from memory), halved', () =>
  expect(['', 'a', 'foobar'].map((t) => hashOf(t))).toEqual(
    [0x811c9dc5, 0xe40c292c, 0xbf9cf968].map((n) => n >>> 1),
  ));

it('lengths lie between those seen, or are of exponential spread', () => {
  expect([0, 0.25, 0.5, 0.75].map((u) => spreadAt(LIFTING.after, u))).toEqual([2, 3, 4, 7]);
  // Half of exponential lengths are under the mean times the logarithm of two (any textbook).
  expect(spreadAt({ as: 'exponential', mean: 6 }, 0.5)).toBeCloseTo(6 * Math.LN2, 12);
});

describe('somebody who is rung', () => {
  it('lifts as often as is said, and does the same however often it is asked', () => {
    const acts = Array.from({ length: 4000 }, (_, seed) => liftsByChance(LIFTING, seed, 'rosa'));
    // 0.6 of 4,000, and three standard deviations (binomial).
    expect(Math.abs(acts.filter(lifts).length - 2400)).toBeLessThan(3 * Math.sqrt(4000 * 0.6 * 0.4));
    expect(liftsByChance(LIFTING, 17, 'rosa')).toEqual(acts[17]);
    expect(
      acts.filter((a, seed) => lifts(a) === lifts(liftsByChance(LIFTING, seed, 'idris'))).length,
    ).toBeLessThan(2400);
  });
});

const TEN = Date.parse('2026-11-24T18:00:00Z');
const asks = (given: Partial<CallRequest> = {}): CallRequest => ({
  id: 'c',
  at: TEN,
  from: { kind: 'outside', number: NEW_CALLER },
  to: { kind: 'number', e164: MAIN },
  behaviour: nobodyAnswers(),
  lifting: { share: 1, after: { as: 'seen', sorted: [3] } },
  ...given,
});
const rings = (...targets: object[]): Command => ({
  do: 'plan.set',
  id: 'main-plan',
  change: {
    steps: [
      { id: 'r', kind: 'ring', targets, pattern: 'together', seconds: 18, followReach: false },
    ] as never,
  },
});
const traceOf = (request: CallRequest, ...targets: object[]) => {
  const system = edited(yard(), [rings(...targets)]);
  const engine = new CallEngine(system, allOn(system));
  engine.act(request.at, { kind: 'place', request });
  engine.advance(Infinity);
  return engine.calls.get(request.id)!.trace;
};
const answered = (request: CallRequest, ...targets: object[]) =>
  traceOf(request, ...targets).find((e) => e.kind === 'answered');
const ROSA = { kind: 'person', id: 'rosa' };

describe('in a call', () => {
  it('whoever nothing is said of lifts, so long after their phone began to sound', () => {
    const trace = traceOf(asks(), ROSA);
    const sounds = trace.find((e) => e.kind === 'leg sounding')!.t;
    expect(trace.find((e) => e.kind === 'answered')).toMatchObject({ personId: 'rosa', t: sounds + 3000 });
  });
  it('chance decides of all, whatever else is said of them, and each for themselves', () => {
    const behaviour = { ...nobodyAnswers(), people: { rosa: { does: 'is on a call' as const } } };
    expect(answered(asks({ behaviour }), ROSA)).toMatchObject({ personId: 'rosa' });
    const lifting = { share: 0.5, after: { as: 'exponential' as const, mean: 3 } };
    const who = Array.from({ length: 40 }, (_, seed) => {
      const a = answered(asks({ lifting, seed }), ROSA, { kind: 'person', id: 'idris' });
      return a?.kind === 'answered' ? a.personId : null;
    });
    expect(new Set(who)).toEqual(new Set(['rosa', 'idris', null]));
  });
  it('numbers outside do not lift', () =>
    expect(answered(asks(), { kind: 'outside', id: '+12065550143' })).toBeUndefined());
});
