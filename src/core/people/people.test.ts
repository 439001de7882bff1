import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import {
  applyEdit,
  extensionsInUse,
  newGroup,
  newPerson,
  newQueue,
  newRota,
  settle,
  withOwn,
  type Command,
  type RingTarget,
  type System,
} from '../system';
import { directory, leavingCommands, leftBehind, may, mayLook, rolesThatMay } from '.';

const person = (id: string): RingTarget => ({ kind: 'person', id });
const group = (
  id: string,
  name: string,
  members: RingTarget[],
  extension: string | null = null,
): Command => ({
  do: 'group.add',
  value: newGroup({ id, name, members, extension }),
});
const system = edited(yard(), [
  group('slip', 'Slip', [person('rosa'), person('pia')], '230'),
  group('office', 'Office', [person('idris')]),
]);

describe('roles', () => {
  it('staff see their own things, administrators everything, owners give roles', () => {
    expect(may('staff', 'own page')).toBe(true);
    expect(may('staff', 'see the system')).toBe(false);
    expect(may('administrator', 'change the system')).toBe(true);
    expect(may('administrator', 'give roles')).toBe(false);
    expect(rolesThatMay('give roles')).toEqual(['owner']);
    expect(rolesThatMay('directory')).toEqual(['owner', 'administrator', 'staff', 'shared room']);
  });
});

describe('the directory', () => {
  const seen = (by: string | null, of: System = system) =>
    directory(of, by).find((e) => e.id === 'tomas')!.mobile.length;
  const shown = (mobileSeenBy: 'everybody' | 'their groups' | 'administrators') =>
    edited(system, [
      { do: 'person.set', id: 'tomas', change: { mobileSeenBy } },
      { do: 'person.set', id: 'rosa', change: { role: 'owner' } },
      { do: 'group.set', id: 'office', change: { members: [person('idris'), person('tomas')] } },
    ]);

  it('shows a private mobile to those who may see it', () => {
    // Rosa is the owner, Idris in a group with Tomas, Pia in none; null runs the system.
    const looks = (of: System) => ['rosa', 'idris', 'pia', 'tomas', null].map((by) => seen(by, of));
    expect(looks(shown('everybody'))).toEqual([1, 1, 1, 1, 1]);
    expect(looks(shown('their groups'))).toEqual([1, 1, 0, 1, 1]);
    expect(looks(shown('administrators'))).toEqual([1, 0, 0, 1, 1]);
    expect(mayLook(system, 'nobody', system.people.tomas!)).toBe(false);
  });

  it('sorts by family name and tells people from rooms and groups', () => {
    const with_ = edited(system, [
      { do: 'person.set', id: 'pia', change: { familyName: 'Aalto' } },
      {
        do: 'person.add',
        value: newPerson({ id: 'room', name: 'Meeting room', extension: '250', role: 'shared room' }),
      },
    ]);
    expect(directory(with_, null).map((e) => `${e.kind} ${e.name} ${e.extension}`)).toEqual([
      'person Pia Lindqvist 203',
      'person Tomas Brandt 204',
      'person Rosa Delgado 201',
      'room Meeting room 250',
      'group Office ',
      'person Idris Okafor 202',
      'group Slip 230',
    ]);
  });

  it('knows whose a direct number is by its plan', () => {
    const direct = edited(system, [{ do: 'number.set', id: 'rosa-number', change: { use: 'direct' } }]);
    expect(directory(direct, 'pia').find((e) => e.id === 'rosa')!.direct).toEqual(['+13605550171']);
    expect(directory(system, 'pia').find((e) => e.id === 'rosa')!.direct).toEqual([]);
  });
});

describe('leaving', () => {
  const busy = edited(system, [
    { do: 'number.set', id: 'rosa-number', change: { callerIdFor: ['rosa'] } },
    { do: 'site.set', id: 'yard', change: { notify: { personIds: ['rosa'], mailTo: [] } } },
    {
      do: 'person.set',
      id: 'pia',
      change: {
        reach: { ...system.people.pia!.reach, onNotAnswered: { to: 'person', personId: 'rosa' } },
        away: [{ from: '2026-12-01', to: '2026-12-03', standInId: 'rosa' }],
      },
    },
    { do: 'phone.set', id: 'idris-desk', change: { keys: [{ personId: 'rosa', label: '' }] } },
  ]);
  const items = leftBehind(busy, 'rosa');

  it('shows all that rang somebody and that they looked after', () => {
    expect(items.map((i) => `${i.words}${i.alone ? ' !' : ''}`)).toEqual([
      'Plan Main line rings them (calls to Main line)',
      'Plan Rosa direct rings them alone (calls to Rosa direct) !',
      'Group Slip',
      'Pia Lindqvist sends calls not answered to them !',
      'They stand in for Pia Lindqvist, Tue 1 Dec 2026 to Thu 3 Dec 2026 !',
      'Told of emergency calls at Yard !',
      'May show Rosa direct as caller ID !',
      'A key on Idris Okafor’s desk phone',
    ]);
  });

  it('hands each thing to whoever was named, in one edit that is undone as one', () => {
    const heirs = Object.fromEntries(items.map((i) => [i.key, i.kind === 'key' ? 'pia' : 'idris']));
    const commands = leavingCommands(busy, 'rosa', {
      heirs,
      mailboxTo: 'pia',
      extensionTo: { personId: 'pia', until: '2027-02-28' },
    });
    const after = edited(busy, commands);
    expect(after.people.rosa).toBeUndefined();
    expect(JSON.stringify(after.plans)).not.toContain('"rosa"');
    expect(after.plans['rosa-plan']!.steps[0]).toMatchObject({ targets: [person('idris')] });
    // Idris was rung there already: he is not rung twice.
    expect(JSON.stringify(after.plans['main-plan']).match(/"idris"/g)).toHaveLength(1);
    expect(after.groups.slip!.members).toEqual([person('idris'), person('pia')]);
    expect(after.people.pia).toMatchObject({
      reach: { onNotAnswered: { to: 'person', personId: 'idris' } },
      away: [{ standInId: 'idris' }],
      further: [{ extension: '201', until: '2027-02-28', note: 'for Rosa Delgado' }],
    });
    expect(after.sites.yard!.notify.personIds).toEqual(['idris']);
    expect(after.numbers['rosa-number']!.callerIdFor).toEqual(['idris']);
    expect(after.mailboxes['rosa-box']!.ownerIds).toEqual(['pia']);
    expect(after.mailboxes.front!.ownerIds).toEqual(['idris']);
    expect(after.phones['rosa-desk']).toBeUndefined();
    expect(after.phones['idris-desk']!.keys).toEqual([{ personId: 'pia', label: '' }]);
  });

  it('nobody named leaves holes, not the person', () => {
    const after = edited(
      busy,
      leavingCommands(busy, 'rosa', { heirs: {}, mailboxTo: null, extensionTo: null }),
    );
    expect(JSON.stringify(after)).not.toContain('"rosa"');
    expect(after.people.pia!.reach.onNotAnswered).toBeNull();
    expect(after.mailboxes['rosa-box']!.ownerIds).toEqual([]);
    expect(extensionsInUse(after).map((e) => e.extension)).not.toContain('201');
  });

  it('what colleagues set themselves to lead there is handed on too, whatever they had set', () => {
    const stamp = { at: 1000, by: 'Idris Okafor, on this phone' };
    const values = {
      always: { to: 'person' as const, personId: 'rosa' },
      onBusy: { to: 'person' as const, personId: 'pia' },
      away: [{ from: '2026-12-10', to: '2026-12-11', standInId: 'rosa' }],
    };
    const setting = { kind: 'person' as const, personId: 'idris', values };
    const { own } = settle(allOn(system), setting, stamp, system).standing;
    const left = leftBehind(system, 'rosa', own);
    const words = left.map((i) => i.words);
    expect(words).toContain('Idris Okafor sends all calls to them');
    expect(words).toContain('They stand in for Idris Okafor, Thu 10 Dec 2026 to Fri 11 Dec 2026');
    const heirs = Object.fromEntries(left.map((i) => [i.key, 'pia']));
    const handover = { heirs, mailboxTo: null, extensionTo: null };
    const after = withOwn(edited(system, leavingCommands(system, 'rosa', handover, own)), own);
    expect(after.people.idris).toMatchObject({
      reach: { always: { to: 'person', personId: 'pia' }, onBusy: { to: 'person', personId: 'pia' } },
      away: [{ from: '2026-12-10', standInId: 'pia' }],
    });
  });
});

describe('the namespace of extensions', () => {
  const extension = fc.integer({ min: 200, max: 212 }).map(String);
  const id = fc.constantFrom('a', 'b', 'c', 'd', 'rosa', 'idris');
  const act = fc.oneof(
    fc.record({ act: fc.constant('add' as const), id, extension }),
    fc.record({ act: fc.constant('renumber' as const), id, extension }),
    fc.record({ act: fc.constant('further' as const), id, extension }),
    fc.record({ act: fc.constant('group' as const), id, extension }),
    fc.record({ act: fc.constant('swap' as const), id, extension, other: id }),
    fc.record({ act: fc.constant('leave' as const), id, extension, other: id }),
  );
  type Act = typeof act extends fc.Arbitrary<infer T> ? T : never;

  function commandsOf(a: Act, s: System): Command[] {
    const p = s.people[a.id];
    if (a.act === 'add')
      return [{ do: 'person.add', value: newPerson({ id: a.id, name: a.id, extension: a.extension }) }];
    if (a.act === 'renumber') return [{ do: 'person.set', id: a.id, change: { extension: a.extension } }];
    if (a.act === 'group')
      return s.groups[a.id]
        ? [{ do: 'group.set', id: a.id, change: { extension: a.extension } }]
        : [group(a.id, `group ${a.id}`, [], a.extension)];
    if (a.act === 'further')
      return [
        {
          do: 'person.set',
          id: a.id,
          change: {
            further: [...(p?.further ?? []), { extension: a.extension, until: null, note: '' }].slice(-3),
          },
        },
      ];
    const other = s.people[a.other];
    if (!p || !other || a.id === a.other) return [{ do: 'person.remove', id: 'nobody' }];
    if (a.act === 'swap')
      return [
        { do: 'person.set', id: a.id, change: { extension: other.extension } },
        { do: 'person.set', id: a.other, change: { extension: p.extension } },
      ];
    return leavingCommands(s, a.id, {
      heirs: {},
      mailboxTo: null,
      extensionTo: { personId: a.other, until: '2027-01-31' },
    });
  }

  it('no sequence of adds, renumberings and leavings makes two owners of one extension', () => {
    let applied = 0;
    fc.assert(
      fc.property(fc.array(act, { maxLength: 25 }), (acts) => {
        let s = system;
        for (const a of acts) {
          const result = applyEdit(s, { words: a.act, commands: commandsOf(a, s) });
          if (result.ok) {
            s = result.system;
            applied++;
          }
          const all = extensionsInUse(s).map((e) => e.extension);
          expect(new Set(all).size).toBe(all.length);
          for (const e of all) expect(all.filter((o) => o !== e && o.startsWith(e))).toEqual([]);
        }
      }),
      { numRuns: 150, seed: 8 },
    );
    expect(applied).toBeGreaterThan(150);
  });
});

describe('groups', () => {
  const refused = (commands: Command[]) => {
    const result = applyEdit(system, { words: 'x', commands });
    return result.ok ? 'applied' : result.problems[0]!.message;
  };
  it('are never a part of themselves, at any depth', () => {
    const inside = (id: string): RingTarget[] => [{ kind: 'group', id }];
    expect(refused([{ do: 'group.set', id: 'slip', change: { members: inside('slip') } }])).toContain(
      'part of itself',
    );
    expect(
      refused([
        { do: 'group.set', id: 'slip', change: { members: inside('office') } },
        { do: 'group.set', id: 'office', change: { members: inside('slip') } },
      ]),
    ).toContain('part of itself');
  });
  it('have names and extensions of their own, and members that exist', () => {
    expect(refused([group('x', 'slip', [])])).toContain('a group “Slip” already');
    expect(refused([group('x', 'X', [], '201')])).toBe('201 belongs to Rosa Delgado.');
    expect(refused([group('x', 'X', [], '23')])).toContain('beginning of 230 (Slip)');
    expect(refused([group('x', 'X', [person('nobody')])])).toContain('no such person');
  });
  it('removed, they are taken out of plans and other groups', () => {
    const used = edited(system, [
      { do: 'group.set', id: 'office', change: { members: [{ kind: 'group', id: 'slip' }] } },
      {
        do: 'step.add',
        planId: 'rosa-plan',
        place: null,
        index: 0,
        step: {
          id: 'g',
          kind: 'ring',
          targets: [{ kind: 'group', id: 'slip' }],
          pattern: 'together',
          seconds: 10,
          followReach: false,
        },
      },
    ]);
    const after = edited(used, [{ do: 'group.remove', id: 'slip' }]);
    expect(after.groups.office!.members).toEqual([]);
    expect(after.plans['rosa-plan']!.steps[0]).toMatchObject({ targets: [] });
  });
});

it('leaving hands on turns, queues and contacts too, and nobody gets what nobody is given', () => {
  const system = edited(yard(), [
    {
      do: 'rota.add',
      value: newRota({
        id: 'w',
        name: 'Watch',
        from: '2026-11-23',
        turns: ['rosa', 'idris'],
        swaps: [{ from: '2026-12-05T08:00', to: '2026-12-06T08:00', personId: 'rosa' }],
      }),
    },
    { do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk', memberIds: ['rosa'] }) },
    {
      do: 'contact.add',
      value: {
        id: 'c',
        name: 'Ada',
        numbers: ['+12065550187'],
        ownerId: 'rosa',
        listIds: [],
        blocked: false,
      },
    },
  ]);
  const items = leftBehind(system, 'rosa').filter((i) => ['rota', 'queue', 'contact'].includes(i.kind));
  expect(items.map((i) => [i.words, i.alone])).toEqual([
    ['Turns in the rota Watch', false],
    ['Serves the queue Desk', true],
    ['Looks after Ada', true],
  ]);
  const gone = (heir: string | null) =>
    edited(
      system,
      leavingCommands(system, 'rosa', {
        heirs: Object.fromEntries(items.map((i) => [i.key, heir])),
        mailboxTo: null,
        extensionTo: null,
      }),
    );
  const given = gone('pia');
  expect(given.rotas.w).toMatchObject({ turns: ['pia', 'idris'], swaps: [{ personId: 'pia' }] });
  expect(given.queues.q!.memberIds).toEqual(['pia']);
  expect(given.contacts.c!.ownerId).toBe('pia');
  const nobody = gone(null);
  expect(nobody.rotas.w).toMatchObject({ turns: [null, 'idris'], swaps: [{ personId: null }] });
  expect([nobody.queues.q!.memberIds, nobody.contacts.c!.ownerId]).toEqual([[], null]);
});
