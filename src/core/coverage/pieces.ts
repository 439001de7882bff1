/**
 * Coverage: what a call to a number gets, for every moment of a span of time, exactly. Within a piece the way of a call is
 * the same to the millisecond, so it is worked out once.
 */
import { NEW_CALLER, nobodyAnswers, type CallRequest, type Trace, type TraceEvent } from '../calls';
import { asPaired, withOwn, type NumberHeld, type Standing, type System } from '../system';
import { GREETINGS, PEOPLE } from './changes';
import { timelineOf, type Burst } from './timeline';
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

/** Part of a stretch of time: from so many milliseconds after it begins calls go a way. */
type Laid = readonly (readonly [after: number, way: Way])[];

/** As a first guess, calls ask nothing later than so many milliseconds after they arrive. */
const HORIZON_MS = 120_000;

/**
 * All pieces of a number from `from` up to but without `to`, in order and without gaps.
 *
 * Exact because a call asks the time only at certain events: the way of a call that arrives at `a` and asks something at
 * `a + d` stays what it is until, for one of those `d`, the next change of that after `a + d` is reached; and a call that
 * at each of them gets the answer an earlier one got goes as that one went. So where no answer changes for as long as any
 * call asks (the horizon), calls go one way; and around changes that follow each other as others did, they go as they did
 * there: a year is a few kinds of days.
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
  const timeline = timelineOf(system, paired, number.planId, from, to + LONGEST_WAY_MS);
  const answer = ({ t, source }: Ask, at: number): number => timeline.answer(source, at + t);
  // Ways are looked for among those whose calls found the same at the moment they arrived.
  const ways = new Map<string, Way[]>();
  let longest = 0;
  const wayAt = (at: number): Way => {
    const key = timeline.statesAt(at);
    let known = ways.get(key);
    if (!known) ways.set(key, (known = []));
    for (const way of known) if (way.asks.every((ask, i) => answer(ask, at) === way.states[i])) return way;
    const { traces, left } = waysOf(system, paired, callAt(number, at));
    const asks = asksOf(traces);
    for (const { t } of asks) longest = Math.max(longest, t);
    const way = { traces, left, asks, states: asks.map((ask) => answer(ask, at)) };
    known.push(way);
    return way;
  };
  const endOf = ({ asks }: Way, at: number): number =>
    asks.reduce((end, { t, source }) => Math.min(end, timeline.nextAfter(source, at + t) - t), Infinity);

  const around = new Map<string, Laid>();
  const laidIn = ({ from: start, to: end, kind }: Burst): Laid => {
    let laid = around.get(kind);
    if (!laid) {
      const found: [number, Way][] = [];
      for (let at = start; at < end;) {
        const way = wayAt(at);
        found.push([at - start, way]);
        at = endOf(way, at);
      }
      around.set(kind, (laid = found));
    }
    return laid;
  };

  const texts = new Map<readonly Trace[], string>();
  const text = (traces: readonly Trace[]): string => {
    let found = texts.get(traces);
    // Why hours are closed is no other way of a call: what greets for it is.
    if (found === undefined) texts.set(traces, (found = JSON.stringify(traces).replaceAll(BY_HOLIDAY, '')));
    return found;
  };
  const lay = (horizon: number): Piece[] => {
    const pieces: Piece[] = [];
    const add = (at: number, end: number, { traces, left }: Way): void => {
      if (at >= end) return;
      const before = pieces.at(-1);
      if (before && (before.ways === traces || text(before.ways) === text(traces))) before.to = end;
      else pieces.push({ from: at, to: end, trace: traces[0]!, ways: traces, left });
    };
    around.clear();
    let at = from;
    for (const burst of timeline.burstsOf(horizon)) {
      if (at >= to || longest > horizon) return pieces;
      const steady = Math.min(to, burst.from);
      if (at < steady) add(at, steady, wayAt(at));
      at = burst.to;
      if (steady === to) continue;
      const laid = laidIn(burst);
      for (const [i, [after, way]] of laid.entries())
        add(burst.from + after, Math.min(to, burst.from + (laid[i + 1]?.[0] ?? burst.to - burst.from)), way);
    }
    if (at < to) add(at, to, wayAt(at));
    return pieces;
  };
  // Horizons are of few lengths, so that callers share how changes come in bursts.
  for (let horizon = HORIZON_MS; ; horizon *= 2) {
    if (longest > horizon) continue;
    const pieces = lay(horizon);
    if (longest <= horizon) return pieces;
  }
}

/** Cut out of the text, where no name can look like it: its quotes would be escaped. A function asked for every key takes far longer. */
const BY_HOLIDAY = ',"holiday":true';
