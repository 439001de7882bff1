/** Who calls a number, and what differs for each of them. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { nobodyAnswers, outcomeOf, rehearse, sentence } from '../calls';
import { findingsOf } from '../findings';
import { momentOf } from '../hours';
import { checkPromise } from '../promises';
import { newQueue, type Command, type Promised, type Step, type System } from '../system';
import { callersOf, differenceOf, piecesOf, waysInWords } from '.';

const MOMENT = momentOf('America/Los_Angeles', '2026-11-24', 600);
const ring = (id: string, personId: string): Step => ({
  id,
  kind: 'ring',
  targets: [{ kind: 'person', id: personId }],
  pattern: 'together',
  seconds: 10,
  followReach: false,
});
const box = (id: string): Step => ({ id, kind: 'voicemail', mailboxId: 'front' });
const menu = (id: string, branches: [string, Step[]][], tries = 1): Step => ({
  id,
  kind: 'menu',
  recordingId: 'welcome',
  seconds: 4,
  tries,
  dialExtension: false,
  nameKey: null,
  branches: branches.map(([key, steps]) => ({ key, steps })),
  otherwise: [],
});
const plan = (...steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });
const withPlan = (...steps: Step[]): System => edited(yard(), [plan(...steps)]);
const words = (system: System) => callersOf(system, system.numbers.main!).callers.map((c) => c.words);
const said = (system: System, who: string) => {
  const caller = callersOf(system, system.numbers.main!).callers.find((c) => c.words === who)!;
  return sentence(rehearse(system, allOn(system), caller.callAt(system.numbers.main!, MOMENT)), system);
};

describe('callers of a number', () => {
  it('are one where nothing hangs on who calls or what they press', () => {
    expect(words(yard())).toEqual(['']);
    expect(words(edited(yard(), [{ do: 'number.set', id: 'main', change: { planId: null } }]))).toEqual(['']);
  });
  it('press their way into every branch of a menu, of menus below it and behind it', () => {
    const system = withPlan(
      menu(
        'm',
        [
          ['1', [ring('a', 'rosa')]],
          ['2', [menu('n', [['3', [ring('b', 'pia')]]])]],
        ],
        2,
      ),
      menu('o', [['4', [ring('c', 'idris')]]]),
      box('v'),
    );
    expect(words(system)).toEqual(['', 'pressing 1', 'pressing 2', 'pressing 2 then 3', 'pressing 4']);
    expect(said(system, 'pressing 2 then 3')).toContain('rings Pia Lindqvist');
    // Who presses 4 has heard the first menu twice and pressed nothing.
    expect(said(system, 'pressing 4')).toContain('rings Idris Okafor');
  });
  it('press a key that leads nowhere where that has a branch, and leave a queue by its key', () => {
    const system = edited(yard(), [
      { do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk', memberIds: ['rosa'], exitKey: '5' }) },
      plan(
        menu('m', [
          ['0', []],
          ['wrong', [ring('a', 'tomas')]],
        ]),
        {
          id: 'w',
          kind: 'queue',
          queueId: 'q',
          branches: [{ way: 'left by key', steps: [ring('b', 'pia')] }],
        },
        box('v'),
      ),
    ]);
    expect(words(system)).toEqual(['', 'pressing 0', 'pressing 9', 'pressing 5']);
    expect(said(system, 'pressing 9')).toContain('rings Tomas Brandt');
    expect(said(system, 'pressing 5')).toContain('rings Pia Lindqvist');
  });
  it('are those a plan asks for by who they are, as long as there is one', () => {
    const contact = {
      id: 'ada',
      name: 'Ada',
      numbers: ['+12065550133'],
      ownerId: null,
      listIds: [],
      blocked: false,
    };
    const asks: Step = {
      id: 'c',
      kind: 'caller',
      branches: [
        { test: { is: 'known' }, steps: [menu('m', [['1', [ring('a', 'rosa')]]])] },
        { test: { is: 'blocked' }, steps: [{ id: 'e', kind: 'end', how: 'busy' }] },
        { test: { is: 'from', prefix: '+44' }, steps: [ring('b', 'pia')] },
        { test: { is: 'hidden' }, steps: [ring('d', 'idris')] },
        { test: { is: 'suspected' }, steps: [ring('f', 'tomas')] },
      ],
      otherwise: [],
    };
    const system = edited(yard(), [{ do: 'contact.add', value: contact }, plan(asks, box('v'))]);
    expect(words(system)).toEqual([
      '',
      'a contact',
      'a contact, pressing 1',
      'from +44…',
      'number hidden',
      'suspected spam',
    ]);
    expect(said(system, 'a contact, pressing 1')).toContain('rings Rosa Delgado');
    expect(said(system, 'from +44…')).toMatch(/^Rings Pia Lindqvist/);
    expect(said(system, 'suspected spam')).toMatch(/^Rings Tomas Brandt/);
    expect(said(system, '')).toMatch(/^Message left in Front desk/);
  });
});

describe('of more callers than are looked at', () => {
  const keys = [...'12345678'];
  const deep = (last: string) =>
    withPlan(
      menu(
        'm',
        keys.map((k): [string, Step[]] => [
          k,
          [
            menu(
              `m${k}`,
              keys.map((j): [string, Step[]] => [j, [ring(`r${k}${j}`, k + j === '88' ? last : 'rosa')]]),
            ),
          ],
        ]),
      ),
      box('v'),
    );
  it('is told how many are left out', () => {
    const { callers, left } = callersOf(deep('rosa'), deep('rosa').numbers.main!);
    expect([callers.length, left]).toEqual([60, 13]);
  });
  it('those an edit touches come first, behind the last key too', () => {
    const [before, after] = [deep('rosa'), deep('pia')];
    const { found, left } = differenceOf(before, after, allOn(before), MOMENT);
    expect(found.map((d) => d.caller)).toEqual(['pressing 8 then 8']);
    expect(left[0]).toContain('at least 13 more were not');
  });
  it('also where what they come to is changed elsewhere', () => {
    const before = deep('rosa');
    const group: Command = {
      do: 'group.add',
      value: {
        id: 'g',
        name: 'Yard',
        extension: '250',
        members: [{ kind: 'person', id: 'idris' }],
        pattern: 'together',
        seconds: 15,
      },
    };
    const grouped = edited(before, [group, plan(...deep('rosa').plans['main-plan']!.steps)]);
    const last = structuredClone(grouped.plans['main-plan']!.steps);
    const inner = (last[0] as Extract<Step, { kind: 'menu' }>).branches[7]!.steps[0] as (typeof last)[0];
    const ringing = (inner as Extract<Step, { kind: 'menu' }>).branches[7]!.steps[0] as Extract<
      Step,
      { kind: 'ring' }
    >;
    ringing.targets = [{ kind: 'group', id: 'g' }];
    const with_ = edited(grouped, [plan(...last)]);
    const after = edited(with_, [
      { do: 'group.set', id: 'g', change: { members: [{ kind: 'person', id: 'pia' }] } },
    ]);
    expect(differenceOf(with_, after, allOn(with_), MOMENT).found.map((d) => d.caller)).toEqual([
      'pressing 8 then 8',
    ]);
  });
});

it('callers who dial the extension of somebody an edit touches are looked at', () => {
  const before = withPlan({ ...menu('m', []), dialExtension: true } as Step, box('v'));
  const after = edited(before, [
    {
      do: 'person.set',
      id: 'idris',
      change: { reach: { ...before.people.idris!.reach, always: { to: 'person', personId: 'pia' } } },
    },
  ]);
  const { found } = differenceOf(before, after, allOn(before), MOMENT);
  expect(found.map((d) => d.caller)).toEqual(['dialling 202 (Idris Okafor)']);
  expect(found[0]!.after).toContain('sent on by Idris Okafor (always)');
});

it('a promise that nobody is left alone is one to callers who dial an extension, too', () => {
  const dialling = (...after: Step[]) =>
    withPlan({ ...menu('m', [['1', [box('b')]]]), dialExtension: true } as Step, ...after);
  // Who dials somebody without a mailbox goes on behind the menu, and is cut off where nothing is there.
  const plain = dialling(box('v'));
  const system = dialling();
  const promised = (expects: Promised['expects']): Promised => ({
    id: 'p',
    name: 'Never alone',
    numberId: 'main',
    caller: null,
    behaviour: nobodyAnswers(),
    when: { on: 'always' },
    expects,
  });
  const verdict = (of: System) => checkPromise(of, allOn(of), promised([{ is: 'ends well' }]), MOMENT);
  expect(verdict(plain).is).toBe('kept');
  expect(verdict(system).is).toBe('broken');
  const idris = callersOf(system, system.numbers.main!, {
    step: () => false,
    object: (id) => id === 'idris',
  });
  const dials = idris.callers.find((c) => c.dials)!;
  const end = (of: System) =>
    outcomeOf(rehearse(of, allOn(of), dials.callAt(of.numbers.main!, MOMENT)))?.outcome.kind;
  expect([end(system), end(plain)]).toEqual(['nobody answered', 'message']);
  const findings = findingsOf({
    system,
    standing: allOn(system),
    today: '2026-11-24',
    freshId: (k) => `${k}-new`,
  });
  const cut = findings.find((f) => f.id === 'cut-off:idris')!;
  expect(end(edited(system, cut.fix!.edit.commands))).toBe('message');
});

describe('what differs', () => {
  const before = withPlan(menu('m', [['1', [ring('a', 'rosa')]]]), box('v'));
  const told = (after: System) =>
    differenceOf(before, after, allOn(before), MOMENT)
      .found.filter((d) => d.numberId === 'main')
      .map((d) => [d.caller, d.when, d.before, d.after]);

  it('for those who press a key alone is told of them alone', () => {
    const after = edited(before, [plan(menu('m', [['1', [ring('a', 'pia')]]]), box('v'))]);
    expect(told(after)).toEqual([
      [
        'pressing 1',
        'at all hours',
        expect.stringContaining('rings Rosa'),
        expect.stringContaining('rings Pia'),
      ],
    ]);
  });
  it('for everybody before they press is not told again of those who press', () => {
    const after = edited(before, [
      plan(
        { id: 'p', kind: 'play', recordingId: 'closed' },
        menu('m', [['1', [ring('a', 'rosa')]]]),
        box('v'),
      ),
    ]);
    expect(told(after).map(([caller]) => caller)).toEqual(['']);
  });
  it('in the words of a recording alone is told with the words', () => {
    const text = 'Welcome to Lantern Cove Boatworks, we are glad for you.';
    const after = edited(before, [{ do: 'recording.set', id: 'welcome', change: { text } }]);
    const [[caller, , was, is]] = told(after) as [string[]];
    expect(caller).toBe('');
    expect(was).toContain('At 0 s: menu “Welcome to Lantern Cove Boatworks, we are here for you.”');
    expect(is).toContain(`At 0 s: menu “${text}”`);
  });
  it('in names alone is nothing to a caller', () => {
    expect(
      told(
        edited(before, [
          { do: 'recording.set', id: 'welcome', change: { name: 'Hello' } },
          { do: 'plan.set', id: 'main-plan', change: { name: 'First line' } },
        ]),
      ),
    ).toEqual([]);
  });
});

it('where chance or a turn decides, every way is told', () => {
  const both: Step = {
    ...ring('a', 'rosa'),
    pattern: 'in turn',
    targets: [
      { kind: 'person', id: 'rosa' },
      { kind: 'person', id: 'pia' },
    ],
  } as Step;
  const system = withPlan(both, box('v'));
  const [piece] = piecesOf(system, allOn(system), system.numbers.main!, MOMENT, MOMENT + 1000);
  expect(piece!.ways).toHaveLength(2);
  expect(waysInWords(piece!, system)).toMatch(/^Rings Rosa .* Or, by chance or turn: rings Pia /);
});
