/** Figures of calls, by the definitions. */
import type { Measure } from './definitions';
import { MISSED, OFFERED, type Became, type Judged, type Rules } from './judged';
import { quantileOf } from './quantiles';

/** Under so many there are counts only: a share or a median of fewer says nothing. */
export const ENOUGH = 10;

/** @returns null where there are too few to say */
export const shareOf = (some: number, all: number): number | null => (all < ENOUGH ? null : some / all);

/** @returns null of too few @param values in any order */
export function quantile(values: readonly number[], q: number): number | null {
  if (values.length < ENOUGH) return null;
  // Sorted as numbers by the engine itself: several times as fast as by a function.
  return quantileOf(Float64Array.from(values).sort(), q);
}

export interface Tally {
  of: Record<Became, number>;
  offered: number;
  answered: number;
  missed: number;
  /** Answered within the time that is promised. */
  inTime: number;
}
export function tally(calls: Iterable<Judged>, rules: Rules): Tally {
  const of: Record<Became, number> = {
    answered: 0,
    'gave up': 0,
    'gave up at once': 0,
    'left before': 0,
    'to voicemail': 0,
    'ended by the plan': 0,
    closed: 0,
    unwanted: 0,
  };
  let inTime = 0;
  for (const { became, wait } of calls) {
    of[became]++;
    if (wait !== null && wait <= rules.within) inTime++;
  }
  const sum = (which: readonly Became[]) => which.reduce((all, b) => all + of[b], 0);
  return { of, offered: sum(OFFERED), answered: of.answered, missed: sum(MISSED), inTime };
}

/** The share answered in time, of what the rules say. */
export function inTimeOf({ of, offered, inTime }: Tally, rules: Rules): number | null {
  switch (rules.of) {
    case 'offered but at once':
      return shareOf(inTime, offered - of['gave up at once']);
    case 'offered':
      return shareOf(inTime, offered);
    case 'answered or gave up':
      return shareOf(inTime, of.answered + of['gave up']);
  }
}

/** One figure, and what leads to the calls behind it. */
export interface Figure {
  measure: Measure;
  value: number | null;
  /** Of the span it is compared with; undefined where it is compared with none. */
  before?: number | null;
  /** What `Bins` knows its calls by; null where it is not of single calls. */
  key: string | null;
}
