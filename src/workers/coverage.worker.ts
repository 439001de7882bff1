/** Works out promises and long stretches of coverage, off the page. */
import { expose } from 'comlink';
import { laterDifferences, piecesOf, type Difference, type Piece } from '../core/coverage';
import { checkPromises, type Verdict } from '../core/promises';
import type { Standing, System } from '../core/system';

const coverage = {
  /** All promises, held against the coming year. */
  promises: (system: System, standing: Standing, now: number): Verdict[] =>
    checkPromises(system, standing, now),
  /** What differs for callers later in the coming year. */
  later: (before: System, after: System, standing: Standing, moment: number): Difference[] =>
    laterDifferences(before, after, standing, moment),
  /** What unanswered calls to numbers get between two moments, by number. */
  pieces: (
    system: System,
    standing: Standing,
    numberIds: readonly string[],
    from: number,
    to: number,
  ): Piece[][] =>
    numberIds.map((id) => {
      const number = system.numbers[id];
      return number ? piecesOf(system, standing, number, from, to) : [];
    }),
};
export type CoverageWorker = typeof coverage;
expose(coverage);
