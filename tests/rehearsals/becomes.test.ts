/** What becomes of the calls of each case, in a sentence somebody wrote down beside it: who was rung how long, and how it ended. */
import { expect, it } from 'vitest';
import { sentence } from '../../src/core/calls';
import { names, runCase } from './case';

it.each(names)('%s', (name) => {
  const { system, calls } = runCase(name);
  expect(calls.map(({ trace }) => sentence(trace, system))).toEqual(calls.map((c) => c.becomes));
});
