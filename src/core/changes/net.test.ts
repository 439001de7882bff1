/** What differs between two systems: net, in words, taken back and looked at alone. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { changeOf } from '../../../tests/fixtures/changes';
import { edited, yard } from '../../../tests/fixtures/yard';
import { applyEdit, newPerson, type Command, type System } from '../system';
import { byPart, netChanges, takenBack, withAlone } from '.';

const before = yard();
const net = (commands: Command[], then = before) => netChanges(then, edited(then, commands));
const fields = (commands: Command[]) =>
  net(commands).flatMap((c) => c.fields.map((f) => `${c.name}, ${f.name}: ${f.was} → ${f.is}`));

describe('what differs', () => {
  it('is nothing where nothing does, also where it was another in between', () => {
    expect(netChanges(before, before)).toEqual([]);
    expect(
      net([
        { do: 'person.set', id: 'rosa', change: { extension: '277' } },
        { do: 'person.set', id: 'rosa', change: { extension: '201' } },
      ]),
    ).toEqual([]);
  });
  it('is what was and what is, once, however often it was edited', () => {
    expect(
      fields([
        { do: 'person.set', id: 'rosa', change: { extension: '277' } },
        { do: 'person.set', id: 'rosa', change: { extension: '278' } },
        { do: 'person.set', id: 'rosa', change: { mailboxId: null } },
      ]),
    ).toEqual(['Rosa Delgado, extension: 201 → 278', 'Rosa Delgado, mailbox: Rosa Delgado → none']);
  });
  it.each<[string, Command, string]>([
    [
      'hours of a week',
      {
        do: 'hours.set',
        id: 'office',
        change: { weekly: [1, 2, 3].map((day) => ({ day, from: 540, to: 1020, kind: 'Open' })) },
      },
      'Office hours, times of the week: Open Mon–Fri 08:00–17:00 → Open Mon–Wed 09:00–17:00',
    ],
    [
      'where a call goes',
      {
        do: 'person.set',
        id: 'pia',
        change: {
          reach: {
            always: { to: 'person', personId: 'idris' },
            steps: [],
            onBusy: null,
            onNotAnswered: { to: 'outside', number: '+12065550134' },
            onUnreachable: null,
          },
        },
      },
      'Idris Okafor, steps none, on busy none, on not answered (206) 555-0134',
    ],
    [
      'an address',
      { do: 'site.set', id: 'yard', change: { address: { ...before.sites['yard']!.address, HNO: '14' } } },
      'Yard, address: 12 Lantern Cove Road, Port Ansel',
    ],
    [
      'what was not set',
      { do: 'person.set', id: 'pia', change: { screening: 'strangers' } },
      'Pia Lindqvist, who says their name first: as usual → strangers',
    ],
    [
      'days',
      {
        do: 'person.set',
        id: 'pia',
        change: { away: [{ from: '2026-11-24', to: '2026-11-25', standInId: 'rosa' }] },
      },
      'Pia Lindqvist, away: none → from Tue 24 Nov 2026, to Wed 25 Nov 2026, stand in Rosa Delgado',
    ],
    [
      'yes and no',
      { do: 'person.set', id: 'pia', change: { callWaiting: true } },
      'a second call rings: no → yes',
    ],
  ])('%s', (_, command, words) => {
    expect(fields([command]).join()).toContain(words);
  });
  it('names what came, went, and what it is called now', () => {
    const changes = net([
      { do: 'person.add', value: newPerson({ id: 'wren', name: 'Wren Halloran', extension: '211' }) },
      { do: 'person.remove', id: 'tomas' },
      { do: 'recording.set', id: 'closed', change: { name: 'Yard closed' } },
    ]);
    expect(changes.map((c) => `${c.part} ${c.name}: ${c.what}`)).toEqual([
      // He was rung there.
      'plan Night watch: changed',
      'person Wren Halloran: new',
      'person Tomas Brandt: gone',
      'phone Tomas Brandt · Own mobile: gone',
      'recording Yard closed: changed',
    ]);
    expect(byPart(changes).map(([part, own]) => `${part} ${own.length}`)).toEqual([
      'plan 1',
      'person 2',
      'phone 1',
      'recording 1',
    ]);
  });
});

describe('of a plan', () => {
  const steps = (commands: Command[]) =>
    net(commands).flatMap((c) => c.steps.map((s) => `${s.what}: ${s.was ?? ''} → ${s.is ?? ''}`));
  const ring = (change: object): Command => ({
    do: 'step.set',
    planId: 'main-plan',
    step: {
      id: 'ring-front',
      kind: 'ring',
      targets: [{ kind: 'person', id: 'rosa' }],
      pattern: 'together',
      seconds: 18,
      followReach: false,
      ...change,
    },
  });
  it('a step that says something else', () => {
    expect(steps([ring({ seconds: 25 })])).toEqual([
      'changed: Ring Rosa Delgado and Idris Okafor, all together, 18 s; 3 rings → Ring Rosa Delgado, 25 s; 5 rings',
    ]);
  });
  it('a step that came, one that went, and one that stands elsewhere', () => {
    expect(
      steps([
        {
          do: 'step.add',
          planId: 'main-plan',
          place: null,
          index: 1,
          step: { id: 'end', kind: 'end', how: 'busy' },
        },
        { do: 'step.remove', planId: 'main-plan', stepId: 'vm-front' },
        { do: 'step.move', planId: 'main-plan', stepId: 'play-closed', place: null, index: 0 },
      ]).map((words) => words.split(':')[0]),
    ).toEqual(['moved', 'new', 'gone']);
  });
  it('of a list in another order the one that moved is told, and not those it passed', () => {
    const moved = net([{ do: 'step.move', planId: 'main-plan', stepId: 'play', place: null, index: 3 }]);
    expect(moved[0]!.steps).toMatchObject([{ stepId: 'play', what: 'moved' }]);
  });
  it('another branch is a change of its step; what stands in it is told by itself', () => {
    const main = before.plans['main-plan']!;
    const [play, hours, vm] = main.steps as [
      System['plans'][string]['steps'][0],
      Extract<System['plans'][string]['steps'][0], { kind: 'hours' }>,
      System['plans'][string]['steps'][0],
    ];
    const lunch = {
      ...hours,
      branches: [
        ...hours.branches,
        { period: 'Lunch', steps: [{ id: 'busy', kind: 'end' as const, how: 'busy' as const }] },
      ],
    };
    const told = net([{ do: 'plan.set', id: 'main-plan', change: { steps: [play, lunch, vm] } }])[0]!.steps;
    expect(told.map((s) => `${s.what} ${s.stepId}`)).toEqual(['changed by-hours', 'new busy']);
    expect(told[0]!.is).toContain('Lunch');
  });
});

describe('one change alone', () => {
  const after = edited(before, [
    { do: 'person.set', id: 'pia', change: { name: 'Pia Lind', extension: '299' } },
    { do: 'hours.set', id: 'office', change: { weekly: [] } },
    { do: 'number.set', id: 'night', change: { label: 'Night' } },
  ]);
  it('is taken back, and the others stay', () => {
    const changes = netChanges(before, after);
    for (const change of changes) {
      const back = applyEdit(after, takenBack(change, before));
      expect(back.ok && netChanges(before, back.system).map((c) => c.key)).toEqual(
        changes.map((c) => c.key).filter((key) => key !== change.key),
      );
    }
  });
  it('is looked at as if nothing else had changed; what goes with others is said', () => {
    const changes = netChanges(before, after);
    for (const change of changes)
      expect(netChanges(before, withAlone(change, before, after)!)).toEqual([change]);
    const rings = edited(before, [
      { do: 'person.add', value: newPerson({ id: 'wren', name: 'Wren', extension: '211' }) },
      { do: 'mailbox.set', id: 'front', change: { ownerIds: ['wren'] } },
    ]);
    const box = netChanges(before, rings).find((c) => c.part === 'mailbox')!;
    expect(withAlone(box, before, rings)).toBeNull();
  });
});

it('whatever is changed is told in words that differ, and is gone when all of it is taken back', () => {
  const { system } = demonstration(Date.UTC(2026, 10, 24, 18, 15)).draft;
  fc.assert(
    fc.property(fc.array(changeOf(system), { minLength: 1, maxLength: 8 }), (commands) => {
      let after = system;
      for (const command of commands) {
        const applied = applyEdit(after, { words: 'x', commands: [command] });
        if (applied.ok) after = applied.system;
      }
      const changes = netChanges(system, after);
      // Nothing that differs is untold.
      expect(changes.length === 0).toBe(JSON.stringify(after) === JSON.stringify(system));
      for (const { fields, steps } of changes) {
        for (const { was, is } of fields) expect(was).not.toBe(is);
        for (const { what, was, is } of steps) if (what !== 'moved') expect(was).not.toBe(is);
      }
      const commandsBack = changes.flatMap((c) => takenBack(c, system).commands);
      if (!commandsBack.length) return;
      const back = applyEdit(after, { words: 'all of it', commands: commandsBack });
      expect(back.ok && netChanges(system, back.system)).toEqual([]);
    }),
    { numRuns: 60, seed: 19 },
  );
});
