/**
 * The load run against queueing theory: what the formulas say must lie within the run's own 95 % interval from independent weeks,
 * over 24 loads, and outside of it not more often than chance allows. The time from ringing to lifting is 0 here.
 */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { newPerson, newPhone, newQueue, type Command, type System } from '../../system';
import { USUAL_RULES } from '../../traffic';
import { queueOfTheImpatient, queueOfThePatient, type Estimate } from '..';
import { countOf, ratioOf, runWeek, weekOf, type Traffic, type Week } from '.';

const crew = (n: number): Command[] =>
  Array.from({ length: n }, (_, i) => [
    {
      do: 'person.add' as const,
      value: newPerson({ id: `a${i}`, name: `A ${i}`, extension: String(400 + i) }),
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
/** So many people at a queue in which so many may wait. */
const desk = (n: number, limit: number): System =>
  edited(yard(), [
    ...crew(n),
    {
      do: 'queue.add',
      value: newQueue({
        id: 'q',
        name: 'Q',
        memberIds: Array.from({ length: n }, (_, i) => `a${i}`),
        pattern: 'longest idle',
        limit,
        longestWait: 7200,
        wrapUp: 0,
      }),
    },
    {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          { id: 'q1', kind: 'queue', queueId: 'q', branches: [] },
          { id: 'busy', kind: 'end', how: 'busy' },
        ],
      },
    },
  ]);

/** Wednesdays from 0 to 4 have callers; the first hour is left out, for it begins with nobody. */
const BUSY = { from: 48, to: 52 };
const MEASURED = [49, 50, 51];
const WEEKS = 10;
const RULES = { ...USUAL_RULES, atOnce: 0, of: 'offered' as const };

function run(system: System, perSecond: number, talk: number, patience: number | null, seed: number): Week[] {
  const traffic: Traffic = {
    lines: [
      {
        e164: MAIN,
        rates: Array.from({ length: 672 }, (_, q) =>
          q >= BUSY.from * 4 && q < BUSY.to * 4 ? perSecond * 900 : 0,
        ),
        keys: [],
      },
    ],
    spread: 0,
    talk: { as: 'exponential', mean: talk },
    talkAt: {},
    patience,
    lifts: 1,
    lift: { as: 'seen', sorted: [0] },
    before: 0,
    callers: [null],
  };
  return Array.from({ length: WEEKS }, (_, n) =>
    runWeek(system, allOn(system), weekOf(traffic, system, '2026-11-30', seed, n), RULES),
  );
}
const holds = (estimate: Estimate | null, value: number): boolean =>
  estimate !== null && value >= estimate.low - 1e-9 && value <= estimate.high + 1e-9;
/** Of 24 intervals of 95 %, five or more miss with a chance of 6 in 1,000 (binomial). */
const MOST_OUTSIDE = 4;

/** Loads: people, and callers for each of them in a talk. */
const LOADS = [1, 2, 3, 5, 8, 12].flatMap((n) => [0.4, 0.6, 0.75, 0.85].map((rho) => ({ n, rho })));
/** In seconds: longer where there are more people, so that no load has very many callers. */
const talkOf = (n: number): number => 20 + 15 * n;
const TALK = 40;

describe('over 24 loads', () => {
  it('a queue of people who may give up is as Erlang A says: who gives up, who waits how long, who is answered in time', () => {
    let [gave, waited, within] = [0, 0, 0];
    LOADS.forEach(({ n, rho }, i) => {
      const rate = (n * rho) / talkOf(n);
      const weeks = run(desk(n, 500), rate, talkOf(n), 1.5 * talkOf(n), 100 + i);
      const theory = queueOfTheImpatient(rate, talkOf(n), 1.5 * talkOf(n), n);
      if (!holds(ratioOf(weeks, 'gaveUp', 'offered', MEASURED), theory.givesUp)) gave++;
      if (!holds(ratioOf(weeks, 'waited', 'offered', MEASURED), theory.meanWait)) waited++;
      if (!holds(ratioOf(weeks, 'inTime', 'offered', MEASURED), theory.within(RULES.within))) within++;
    });
    expect(Math.max(gave, waited, within), `${gave}, ${waited} and ${within} outside`).toBeLessThanOrEqual(
      MOST_OUTSIDE,
    );
  }, 120_000);

  it('a queue in which nobody gives up is as Erlang C says', () => {
    let outside = 0;
    // At higher loads some hours are too short to forget how they began.
    const loads = LOADS.filter((l) => l.rho < 0.8);
    loads.forEach(({ n, rho }, i) => {
      const rate = (n * rho) / talkOf(n);
      const weeks = run(desk(n, 500), rate, talkOf(n), null, 200 + i);
      const theory = queueOfThePatient(rate, talkOf(n), n);
      if (!holds(ratioOf(weeks, 'inTime', 'offered', MEASURED), theory.within(RULES.within))) outside++;
    });
    expect(outside).toBeLessThanOrEqual(MOST_OUTSIDE);
  }, 120_000);

  it('a queue with places for so many loses whom the balance of states says (M/M/c/K)', () => {
    let outside = 0;
    LOADS.forEach(({ n, rho }, i) => {
      const places = 1 + (i % 3);
      // Enough are lost that the loss of a week is spread evenly around its mean.
      const rate = (1.4 * n * rho) / talkOf(n);
      const weeks = run(desk(n, places), rate, talkOf(n), null, 300 + i);
      const chances = [1];
      for (let k = 1; k <= n + places; k++)
        chances.push((chances[k - 1]! * rate * talkOf(n)) / Math.min(k, n));
      const lost = chances.at(-1)! / chances.reduce((sum, c) => sum + c);
      if (!holds(ratioOf(weeks, 'missed', 'offered', MEASURED), lost)) outside++;
    });
    expect(outside).toBeLessThanOrEqual(MOST_OUTSIDE);
  }, 120_000);
});

it('lines in use are callers times how long they are there, on every run (Little’s law)', () => {
  const system = desk(3, 500);
  for (const [seed, patience] of [
    [1, 30],
    [2, 300],
    [3, null],
  ] as const)
    for (const week of run(system, 0.06, TALK, patience, seed)) {
      const inUse = week.load.reduce((sum, hours) => sum + hours * 3600, 0);
      const talked = Object.values(week.busy)
        .flat()
        .reduce((sum, s) => sum + s, 0);
      const waited = week.hours.waited.reduce((sum, s) => sum + s, 0);
      expect(inUse).toBeCloseTo(talked + waited, 0);
    }
});

it('the same seed is the same week, to the second, and callers are the same whatever they are led through', () => {
  const [small, large] = [desk(2, 500), desk(5, 500)];
  const calls = (system: System) => run(system, 0.02, TALK, 60, 7).map((w) => w.hours.calls.join());
  expect(calls(small)).toEqual(calls(small));
  expect(calls(large)).toEqual(calls(small));
  expect(countOf(run(small, 0.02, TALK, 60, 7), 'offered', MEASURED)).toEqual(
    countOf(run(large, 0.02, TALK, 60, 7), 'offered', MEASURED),
  );
});
