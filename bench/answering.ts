/**
 * Plans, coverage and traffic: rehearsals of the longest plan, a week and a year of fifty numbers, a month of calls. Beside
 * them references on the same work: the rrule library for hours, an XState machine for a plan.
 */
import { RRule } from 'rrule';
import { assign, createActor, createMachine, SimulatedClock } from 'xstate';
import { demonstration } from '../demo/lantern-cove';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { nobodyAnswers, rehearse, simulateEach, type CallRequest } from '../src/core/calls';
import { drawn } from '../src/core/calls/rules/chance';
import { piecesOf, unansweredCall } from '../src/core/coverage';
import { boundaries, localTime, momentOf, momentOfDay } from '../src/core/hours';
import { checkPromises } from '../src/core/promises';
import { applyEdit, asPaired, newNumber, type Command, type Hours, type System } from '../src/core/system';
import { ms, spread } from './measure';

const TEN = Date.UTC(2026, 10, 24, 18, 15);
const LUNCH = Date.UTC(2026, 10, 24, 20, 10);
const whole = demonstration(TEN);
const demo = whole.draft.system;
const standing = asPaired(whole.standing.standing);
const LA = 'America/Los_Angeles';

// The longest way: lunch, Noor, the menu twice, the queue to its end, questions, voicemail.
const longest = unansweredCall(demo.numbers['n-main']!, LUNCH);
const events = rehearse(demo, standing, longest).length;
const average = (runs: number): number => {
  const start = performance.now();
  for (let i = 0; i < runs; i++) rehearse(demo, standing, longest);
  return (performance.now() - start) / runs;
};
const rounds = Array.from({ length: 6 }, () => average(4000));
console.log(
  `longest plan of the demonstration (${events} events): ${Math.min(...rounds.slice(1)).toFixed(3)} to ${Math.max(...rounds.slice(1)).toFixed(3)} ms on average, ${rounds[0]!.toFixed(3)} at first (aim 0.05)`,
);

/** Fifty numbers, the plans of the demonstration shared among them. */
function withNumbers(n: number): System {
  const plans = Object.keys(demo.plans);
  const commands: Command[] = Array.from({ length: n - 6 }, (_, i) => ({
    do: 'number.add',
    value: newNumber({
      id: `x${i}`,
      e164: `+1206555${String(1000 + i)}`,
      country: 'US',
      label: `Number ${i}`,
      kind: 'geographic',
      place: 'Seattle',
      planId: plans[i % plans.length]!,
      monthlyCents: 400,
      currency: 'USD',
    }),
  }));
  const made = applyEdit(demo, { words: 'bench', commands });
  if (!made.ok) throw new Error(made.problems[0]!.message);
  return made.system;
}
const fifty = withNumbers(50);
const from = momentOf(LA, '2026-11-23', 0);
const span = (days: number) => [from, momentOfDay(LA, localTime(LA, from).days + days, 0)] as const;
for (const [name, days, runs, aim] of [
  ['a week', 7, 15, 30],
  ['a year', 365, 5, 500],
] as const) {
  const [a, b] = span(days);
  let pieces = 0;
  const took = spread(runs, () => {
    pieces = 0;
    for (const number of Object.values(fifty.numbers))
      pieces += piecesOf(fifty, standing, number, a, b).length;
  });
  console.log(
    `coverage of ${name}, 50 numbers (${pieces} pieces): median ${ms(took.p50)}, p95 ${ms(took.p95)} (aim ${aim} ms)`,
  );
}
const promised = spread(5, () => checkPromises(demo, standing, TEN));
console.log(`eight promises over a year: median ${ms(promised.p50)}`);

// A month of calls: 100,000 over 30 days, more by day, who answers and how long by chance.
const people = Object.keys(demo.people);
const numbers = Object.values(demo.numbers);
const callsOf = (count: number) =>
  Array.from({ length: count }, (_, i): CallRequest => callOf(i)).sort((a, b) => a.at - b.at);
function callOf(i: number): CallRequest {
  const day = Math.floor(drawn(1, i) * 30);
  const hour = 7 + (drawn(2, i) + drawn(3, i)) * 6;
  const who = people[Math.floor(drawn(4, i) * people.length)]!;
  return {
    id: `c${i}`,
    at: Math.round(from + day * 86_400_000 + hour * 3_600_000),
    from: { kind: 'outside', number: null },
    to: { kind: 'number', e164: numbers[i % numbers.length]!.e164 },
    behaviour: {
      ...nobodyAnswers(),
      people: { [who]: { does: 'answers', after: 3 } },
      caller: { hangsUpAfter: 60, talks: 20 + drawn(5, i) * 200, message: 12 },
    },
  };
}
setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
for (const [count, times] of [
  [100_000, 3],
  [400_000, 1],
] as const) {
  const calls = callsOf(count);
  let answered = 0;
  const all = (over: () => void) =>
    simulateEach(demo, standing, calls, (_, trace) => {
      if (trace.some((e) => e.kind === 'answered')) answered++;
      over();
    });
  const took = spread(times, () => {
    answered = 0;
    all(() => {});
  });
  console.log(
    `${count.toLocaleString('en-US')} calls of a month: median ${ms(took.p50)} (aim 1,500 ms for 100,000; ${answered} answered)`,
  );
}
{
  const calls = callsOf(100_000);
  collect();
  const before = process.memoryUsage().heapUsed;
  let [seen, most] = [0, 0];
  simulateEach(demo, standing, calls, () => {
    if (++seen % 20_000) return;
    collect();
    most = Math.max(most, process.memoryUsage().heapUsed - before);
  });
  console.log(`100,000 calls keep at most ${(most / 1e6).toFixed(1)} MB while they go on (aim 100 MB)`);
}

// Hours against rrule: all boundaries of a year of weekday hours.
const week: Hours = {
  id: 'w',
  name: 'W',
  timeZone: null,
  weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' })),
};
const [a, b] = span(365);
const own = spread(30, () => boundaries({ ...week }, LA, a, b));
const rule = (h: number) =>
  new RRule({
    freq: RRule.WEEKLY,
    byweekday: [RRule.MO, RRule.TU, RRule.WE, RRule.TH, RRule.FR],
    dtstart: new Date(Date.UTC(2026, 10, 23, h)),
    until: new Date(Date.UTC(2027, 10, 23)),
  });
const theirs = spread(30, () => [...rule(8).all(), ...rule(17).all()]);
console.log(
  `boundaries of a year of hours: ${ms(own.p50)}; rrule's expansion of the same, without time zones: ${ms(theirs.p50)}; ratio ${(own.p50 / theirs.p50).toFixed(2)}`,
);

// The same plan as an XState machine: welcome, hours, ringing two phones, voicemail.
const machine = createMachine({
  id: 'plan',
  initial: 'welcome',
  context: { rang: 0 },
  states: {
    welcome: { after: { 4000: 'hours' } },
    hours: { always: 'ring' },
    ring: {
      entry: assign({ rang: ({ context }: { context: { rang: number } }) => context.rang + 1 }),
      after: { 18000: 'greeting' },
    },
    greeting: { after: { 3000: 'tone' } },
    tone: { after: { 500: 'message' } },
    message: { after: { 12000: 'done' } },
    done: { type: 'final' },
  },
});
const perSecond = (runs: number, work: () => void): number => {
  let best = 0;
  for (let round = 0; round < 5; round++) {
    const start = performance.now();
    for (let i = 0; i < runs; i++) work();
    best = Math.max(best, (runs * 1000) / (performance.now() - start));
  }
  return best;
};
const direct = unansweredCall(demo.numbers['n-rosa-direct']!, TEN);
const engine = perSecond(3000, () => rehearse(demo, standing, direct));
const xstate = perSecond(3000, () => {
  const clock = new SimulatedClock();
  const actor = createActor(machine, { clock }).start();
  for (const step of [4000, 18000, 3000, 500, 12000]) clock.increment(step);
  if (actor.getSnapshot().status !== 'done') throw new Error('The machine did not finish.');
});
console.log(
  `the same plan, runs a second: engine ${Math.round(engine).toLocaleString('en')} (with phones and trace), XState ${Math.round(xstate).toLocaleString('en')} (states only); ratio ${(engine / xstate).toFixed(2)}`,
);
