/** What is promised to callers, held against every moment. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { nobodyAnswers, rehearse } from '../calls';
import { starters } from '../followups';
import { momentOf } from '../hours';
import { newHours, type Command, type FollowUp, type Promised, type Step, type System } from '../system';
import { checkPromise, promisedCall, promiseInWords, promiseOf, verdictsInWords } from '.';

const LA = 'America/Los_Angeles';
const NOW = momentOf(LA, '2026-11-24', 600);
const promise = (change: Partial<Promised>): Promised => ({
  id: 'p',
  name: 'Promise',
  numberId: 'main',
  caller: null,
  behaviour: nobodyAnswers(),
  when: { on: 'always' },
  expects: [{ is: 'ends well' }],
  ...change,
});
const check = (change: Partial<Promised>, system: System = yard()) =>
  checkPromise(system, allOn(system), promise(change), NOW);
const day = (at: number) => new Date(at).toISOString().slice(0, 16);
const exception: Command = {
  do: 'hours.set',
  id: 'office',
  change: {
    exceptions: [
      { id: 'x', name: 'Regatta', when: { on: 'dates', dates: ['2027-07-02'] }, times: [], holiday: null },
    ],
  },
};

describe('a promise', () => {
  it('over all hours is broken by the first moment that breaks it', () => {
    expect(check({}).is).toBe('kept');
    const rings = check({ expects: [{ is: 'rings', personIds: ['rosa'], within: 10 }] });
    expect(rings).toMatchObject({ is: 'broken', expectation: { is: 'rings' } });
    expect(rings.is === 'broken' && rings.trace!.some((e) => e.kind === 'greeting started')).toBe(true);
  });
  it('finds the one day of the year on which it does not hold', () => {
    const mornings = {
      when: { on: 'week' as const, days: [1, 2, 3, 4, 5], from: 540, to: 720 },
      expects: [{ is: 'rings' as const, personIds: ['rosa', 'idris'], within: 10 }],
    };
    expect(check(mornings).is).toBe('kept');
    const broken = check(mornings, edited(yard(), [exception]));
    expect(broken.is).toBe('broken');
    // 09:00 in Los Angeles in July is 16:00 UTC.
    expect(broken.is === 'broken' && day(broken.at)).toBe('2027-07-02T16:00');
  });
  it('during hours looks only then, and outside them only when none is on', () => {
    const during = { on: 'hours' as const, hoursId: 'office', period: 'Open' };
    expect(check({ when: during, expects: [{ is: 'rings', personIds: ['rosa'], within: 5 }] }).is).toBe(
      'broken',
    );
    // The greeting of four seconds before it can meet closing time: a call in its last seconds rings nobody.
    expect(
      check({
        numberId: 'rosa-number',
        when: during,
        expects: [{ is: 'rings', personIds: ['rosa'], within: 5 }],
      }).is,
    ).toBe('kept');
    const outside = { on: 'hours' as const, hoursId: 'office', period: null };
    // A call in the last four seconds before opening hears the greeting and is then rung.
    const early = check({ when: outside, expects: [{ is: 'voicemail', mailboxId: 'front', within: 10 }] });
    expect(early.is === 'broken' && day(early.at)).toBe('2026-11-24T15:59');
    const silent = edited(yard(), [{ do: 'step.remove', planId: 'main-plan', stepId: 'play' }]);
    const box = { is: 'voicemail' as const, mailboxId: 'front', within: 10 };
    expect(check({ when: outside, expects: [box] }, silent).is).toBe('kept');
    expect(check({ when: outside, expects: [{ is: 'no voicemail' }] }, silent).is).toBe('broken');
  });
  it('at one moment looks at that one', () => {
    const answers = { ...nobodyAnswers(), people: { idris: { does: 'answers' as const, after: 5 } } };
    const when = { on: 'moment' as const, at: NOW };
    const expects = [{ is: 'answered' as const, personIds: ['idris'], within: 9 }];
    expect(check({ behaviour: answers, when, expects }).is).toBe('kept');
    expect(check({ behaviour: answers, when, expects: [{ ...expects[0]!, within: 8 }] }).is).toBe('broken');
    expect(check({ behaviour: answers, when, expects: [{ ...expects[0]!, personIds: ['rosa'] }] }).is).toBe(
      'broken',
    );
  });
  it('with a key presses it, and hears what is said', () => {
    const menu: Command = {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 'm',
            kind: 'menu',
            recordingId: 'welcome',
            seconds: 5,
            tries: 1,
            dialExtension: false,
            nameKey: null,
            branches: [
              {
                key: '1',
                steps: [
                  {
                    id: 'r',
                    kind: 'ring',
                    targets: [{ kind: 'person', id: 'pia' }],
                    pattern: 'together',
                    seconds: 15,
                    followReach: false,
                  },
                ],
              },
            ],
            otherwise: [],
          },
          { id: 'v', kind: 'voicemail', mailboxId: 'front' },
        ],
      },
    };
    const system = edited(yard(), [menu]);
    const pressing = (press: string) => ({
      ...nobodyAnswers(),
      caller: { ...nobodyAnswers().caller, keys: [{ after: 1, press }] },
    });
    const expects = [
      { is: 'rings' as const, personIds: ['pia'], within: 5 },
      { is: 'hears' as const, recordingId: 'welcome' },
    ];
    expect(check({ behaviour: pressing('1'), expects }, system).is).toBe('kept');
    expect(check({ behaviour: pressing('2'), expects }, system).is).toBe('broken');
    expect(promiseInWords(promise({ behaviour: pressing('1'), expects }), system)).toBe(
      'Main line, at all hours, pressing 1: rings Pia Lindqvist within 5 s and hears “Welcome”',
    );
  });
  describe('where chance opens many ways', () => {
    const shares = (deep: number, last: Step[]): Step[] => [
      ...Array.from({ length: deep }, (_, i): Step => ({
        id: `s${i}`,
        kind: 'share',
        how: 'by shares',
        branches: Array.from({ length: 8 }, (_, j) => ({
          share: j === 7 ? 16 : 12,
          steps: [{ id: `n${i}${j}`, kind: 'notify', how: 'note', to: '', text: `${i}${j}` } as Step],
        })),
      })),
      ...last,
    ];
    const plan = (steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });
    const box: Step = { id: 'v', kind: 'voicemail', mailboxId: 'front' };
    const ends = { expects: [{ is: 'ends well' }] } as const;
    it('three shares of eight are followed to the end', () => {
      const system = edited(yard(), [plan(shares(3, [box]))]);
      expect(check({ expects: [...ends.expects] }, system).is).toBe('kept');
      const steps = shares(3, [box]);
      const third = steps[2] as Extract<Step, { kind: 'share' }>;
      third.branches[7]!.steps.push({ id: 'bad', kind: 'end', how: 'busy' });
      const never = { expects: [{ is: 'voicemail' as const, mailboxId: 'front', within: null }] };
      expect(check(never, edited(yard(), [plan(steps)])).is).toBe('broken');
    });
    it('more than are followed is a verdict of its own, with what was left out', () => {
      const verdict = check({ expects: [...ends.expects] }, edited(yard(), [plan(shares(4, [box]))]));
      expect(verdict).toMatchObject({ is: 'not followed' });
      expect(verdict.is === 'not followed' && verdict.left).toBeGreaterThan(0);
      expect(verdictsInWords([verdict])).toBe('1 not followed to the end.');
      const broken = check({ expects: [{ is: 'no voicemail' }] }, edited(yard(), [plan(shares(4, [box]))]));
      expect(broken.is).toBe('broken');
    });
    it('by weight, whoever answers first ends it: the others are not drawn', () => {
      const people = ['rosa', 'idris', 'pia'];
      const ring: Step = {
        id: 'r',
        kind: 'ring',
        targets: people.map((id) => ({ kind: 'person', id })),
        pattern: 'by weight',
        weights: {},
        seconds: 10,
        followReach: false,
      };
      const system = edited(yard(), [plan([ring, box])]);
      const at = { when: { on: 'moment' as const, at: NOW }, behaviour: { ...promise({}).behaviour } };
      const answered = {
        ...at,
        behaviour: { ...at.behaviour, otherwise: { does: 'answers' as const, after: 2 } },
        expects: [{ is: 'answered' as const, personIds: ['rosa'], within: null }],
      };
      const found = check(answered, system);
      expect(found).toMatchObject({ is: 'broken' });
      // Who is rung second is only drawn where it comes to a second.
      expect(found.is === 'broken' && found.trace!.filter((e) => e.kind === 'drawn')).toHaveLength(1);
    });
  });
  it('about a moment that has passed lapses instead of breaking', () => {
    const when = { on: 'moment' as const, at: NOW - 60_000 };
    const never = check({ when, expects: [{ is: 'hears', recordingId: 'nothing' }] });
    expect(never.is).toBe('lapsed');
    expect(verdictsInWords([never])).toBe('1 lapsed; the others are kept.');
  });
  it('kept from a rehearsal is about the period of the hours that the call met', () => {
    const system = edited(yard(), [
      { do: 'hours.add', value: newHours({ id: 'night', name: 'Night', weekly: [] }) },
      {
        do: 'plan.set',
        id: 'main-plan',
        change: {
          steps: [
            { id: 'h', kind: 'hours', hoursId: 'night', branches: [], otherwise: [] },
            { id: 'v', kind: 'voicemail', mailboxId: 'front' },
          ],
        },
      },
    ]);
    const main = system.numbers.main!;
    const trace = rehearse(system, allOn(system), promisedCall(promise({}))(main, NOW));
    const kept = promiseOf(main, null, nobodyAnswers(), trace);
    expect(kept.when).toEqual({ on: 'hours', hoursId: 'night', period: null });
    expect(kept.expects).toEqual([{ is: 'voicemail', mailboxId: 'front', within: 0 }]);
    const plain = rehearse(yard(), allOn(yard()), promisedCall(promise({}))(yard().numbers.main!, NOW));
    expect(
      promiseOf(
        main,
        null,
        nobodyAnswers(),
        plain.filter((e) => e.kind !== 'hours'),
      ).when,
    ).toEqual({
      on: 'always',
    });
  });
  it('of some days goes by the clock on the wall on nights when it changes', () => {
    const hours = (from: number, to: number): Command[] => [
      {
        do: 'hours.add',
        value: newHours({ id: 'night', name: 'Night', weekly: [{ day: 7, from, to, kind: 'Open' }] }),
      },
      {
        do: 'plan.set',
        id: 'main-plan',
        change: {
          steps: [
            {
              id: 'h',
              kind: 'hours',
              hoursId: 'night',
              branches: [{ period: 'Open', steps: [{ id: 'e', kind: 'end', how: 'busy' }] }],
              otherwise: [{ id: 'v', kind: 'voicemail', mailboxId: 'front' }],
            },
          ],
        },
      },
    ];
    const sundays = (from: number, to: number): Partial<Promised> => ({
      when: { on: 'week', days: [7], from, to },
      expects: [{ is: 'voicemail', mailboxId: null, within: null }],
    });
    // 14 March 2027: from 02:00 to 03:00 there is no time, and nothing is promised of the hour after.
    const spring = edited(yard(), hours(180, 240));
    expect(check(sundays(130, 170), spring).is).toBe('kept');
    expect(check(sundays(130, 190), spring).is).toBe('broken');
    // 7 November 2027: 01:10 comes twice, and the second time somebody is in.
    const autumn = edited(yard(), hours(600, 660));
    const second = momentOf(LA, '2027-11-07', 60, 'later');
    const standing = allOn(autumn);
    standing.overrides = {
      night: { value: { kind: 'Open', from: second, until: second + 3_600_000 }, at: 0, by: 'x' },
    };
    const verdict = checkPromise(autumn, standing, promise(sundays(70, 80)), NOW);
    expect(verdict).toMatchObject({ is: 'broken', at: second + 600_000 });
  });
  it('is broken where chance may break it, however seldom', () => {
    const share: Command = {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 's',
            kind: 'share',
            how: 'by shares',
            branches: [
              { share: 99, steps: [{ id: 'v', kind: 'voicemail', mailboxId: 'front' }] },
              { share: 1, steps: [{ id: 'v2', kind: 'voicemail', mailboxId: 'rosa-box' }] },
            ],
          },
        ],
      },
    };
    const expects = [{ is: 'voicemail' as const, mailboxId: 'front', within: null }];
    expect(check({ expects }, edited(yard(), [share])).is).toBe('broken');
  });
  it.each(['in turn', 'longest idle', 'fewest calls'] as const)(
    'is held against every turn of “%s”: which calls came before is chance to a caller',
    (pattern) => {
      const ring = (among: string[]): Command => ({
        do: 'plan.set',
        id: 'main-plan',
        change: {
          steps: [
            {
              id: 'r',
              kind: 'ring',
              targets: among.map((id) => ({ kind: 'person', id })),
              pattern,
              seconds: 20,
              followReach: false,
            },
            { id: 'v', kind: 'voicemail', mailboxId: 'front' },
          ],
        },
      });
      const expects = [{ is: 'rings' as const, personIds: ['rosa'], within: 5 }];
      expect(check({ expects }, edited(yard(), [ring(['rosa', 'idris'])])).is).toBe('broken');
      expect(check({ expects }, edited(yard(), [ring(['rosa'])])).is).toBe('kept');
      const either = [{ is: 'rings' as const, personIds: ['rosa', 'idris'], within: 5 }];
      expect(check({ expects: either }, edited(yard(), [ring(['rosa', 'idris'])])).is).toBe('kept');
    },
  );
  it('is held against every branch that has its turn', () => {
    const share: Command = {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 's',
            kind: 'share',
            how: 'in turn',
            branches: [
              { share: 50, steps: [{ id: 'v', kind: 'voicemail', mailboxId: 'front' }] },
              { share: 50, steps: [{ id: 'e', kind: 'end', how: 'busy' }] },
            ],
          },
        ],
      },
    };
    const expects = [{ is: 'voicemail' as const, mailboxId: 'front', within: null }];
    expect(check({ expects }, edited(yard(), [share])).is).toBe('broken');
  });
  it('is held against every way of chance at every hour, not only where the usual way changes', () => {
    const share: Command = {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 's',
            kind: 'share',
            how: 'by shares',
            branches: [
              { share: 99, steps: [{ id: 'v', kind: 'voicemail', mailboxId: 'front' }] },
              {
                share: 1,
                steps: [
                  {
                    id: 'h',
                    kind: 'hours',
                    hoursId: 'office',
                    branches: [{ period: 'Open', steps: [{ id: 'o', kind: 'end', how: 'busy' }] }],
                    otherwise: [{ id: 'w', kind: 'voicemail', mailboxId: 'front' }],
                  },
                ],
              },
            ],
          },
        ],
      },
    };
    const expects = [{ is: 'voicemail' as const, mailboxId: 'front', within: null }];
    const found = check({ expects }, edited(yard(), [share]));
    // Tuesday 24 November 2026, 08:00 in Los Angeles.
    expect(found.is === 'broken' && day(found.at)).toBe('2026-11-24T16:00');
  });
  it('about a number without a plan is broken', () => {
    const system = edited(yard(), [{ do: 'number.set', id: 'main', change: { planId: null } }]);
    expect(check({}, system)).toMatchObject({ is: 'broken', trace: null });
  });
  it('goes with the number it is about', () => {
    const system = edited(yard(), [
      { do: 'promise.add', value: promise({}) },
      { do: 'number.remove', id: 'main' },
    ]);
    expect(system.promises).toEqual({});
  });
});

describe('a promise that a follow-up is done', () => {
  const [sorry] = starters('rosa');
  const with_ = (change: Partial<FollowUp>) =>
    edited(yard(), [{ do: 'follow-up.add', value: { ...sorry!, id: 'sorry', if: [], ...change } }]);
  const missed = (change: Partial<FollowUp> = {}, more: Partial<Promised> = {}) =>
    check(
      { caller: '+12065550187', expects: [{ is: 'followed', followUpId: 'sorry' }], ...more },
      with_(change),
    );
  it('is kept where it applies at every moment, and broken where it rests, is removed or has nobody to go to', () => {
    expect(missed().is).toBe('kept');
    expect(missed({ rests: true }).is).toBe('broken');
    expect(check({ caller: '+12065550187', expects: [{ is: 'followed', followUpId: 'sorry' }] }).is).toBe(
      'broken',
    );
    // Nobody can text who hides their number.
    expect(missed({}, { caller: null }).is).toBe('broken');
    expect(missed({ when: { is: 'talked', way: 'in' } }).is).toBe('broken');
  });
  it('finds the moment at which its own hours change, though the plan asks none', () => {
    const hours = {
      ...newHours({ id: 'early', name: 'Early' }),
      weekly: [{ day: 3, from: 300, to: 303, kind: 'Open' }],
    };
    const own = edited(yard(), [
      { do: 'hours.add', value: hours },
      {
        do: 'follow-up.add',
        value: { ...sorry!, id: 'sorry', if: [{ is: 'hours', hoursId: 'early', open: false }] },
      },
    ]);
    const broken = check({ caller: '+12065550187', expects: [{ is: 'followed', followUpId: 'sorry' }] }, own);
    // Wednesday, 05:00 in Los Angeles, is 13:00 UTC.
    expect(broken.is === 'broken' && day(broken.at)).toBe('2026-11-25T13:00');
  });
  it('says so in words', () => {
    const promised = promise({ expects: [{ is: 'followed', followUpId: 'sorry' }] });
    expect(promiseInWords(promised, with_({}))).toContain(`is followed by “${sorry!.name}”`);
  });
});
