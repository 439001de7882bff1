/**
 * Coverage: who answers a number, for every moment of a span of time, exactly. Within a piece the way of a call is the
 * same to the millisecond, so it is worked out once.
 */
import { nobodyAnswers, rehearse, type CallRequest, type Trace } from '../calls';
import { asPaired, type NumberHeld, type Standing, type System } from '../system';
import { changesFor } from './changes';

export interface Piece {
  /** Epoch milliseconds; `to` is not part of it. */
  from: number;
  to: number;
  /** What happens to a call that arrives in this piece and that nobody answers. */
  trace: Trace;
}

/** A call to a number at a moment that nobody answers; the caller leaves a message if they can. */
export const unansweredCall = (number: NumberHeld, at: number): CallRequest => ({
  id: 'call',
  at,
  from: { kind: 'outside', number: null },
  to: { kind: 'number', e164: number.e164 },
  behaviour: nobodyAnswers(),
});

/** The longest way of a call that is reckoned with, in milliseconds: changes so long after the span still decide it. */
const LONGEST_WAY_MS = 3_600_000;

/**
 * All pieces of a number from `from` up to but without `to`, in order and without gaps.
 *
 * Exact because a call asks the time only at the moments in its trace: the way of a call that arrives at `a` and asks at
 * `a + d` stays what it is until, for one of those `d`, the next change after `a + d` is reached.
 */
export function piecesOf(
  system: System,
  standing: Standing,
  number: NumberHeld,
  from: number,
  to: number,
): Piece[] {
  const paired = asPaired(standing);
  const changes = changesFor(system, number, from, to + LONGEST_WAY_MS);
  const pieces: Piece[] = [];
  for (let at = from; at < to;) {
    const trace = rehearse(system, paired, unansweredCall(number, at));
    let end = to;
    for (const t of new Set(trace.map((e) => e.t))) end = Math.min(end, nextAfter(changes, at + t) - t);
    const before = pieces.at(-1);
    if (before && JSON.stringify(before.trace) === JSON.stringify(trace)) before.to = end;
    else pieces.push({ from: at, to: end, trace });
    at = end;
  }
  return pieces;
}

/** The first change strictly after a moment, or Infinity. */
function nextAfter(changes: readonly number[], at: number): number {
  let [low, high] = [0, changes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (changes[middle]! > at) high = middle;
    else low = middle + 1;
  }
  return changes[low] ?? Infinity;
}
