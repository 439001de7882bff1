/** Figures of a year of 100,000 calls, usual weeks run through a plan on two cores, and a live board with fifty calls. */
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import TinyQueue from 'tinyqueue';
import { demonstration, DEMO_ID } from '../demo/lantern-cove';
import { CallEngine, type CallRequest } from '../src/core/calls';
import { boardCalls, boardQueues } from '../src/core/phone';
import { runWeek, trafficOf, weekOf, type Traffic } from '../src/core/staffing';
import { callRow, dayOf, Log, packed, unpacked, type CallKept, type Row } from '../src/core/story';
import { asPaired } from '../src/core/system';
import {
  asked,
  EVERYTHING,
  QUESTIONS,
  reportOf,
  todayOf,
  USUAL_RULES,
  type Filter,
  type Span,
} from '../src/core/traffic';
import { pastOf } from '../src/standins/past/past';
import { RATES } from '../src/standins/carrier/prices';
import { ms, quantiles } from './measure';

const spreadText = (times: readonly number[]): string => {
  const { p50, p95 } = quantiles(times);
  return `median ${ms(p50)}, 95th percentile ${ms(p95)}`;
};

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const DAY = 86_400_000;
const whole = demonstration(NOW);
const { system } = whole.draft;
const standing = asPaired(whole.standing.standing);
const MONDAY = '2026-11-30';
const WEEKS = 200;
const A_WEEK = 2000;

/** How long some weeks take. @returns milliseconds until the first, and until all */
function weeks(
  traffic: Traffic,
  from: number,
  to: number,
): { first: number; all: number; calls: number; events: number } {
  const begun = performance.now();
  let [first, calls, events] = [0, 0, 0];
  for (let n = from; n < to; n++) {
    const requests = weekOf(
      traffic,
      system,
      MONDAY,
      1,
      n,
      A_WEEK / traffic.lines.reduce((sum, l) => sum + l.rates.reduce((a, b) => a + b), 0),
    );
    calls += requests.length;
    const week = runWeek(system, standing, requests, USUAL_RULES);
    events += week.hours.calls.reduce((sum, c) => sum + c, 0);
    if (n === from + 1) first = performance.now() - begun;
  }
  return { first, all: performance.now() - begun, calls, events };
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

/** What the engine puts into traces a second, beside a heap that does nothing else: both once they are warm, as they are in a run. */
function events(traffic: Traffic): { rate: number; alone: number; waits: number } {
  const tenWeeks = Array.from({ length: 10 }, (_, n) => weekOf(traffic, system, MONDAY, 1, n, 5));
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

if (!isMainThread) {
  const { traffic, from, to } = workerData as { traffic: Traffic; from?: number; to?: number };
  parentPort!.postMessage(
    from === undefined || to === undefined ? events(traffic) : weeks(traffic, from, to),
  );
} else {
  const past = pastOf(DEMO_ID, system, standing, NOW, 90).calls;
  // A year of a hundred thousand: the same ninety days again and again, more at once.
  const calls = Array.from({ length: 100_000 }, (_, i): CallKept => {
    const call = past[i % past.length]!;
    const round = Math.floor(i / past.length);
    return { ...call, id: `${call.id}-${round}`, at: call.at - (round % 4) * 91 * DAY - round * 60_000 };
  });
  const byDay = new Map<number, Row[]>();
  for (const call of calls) {
    const row = callRow(call);
    const day = byDay.get(dayOf(row.at));
    if (day) day.push(row);
    else byDay.set(dayOf(row.at), [row]);
  }
  const stored = [...byDay].map(([day, rows]) => [day, packed(rows)] as const);
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  let from = performance.now();
  const log = new Log();
  for (const [day, text] of stored) log.fill(day, unpacked(text));
  console.log(`a year of 100,000 calls loaded: ${ms(performance.now() - from)} (aim 2 s)`);
  globalThis.gc?.();
  console.log(`memory for it: ${((process.memoryUsage().heapUsed - before) / 1e6).toFixed(0)} MB`);

  const spans: Span[] = [
    { from: '2025-11-25', to: '2026-11-23' },
    { from: '2026-06-01', to: '2026-11-23' },
    { from: '2026-10-27', to: '2026-11-23' },
  ];
  const filters: Filter[] = [
    EVERYTHING,
    { ...EVERYTHING, personId: 'rosa' },
    { ...EVERYTHING, weekdays: [2], hours: [9, 11] },
    { ...EVERYTHING, callers: 'new' },
  ];
  const times: number[] = [];
  let slowest = { took: 0, id: '' };
  for (const span of spans)
    for (const filter of filters)
      for (const id of QUESTIONS) {
        from = performance.now();
        const all = asked(log, { span, filter, rules: USUAL_RULES, people: null }, system, RATES, NOW);
        reportOf(id, all);
        const took = performance.now() - from;
        times.push(took);
        if (took > slowest.took) slowest = { took, id };
      }
  console.log(
    `a report worked out (aim 300 ms at the 95th percentile): ${spreadText(times)}; slowest “${slowest.id}” ${ms(slowest.took)}`,
  );
  from = performance.now();
  todayOf(log, system, USUAL_RULES, NOW, null);
  console.log(`today so far, and what is usual: ${ms(performance.now() - from)}`);

  const small = new Log();
  for (const call of past) small.put(callRow(call));
  const { traffic } = trafficOf(small, { from: '2026-08-31', to: '2026-11-22' }, system)!;
  const half = WEEKS / 2;
  from = performance.now();
  const done = await Promise.all(
    [0, half].map(
      (first) =>
        new Promise<ReturnType<typeof weeks>>((resolve, reject) => {
          const worker = new Worker(new URL(import.meta.url), {
            workerData: { traffic, from: first, to: first + half },
          });
          worker.once('message', resolve);
          worker.once('error', reject);
        }),
    ),
  );
  const took = performance.now() - from;
  const all = done.reduce((sum, d) => sum + d.calls, 0);
  console.log(
    `${WEEKS} usual weeks of ${(all / WEEKS).toFixed(0)} calls on two cores: ${ms(took)} (aim 10 s), the first two weeks after ${ms(Math.min(...done.map((d) => d.first)))} (aim 1 s), ${Math.round((all * 1000) / took).toLocaleString('en-US')} calls a second`,
  );
  // In a worker of its own, as a load run is: where thousands of traces were kept before, the machine lays new ones out as such.
  const { rate, alone, waits } = await new Promise<ReturnType<typeof events>>((resolve, reject) => {
    const worker = new Worker(new URL(import.meta.url), { workerData: { traffic } });
    worker.once('message', resolve);
    worker.once('error', reject);
  });
  console.log(
    `events of traces a second in a load run: ${Math.round(rate).toLocaleString('en-US')}, a share of ${(rate / alone).toFixed(3)} of a bare event loop with a heap of ${waits}, as the engine's is (aim 0.33)`,
  );

  // Fifty callers at once: what is done from an event to what is drawn, without the drawing.
  const live = new CallEngine(system, standing);
  const numbers = Object.values(system.numbers);
  for (let i = 0; i < 50; i++) {
    const request: CallRequest = {
      id: `live-${i}`,
      at: NOW + i * 100,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: numbers[i % numbers.length]!.e164 },
      behaviour: null,
    };
    live.advance(request.at);
    live.act(request.at, { kind: 'place', request });
  }
  const shown: number[] = [];
  for (let i = 0; i < 200; i++) {
    live.advance(NOW + 5000 + i * 50);
    from = performance.now();
    const told = structuredClone([...live.calls.values()].map(({ onward: _, ...call }) => call));
    boardCalls(told as never, system);
    boardQueues(told as never, system, standing);
    shown.push(performance.now() - from);
  }
  console.log(`the board of 50 calls worked out after an event (aim 100 ms, drawn): ${spreadText(shown)}`);
}
