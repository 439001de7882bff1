/** The shortage that the demonstration's past has on Tuesday mornings: found in a usual week, mended by a change, by numbers. */
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../../demo/lantern-cove';
import { pastOf } from '../../../standins/past/past';
import { callRow, Log } from '../../story';
import { asPaired } from '../../system';
import { USUAL_RULES } from '../../traffic';
import {
  changed,
  changeOf,
  daysOfPromises,
  deskOf,
  desksOf,
  hoursOf,
  linesNeeded,
  runWeek,
  tooFewAt,
  trafficOf,
  USUAL_GOAL,
  usualMonday,
  weekOf,
  windowInWords,
  verdictOf,
  windowSaid,
  type Change,
  type LoadPromise,
  type Week,
} from '.';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const standing = asPaired(whole.standing.standing);
const log = new Log();
for (const call of pastOf(DEMO_ID, system, standing, NOW, 90).calls) log.put(callRow(call));
const { traffic, seen } = trafficOf(log, { from: '2026-08-31', to: '2026-11-22' }, system)!;
const { monday, usual } = usualMonday(system, '2026-11-24');

const run = (change: Change, weeks = 24): Week[] => {
  const of = changed(system, standing, change);
  return Array.from({ length: weeks }, (_, n) =>
    runWeek(of.system, of.standing, weekOf(traffic, of.system, monday, 1, n), USUAL_RULES),
  );
};
const base = run({ what: 'nothing' });
const windows = tooFewAt(base, USUAL_GOAL);

it('callers of the log come again: as many a week, and as patient', () => {
  const came = base.reduce((sum, w) => sum + w.hours.calls.reduce((a, b) => a + b, 0), 0) / base.length;
  expect(came / (seen.calls / 12)).toBeCloseTo(1, 1);
  expect(seen.patience.mean).toBeGreaterThan(60);
  expect(usual).toBe(true);
  expect(linesNeeded(base, 0.01)).toBeGreaterThan(2);
});

describe('Tuesday mornings', () => {
  it('are the hours in which too few are there', () => {
    expect(windowInWords(windows[0]!)).toBe('Tuesdays 9 to 11');
  });
  it('need so many more at the desk that most of them came to, and with those they are enough', () => {
    const hours = hoursOf(windows[0]!);
    const desk = desksOf(system).find((d) => d.stepId === deskOf(base, hours))!;
    expect(desk.personIds).toEqual(['rosa', 'idris', 'ines']);
    const tried = [1, 2, 3].map((people) => ({
      people,
      weeks: run({ what: 'more', likeId: desk.personIds[0]!, people }),
    }));
    const said = windowSaid(windows[0]!, base, tried, USUAL_GOAL, 'the front desk');
    expect(said.words).toMatch(
      /^Tuesdays 9 to 11 you are (one person|two people|three people) short: .+ from \d+ % .+ to \d/,
    );
    const enough = tried.find((t) => t.people === said.short)!;
    expect(tooFewAt(enough.weeks, USUAL_GOAL).map(windowInWords)).not.toContain('Tuesdays 9 to 11');
    // The difference shows beyond doubt, for the same callers came.
    expect(changeOf(base, enough.weeks, 'missed', 'offered', hours)!.high).toBeLessThan(-0.03);
  });
  it('are worse where somebody of the desk is ill, and better where it rings longer', () => {
    const hours = hoursOf(windows[0]!);
    const missed = (change: Change) => changeOf(base, run(change), 'missed', 'offered', hours)!;
    expect(missed({ what: 'ill', personId: 'ines' }).low).toBeGreaterThan(0.02);
    expect(missed({ what: 'rings', stepId: 'main-front', seconds: 5 }).low).toBeGreaterThan(0);
    expect(missed({ what: 'nothing' })).toMatchObject({ mean: 0, low: 0, high: 0 });
  });
});

it('what is no longer there is said, and a queue or a step rings in another order', () => {
  expect(() => changed(system, standing, { what: 'ill', personId: 'gone' })).toThrow('no longer there');
  expect(() => changed(system, standing, { what: 'rings', stepId: 'gone', seconds: 9 })).toThrow(
    'no longer there',
  );
  const turned = changed(system, standing, { what: 'pattern', ofId: 'main-front', pattern: 'in order' });
  expect(desksOf(turned.system).find((d) => d.stepId === 'main-front')!.pattern).toBe('in order');
});

it('a promise of one day is held by that day alone: the same callers come, and the same comes of them', () => {
  const tuesdays: LoadPromise = { id: 'p', days: [2], from: 9, to: 11, share: 0.7, within: 20 };
  expect(daysOfPromises([tuesdays])).toEqual([2]);
  expect(daysOfPromises([{ ...tuesdays, days: [1, 2], from: 0 }]).sort()).toEqual([1, 2, 7]);
  const of = changed(system, standing, { what: 'nothing' });
  const alone = base.map((_, n) =>
    runWeek(of.system, of.standing, weekOf(traffic, of.system, monday, 1, n, 1, [2]), USUAL_RULES),
  );
  expect(verdictOf(tuesdays, alone)).toEqual(verdictOf(tuesdays, base));
});
