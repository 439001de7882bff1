/** What is promised to callers, held against every moment. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { nobodyAnswers } from '../calls';
import { momentOf } from '../hours';
import type { Command, Promised, System } from '../system';
import { checkPromise, promiseInWords } from '.';

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
    expect(check({}).kept).toBe(true);
    const rings = check({ expects: [{ is: 'rings', personIds: ['rosa'], within: 10 }] });
    expect(rings).toMatchObject({ kept: false, expectation: { is: 'rings' } });
    expect(!rings.kept && rings.trace!.some((e) => e.kind === 'greeting started')).toBe(true);
  });
  it('finds the one day of the year on which it does not hold', () => {
    const mornings = {
      when: { on: 'week' as const, days: [1, 2, 3, 4, 5], from: 540, to: 720 },
      expects: [{ is: 'rings' as const, personIds: ['rosa', 'idris'], within: 10 }],
    };
    expect(check(mornings).kept).toBe(true);
    const broken = check(mornings, edited(yard(), [exception]));
    expect(broken.kept).toBe(false);
    // 09:00 in Los Angeles in July is 16:00 UTC.
    expect(!broken.kept && day(broken.at)).toBe('2027-07-02T16:00');
  });
  it('during hours looks only then, and outside them only when none is on', () => {
    const during = { on: 'hours' as const, hoursId: 'office', period: 'Open' };
    expect(check({ when: during, expects: [{ is: 'rings', personIds: ['rosa'], within: 5 }] }).kept).toBe(
      false,
    );
    // The greeting of four seconds before it can meet closing time: a call in its last seconds rings nobody.
    expect(
      check({
        numberId: 'rosa-number',
        when: during,
        expects: [{ is: 'rings', personIds: ['rosa'], within: 5 }],
      }).kept,
    ).toBe(true);
    const outside = { on: 'hours' as const, hoursId: 'office', period: null };
    // A call in the last four seconds before opening hears the greeting and is then rung.
    const early = check({ when: outside, expects: [{ is: 'voicemail', mailboxId: 'front', within: 10 }] });
    expect(!early.kept && day(early.at)).toBe('2026-11-24T15:59');
    const silent = edited(yard(), [{ do: 'step.remove', planId: 'main-plan', stepId: 'play' }]);
    const box = { is: 'voicemail' as const, mailboxId: 'front', within: 10 };
    expect(check({ when: outside, expects: [box] }, silent).kept).toBe(true);
    expect(check({ when: outside, expects: [{ is: 'no voicemail' }] }, silent).kept).toBe(false);
  });
  it('at one moment looks at that one', () => {
    const answers = { ...nobodyAnswers(), people: { idris: { does: 'answers' as const, after: 5 } } };
    const when = { on: 'moment' as const, at: NOW };
    const expects = [{ is: 'answered' as const, personIds: ['idris'], within: 9 }];
    expect(check({ behaviour: answers, when, expects }).kept).toBe(true);
    expect(check({ behaviour: answers, when, expects: [{ ...expects[0]!, within: 8 }] }).kept).toBe(false);
    expect(check({ behaviour: answers, when, expects: [{ ...expects[0]!, personIds: ['rosa'] }] }).kept).toBe(
      false,
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
    expect(check({ behaviour: pressing('1'), expects }, system).kept).toBe(true);
    expect(check({ behaviour: pressing('2'), expects }, system).kept).toBe(false);
    expect(promiseInWords(promise({ behaviour: pressing('1'), expects }), system)).toBe(
      'Main line, at all hours, pressing 1: rings Pia Lindqvist within 5 s and hears “Welcome”',
    );
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
    expect(check({ expects }, edited(yard(), [share])).kept).toBe(false);
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
      expect(check({ expects }, edited(yard(), [ring(['rosa', 'idris'])])).kept).toBe(false);
      expect(check({ expects }, edited(yard(), [ring(['rosa'])])).kept).toBe(true);
      const either = [{ is: 'rings' as const, personIds: ['rosa', 'idris'], within: 5 }];
      expect(check({ expects: either }, edited(yard(), [ring(['rosa', 'idris'])])).kept).toBe(true);
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
    expect(check({ expects }, edited(yard(), [share])).kept).toBe(false);
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
    expect(!found.kept && day(found.at)).toBe('2026-11-24T16:00');
  });
  it('about a number without a plan is broken', () => {
    const system = edited(yard(), [{ do: 'number.set', id: 'main', change: { planId: null } }]);
    expect(check({}, system)).toMatchObject({ kept: false, trace: null });
  });
  it('goes with the number it is about', () => {
    const system = edited(yard(), [
      { do: 'promise.add', value: promise({}) },
      { do: 'number.remove', id: 'main' },
    ]);
    expect(system.promises).toEqual({});
  });
});
