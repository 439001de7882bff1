/**
 * What is said of each case beside its trace, and not rewritten with it: what becomes of its calls in a sentence, what decided
 * it, and which phones rang how long.
 */
import { expect, it } from 'vitest';
import { outcomeOf, ringChart, sentence, type Outcome } from '../../src/core/calls';
import { because, names, rings, runCase } from './case';

it.each(names)('%s', (name) => {
  const { system, calls } = runCase(name);
  expect(
    calls.map(({ trace }) => ({
      becomes: sentence(trace, system),
      because: because(trace, system),
      rings: rings(trace, system),
    })),
  ).toEqual(calls.map((c) => ({ becomes: c.becomes, because: c.because, rings: c.rings })));
});

/** Who ends a call that ends so. A message ends with the caller's hanging up, or with silence or its greatest length. */
const ENDED_BY: Record<Outcome['kind'], readonly string[]> = {
  answered: ['caller', 'called', 'system'],
  outside: ['system'],
  'handed on': ['system'],
  'not allowed': ['system'],
  'not lifted': ['system'],
  'not done': ['system'],
  message: ['caller', 'system'],
  'hung up': ['caller', 'system'],
  'no message': ['caller'],
  listened: ['caller', 'system'],
  'call back': ['caller'],
  'dead end': ['system'],
  'given back': ['system'],
  'nobody answered': ['system'],
  'not in service': ['system'],
  'not moved yet': ['system'],
  'too many redirects': ['system'],
  'went out': ['system'],
  emergency: ['system'],
  ended: ['system'],
  feature: ['system'],
  refused: ['system'],
  swallowed: ['system'],
  met: ['caller', 'system'],
  'not let in': ['system'],
};

it.each(names)('%s: its calls are ended by whoever can', (name) => {
  for (const { trace } of runCase(name).calls) {
    const last = trace.at(-1)!;
    if (last.kind !== 'ended') throw new Error('It does not end.');
    expect(ENDED_BY[outcomeOf(trace)!.outcome.kind]).toContain(last.by);
  }
});

it.each(names)('%s: nothing without length is drawn of its calls', (name) => {
  const { system, calls } = runCase(name);
  for (const { trace } of calls) {
    const bars = ringChart(trace, system).lanes.flatMap((lane) => lane.bars);
    expect(bars.filter((b) => b.to <= b.from)).toEqual([]);
    if (trace.at(-1)!.t > 0) expect(bars.length).toBeGreaterThan(0);
  }
});
