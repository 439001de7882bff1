/**
 * Coverage: what a call to a number gets, for every moment of a span of time, exactly. Within a piece the way of a call is
 * the same to the millisecond, so it is worked out once.
 */
import { NEW_CALLER, nobodyAnswers, type CallRequest, type Trace, type TraceEvent } from '../calls';
import { asPaired, withOwn, type NumberHeld, type Standing, type System } from '../system';
import { GREETINGS, PEOPLE, reachedFrom, sourcesOf, type Source } from './changes';
import { waysOf } from './ways';

export interface Piece {
  /** Epoch milliseconds; `to` is not part of it. */
  from: number;
  to: number;
  /** What happens to a call that arrives in this piece, as the usual seed has it. */
  trace: Trace;
  /** That, and every other way where chance, or whose turn it is, decides. */
  ways: readonly Trace[];
  /** Ways that chance opens and that were not followed, at least; 0 where all were. */
  left: number;
}

/** How a call to a number looks that arrives at a moment (epoch milliseconds). */
export type CallAt = (number: NumberHeld, at: number) => CallRequest;

/** A call of somebody new to a number at a moment, that nobody answers; the caller leaves a message if they can. */
export const unansweredCall: CallAt = (number, at) => ({
  id: 'call',
  at,
  from: { kind: 'outside', number: NEW_CALLER },
  to: { kind: 'number', e164: number.e164 },
  behaviour: nobodyAnswers(),
});

/** The longest way of a call that is reckoned with, in milliseconds: changes so long after the span still decide it. */
const LONGEST_WAY_MS = 4 * 3_600_000;

/** The events at which a call asks who can be rung: everything between them, but hours, goes by itself. */
const ASKS_PEOPLE: ReadonlySet<TraceEvent['kind']> = new Set([
  'on duty',
  'stand-in',
  'leg offered',
  'not rung',
  'ringing over',
  'redirected',
  'dialled',
  'queued',
  'nobody free',
  'came first',
  'left for last',
  'paused',
] satisfies TraceEvent['kind'][]);

/** A question of a call: which source it asks, so many milliseconds after it arrived. */
interface Ask {
  t: number;
  source: string;
}
/** A way that was worked out: with the same answers to the same questions a call goes the same way. */
interface Way {
  traces: Trace[];
  left: number;
  /** What any of them asks. */
  asks: Ask[];
  /** What was answered to each of them. */
  states: number[];
}

function asksOf(traces: readonly Trace[]): Ask[] {
  const asks = new Map<string, Ask>();
  const add = (t: number, source: string) => asks.set(`${t} ${source}`, { t, source });
  for (const e of traces.flat()) {
    if (e.kind === 'hours' && e.hoursId) add(e.t, e.hoursId);
    else if (ASKS_PEOPLE.has(e.kind)) add(e.t, PEOPLE);
    else if (e.kind === 'greeting started') add(e.t, GREETINGS);
  }
  return [...asks.values()];
}

/** A source asked about many moments: between two changes its answer stays, so it is asked once for each stretch. */
class Answers {
  private stretches: number[] = [];
  private names = new Map<string, number>();
  constructor(
    private source: Source,
    private from: number,
  ) {}

  at(moment: number): number {
    const stretch = countUpTo(this.source.changes, moment);
    let state = this.stretches[stretch];
    if (state === undefined) {
      const text = this.source.stateAt(stretch ? this.source.changes[stretch - 1]! : this.from);
      state = this.names.get(text) ?? this.names.size;
      this.names.set(text, state);
      this.stretches[stretch] = state;
    }
    return state;
  }
  /** The first change strictly after a moment, or Infinity. */
  nextAfter(moment: number): number {
    return this.source.changes[countUpTo(this.source.changes, moment)] ?? Infinity;
  }
}

/**
 * All pieces of a number from `from` up to but without `to`, in order and without gaps.
 *
 * Exact because a call asks the time only at certain events: the way of a call that arrives at `a` and asks something at
 * `a + d` stays what it is until, for one of those `d`, the next change of that after `a + d` is reached; and a call that
 * at each of them gets the answer an earlier one got goes as that one went.
 */
export function piecesOf(
  document: System,
  standing: Standing,
  number: NumberHeld,
  from: number,
  to: number,
  callAt: CallAt = unansweredCall,
): Piece[] {
  const paired = asPaired(standing);
  const system = withOwn(document, standing.own);
  const reached = number.planId ? reachedFrom(system, number.planId) : undefined;
  const sources = reached
    ? sourcesOf(reached, system, paired, from, to + LONGEST_WAY_MS)
    : new Map<string, Source>();
  const answers = new Map([...sources].map(([id, source]) => [id, new Answers(source, from)]));
  const all = [...answers.values()];
  const answer = ({ t, source }: Ask, at: number): number => answers.get(source)?.at(at + t) ?? 0;
  // Ways are looked for among those whose calls found the same at the moment they arrived.
  const ways = new Map<string, Way[]>();
  const wayAt = (at: number): Way => {
    const key = all.map((a) => a.at(at)).join();
    let known = ways.get(key);
    if (!known) ways.set(key, (known = []));
    for (const way of known) if (way.asks.every((ask, i) => answer(ask, at) === way.states[i])) return way;
    const { traces, left } = waysOf(system, paired, callAt(number, at));
    const asks = asksOf(traces);
    const way = { traces, left, asks, states: asks.map((ask) => answer(ask, at)) };
    known.push(way);
    return way;
  };
  const pieces: Piece[] = [];
  const texts = new Map<readonly Trace[], string>();
  const text = (traces: readonly Trace[]): string => {
    let found = texts.get(traces);
    // Why hours are closed is no other way of a call: what greets for it is.
    if (found === undefined) texts.set(traces, (found = JSON.stringify(traces).replaceAll(BY_HOLIDAY, '')));
    return found;
  };
  for (let at = from; at < to;) {
    const { traces, left, asks } = wayAt(at);
    let end = to;
    for (const { t, source } of asks)
      end = Math.min(end, (answers.get(source)?.nextAfter(at + t) ?? Infinity) - t);
    const before = pieces.at(-1);
    if (before && (before.ways === traces || text(before.ways) === text(traces))) before.to = end;
    else pieces.push({ from: at, to: end, trace: traces[0]!, ways: traces, left });
    at = end;
  }
  return pieces;
}

/** Cut out of the text, where no name can look like it: its quotes would be escaped. A function asked for every key takes far longer. */
const BY_HOLIDAY = ',"holiday":true';

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
