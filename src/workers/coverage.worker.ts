/** Works out promises and long stretches of coverage, off the page. */
import { expose } from 'comlink';
import {
  callersOf,
  differing,
  effectOf,
  piecesOf,
  type Differences,
  type DifferencesSoFar,
  type Differing,
  type Piece,
} from '../core/coverage';
import { checkPromises, type Verdict } from '../core/promises';
import { withOwn, type Standing, type System } from '../core/system';

/** What takes longer is told of after so many milliseconds, and then every so many. */
const FIRST_TOLD_MS = 150;
const TOLD_EVERY_MS = 400;

const coverage = {
  /** All promises, held against the coming year. */
  promises: (system: System, standing: Standing, now: number): Verdict[] =>
    checkPromises(system, standing, now),
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
    for (const sofar of differing(before, after, standing, moment)) {
      all = { week: sofar.week, later: sofar.later, left: sofar.left };
      if (!tell || performance.now() - told < TOLD_EVERY_MS) continue;
      tell(sofar);
      told = performance.now();
    }
    return all;
  },
  /** What a change of settings that hold at once does to callers. */
  effect: (system: System, before: Standing, after: Standing, moment: number): Differing =>
    effectOf(system, before, after, moment),
  /** What unanswered calls to numbers get between two moments, by number; of whom, see `callersOf`. */
  pieces: (
    system: System,
    standing: Standing,
    numberIds: readonly string[],
    from: number,
    to: number,
    callerId = '',
  ): Piece[][] =>
    numberIds.map((id) => {
      const number = system.numbers[id];
      const caller =
        number && callersOf(withOwn(system, standing.own), number).callers.find((c) => c.id === callerId);
      return caller ? piecesOf(system, standing, number, from, to, caller.callAt) : [];
    }),
};
export type CoverageWorker = typeof coverage;
expose(coverage);
