/** The answering script: what it is asked and answers, which way the answers lead, and times that are booked, each once. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../../../demo/lantern-cove';
import { allOn } from '../../../../../tests/fixtures/yard';
import { callersOf } from '../../../coverage/callers';
import { momentOf } from '../../../hours';
import type { AskStep, Question, System } from '../../../system';
import { askedInVain, rehearse, sentence, simulate, type CallRequest, type Trace } from '../..';

const ZONE = 'America/Los_Angeles';
const NOON = momentOf(ZONE, '2026-11-24', 12 * 60 + 5);
const MAIN = '+13605550142';
const demo = demoSystem();

/** The demonstration, where the main number asks first. */
function asking(change: Partial<AskStep> = {}, calendar = {}): System {
  const number = Object.values(demo.numbers).find((n) => n.e164 === MAIN)!;
  const plan = demo.plans['asks-first']!;
  const [step, ...rest] = plan.steps as [AskStep, ...System['plans'][string]['steps']];
  return {
    ...demo,
    numbers: { ...demo.numbers, [number.id]: { ...number, planId: plan.id } },
    plans: { ...demo.plans, [plan.id]: { ...plan, steps: [{ ...step, ...change }, ...rest] } },
    calendars: { slipway: { ...demo.calendars['slipway']!, ...calendar } },
  };
}
const call = (says: Record<string, string>, id = 'c', at = NOON): CallRequest => ({
  id,
  at,
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'number', e164: MAIN },
  behaviour: {
    people: {},
    phones: {},
    otherwise: { does: 'nothing' },
    caller: { hangsUpAfter: null, talks: 60, message: 12, says },
  },
});
const heard = (trace: Trace): string[] =>
  trace.flatMap((e) => (e.kind === 'asked' || e.kind === 'told' ? e.says : []));
const steps = (trace: Trace): string[] => trace.flatMap((e) => (e.kind === 'step' ? e.stepId : []));
const run = (says: Record<string, string>, system = asking()): Trace =>
  rehearse(system, allOn(system), call(says));

describe('own answers', () => {
  it('are told as long as the caller asks what is known', () => {
    const trace = run({ Wish: 'when are you open / is there parking / no thanks' });
    expect(heard(trace).slice(0, 5)).toEqual([
      'What would you like to know?',
      'The office is open on weekdays from eight to five, and on Saturdays from nine to one.',
      'Is there anything else?',
      'There is room for cars and trailers beside the big shed, free for customers.',
      'Is there anything else?',
    ]);
    expect(askedInVain(trace)).toEqual([]);
  });
  it('what is not known is said, and kept for whoever writes answers', () => {
    const trace = run({ Wish: 'does the engine of my Heron turn' });
    expect(heard(trace)).toContain('That I do not know.');
    expect(askedInVain(trace)).toEqual(['does the engine of my Heron turn']);
  });
});

it('what is not sure is asked back: told after a yes, and not known after a no', () => {
  const system = asking();
  const own: System = {
    ...system,
    ownAnswers: { used: { id: 'used', name: 'Do you sell used boats?', also: [], says: 'Two at present.' } },
  };
  const wish = 'what about used boats in the harbour';
  const yes = heard(run({ Wish: `${wish} / yes please / no` }, own));
  expect(yes.slice(1, 4)).toEqual([
    'Do you mean: Do you sell used boats?',
    'Two at present.',
    'Is there anything else?',
  ]);
  const no = run({ Wish: `${wish} / no, not at all` }, own);
  expect(heard(no).slice(1, 3)).toEqual(['Do you mean: Do you sell used boats?', 'That I do not know.']);
  expect(heard(no)).not.toContain('Two at present.');
  // Nor is it told to whoever says nothing.
  expect(heard(run({ Wish: wish }, own))).not.toContain('Two at present.');
});

describe('the way after the last question', () => {
  it('goes by points, past the branches where none opens', () => {
    expect(steps(run({ Urgent: 'yes' }))).toContain('first-ring');
    expect(steps(run({ Urgent: 'no' }))).not.toContain('first-ring');
    expect(steps(run({}))).toEqual(['first-ask', 'first-mailbox']);
  });
  it('by key as by word, and what is not understood is asked once more', () => {
    expect(steps(run({ Urgent: '1' }))).toContain('first-ring');
    expect(steps(run({ Urgent: 'purple / yes' }))).toContain('first-ring');
    const trace = run({ Urgent: 'purple / green' });
    expect(heard(trace).filter((w) => w.includes('press 1 for yes'))).toHaveLength(4);
    expect(steps(trace)).not.toContain('first-ring');
  });
  it('coverage has a caller who answers so, and treats them as the plan does', () => {
    const system = asking();
    const number = Object.values(system.numbers).find((n) => n.e164 === MAIN)!;
    const { callers } = callersOf(system, number);
    const urgent = callers.find((c) => c.words.includes('Urgent'));
    expect(urgent?.words).toBe('answering Urgent with yes');
    expect(steps(rehearse(system, allOn(system), urgent!.callAt(number, NOON)))).toContain('first-ring');
  });
});

describe('free times', () => {
  const times = (trace: Trace) => trace.flatMap((e) => (e.kind === 'booked' ? [e.from] : []));
  it.each(['1', 'the first one', 'one', 'the first, please'])('are taken by “%s”', (said) => {
    const trace = run({ 'Haul out': 'yes', Time: said });
    expect(times(trace)).toEqual([momentOf(ZONE, '2026-11-25', 8 * 60)]);
    expect(heard(trace)).toContain('Booked: Wednesday, 25 November 2026 at 08:00.');
    expect(sentence(trace, asking())).toContain('booked a time of The slipway');
  });
  it('of another day, or at an hour, by what is said', () => {
    expect(times(run({ 'Haul out': 'yes', Time: 'on Friday please / 2' }))).toEqual([
      momentOf(ZONE, '2026-11-27', 9 * 60 + 30),
    ]);
    expect(times(run({ 'Haul out': 'yes', Time: 'at 9:30' }))).toEqual([
      momentOf(ZONE, '2026-11-25', 9 * 60 + 30),
    ]);
  });
  it('nobody is kept who wants none of them, or says nothing', () => {
    for (const said of ['none of those', '', 'blue / green / red / white / black']) {
      const trace = run({ 'Haul out': 'yes', Time: said });
      expect(times(trace)).toEqual([]);
      expect(steps(trace)).toContain('first-mailbox');
    }
  });
  it('of a calendar that is full are not offered, and it says so', () => {
    const system = asking({}, { horizonDays: 1, leadMinutes: 30 * 60 });
    const trace = run({ 'Haul out': 'yes', Time: '1' }, system);
    expect(heard(trace)).toContain('There is no free time left that could be offered.');
    expect(times(trace)).toEqual([]);
  });
  it('no time is given to two callers, however many call at once, nor one that is kept already', () => {
    const system = asking();
    const kept = [
      { id: 'old', from: momentOf(ZONE, '2026-11-25', 8 * 60), to: momentOf(ZONE, '2026-11-25', 9 * 60) },
      // Given back: it is free again.
      {
        id: 'off',
        from: momentOf(ZONE, '2026-11-25', 9 * 60 + 30),
        to: momentOf(ZONE, '2026-11-25', 10 * 60 + 30),
        off: true,
      },
    ];
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.constantFrom('1', '2', '3', 'third', 'Friday / 1'), fc.integer({ min: 0, max: 40 })),
          { minLength: 1, maxLength: 8 },
        ),
        (callers) => {
          const requests = callers.map(([said, s], i) =>
            call({ 'Haul out': 'yes', Time: `${said} / 1 / 1` }, `c${i}`, NOON + s * 1000),
          );
          const traces = [...simulate(system, allOn(system), requests, () => kept).values()];
          const all = traces.flatMap(times);
          expect(new Set(all).size).toBe(all.length);
          expect(all).not.toContain(kept[0]!.from);
          // Half an hour lies between two, as the calendar wants it.
          const sorted = [...all].sort((a, b) => a - b);
          for (const [i, t] of sorted.entries())
            if (i) expect(t - sorted[i - 1]!).toBeGreaterThanOrEqual(90 * 60_000);
        },
      ),
      { numRuns: 25 },
    );
  });
  it('two calls alike but for the moment are alike: what is offered hangs on it', () => {
    const early = run({ 'Haul out': 'yes', Time: '1' });
    const asked = early.find((e) => e.kind === 'asked' && e.label === 'Time');
    expect(asked).toMatchObject({ alike: 'Which time suits you?' });
  });
});

it('a question is put only where an answer before was so', () => {
  const questions: Question[] = [
    { id: 'a', label: 'New', says: 'Are you new here?', by: 'yes or no' },
    { id: 'b', label: 'Name', says: 'Your name?', by: 'voice', only: { is: 'yes', label: 'New' } },
    { id: 'c', label: 'Rating', says: 'How do you like it?', by: '1 to 5', only: { is: 'no', label: 'New' } },
  ];
  const system = asking({ questions, branches: [], points: [] });
  expect(heard(run({ New: 'yes', Name: 'Ada' }, system)).join(' ')).toContain('Your name?');
  const old = heard(run({ New: 'no', Rating: '4' }, system)).join(' ');
  expect(old).toContain('How do you like it?');
  expect(old).not.toContain('Your name?');
});
