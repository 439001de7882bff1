/** The formulas against printed tables, worked examples and the balance of states. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  engset,
  erlangB,
  erlangC,
  linesFor,
  MOST,
  peopleFor,
  queueOfTheImpatient,
  queueOfThePatient,
} from '.';

describe('Erlang B', () => {
  // Published tables of Erlang's first formula.
  it.each([
    [10, 10, 0.2146],
    [15, 10, 0.0365],
    [10, 5, 0.0184],
    [1, 1, 0.5],
  ])('%i lines and %d erlangs lose %d', (lines, load, lost) =>
    expect(erlangB(lines, load)).toBeCloseTo(lost, 4),
  );
  // Published tables: the load that so many lines take at a loss of 1, 2 and 5 in 100.
  it.each([
    [1, 0.01, 0.01],
    [2, 0.153, 0.01],
    [5, 1.361, 0.01],
    [10, 4.461, 0.01],
    [20, 12.03, 0.01],
    [50, 37.9, 0.01],
    [10, 5.084, 0.02],
    [20, 13.18, 0.02],
    [10, 6.216, 0.05],
  ])('%i lines take %d erlangs at a loss of %d', (lines, load, lost) => {
    expect(erlangB(lines, load)).toBeCloseTo(lost, 3);
    expect(linesFor(load * 0.99, lost)).toBe(lines);
    expect(linesFor(load * 1.02, lost)).toBe(lines + 1);
  });
  it('loses nothing of nothing, and says where no number of lines is looked at', () => {
    expect(erlangB(3, 0)).toBe(0);
    expect(linesFor(0, 0.01)).toBe(1);
    expect(linesFor(1e9, 0.01)).toBeNull();
    expect(MOST).toBe(10_000);
  });
});

describe('Erlang C', () => {
  // A worked example of the trade: 100 calls in half an hour of three minutes each, 14 people.
  const service = queueOfThePatient(100 / 1800, 180, 14);
  it('says what the worked example says', () => {
    expect(service.waits).toBeCloseTo(0.174, 3);
    expect(service.within(20)).toBeCloseTo(0.888, 3);
    expect(service.meanWait).toBeCloseTo(7.8, 1);
    expect(service.busy).toBeCloseTo(0.714, 3);
  });
  it('finds the people it takes: one fewer would not do', () => {
    expect(peopleFor(100 / 1800, 180, null, 0.8, 20)).toBe(14);
    expect(queueOfThePatient(100 / 1800, 180, 13).within(20)).toBeLessThan(0.8);
  });
  it('has a queue without end where there is more to do than people can', () => {
    expect(erlangC(3, 3)).toBe(1);
    expect(queueOfThePatient(1, 10, 5)).toMatchObject({ waits: 1, meanWait: Infinity, busy: 1 });
    expect(queueOfThePatient(1, 10, 5).within(20)).toBe(0);
  });
});

describe('Erlang A', () => {
  // Recomputed twice: by balance equations, and by an independent simulation of 400,000 calls. Callers a minute; minutes.
  it.each([
    [3.3333, 3, 2, 10, 0.4969, 0.1375, 16.5, 0.6399],
    [3.3333, 3, 2, 12, 0.2798, 0.0616, 7.39, 0.8256],
    [3.3333, 3, 2, 14, 0.127, 0.0228, 2.74, 0.9327],
    [1, 4, 3, 5, 0.3527, 0.113, 20.33, 0.7079],
    [0.5, 3, 1, 2, 0.3805, 0.2449, 14.69, 0.6704],
  ])('%d a minute, talks of %d and patience of %d, %i people', (rate, talk, patience, n, ...expected) => {
    const service = queueOfTheImpatient(rate / 60, talk * 60, patience * 60, n);
    const [waits, givesUp, meanWait, within] = expected as [number, number, number, number];
    expect(service.waits).toBeCloseTo(waits, 3);
    expect(service.givesUp).toBeCloseTo(givesUp, 3);
    expect(service.meanWait).toBeCloseTo(meanWait, 1);
    expect(service.within(20)).toBeCloseTo(within, 3);
  });
  it('with patience for hours is Erlang C, with none Erlang B', () => {
    const patient = queueOfTheImpatient(1 / 60, 120, 1e7, 4);
    expect(patient.waits).toBeCloseTo(erlangC(4, 2), 3);
    expect(patient.within(20)).toBeCloseTo(queueOfThePatient(1 / 60, 120, 4).within(20), 3);
    expect(queueOfTheImpatient(1 / 60, 120, 0.01, 4).givesUp).toBeCloseTo(erlangB(4, 2), 3);
  });
  it('is between 0 and 1, and better with one more, whatever comes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        fc.double({ min: 5, max: 900, noNaN: true }),
        fc.double({ min: 5, max: 900, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        (rate, talk, patience, n) => {
          const [one, more] = [n, n + 1].map((m) => queueOfTheImpatient(rate, talk, patience, m));
          for (const share of [one!.waits, one!.givesUp, one!.within(20), one!.busy]) {
            expect(share).toBeGreaterThanOrEqual(-1e-9);
            expect(share).toBeLessThanOrEqual(1 + 1e-9);
          }
          expect(more!.givesUp).toBeLessThanOrEqual(one!.givesUp + 1e-9);
          expect(more!.within(20)).toBeGreaterThanOrEqual(one!.within(20) - 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('Engset', () => {
  /** By the balance of states, for the others as whoever calls sees them. */
  const balanced = (sources: number, lines: number, each: number): number => {
    const chances = [1];
    for (let n = 1; n <= lines; n++) chances.push((chances[n - 1]! * (sources - n) * each) / n);
    return chances[lines]! / chances.reduce((sum, c) => sum + c);
  };
  it('is what the balance of states says', () => {
    for (const [sources, lines, each] of [
      [10, 5, 0.2],
      [8, 2, 0.5],
      [100, 10, 0.06],
    ] as const)
      expect(engset(sources, lines, each)).toBeCloseTo(balanced(sources, lines, each), 12);
  });
  it('is nothing where everybody has a line, and Erlang B where very many can call', () => {
    expect(engset(5, 5, 0.4)).toBe(0);
    expect(engset(1e6, 10, 5 / 1e6)).toBeCloseTo(erlangB(10, 5), 5);
  });
});
