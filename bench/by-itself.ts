/** What happens by itself: a follow-up tried on six thousand calls. */
import { answerFor } from '../src/core/asking';
import { ASKED, filler, UNKNOWN } from './paraphrases';
import { demonstration, DEMO_ID } from '../demo/lantern-cove';
import { freeTimes } from '../src/core/booking';
import { countsOf, happeningsOf, starters, tryOn } from '../src/core/followups';
import { whereaboutsOf } from '../src/core/numbering';
import { prepare, readReceivers } from '../src/core/rounds';
import { callRow, Log, settlingOf } from '../src/core/story';
import { pastOf } from '../src/standins/past/past';
import { ms, quantiles } from './measure';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const CALLS = 6000;
const whole = demonstration(NOW);
const { system } = whole.draft;
const past = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 30).calls;
const rows = Array.from({ length: CALLS }, (_, i) => {
  const row = callRow(past[i % past.length]!);
  return { ...row, id: `${row.id}-${i}`, at: row.at - Math.floor(i / past.length) * 60_000 };
});
const log = new Log();
for (const row of rows) log.put(row);
const { business } = system;
const followUp = { ...starters('mei')[0]!, id: 'sorry' };
const times: number[] = [];
let texts = 0;
for (let i = 0; i < 20; i++) {
  const from = performance.now();
  const tried = tryOn(
    [followUp],
    {
      happenings: happeningsOf(log.rows()),
      settling: i ? log.settling : settlingOf(log.rows()),
      textsOf: (number) => log.of(number).filter((r) => r.kind === 'text'),
      wishes: [],
      where: (number) => whereaboutsOf(number, business.country, business.timeZone),
    },
    { system, tagsOf: () => [] },
  ).get('sorry')!;
  texts = countsOf(tried.lines).reduce((n, c) => n + (c.done ? c.n : 0), 0);
  times.push(performance.now() - from);
}
const { p50, p95 } = quantiles(times);
console.log(
  `a follow-up tried on ${CALLS.toLocaleString('en-US')} calls, ${texts} texts: median ${ms(p50)}, 95th percentile ${ms(p95)} (aim 100 ms)`,
);

/** A text to five thousand people, made ready. */
const receivers = readReceivers(
  [
    'number,name,boat',
    ...Array.from({ length: 5000 }, (_, i) => `+1206555${String(1000 + i)},Person ${i},Boat ${i}`),
  ].join('\n'),
  system,
).receivers;
const rounds: number[] = [];
let goes = 0;
for (let i = 0; i < 5; i++) {
  const from = performance.now();
  const made = prepare(
    {
      text: '{business}: {first name|hello}, your {boat} can come to the slipway from Monday on. Reply STOP to end texts.',
      from: '+13605550142',
      start: NOW,
      receivers,
      consent: 'on paper',
    },
    {
      system,
      stopped: new Set(),
      where: (number) => whereaboutsOf(number, business.country, business.timeZone),
      paceMs: 1000,
    },
  );
  goes = made.goes;
  rounds.push(performance.now() - from);
}
console.log(
  `a text to ${goes.toLocaleString('en-US')} people made ready: median ${ms(quantiles(rounds).p50)} (aim 1 s)`,
);

/** Free times of a month, for ten people with a calendar each and a full week. */
const own = system.calendars.slipway!;
const hours = system.hours[own.hoursId!]!;
const month: number[] = [];
let found = 0;
for (let i = 0; i < 20; i++) {
  const from = performance.now();
  found = 0;
  for (let person = 0; person < 10; person++) {
    // A little later each time: nothing is remembered from before.
    const asked = { calendar: own, hours: { ...hours }, zone: business.timeZone, now: NOW + i * 60_000 };
    const taken = Array.from({ length: 40 }, (_, n) => {
      const at = NOW + (n * 17 + person) * 3_600_000;
      return { from: at, to: at + 3_600_000 };
    });
    found += freeTimes({ ...asked, taken }, NOW, NOW + 30 * 86_400_000).length;
  }
  month.push(performance.now() - from);
}
console.log(
  `free times of a month for ten people, ${found} of them: median ${ms(quantiles(month).p50)} (aim 20 ms)`,
);

/** Questions found among 500 own answers, with other words and a mistake here and there: how many are right, and how fast. */
const answers = Object.fromEntries(
  [
    ...ASKED.map(([question]) => question),
    ...Array.from({ length: 500 - ASKED.length }, (_, n) => filler(n)),
  ].map((name, i) => [`a${i}`, { id: `a${i}`, name, also: [], says: 'x' }]),
);
const building = performance.now();
answerFor(answers, 'first');
const built = performance.now() - building;
const tellings = { right: 0, wrong: 0, 'asked back, rightly': 0, 'asked back in vain': 0, 'not known': 0 };
const each: number[] = [];
for (const [question, ...others] of ASKED)
  for (const said of others) {
    const from = performance.now();
    const got = answerFor(answers, said);
    each.push(performance.now() - from);
    const right = got?.answer.name === question;
    if (!got) tellings['not known']++;
    else if (got.sure) tellings[right ? 'right' : 'wrong']++;
    else tellings[right ? 'asked back, rightly' : 'asked back in vain']++;
  }
const invented = UNKNOWN.filter((said) => answerFor(answers, said)?.sure).length;
console.log(
  `a question among 500 answers: median ${ms(quantiles(each).p50)}, 95th percentile ${ms(quantiles(each).p95)} (aim 10 ms; made ready once in ${ms(built)}); of ${each.length} in other words: ${Object.entries(
    tellings,
  )
    .map(([what, n]) => `${n} ${what}`)
    .join(', ')}; of ${UNKNOWN.length} that nobody can answer ${invented} answered`,
);
