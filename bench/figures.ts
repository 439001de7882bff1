/** Figures of a year of 100,000 calls, and a live board with fifty calls. */
import { DEMO_ID } from '../demo/lantern-cove';
import { CallEngine, type CallRequest } from '../src/core/calls';
import { boardCalls, boardQueues } from '../src/core/phone';
import { callRow, dayOf, Log, packed, unpacked, type CallKept, type Row } from '../src/core/story';
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
import { NOW, standing, system } from './load-run';
import { ms, quantiles } from './measure';

const spreadText = (times: readonly number[]): string => {
  const { p50, p95 } = quantiles(times);
  return `median ${ms(p50)}, 95th percentile ${ms(p95)}`;
};

const DAY = 86_400_000;

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
