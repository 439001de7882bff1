/** Works out promises and long stretches of coverage, off the page. */
import { expose } from 'comlink';
import {
  differing,
  effectOf,
  rowsOf,
  yearsOf,
  type Differences,
  type DifferencesSoFar,
  type Differing,
  type Filter,
  type Row,
  type Year,
} from '../core/coverage';
import { writeAs, writingOf } from '../core/hours';
import { findingsOf, type Asked, type Finding } from '../core/findings';
import { checkPromises, type Verdict } from '../core/promises';
import type { Standing, System } from '../core/system';
import { freshId } from '../ui/ids';

/** What takes longer is told of after so many milliseconds, and then every so many. */
const FIRST_TOLD_MS = 150;
const TOLD_EVERY_MS = 400;

/** Times are written as this business has them. @returns itself */
function writtenFor(system: System): System {
  writeAs(writingOf(system.business));
  return system;
}

const coverage = {
  /** All promises, held against the coming year. */
  promises: (system: System, standing: Standing, now: number): Verdict[] =>
    checkPromises(writtenFor(system), standing, now),
  /** What is wrong with a system. */
  findings(asked: Omit<Asked, 'freshId'>): Finding[] {
    writtenFor(asked.system);
    return findingsOf({ ...asked, freshId });
  },
  /** What differs for callers in the coming week, and later in the coming year. @param tell what was found so far, now and then */
  differences(
    before: System,
    after: System,
    standing: Standing,
    moment: number,
    tell?: (sofar: DifferencesSoFar) => void,
  ): Differences {
    let told = performance.now() + FIRST_TOLD_MS - TOLD_EVERY_MS;
    let all: Differences = { week: [], later: [], left: [] };
    for (const sofar of differing(before, writtenFor(after), standing, moment)) {
      all = { week: sofar.week, later: sofar.later, left: sofar.left };
      if (!tell || performance.now() - told < TOLD_EVERY_MS) continue;
      tell(sofar);
      told = performance.now();
    }
    return all;
  },
  /** What a change of settings that hold at once does to callers. */
  effect: (system: System, before: Standing, after: Standing, moment: number): Differing =>
    effectOf(writtenFor(system), before, after, moment),
  /** What the board shows between two moments (epoch milliseconds). */
  rows: (system: System, standing: Standing, filter: Filter, from: number, to: number): Row[] =>
    rowsOf(writtenFor(system), standing, filter, from, to),
  /** A year of the numbers shown: so many days from one on. @param tell how many numbers are done, now and then */
  years(
    system: System,
    standing: Standing,
    filter: Filter,
    first: number,
    days: number,
    tell: (done: number) => void,
  ): Year[] {
    let told = performance.now();
    const years: Year[] = [];
    for (const year of yearsOf(writtenFor(system), standing, filter, first, days)) {
      years.push(year);
      if (performance.now() - told < TOLD_EVERY_MS) continue;
      tell(years.length);
      told = performance.now();
    }
    return years;
  },
};
export type CoverageWorker = typeof coverage;
expose(coverage);
