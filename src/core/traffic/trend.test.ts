/** Whether calls grow: the line through values against certified ones and a second library, and the words of weeks. */
import fc from 'fast-check';
import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { momentOf } from '../hours';
import type { Judged } from './judged';
import { lineThrough, trendInWords } from './trend';

/**
 * “Norris” of the Statistical Reference Datasets of NIST (calibration of ozone monitors), y and x. The certified values are
 * those of the data set; data and values are from memory, and fit each other to the last digit.
 */
const NORRIS: [y: number, x: number][] = [
  [0.1, 0.2],
  [338.8, 337.4],
  [118.1, 118.2],
  [888, 884.6],
  [9.2, 10.1],
  [228.1, 226.5],
  [668.5, 666.3],
  [998.5, 996.3],
  [449.1, 448.6],
  [778.9, 777],
  [559.2, 558.2],
  [0.3, 0.4],
  [0.1, 0.6],
  [778.1, 775.5],
  [668.8, 666.9],
  [339.3, 338],
  [448.9, 447.5],
  [10.8, 11.6],
  [557.7, 556],
  [228.3, 228.1],
  [998, 995.8],
  [888.8, 887.6],
  [119.6, 120.2],
  [0.3, 0.3],
  [0.6, 0.3],
  [557.6, 556.8],
  [339.3, 339.1],
  [888, 887.2],
  [998.5, 999],
  [778.9, 779],
  [10.2, 11.1],
  [117.6, 118.3],
  [228.9, 229.2],
  [668.4, 669.1],
  [449.2, 448.9],
  [0.2, 0.5],
];
const CERTIFIED = { from: -0.262323073774029, slope: 1.00211681802045, deviation: 0.000429796848199937 };

describe('the line through values', () => {
  it('is the certified one', () => {
    const line = lineThrough(NORRIS.map(([y, x]) => [x, y]))!;
    expect(line.slope).toBeCloseTo(CERTIFIED.slope, 12);
    expect(line.from).toBeCloseTo(CERTIFIED.from, 10);
    // Student's t of 34 degrees of freedom, two-sided 95 %, from printed tables: 2.032.
    expect((line.high - line.slope) / CERTIFIED.deviation).toBeCloseTo(2.032, 3);
  });
  it('is that of another library', () => {
    const point = fc.tuple(
      fc.integer({ min: -500, max: 500 }),
      fc.double({ min: -1e4, max: 1e4, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 40 }), (points) => {
        fc.pre(new Set(points.map((p) => p[0])).size > 1);
        const line = lineThrough(points)!;
        const { m, b } = linearRegression(points);
        expect(line.slope).toBeCloseTo(m, 5);
        expect(line.from).toBeCloseTo(b, 3);
        expect(line.low).toBeLessThanOrEqual(line.slope);
      }),
    );
  });
  it('is none of two values, nor where all lie above each other', () => {
    expect(
      lineThrough([
        [0, 1],
        [1, 2],
      ]),
    ).toBeNull();
    expect(
      lineThrough([
        [1, 1],
        [1, 2],
        [1, 3],
      ]),
    ).toBeNull();
  });
});

describe('in words', () => {
  const ZONE = 'America/Los_Angeles';
  const NOW = momentOf(ZONE, '2026-11-24', 600);
  /** So many calls on the Wednesday of each week from 7 September on: the clocks change on 1 November. */
  const calls = (counts: number[]): Judged[] =>
    counts.flatMap((count, week) =>
      Array.from({ length: count }, () => ({
        row: {
          at: momentOf(ZONE, new Date(Date.UTC(2026, 8, 9 + 7 * week)).toISOString().slice(0, 10), 600),
        },
      })),
    ) as Judged[];
  const said = (counts: number[], from = '2026-09-07') =>
    trendInWords(calls(counts), { from, to: '2026-11-24' }, ZONE, NOW);

  it('more from week to week, and only whole weeks that are over count', () => {
    const growing = [50, 53, 54, 58, 59, 63, 64, 68, 69, 73, 74];
    // The twelfth week lasts still, and has hardly any.
    expect(said([...growing, 3])).toBe(
      'Calls offered: over these 11 whole weeks 2.5 more from week to week, 95 times of 100 between 2.3 and 2.6.',
    );
    // Of a first week that is not whole, and of weeks before the first call, nothing is said.
    expect(said(growing, '2026-09-10')).toContain('over these 10 whole weeks');
    expect(said([0, 0, 0, ...growing.slice(0, 8)])).toContain('over these 8 whole weeks');
    expect(said(growing.map((n) => 80 - n))).toContain('2.5 fewer');
  });
  it('chance alone is called that', () => {
    expect(said([50, 61, 48, 57, 52, 60, 49, 55, 58, 51, 54])).toMatch(
      /^Calls offered neither grow nor shrink over these 11/,
    );
  });
  it('nothing of a few weeks, or of none', () => {
    expect(said([5, 6, 7])).toContain('11 whole weeks');
    expect(said([5, 6, 7], '2026-10-26')).toBeNull();
    expect(said([])).toBeNull();
  });
});
