/** A load run: usual weeks of the demonstration, and what it puts into traces a second beside a bare event loop. */
import TinyQueue from 'tinyqueue';
import { demonstration } from '../demo/lantern-cove';
import { CallEngine } from '../src/core/calls';
import { runWeek, weekOf, type Traffic } from '../src/core/staffing';
import { asPaired } from '../src/core/system';
import { USUAL_RULES } from '../src/core/traffic';

export const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
export const { system } = whole.draft;
export const standing = asPaired(whole.standing.standing);
const MONDAY = '2026-11-30';
export const WEEKS = 200;
const A_WEEK = 2000;

/** What a worker is asked: some of the weeks, or events. */
export interface Asked {
  traffic: Traffic;
  weeks?: { from: number; to: number };
}
export interface Weeks {
  /** Milliseconds until the first two are there. */
  first: number;
  calls: number;
}
export interface Events {
  /** A second. */
  rate: number;
  alone: number;
  /** So many wait in the heap, in the mean. */
  waits: number;
}

const perWeek = ({ lines }: Traffic): number =>
  lines.reduce((sum, l) => sum + l.rates.reduce((a, b) => a + b), 0);

export function weeksOf({ traffic, weeks }: Required<Asked>): Weeks {
  const begun = performance.now();
  let [first, calls] = [0, 0];
  for (let n = weeks.from; n < weeks.to; n++) {
    const requests = weekOf(traffic, system, MONDAY, 1, n, A_WEEK / perWeek(traffic));
    calls += requests.length;
    runWeek(system, standing, requests, USUAL_RULES);
    if (n === weeks.from + 1) first = performance.now() - begun;
  }
  return { first, calls };
}

/** Events a second of a loop that does nothing but take the next and put another: of the engine's own shape and order. */
function bare(waiting: number): number {
  const queue = new TinyQueue<{ t: number; rank: number; seq: number; what: object }>(
    [],
    (a, b) => a.t - b.t || a.rank - b.rank || a.seq - b.seq,
  );
  let seq = 0;
  const put = (t: number) =>
    queue.push({
      t,
      rank: 3,
      seq: seq++,
      what: { kind: 'timer', timer: 'sound', callId: 'c', turn: 1, leg: 1 },
    });
  for (let i = 0; i < waiting; i++) put(NOW + i);
  const times = 1_000_000;
  const begun = performance.now();
  for (let i = 0; i < times; i++) put(queue.pop()!.t + 1 + ((i * 7919) % 100));
  return (times * 1000) / (performance.now() - begun);
}

/**
 * Both once they are warm, as they are in a run. In a worker of its own, as a load run is: where thousands of traces were kept
 * before, V8 lays new ones out to be kept as well.
 */
export function eventsOf({ traffic }: Asked): Events {
  const tenWeeks = Array.from({ length: 10 }, (_, n) =>
    weekOf(traffic, system, MONDAY, 1, n, A_WEEK / perWeek(traffic)),
  );
  let [rate, alone, waits] = [0, 0, 1];
  for (let round = 0; round < 6; round++) {
    let [events, looked, waiting] = [0, 0, 0];
    const from = performance.now();
    for (const requests of tenWeeks) {
      const engine = new CallEngine(system, standing);
      engine.whenOver = ({ request, trace }) => {
        events += trace.length;
        engine.forget(request.id);
      };
      for (const request of requests) {
        engine.advance(request.at - 1);
        engine.act(request.at, { kind: 'place', request });
        if (round === 0 && looked++ % 50 === 0) waiting += engine.snapshot().queue.length;
      }
      engine.advance(Infinity);
    }
    rate = Math.max(rate, (events * 1000) / (performance.now() - from));
    if (round === 0) waits = Math.max(1, Math.round((waiting * 50) / looked));
    alone = Math.max(alone, bare(waits));
  }
  return { rate, alone, waits };
}

export const answerOf = (asked: Asked): Weeks | Events =>
  asked.weeks ? weeksOf({ ...asked, weeks: asked.weeks }) : eventsOf(asked);
