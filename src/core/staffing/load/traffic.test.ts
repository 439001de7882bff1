/** What is read of the log for a usual week: patience, lifting, rates and how days differ; and what chance makes of it again. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { meanOfLengths, lengthBy, liftsOf, patienceOf, dayFactor, stillThere, Typed } from '.';

describe('patience', () => {
  // Remission under 6-MP, in weeks (E. J. Freireich and others, "Blood", 1963), as textbooks of survival analysis have it
  // (D. G. Kleinbaum and M. Klein, "Survival Analysis"; from memory): 9 events in 359 weeks.
  const left = [6, 6, 6, 7, 10, 13, 16, 22, 23];
  const stayed = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35];
  const waits = [
    ...left.map((seconds) => ({ seconds, left: true })),
    ...stayed.map((seconds) => ({ seconds, left: false })),
  ];
  it('is the time all waited over how many left, in the textbook’s example', () => {
    const all = patienceOf([...waits, { seconds: 0, left: true }]);
    expect(all.mean).toBeCloseTo(359 / 10, 9);
    // Nine are too few to say: it is at least so long.
    expect(patienceOf(waits)).toMatchObject({ mean: null, left: 9, stayed: 12 });
    expect(patienceOf(waits).atLeast).toBeCloseTo(359 / 10, 9);
  });
  it('has the curve of the textbook beside it', () => {
    const expected = [
      [6, 0.857],
      [7, 0.807],
      [10, 0.753],
      [13, 0.69],
      [16, 0.627],
      [22, 0.538],
      [23, 0.448],
    ] as const;
    const curve = stillThere(waits);
    expect(curve.map((p) => p.seconds)).toEqual(expected.map(([s]) => s));
    curve.forEach((p, i) => expect(p.share).toBeCloseTo(expected[i]![1], 3));
  });
  it('that is no exponential one is said to fit badly', () => {
    const steady = Array.from({ length: 200 }, (_, i) => ({ seconds: 30 + (i % 5), left: true }));
    expect(patienceOf(steady).misfit).toBeGreaterThan(0.4);
    const exponential = Array.from({ length: 400 }, (_, i) => ({
      seconds: -Math.log(1 - (i + 0.5) / 400) * 60,
      left: true,
    }));
    expect(patienceOf(exponential).misfit).toBeLessThan(0.03);
    expect(patienceOf(exponential).mean).toBeCloseTo(60, 0);
  });
  it('of nobody is nothing, and no number that is none', () => {
    expect(patienceOf([])).toEqual({ mean: null, atLeast: 0, left: 0, stayed: 0, misfit: 0 });
  });
});

describe('how likely somebody lifts', () => {
  it('is found again from who was rung together and one after the other', () => {
    // Rings of three at once, each of whom lifts with 0.6: one of them does in 1 - 0.4³ of them.
    const together = Math.round(1000 * (1 - 0.4 ** 3));
    const courses = [
      ...Array.from({ length: together }, () => ({ unlifted: 0, lifted: 3 })),
      ...Array.from({ length: 1000 - together }, () => ({ unlifted: 3, lifted: 0 })),
      // And one at a time.
      ...Array.from({ length: 600 }, () => ({ unlifted: 0, lifted: 1 })),
      ...Array.from({ length: 400 }, () => ({ unlifted: 1, lifted: 0 })),
    ];
    expect(liftsOf(courses)).toBeCloseTo(0.6, 2);
    expect(liftsOf(courses.slice(0, 9))).toBeNull();
  });
});

describe('lengths by chance', () => {
  const us = Array.from({ length: 4000 }, (_, i) => (i + 0.5) / 4000);
  it.each([
    { as: 'exponential' as const, mean: 90 },
    { as: 'log-normal' as const, mean: 90, deviation: 60 },
    { as: 'seen' as const, sorted: [10, 20, 60, 120, 240] },
  ])('have the mean they are given: $as', (lengths) => {
    const drawn = us.map((u) => lengthBy(lengths, u));
    const expected = lengths.as === 'seen' ? 81.25 : 90;
    expect(drawn.reduce((sum, v) => sum + v, 0) / us.length).toBeCloseTo(expected, -0.5);
    expect(meanOfLengths(lengths) / expected).toBeCloseTo(1, 1);
  });
  it('days differ around 1 by the spread they are given, and not at all with none', () => {
    const drawn = us.map((u) => dayFactor(0.3, u));
    const mean = drawn.reduce((sum, v) => sum + v, 0) / us.length;
    expect(mean).toBeCloseTo(1, 2);
    expect(Math.sqrt(drawn.reduce((sum, v) => sum + (v - mean) ** 2, 0) / us.length)).toBeCloseTo(0.3, 2);
    expect(dayFactor(0, 0.9)).toBe(1);
  });
});

it('what is typed is taken, or said to be wrong beside its field', () => {
  const good = {
    e164: '+13605550142',
    perHour: 12,
    from: 9,
    to: 17,
    weekdays: [2],
    talk: 180,
    patience: null,
    lifts: 0.9,
  };
  expect(Typed.safeParse(good).success).toBe(true);
  fc.assert(
    fc.property(
      fc.constantFrom(
        { perHour: 10_001 },
        { perHour: -1 },
        { perHour: undefined },
        { talk: 0 },
        { patience: 0 },
        { lifts: 0 },
        { from: 17, to: 9 },
        { e164: '' },
      ),
      (wrong) => {
        const issues = Typed.safeParse({ ...good, ...wrong }).error?.issues ?? [];
        expect(issues).toHaveLength(1);
        expect(Object.keys(wrong)).toContain(String(issues[0]!.path[0]));
      },
    ),
  );
});
