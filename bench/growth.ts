/** What is worked out after an edit, at four sizes: how long, and how fast it grows. */
import { differencesOf } from '../src/core/coverage';
import { findingsOf } from '../src/core/findings';
import { applyEdit, type Command } from '../src/core/system';
import { ms } from './measure';
import { businessOf, SIZES } from './sizes';

const TEN = Date.UTC(2026, 10, 24, 18, 15);
const EDITS: Record<string, Command> = {
  'a person renamed': { do: 'person.set', id: 'p3', change: { name: 'Another Name' } },
  'somebody away for a week': {
    do: 'person.set',
    id: 'p3',
    change: { away: [{ from: '2027-01-04', to: '2027-01-08', standInId: null }] },
  },
  'a set of hours': {
    do: 'hours.set',
    id: 'h1',
    change: { weekly: [{ day: 1, from: 480, to: 1000, kind: 'Open' }] },
  },
  'a queue': { do: 'queue.set', id: 'q1', change: { memberIds: ['p1', 'p2'] } },
};

const lines = new Map<string, number[]>();
const note = (what: string, took: number) => lines.set(what, [...(lines.get(what) ?? []), took]);
for (const size of SIZES) {
  const whole = businessOf(size);
  const { system } = whole.draft;
  const { standing } = whole.standing;
  for (const [what, command] of Object.entries(EDITS)) {
    const done = applyEdit(system, { words: what, commands: [command] });
    if (!done.ok) throw new Error(done.problems[0]!.message);
    const from = performance.now();
    differencesOf(system, done.system, standing, TEN);
    note(`what differs after: ${what}`, performance.now() - from);
  }
  const from = performance.now();
  findingsOf({ system, standing, today: '2026-11-24', freshId: (kind) => `${kind}-x` });
  note('findings', performance.now() - from);
}
/** How fast it grows from the second size to the last, as a power of the people. */
const growth = (times: readonly number[]): number =>
  Math.log(times.at(-1)! / times[1]!) / Math.log(SIZES.at(-1)!.people / SIZES[1]!.people);
/** What takes less than this at the largest size may grow as it likes: it is mostly chance. */
const QUICK_MS = 400;
/** So fast may a line grow; the machine is shared, and a little more is chance. */
const FASTEST = 1.1;
const BY_CHANCE = 0.15;
for (const [what, times] of lines) {
  const power = growth(times);
  const tooFast = power > FASTEST + BY_CHANCE && times.at(-1)! > QUICK_MS;
  console.log(
    `${what}, ${SIZES.map((s) => s.name).join(', ')}: ${times.map(ms).join(', ')}; grows by the power ${power.toFixed(2)}${tooFast ? ` — faster than ${FASTEST}` : ''}`,
  );
  if (tooFast) process.exitCode = 1;
}
