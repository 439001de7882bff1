/** Quantiles and intervals against a second library, and the printed table of Student's t. */
import fc from 'fast-check';
import jStat from 'jstat';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { quantileOf } from '../traffic';
import { differenceOf, estimateOf } from './intervals';

const values = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 2, maxLength: 60 });

it('quantiles are those of another library (type 7: both of its parameters are 1)', () => {
  fc.assert(
    fc.property(values, fc.double({ min: 0, max: 1, noNaN: true }), (some, q) => {
      const sorted = [...some].sort((a, b) => a - b);
      expect(quantileOf(sorted, q)).toBeCloseTo(jStat.quantiles(some, [q], 1, 1)[0]!, 4);
    }),
  );
  expect(quantileOf([], 0.5)).toBeNull();
});

describe('an interval', () => {
  // Printed tables of Student's t, two-sided 95 %: degrees of freedom and value.
  it.each([
    [1, 12.706],
    [2, 4.303],
    [4, 2.776],
    [9, 2.262],
    [29, 2.045],
    [120, 1.98],
  ])('of %i degrees of freedom goes %d deviations of the mean', (degrees, t) => {
    const some = Array.from({ length: degrees + 1 }, (_, i) => Math.sin(i * 7.3) * 10);
    const { high, mean: middle } = estimateOf(some)!;
    const error = sampleStandardDeviation(some) / Math.sqrt(some.length);
    expect((high - middle) / error).toBeCloseTo(t, 2);
    expect(middle).toBeCloseTo(mean(some), 9);
  });
  it('of one value is none; of a difference it is small where both move alike', () => {
    expect(estimateOf([3])).toBeNull();
    const wide = Array.from({ length: 20 }, (_, i) => [i * 100, i * 100 + 5 + (i % 2)] as const);
    const by = differenceOf(wide)!;
    expect(by.mean).toBeCloseTo(5.5, 9);
    expect(by.low).toBeGreaterThan(5);
    const alone = estimateOf(wide.map(([before]) => before))!;
    expect((alone.high - alone.low) / (by.high - by.low)).toBeGreaterThan(500);
  });
});
