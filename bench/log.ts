/** The log of a hundred thousand calls and twenty thousand texts: gone through, searched, and one contact's story of it. */
import { demonstration, DEMO_ID } from '../demo/lantern-cove';
import { ANY, keptWith, search, settling, storyOf, type CallKept, type TextKept } from '../src/core/story';
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
const kept = { calls, messages: [], texts };

let from = performance.now();
const story = storyOf(kept, system);
for (let i = 0; i < 300; i++) story.next();
console.log(
  `the newest 300 entries of ${(CALLS + TEXTS).toLocaleString('en-US')}: ${ms(performance.now() - from)}`,
);
from = performance.now();
const entries = [...storyOf(kept, system)];
console.log(`all of them, gone through for the first time: ${ms(performance.now() - from)}`);
from = performance.now();
const by = settling(kept);
console.log(`what has been settled since: ${ms(performance.now() - from)}`);
const words = ['w', 'wi', 'winter', 'rosa hung', 'boat ready 7', '555-0121', 'harrow', 'nothing at all'];
const keys: number[] = [];
search(entries, { ...ANY, text: 'once' }, by, () => [0, 0]);
for (const view of ['all', 'missed', 'not called back'] as const)
  for (const text of words) {
    from = performance.now();
    search(entries, { ...ANY, view, text }, by, () => [0, 0]);
    keys.push(performance.now() - from);
  }
const { p50, p95 } = quantiles(keys);
console.log(`a key in the search: median ${ms(p50)}, 95th percentile ${ms(p95)} (aim 50 ms, drawn)`);
from = performance.now();
const own = [...storyOf(keptWith(kept, ['+13605550134']), system)];
console.log(`one contact's story, ${own.length} entries: ${ms(performance.now() - from)} (aim 50 ms)`);

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
const cards = readCards(people, 'US');
if ('message' in cards) throw new Error(cards.message);
previewCards(cards, system, (kind) => `${kind}-${Math.random()}`);
console.log(
  `5,000 contacts read, compared and joined in a preview: ${ms(performance.now() - from)} (aim 2 s)`,
);
