/** What removing each kind of object leaves behind: nothing points at it any more, and undo brings all of it back. */
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { applyEdit, patchSystem, System, type Command, type Reach } from '..';

const reach: Reach = {
  always: { to: 'person', personId: 'idris' },
  steps: [{ phoneIds: ['rosa-desk', 'rosa-app'], seconds: 18 }],
  onBusy: { to: 'mailbox', mailboxId: 'front' },
  onNotAnswered: { to: 'outside', number: '+12065550199' },
  onUnreachable: null,
};
const system = edited(yard(), [
  { do: 'person.set', id: 'rosa', change: { reach } },
  {
    do: 'step.set',
    planId: 'night-plan',
    step: {
      id: 'ring-tomas',
      kind: 'ring',
      targets: [
        { kind: 'phone', id: 'rosa-desk' },
        { kind: 'person', id: 'tomas' },
      ],
      pattern: 'in order',
      seconds: 20,
      followReach: false,
    },
  },
]);

/** Every string in a value. */
function* strings(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value;
  else if (value && typeof value === 'object')
    for (const inner of Object.values(value)) yield* strings(inner);
}

const removals: [string, Command & { id: string }, (after: System) => void][] = [
  [
    'a person',
    { do: 'person.remove', id: 'idris' },
    (after) => {
      expect(after.people.rosa!.reach.always).toBeNull();
      expect(Object.keys(after.phones)).not.toContain('idris-desk');
    },
  ],
  [
    'a phone',
    { do: 'phone.remove', id: 'rosa-desk' },
    (after) => {
      expect(after.people.rosa!.reach.steps[0]!.phoneIds).toEqual(['rosa-app']);
      expect(after.plans['night-plan']!.steps[0]).toMatchObject({
        targets: [{ kind: 'person', id: 'tomas' }],
      });
    },
  ],
  [
    'a mailbox',
    { do: 'mailbox.remove', id: 'front' },
    (after) => {
      expect(after.people.rosa!.reach.onBusy).toBeNull();
      expect(after.plans['main-plan']!.steps.at(-1)).toMatchObject({ mailboxId: null });
    },
  ],
  [
    'a recording',
    { do: 'recording.remove', id: 'front-greeting' },
    (after) => expect(after.mailboxes.front!.greetingId).toBeNull(),
  ],
  [
    'hours',
    { do: 'hours.remove', id: 'office' },
    (after) => expect(after.plans['main-plan']!.steps[1]).toMatchObject({ hoursId: null }),
  ],
  [
    'a plan',
    { do: 'plan.remove', id: 'main-plan' },
    (after) => expect(after.numbers.main!.planId).toBeNull(),
  ],
  ['a site', { do: 'site.remove', id: 'yard' }, (after) => expect(after.people.pia!.siteId).toBeNull()],
  [
    'a number',
    { do: 'number.remove', id: 'main' },
    (after) => expect(Object.keys(after.numbers)).toHaveLength(2),
  ],
];

describe.each(removals)('removing %s', (_, command, holds) => {
  const result = applyEdit(system, { words: 'Remove it', commands: [command] });
  if (!result.ok) throw new Error(result.problems[0]!.message);

  it('leaves a valid system in which nothing points at it', () => {
    expect(System.safeParse(result.system).error).toBeUndefined();
    expect([...strings(result.system)]).not.toContain(command.id);
    holds(result.system);
  });
  it('is undone and done again exactly', () => {
    const undone = patchSystem(result.system, result.inverse);
    expect(undone).toEqual(system);
    // Nobody loses their place in a list by it.
    expect(JSON.stringify(undone)).toBe(JSON.stringify(system));
    expect(patchSystem(undone, result.patches)).toEqual(result.system);
  });
  it('cannot be done twice', () => {
    expect(applyEdit(result.system, { words: 'Again', commands: [command] })).toMatchObject({
      ok: false,
      problems: [{ field: 'id' }],
    });
  });
});

describe('changing the business', () => {
  it('keeps extensions and dialling habits from clashing', () => {
    const refused = applyEdit(system, {
      words: 'Dial 2',
      commands: [{ do: 'business.set', change: { outsideDigit: '0' } }],
    });
    expect(refused.ok).toBe(true);
    const clash = edited(system, [{ do: 'person.set', id: 'pia', change: { extension: '099' } }]);
    expect(
      applyEdit(clash, {
        words: 'Dial 0',
        commands: [{ do: 'business.set', change: { outsideDigit: '0' } }],
      }),
    ).toMatchObject({
      ok: false,
      problems: [{ field: 'extension', message: expect.stringContaining('outside line') }],
    });
  });
  it.each([
    ['a time zone that is none', { timeZone: 'Atlantis/Capital' }, 'timeZone'],
    ['a country that is none', { country: 'usa' }, 'country'],
    ['no name', { name: '   ' }, 'name'],
  ])('refuses %s', (_, change, field) => {
    expect(applyEdit(system, { words: 'x', commands: [{ do: 'business.set', change }] })).toMatchObject({
      ok: false,
      problems: [{ field }],
    });
  });
});

it('several removed at once are back in their places, and another put back alone', () => {
  const ids = Object.keys(system.people);
  const commands: Command[] = ids.slice(1, 3).map((id) => ({ do: 'person.remove', id }));
  const both = applyEdit(system, { words: 'Both', commands });
  if (!both.ok) throw new Error(both.problems[0]!.message);
  expect(Object.keys(patchSystem(both.system, both.inverse).people)).toEqual(ids);
});

it('the last owner stays, and stays one', () => {
  const owner = edited(system, [{ do: 'person.set', id: 'rosa', change: { role: 'owner' } }]);
  const others = Object.keys(owner.people).filter((id) => id !== 'rosa');
  const alone = edited(
    owner,
    others.map((id) => ({ do: 'person.set', id, change: { role: 'staff' } })),
  );
  for (const command of [
    { do: 'person.remove', id: 'rosa' },
    { do: 'person.set', id: 'rosa', change: { role: 'administrator' } },
  ] as Command[]) {
    const refused = applyEdit(alone, { words: 'x', commands: [command] });
    expect(!refused.ok && refused.problems[0]).toMatchObject({ field: 'role' });
  }
  const handed = applyEdit(alone, {
    words: 'x',
    commands: [
      { do: 'person.set', id: others[0]!, change: { role: 'owner' } },
      { do: 'person.remove', id: 'rosa' },
    ],
  });
  expect(handed.ok).toBe(true);
});

it('a problem of an edit says which command it is about', () => {
  const rename: Command = { do: 'person.set', id: 'rosa', change: { name: 'Rosa D' } };
  const problems = (commands: Command[]) => {
    const result = applyEdit(system, { words: 'x', commands });
    return result.ok ? [] : result.problems;
  };
  expect(problems([rename, { do: 'person.set', id: 'nobody', change: {} }])[0]).toMatchObject({ command: 1 });
  expect(problems([rename, rename, { do: 'person.set', id: 'rosa', change: { name: '' } }])[0]).toMatchObject(
    {
      field: 'name',
      command: 2,
    },
  );
  const taken: Command = { do: 'person.set', id: 'idris', change: { extension: '201' } };
  expect(problems([rename, taken])[0]).not.toHaveProperty('command');
});
