/**
 * The engine against queueing theory: with calls that come at random (Poisson) and talks of exponential length a group
 * that turns callers away when all are on calls must lose as many as Erlang's first formula says, and a queue must let as
 * many wait as his second says (A. K. Erlang, "Solution of some problems in the theory of probabilities of significance in
 * automatic telephone exchanges", 1917), within the simulation's own confidence interval.
 */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { newPerson, newPhone, newQueue, type Command, type Step, type System } from '../../system';
import { drawn } from '../rules/chance';
import { simulate, type CallRequest, type Trace } from '..';

/** Erlang B by its recursion: the share of calls lost with n lines and a offered erlangs. */
function erlangB(n: number, a: number): number {
  let b = 1;
  for (let i = 1; i <= n; i++) b = (a * b) / (i + a * b);
  return b;
}
/** Erlang C: the share of calls that wait. */
function erlangC(n: number, a: number): number {
  const b = erlangB(n, a);
  return (n * b) / (n - a * (1 - b));
}

// Values as the printed tables have them (from memory).
it('the formulas are right', () => {
  expect(erlangB(5, 3)).toBeCloseTo(0.1101, 4);
  expect(erlangB(10, 5)).toBeCloseTo(0.0184, 4);
  expect(erlangC(3, 2)).toBeCloseTo(0.4444, 4);
});

const MEAN_TALK_S = 120;

/** People with a desk phone each that sounds at once. */
const crew = (n: number): Command[] =>
  Array.from({ length: n }, (_, i) => [
    {
      do: 'person.add' as const,
      value: newPerson({ id: `a${i}`, name: `Agent ${i}`, extension: String(400 + i) }),
    },
    {
      do: 'phone.add' as const,
      value: newPhone({
        id: `a${i}-desk`,
        name: 'Desk phone',
        kind: 'desk',
        personId: `a${i}`,
        alertDelay: 0,
      }),
    },
  ]).flat();

const plan = (steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });

/** So many calls with a given load, each answered at once by whoever is free. */
function traffic(calls: number, erlangs: number, seed: number): CallRequest[] {
  const between = (MEAN_TALK_S / erlangs) * 1000;
  let at = Date.UTC(2026, 10, 24);
  return Array.from({ length: calls }, (_, i) => {
    at += -Math.log(1 - drawn(seed, 2 * i)) * between;
    return {
      id: `c${i}`,
      at,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: MAIN },
      behaviour: {
        people: {},
        phones: {},
        otherwise: { does: 'answers', after: 0 },
        caller: {
          hangsUpAfter: null,
          talks: -Math.log(1 - drawn(seed, 2 * i + 1)) * MEAN_TALK_S,
          message: 0,
        },
      },
    };
  });
}

/** The share of calls for which something holds, with the half-width of its 99.7 % interval by the method of batch means. */
function share(system: System, requests: CallRequest[], holds: (trace: Trace) => boolean) {
  const traces = simulate(system, allOn(system), requests);
  const batches = 25;
  const size = Math.floor(requests.length / batches);
  const means = Array.from({ length: batches }, (_, b) => {
    const own = requests.slice(b * size, (b + 1) * size);
    return own.filter((r) => holds(traces.get(r.id)!)).length / own.length;
  });
  const mean = means.reduce((a, m) => a + m, 0) / batches;
  const variance = means.reduce((a, m) => a + (m - mean) ** 2, 0) / (batches - 1);
  return { mean, half: 3 * Math.sqrt(variance / batches) };
}

describe('with random traffic', () => {
  it.each([
    { n: 5, a: 3 },
    { n: 3, a: 3 },
  ])('a group of $n offered $a erlangs loses what Erlang B says', ({ n, a }) => {
    const people = Array.from({ length: n }, (_, i) => ({ kind: 'person' as const, id: `a${i}` }));
    const system = edited(yard(), [
      ...crew(n),
      plan([
        {
          id: 'r',
          kind: 'ring',
          targets: people,
          pattern: 'in order',
          seconds: 18,
          followReach: false,
          branches: [{ way: 'all on calls', steps: [{ id: 'busy', kind: 'end', how: 'busy' }] }],
        },
        { id: 'vm', kind: 'voicemail', mailboxId: 'front' },
      ]),
    ]);
    const lost = share(system, traffic(20_000, a, 7), (t) => !t.some((e) => e.kind === 'answered'));
    expect(Math.abs(lost.mean - erlangB(n, a)), `${lost.mean} ± ${lost.half}`).toBeLessThan(lost.half);
    expect(lost.half).toBeLessThan(0.03);
  });

  it.each([
    { n: 3, a: 2 },
    { n: 5, a: 3 },
  ])('a queue of $n offered $a erlangs lets wait whom Erlang C says', ({ n, a }) => {
    const system = edited(yard(), [
      ...crew(n),
      {
        do: 'queue.add',
        value: newQueue({
          id: 'q',
          name: 'Q',
          memberIds: Array.from({ length: n }, (_, i) => `a${i}`),
          pattern: 'longest idle',
          limit: 500,
          longestWait: 7200,
          wrapUp: 0,
        }),
      },
      plan([{ id: 'q1', kind: 'queue', queueId: 'q', branches: [] }]),
    ]);
    const waited = share(system, traffic(20_000, a, 11), (t) => t.find((e) => e.kind === 'answered')!.t > 0);
    expect(Math.abs(waited.mean - erlangC(n, a)), `${waited.mean} ± ${waited.half}`).toBeLessThan(
      waited.half,
    );
    expect(waited.half).toBeLessThan(0.06);
  });
});
