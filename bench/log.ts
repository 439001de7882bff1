/** The log of a hundred thousand calls and twenty thousand texts: gone through, searched, and one contact's story of it. */
import { demonstration, DEMO_ID } from '../demo/lantern-cove';
import {
  ANY,
  callRow,
  dayOf,
  keptWith,
  lastOf,
  Log,
  packed,
  settling,
  textRow,
  unpacked,
  type CallKept,
  type Row,
  type TextKept,
} from '../src/core/story';
import { previewCards, readCards } from '../src/core/formats/contacts';
import { pastOf } from '../src/standins/past/past';
import { ms, quantiles } from './measure';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const DAY = 86_400_000;
const CALLS = 100_000;
const TEXTS = 20_000;
const whole = demonstration(NOW);
const { system } = whole.draft;
const past = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 30).calls;
const calls = Array.from({ length: CALLS }, (_, i): CallKept => {
  const call = past[i % past.length]!;
  const round = Math.floor(i / past.length);
  return { ...call, id: `${call.id}-${round}`, at: call.at - round * 31 * DAY };
});
const [line] = Object.values(system.numbers);
const texts = Array.from({ length: TEXTS }, (_, i): TextKept => {
  const other = `+120655501${String(i % 100).padStart(2, '0')}`;
  const way = i % 3 ? 'in' : 'out';
  const [from, to] = way === 'in' ? [other, line!.e164] : [line!.e164, other];
  return { id: `t${i}`, way, from, to, text: `Is the boat ready, number ${i}?`, at: NOW - i * 900_000 };
});
/** So many entries are shown at first. */
const SHOWN = 60;

let from = performance.now();
const rows = [...calls.map((c) => callRow(c)), ...texts.map((t) => textRow(t)!)];
console.log(
  `${rows.length.toLocaleString('en-US')} rows worked out of records: ${ms(performance.now() - from)}`,
);
const byDay = new Map<number, Row[]>();
for (const row of rows) byDay.set(dayOf(row.at), [...(byDay.get(dayOf(row.at)) ?? []), row]);
const stored = [...byDay].map(([day, some]) => [day, packed(some)] as const);
const size = stored.reduce((sum, [, text]) => sum + text.length, 0);
console.log(`stored: ${stored.length} days, ${(size / 1e6).toFixed(1)} MB`);
globalThis.gc?.();
const before = process.memoryUsage().heapUsed;
from = performance.now();
const log = new Log();
for (const [day, text] of stored) log.fill(day, unpacked(text));
console.log(`read again from its days: ${ms(performance.now() - from)}`);
const day = () => [0, 0] as const;
from = performance.now();
let n = 0;
for (const some of log.find(ANY, system, day)) if ((n += some.length) >= SHOWN) break;
console.log(`opened, the newest ${SHOWN} found: ${ms(performance.now() - from)} (aim 500 ms, drawn)`);
const words = ['w', 'wi', 'winter', 'rosa hung', 'boat ready 7', '555-0121', 'harrow', 'nothing at all'];
from = performance.now();
for (const some of log.find({ ...ANY, text: 'once' }, system, day)) n += some.length;
console.log(
  `texts made ready to be searched, once for each change of names: ${ms(performance.now() - from)}`,
);
const shown: number[] = [];
const counted: number[] = [];
for (const view of ['all', 'missed', 'not called back'] as const)
  for (const text of words) {
    from = performance.now();
    let [found, first] = [0, 0];
    for (const some of log.find({ ...ANY, view, text }, system, day)) {
      found += some.length;
      if (!first && found >= SHOWN) first = performance.now() - from;
    }
    counted.push(performance.now() - from);
    shown.push(first || counted.at(-1)!);
  }
const [first, all] = [quantiles(shown), quantiles(counted)];
console.log(
  `a key in the search, to what is shown: median ${ms(first.p50)}, 95th percentile ${ms(first.p95)} (aim 50 ms, drawn)`,
);
console.log(`and until all are counted: median ${ms(all.p50)}, 95th percentile ${ms(all.p95)}`);
log.with(['+12065550100']);
from = performance.now();
const own = log.with(['+13605550134']);
console.log(`one contact's story, ${own.length} entries: ${ms(performance.now() - from)} (aim 50 ms)`);
const [some] = rows;
log.put({ ...some!, id: 'one-more' });
from = performance.now();
log.with(['+13605550134']);
console.log(`the same after a call came: ${ms(performance.now() - from)}`);
globalThis.gc?.();
console.log(
  `memory of the log in its worker: ${((process.memoryUsage().heapUsed - before) / 1e6).toFixed(0)} MB`,
);

// What a ringing call shows before anybody lifts, on a page with the newest calls and all messages and texts.
const near = calls.slice(0, 5000).map((c) => ({ ...c }));
const messages = Array.from({ length: 50_000 }, (_, i) => ({
  id: `m${i}`,
  mailboxId: 'office',
  at: NOW - i * 600_000,
  from: 'somebody',
  fromNumber: `+120655501${String(i % 100).padStart(2, '0')}`,
  said: 'Please call me back about the estimate.',
}));
const kept = { calls: near, messages, texts };
const cards: number[] = [];
for (let i = 0; i < 20; i++) {
  from = performance.now();
  const number = `+120655501${String(10 + i)}`;
  const theirs = keptWith(kept, [number]);
  lastOf(theirs, 4, system);
  settling(theirs);
  cards.push(performance.now() - from);
}
console.log(
  `who rings, with the last dealings: median ${ms(quantiles(cards).p50)}, 95th percentile ${ms(quantiles(cards).p95)} (aim 100 ms, drawn)`,
);

const people = Array.from({ length: 5000 }, (_, i) =>
  [
    'BEGIN:VCARD',
    'VERSION:4.0',
    `UID:card-${i}`,
    `FN:Person ${i}`,
    `TEL:+1206${String(5_000_000 + i)}`,
    `EMAIL:person${i}@example.com`,
    'END:VCARD',
  ].join('\r\n'),
).join('\r\n');
from = performance.now();
const read = readCards(people, 'US');
if ('message' in read) throw new Error(read.message);
previewCards(read, system, (kind) => `${kind}-${Math.random()}`);
console.log(
  `5,000 contacts read, compared and joined in a preview: ${ms(performance.now() - from)} (aim 2 s)`,
);
