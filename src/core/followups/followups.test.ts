/** Follow-ups: what sets one off, what is done, when, and to whom not. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import { momentOf } from '../hours';
import { whereaboutsOf } from '../numbering';
import { callRow, settlingOf, textRow, type Row } from '../story';
import type { FollowUp, System } from '../system';
import {
  countsOf,
  decide,
  errandsOf,
  followUpInWords,
  happeningsOf,
  hasWord,
  judge,
  tryOn,
  type Happening,
  type Known,
  type Past,
} from '.';

const NOW = Date.UTC(2026, 10, 24, 20, 15);
const MINUTE = 60_000;
const DAY = 86_400_000;
const whole = demonstration(NOW);
const { system: demo } = whole.draft;
const zone = demo.business.timeZone;
const past = pastOf(DEMO_ID, demo, whole.standing.standing, NOW, 30);
const rows = past.calls.map((call) => callRow(call));
const ADA = '+12065550101';

const followUp = (change: Partial<FollowUp> = {}): FollowUp => ({
  id: 'sorry',
  name: 'Sorry we missed you',
  when: { is: 'missed' },
  if: [],
  then: [{ do: 'text', text: 'Sorry, {first name|hello}. We call you back.', numberId: null }],
  after: { is: 'minutes', minutes: 2 },
  unlessTalked: false,
  pauseDays: 0,
  ...change,
});
const sight = (system: System = demo) => ({ system, tagsOf: (row: Row) => row.tags ?? [] });
const dealt = (row: Row): Happening => ({ is: 'dealt with', row });
const pastWith = (all: readonly Row[], change: Partial<Past> = {}): Past => ({
  happenings: happeningsOf(all),
  settling: settlingOf(all),
  textsOf: () => [],
  wishes: [],
  where: (number) => whereaboutsOf(number, 'US', zone),
  ...change,
});
const text = (words: string, change: Partial<Parameters<typeof textRow>[0]> = {}): Row =>
  textRow({ id: 't', way: 'in', from: ADA, to: '+13605550142', text: words, at: NOW, ...change })!;
/** A call in vain, of the day at a time. */
const missed = rows.find(
  (r) => r.facts.missed && r.facts.other?.startsWith('+1') && r.facts.numberId === 'n-main',
)!;
const at = (row: Row, moment: number, id: string, other = ADA): Row => ({
  ...row,
  id,
  at: moment,
  facts: { ...row.facts, other },
});

describe('what sets one off', () => {
  const applies = (when: FollowUp['when'], row: Row, system = demo) =>
    judge(followUp({ when }), dealt(row), sight(system)).is === 'applies';
  it('is each call that came in vain, by a plain look at the log', () => {
    const found = rows.filter((r) => applies({ is: 'missed' }, r));
    expect(found.map((r) => r.id)).toEqual(
      rows.filter((r) => r.facts.way === 'in' && r.facts.missed && !r.facts.unwanted).map((r) => r.id),
    );
    expect(found.length).toBeGreaterThan(20);
  });
  it('tells talks that came in from those that were made', () => {
    const talks = rows.filter((r) => r.facts.talked);
    for (const way of ['in', 'out'] as const)
      expect(talks.filter((r) => applies({ is: 'talked', way }, r)).every((r) => r.facts.way === way)).toBe(
        true,
      );
    expect(talks.filter((r) => applies({ is: 'talked', way: 'either' }, r))).toHaveLength(talks.length);
  });
  it('is never one of our own numbers, nor a colleague, nor what nobody wants', () => {
    expect(applies({ is: 'missed' }, at(missed, NOW, 'a', '+13605550143'))).toBe(false);
    const unwanted = { ...missed, facts: { ...missed.facts, unwanted: true } };
    expect(applies({ is: 'missed' }, unwanted)).toBe(false);
    expect(applies({ is: 'missed' }, { ...missed, facts: { ...missed.facts, way: 'inside' } })).toBe(false);
  });
  it('is a text with a word as it is written, whatever the case, and never a stop', () => {
    const quote = { is: 'text', words: ['price', 'how much'] } as const;
    expect(applies(quote as never, text('What PRICE is a refit?'))).toBe(true);
    expect(applies(quote as never, text('How  much?'))).toBe(true);
    expect(applies(quote as never, text('prices'))).toBe(false);
    expect(applies({ is: 'text', words: [] }, text('STOP'))).toBe(false);
    expect(applies({ is: 'text', words: [] }, text('Hello', { way: 'out' }))).toBe(false);
    expect(hasWord('any', ' - ')).toBe(false);
  });
  it('names the first condition that does not hold', () => {
    const conditions: FollowUp['if'] = [
      { is: 'number', numberIds: ['n-main'] },
      { is: 'contact', known: true },
    ];
    const row = at(missed, NOW, 'a');
    expect(judge(followUp({ if: conditions }), dealt(row), sight())).toEqual({ is: 'not so', condition: 1 });
    const known = at(missed, NOW, 'a', demo.contacts.harrow!.numbers[0]);
    expect(judge(followUp({ if: conditions }), dealt(known), sight()).is).toBe('applies');
  });
  it('goes by the hours at the moment of the call', () => {
    const open = (is: boolean, moment: number) =>
      judge(
        followUp({ if: [{ is: 'hours', hoursId: 'office', open: is }] }),
        dealt(at(missed, moment, 'a')),
        sight(),
      ).is === 'applies';
    const ten = momentOf(zone, '2026-11-24', 10 * 60);
    expect(open(true, ten)).toBe(true);
    expect(open(false, ten)).toBe(false);
    expect(open(false, momentOf(zone, '2026-11-24', 22 * 60))).toBe(true);
  });
});

describe('what is done', () => {
  const made = (change: Partial<FollowUp>, row: Row = at(missed, NOW, 'a')) =>
    errandsOf(followUp(change), dealt(row), demo);
  it('is filled in, with what stands in place of what is not known', () => {
    expect(made({})[0]!.doing).toMatchObject({
      text: 'Sorry, hello. We call you back.',
      to: ADA,
      from: '+13605550142',
    });
    const harrow = at(missed, NOW, 'a', demo.contacts.harrow!.numbers[0]);
    const name = demo.contacts.harrow!.name.split(' ')[0];
    expect(made({}, harrow)[0]!.doing).toMatchObject({ text: `Sorry, ${name}. We call you back.` });
  });
  it('cannot be done where a field stays empty, and says which', () => {
    const [errand] = made({ then: [{ do: 'text', text: 'Dear {name}', numberId: null }] });
    expect(errand).toMatchObject({ doing: null, lacks: 'Nothing is known for {name}.' });
    expect(made({}, { ...missed, facts: { ...missed.facts, other: null } })[0]!.lacks).toContain('hidden');
    const mail = { do: 'mail', to: { is: 'contact' }, subject: 'x', text: 'y', with: 'nothing' } as const;
    expect(made({ then: [mail] })[0]!.lacks).toContain('no contact');
  });
  it('that would be too long once it is filled in is not sent, and says so', () => {
    const long = at(missed, NOW, 'a');
    const row = {
      ...long,
      facts: {
        ...long.facts,
        course: { ...long.facts.course!, noted: [['Boat', 'x'.repeat(1900)] as const] },
      },
    };
    const then = (text: string) => made({ then: [{ do: 'text', text, numberId: null }] }, row)[0]!;
    expect(then('{answers}')).toMatchObject({
      doing: null,
      lacks: 'What is filled in makes it more than 10 parts.',
    });
    expect(then('{answers} {answers}').lacks).toContain('longer than 2000 letters');
    expect(then('{boat} '.repeat(200)).lacks!.length).toBeLessThanOrEqual(500);
  });
  it('never texts a colleague’s phone', () => {
    const linked = Object.values(demo.phones).find((p) => p.number)!;
    expect(made({}, at(missed, NOW, 'a', linked.number!))[0]!.lacks).toContain('colleague');
  });
  it('is due after elapsed minutes, or on the next day by the clock of the business, also when the clocks change', () => {
    // 1 November 2026, 2:00: an hour comes twice (energy policy act of 2005).
    const night = momentOf(zone, '2026-10-31', 23 * 60);
    const over = { ...missed, facts: { ...missed.facts, course: null } };
    const due = (after: FollowUp['after']) =>
      errandsOf(followUp({ after }), dealt(at(over, night, 'a')), demo)[0]!.due;
    expect(due({ is: 'minutes', minutes: 600 }) - night).toBe(600 * MINUTE);
    expect(due({ is: 'next day', at: 540 })).toBe(momentOf(zone, '2026-11-01', 540));
    expect(due({ is: 'next day', at: 540 }) - night).toBe(11 * 3_600_000);
  });
});

describe('at the moment of sending', () => {
  const errand = errandsOf(
    followUp({ unlessTalked: true, pauseDays: 7 }),
    dealt(at(missed, NOW, 'a')),
    demo,
  )[0]!;
  const known = (change: Partial<Known> = {}): Known => ({
    now: errand.due,
    zone,
    perDay: 2,
    lateHours: 48,
    stopped: () => null,
    talkedSince: () => false,
    lastSent: () => null,
    sentFor: () => false,
    sentOn: () => 0,
    where: (number) => whereaboutsOf(number, 'US', zone),
    held: () => null,
    ...change,
  });
  it.each<[string, Partial<Known>, object]>([
    ['nothing is against it', {}, { is: 'do', late: false }],
    ['it is too early', { now: errand.due - 1 }, { is: 'wait', until: errand.due }],
    ['they said stop', { stopped: () => 'stop' }, { is: 'not', task: false }],
    ['they were talked with', { talkedSince: () => true }, { is: 'not', task: false }],
    ['they had it six days ago', { lastSent: () => errand.due - 6 * DAY }, { is: 'not' }],
    ['they had it seven days ago', { lastSent: () => errand.due - 7 * DAY }, { is: 'do' }],
    ['they had two that day', { sentOn: () => 2 }, { is: 'not' }],
    ['they had another for the same call', { sentFor: () => true }, { is: 'not' }],
    ['it is two days and an hour late', { now: errand.due + 49 * 3_600_000 }, { is: 'not', task: true }],
    ['an hour late', { now: errand.due + 3_600_000 }, { is: 'do', late: true }],
    ['approval is missing', { held: () => 'not yet' }, { is: 'wait', until: errand.due + 3_600_000 }],
    [
      'it is missing for two days',
      { held: () => 'not yet', now: errand.due + 47.5 * 3_600_000 },
      { is: 'not', task: true },
    ],
  ])('%s', (_, change, decision) => expect(decide(errand, known(change))).toMatchObject(decision));
  it('waits for the morning where they are, by 47 CFR 64.1200(c)(1)', () => {
    const night = momentOf(zone, '2026-11-24', 21 * 60);
    expect(decide({ ...errand, due: night }, known({ now: night }))).toMatchObject({
      is: 'wait',
      until: momentOf(zone, '2026-11-25', 8 * 60),
    });
    // In New York it is night three hours earlier.
    const newYork = {
      ...errand,
      due: night - 3 * 3_600_000,
      doing: { ...errand.doing!, to: '+12125550101' },
    } as never;
    expect(decide(newYork, known({ now: night - 3 * 3_600_000 }))).toMatchObject({
      is: 'wait',
      until: momentOf('America/New_York', '2026-11-25', 8 * 60),
    });
  });
});

describe('tried on what was', () => {
  it('comes to the same as a plain walk through the log', () => {
    const one = followUp({ pauseDays: 3 });
    const { lines, about } = tryOn([one], pastWith(rows), sight()).get('sorry')!;
    expect(about).toBe(lines.length);
    const last = new Map<string, number>();
    const sent = lines
      .flatMap((l) => l.got)
      .filter((g) => g.at !== null)
      .sort((a, b) => a.at! - b.at!);
    expect(sent.length).toBeGreaterThan(10);
    for (const { doing, at: when } of sent) {
      const to = (doing as { to: string }).to;
      expect(when! - (last.get(to) ?? -Infinity)).toBeGreaterThanOrEqual(3 * DAY);
      last.set(to, when!);
    }
    const counts = countsOf(lines);
    expect(counts.reduce((n, c) => n + c.n, 0)).toBe(lines.length);
    expect(counts.find((c) => c.why.includes('within 3 days'))!.n).toBeGreaterThan(0);
  });
  it('counts for each condition how often it was the first that did not hold', () => {
    const one = followUp({
      if: [
        { is: 'number', numberIds: ['n-main'] },
        { is: 'contact', known: false },
      ],
    });
    const { about, notSo, lines } = tryOn([one], pastWith(rows), sight()).get('sorry')!;
    expect(notSo.reduce((a, b) => a + b, 0) + lines.length).toBe(about);
    expect(notSo.every((n) => n > 0)).toBe(true);
  });
  it('shares what one gets in a day among all of them, and one call brings one text', () => {
    const ten = momentOf(zone, '2026-11-24', 600);
    const calls = [0, 1, 2, 3].map((i) => at(missed, ten + i * 20 * MINUTE, `c${i}`));
    const both = [
      followUp(),
      followUp({ id: 'other', then: [{ do: 'text', text: 'Other', numberId: null }] }),
    ];
    const found = tryOn(both, pastWith(calls), sight());
    const done = [...found.values()]
      .flatMap((t) => t.lines.flatMap((l) => l.got))
      .filter((g) => g.at !== null);
    expect(done).toHaveLength(2);
    expect(countsOf(found.get('other')!.lines)).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ why: 'They had another for the same already.', n: 2 }),
      ]),
    );
  });
  it('is told a stop from the moment it was written', () => {
    const ten = momentOf(zone, '2026-11-24', 600);
    const calls = [at(missed, ten, 'a'), at(missed, ten + 60 * MINUTE, 'b')];
    const textsOf = () => [text('Stop', { at: ten + 30 * MINUTE })];
    const { lines } = tryOn([followUp()], pastWith(calls, { textsOf }), sight()).get('sorry')!;
    expect(lines.map((l) => l.got[0]!.at !== null)).toEqual([false, true]);
    expect(lines[0]!.got[0]!.why).toContain('want no texts');
  });

  // The property: whatever happens when, nobody gets the same twice within the pause, nor more in a day than they may.
  it('never sends twice within the pause, whatever comes when', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 20 * 24 * 60 }), fc.integer({ min: 1, max: 3 })), {
          maxLength: 60,
        }),
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 0, max: 3000 }),
        (calls, pauseDays, minutes) => {
          const all = calls.map(([m, who], i) => at(missed, NOW + m * MINUTE, `c${i}`, `+1206555010${who}`));
          const one = followUp({ pauseDays, after: { is: 'minutes', minutes } });
          const { lines } = tryOn([one], pastWith(all), sight()).get('sorry')!;
          const by = new Map<string, number[]>();
          for (const { doing, at: when } of lines.flatMap((l) => l.got))
            if (when !== null && doing?.do === 'text') by.set(doing.to, [...(by.get(doing.to) ?? []), when]);
          for (const times of by.values()) {
            times.sort((a, b) => a - b);
            times.forEach((t, i) => {
              if (i > 0) expect(t - times[i - 1]!).toBeGreaterThanOrEqual(pauseDays * DAY);
            });
            const days = new Map<string, number>();
            for (const t of times) {
              const day = new Date(t).toLocaleDateString('en-CA', { timeZone: zone });
              days.set(day, (days.get(day) ?? 0) + 1);
            }
            expect(Math.max(...days.values())).toBeLessThanOrEqual(2);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

it('reads as a sentence', () => {
  const whole: FollowUp = followUp({
    if: [
      { is: 'number', numberIds: ['n-main'] },
      { is: 'contact', known: false },
    ],
    then: [
      { do: 'text', text: 'Sorry', numberId: null },
      { do: 'task', personId: 'rosa', text: 'Ring {caller}', callBack: true, days: 1 },
    ],
    unlessTalked: true,
    pauseDays: 7,
  });
  expect(followUpInWords(whole, demo)).toBe(
    'When a call comes in and reaches nobody, and it was about Main line and they are no contact: text them “Sorry” and give Rosa Delgado the task to call back, “Ring {caller}”, for the day after, after 2 minutes, unless they were talked with by then. Nobody gets it twice within 7 days.',
  );
});
