/** Everything a call that begins in a plan can ask, over a stretch of time: when any answer changes, and what all of them are then. */
import { once } from '../once';
import type { PairedStanding, System } from '../system';
import { reachedFrom, sourcesOf, type Source } from './changes';

/** A source asked about many moments: between two changes its answer stays, so it is asked once for each stretch. */
class Answers {
  /** When the answer is another one, ascending, and which it is from then on; answers are told apart by number. */
  readonly changes: number[] = [];
  private readonly states: number[] = [];
  constructor(source: Source, from: number) {
    const names = new Map<string, number>();
    const stateAt = (at: number): number => {
      const text = source.stateAt(at);
      let state = names.get(text);
      if (state === undefined) names.set(text, (state = names.size));
      return state;
    };
    this.states.push(stateAt(from));
    for (const change of source.changes) {
      if (change <= from) continue;
      const state = stateAt(change);
      if (state === this.states.at(-1)) continue;
      this.changes.push(change);
      this.states.push(state);
    }
  }

  at(moment: number): number {
    return this.states[countUpTo(this.changes, moment)]!;
  }
  /** The first change strictly after a moment, or Infinity. */
  nextAfter(moment: number): number {
    return this.changes[countUpTo(this.changes, moment)] ?? Infinity;
  }
}

/** Changes of answers that follow each other closely, and the time before the first of them in which a call can come to meet it. */
export interface Burst {
  /** Epoch milliseconds; at `to` the last of them has come. */
  from: number;
  to: number;
  /** The same text where the same answers change to the same, the same time after it begins. */
  kind: string;
}

export class Timeline {
  /** Moments at which any answer changes, ascending; the first is where the stretch begins. */
  readonly moments: readonly number[];
  /** From each of them to the next, all answers: the same text where all are the same. */
  readonly states: readonly string[];
  private readonly answers: ReadonlyMap<string, Answers>;

  constructor(sources: ReadonlyMap<string, Source>, from: number) {
    this.answers = new Map([...sources].map(([id, source]) => [id, new Answers(source, from)]));
    const all = [...this.answers.values()];
    this.moments = [from, ...new Set(all.flatMap((a) => a.changes))].sort((a, b) => a - b);
    this.states = this.moments.map((at) => all.map((a) => a.at(at)).join());
  }

  /** What is answered at a moment; 0 where nothing is known that could be asked so. */
  answer(source: string, at: number): number {
    return this.answers.get(source)?.at(at) ?? 0;
  }
  /** When that answer changes next, strictly after a moment; Infinity where it does not. */
  nextAfter(source: string, at: number): number {
    return this.answers.get(source)?.nextAfter(at) ?? Infinity;
  }
  private readonly bursts = new Map<number, readonly Burst[]>();
  /** All changes in bursts, in order. @param horizon in milliseconds: so far apart at least are the changes of two of them */
  burstsOf(horizon: number): readonly Burst[] {
    let found = this.bursts.get(horizon);
    if (!found) this.bursts.set(horizon, (found = this.parted(horizon)));
    return found;
  }
  private parted(horizon: number): Burst[] {
    const { moments, states } = this;
    const found: Burst[] = [];
    for (let next = 1; next < moments.length; next++) {
      // Before the first change the stretch may have begun less than a horizon ago.
      const from = Math.max(moments[0]!, moments[next]! - horizon);
      let kind = `${states[next - 1]!} ${moments[next]! - from} ${states[next]!}`;
      for (; (moments[next + 1] ?? Infinity) - moments[next]! <= horizon; next++)
        kind += ` ${moments[next + 1]! - from} ${states[next + 1]!}`;
      found.push({ from, to: moments[next]!, kind });
    }
    return found;
  }

  /** All answers at a moment. */
  statesAt(at: number): string {
    return this.states[Math.max(0, countUpTo(this.moments, at) - 1)]!;
  }
}

/** So many are kept for one system: who leafs through years makes more and more. */
const MOST_KEPT = 2000;
const known = once((_: System) => once((_: PairedStanding) => new Map<string, Timeline>()));

/**
 * Worked out once for all numbers and callers whose calls begin in a plan.
 * @param from @param to epoch milliseconds between which changes are wanted; `to` is not included
 */
export function timelineOf(
  system: System,
  standing: PairedStanding,
  planId: string | null,
  from: number,
  to: number,
): Timeline {
  if (planId === null) return new Timeline(new Map(), from);
  const lines = known(system)(standing);
  const key = `${planId} ${from} ${to}`;
  let line = lines.get(key);
  if (!line) {
    if (lines.size >= MOST_KEPT) lines.clear();
    line = new Timeline(sourcesOf(reachedFrom(system, planId), system, standing, from, to), from);
    lines.set(key, line);
  }
  return line;
}

/** How many changes lie at or before a moment. */
function countUpTo(changes: readonly number[], at: number): number {
  let [low, high] = [0, changes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (changes[middle]! > at) high = middle;
    else low = middle + 1;
  }
  return low;
}
