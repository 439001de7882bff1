/**
 * What is said of each case beside its trace, and not rewritten with it: what becomes of its calls in a sentence, what decided
 * it, and which phones rang how long.
 */
import { expect, it } from 'vitest';
import { sentence } from '../../src/core/calls';
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
