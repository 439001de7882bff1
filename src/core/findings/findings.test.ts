import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import {
  applyEdit,
  newGroup,
  newPerson,
  newRegistration,
  type Command,
  type Standing,
  type System,
} from '../system';
import { corrected, findingsOf } from '.';

let next = 0;
const freshId = (kind: string) => `${kind}-${++next}`;
const find = (system: System, standing = allOn(system)) =>
  findingsOf({ system, standing, today: '2026-11-24', freshId });
const ids = (system: System, standing = allOn(system)) => find(system, standing).map((f) => f.id);

const ring = (seconds: number, targets: string[] = ['rosa']): Command => ({
  do: 'step.set',
  planId: 'rosa-plan',
  step: {
    id: 'ring-rosa',
    kind: 'ring',
    targets: targets.map((id) => ({ kind: 'person', id })),
    pattern: 'together',
    seconds,
    followReach: false,
  },
});

it('finds little in an orderly yard', () => {
  expect(find(yard()).filter((f) => f.severity === 'stops')).toEqual([]);
});

describe.each<[string, Command[], string]>([
  [
    'a plan that runs out',
    [{ do: 'step.remove', planId: 'rosa-plan', stepId: 'vm-rosa' }],
    'dead-end:rosa-plan',
  ],
  [
    'a branch that runs out',
    [{ do: 'step.remove', planId: 'main-plan', stepId: 'vm-front' }],
    'dead-end:main-plan',
  ],
  ['a number without a plan', [{ do: 'number.set', id: 'main', change: { planId: null } }], 'no-plan:main'],
  ['a person without a phone', [{ do: 'phone.remove', id: 'pia-web' }], 'no-phone:pia'],
  ['a person without e-mail', [{ do: 'person.set', id: 'pia', change: { email: '' } }], 'no-email:pia'],
  ['a step that rings nobody', [ring(18, [])], 'nobody:ring-rosa'],
  ['ringing shorter than a phone needs', [ring(5)], 'short-ring:ring-rosa'],
  ['ringing longer than the habit', [ring(40)], 'long-ring:ring-rosa'],
  [
    'a step behind the end',
    [
      {
        do: 'step.add',
        planId: 'rosa-plan',
        place: null,
        index: 9,
        step: { id: 'late', kind: 'end', how: 'busy' },
      },
    ],
    'unreached:late',
  ],
  ['voicemail without a mailbox', [{ do: 'mailbox.remove', id: 'rosa-box' }], 'no-mailbox:vm-rosa'],
  ['a recording without words', [{ do: 'recording.remove', id: 'welcome' }], 'silent:play'],
  [
    'a mobile whose own voicemail takes the call',
    [{ do: 'phone.set', id: 'tomas-cell', change: { confirmByKey: false } }],
    'swallowed:ring-tomas:tomas-cell',
  ],
  ['a mailbox nobody hears', [{ do: 'mailbox.set', id: 'front', change: { ownerIds: [] } }], 'unheard:front'],
  [
    'a number without an emergency address',
    [{ do: 'number.set', id: 'main', change: { siteId: null } }],
    'no-address:main',
  ],
  ['hours that were removed', [{ do: 'hours.remove', id: 'office' }], 'no-hours:by-hours'],
])('%s', (_, commands, id) => {
  const system = edited(yard(), commands);
  it('is found, and was not there before', () => {
    expect(ids(yard())).not.toContain(id);
    expect(ids(system)).toContain(id);
  });
  it('is gone after its fix, where it has one', () => {
    const finding = find(system).find((f) => f.id === id)!;
    if (!finding.fix) return;
    const fixed = applyEdit(system, finding.fix.edit);
    expect(fixed.ok ? ids(fixed.system) : fixed.problems).not.toContain(id);
  });
});

it('finds phones that were never paired, and calls that therefore ring nobody', () => {
  const system = edited(yard(), [
    {
      do: 'person.add',
      value: newPerson({ id: 'new', name: 'New', extension: '205', email: 'new@yard.example' }),
    },
  ]);
  const standing = allOn(system);
  delete standing.registrations['rosa-desk'];
  delete standing.registrations['rosa-app'];
  expect(ids(system, standing)).toEqual(
    expect.arrayContaining(['not-paired:rosa-desk', 'not-paired:rosa-app', 'nobody-rings:rosa-number']),
  );
});

describe('people and phones', () => {
  const NOW = Date.UTC(2026, 10, 24, 18, 15);
  const look = (commands: Command[], more: Partial<Parameters<typeof findingsOf>[0]> = {}) => {
    const of = edited(yard(), commands);
    return findingsOf({
      system: of,
      standing: allOn(of),
      today: '2026-11-24',
      now: NOW,
      freshId: (kind) => `${kind}-x`,
      ...more,
    });
  };
  const titled = (commands: Command[], more?: Parameters<typeof look>[1]) =>
    look(commands, more).map((f) => f.title);

  it('a letter that came back is found with a field to correct the address', () => {
    const cameBack = { 'pia@yard.example': '5.1.1 yard.example knows no pia.' };
    const found = look([], { cameBack }).find((f) => f.id === 'came-back:pia')!;
    expect(found).toMatchObject({
      title: 'The mail to Pia Lindqvist came back',
      detail: cameBack['pia@yard.example'],
    });
    const put = edited(yard(), corrected(found.correct!, 'pia.l@yard.example').commands);
    expect(put.people.pia!.email).toBe('pia.l@yard.example');
    expect(
      look([{ do: 'person.set', id: 'pia', change: { email: 'pia.l@yard.example' } }], { cameBack }),
    ).not.toContainEqual(expect.objectContaining({ id: 'came-back:pia' }));
  });

  it('a room needs no address, a person does', () => {
    const add = (role: 'staff' | 'shared room'): Command => ({
      do: 'person.add',
      value: newPerson({ id: 'x', name: 'Slip', extension: '240', role }),
    });
    expect(titled([add('staff')])).toContain('Slip has no e-mail address');
    expect(titled([add('shared room')])).not.toContain('Slip has no e-mail address');
  });

  it('an extension that ran out, and its fix', () => {
    const ran: Command = {
      do: 'person.set',
      id: 'pia',
      change: {
        further: [
          { extension: '240', until: '2026-11-23', note: '' },
          { extension: '241', until: '2026-11-24', note: '' },
        ],
      },
    };
    const found = look([ran]).filter((f) => f.id.startsWith('ran-out'));
    expect(found.map((f) => f.title)).toEqual(['Extension 240 no longer leads to Pia Lindqvist']);
    const fixed = edited(edited(yard(), [ran]), found[0]!.fix!.edit.commands);
    expect(fixed.people.pia!.further.map((f) => f.extension)).toEqual(['241']);
  });

  it('somebody rung while away with nobody in their place', () => {
    const away = (standInId: string | null, to = '2026-11-30'): Command[] => [
      { do: 'person.set', id: 'rosa', change: { away: [{ from: '2026-11-20', to, standInId }] } },
    ];
    expect(titled(away(null))).toContain('Nobody stands in for Rosa Delgado');
    expect(titled(away('idris'))).not.toContain('Nobody stands in for Rosa Delgado');
    expect(titled(away(null, '2026-11-23'))).not.toContain('Nobody stands in for Rosa Delgado');
    // Nothing rings Pia: her being away is nobody's loss.
    expect(
      titled([
        {
          do: 'person.set',
          id: 'pia',
          change: { away: [{ from: '2026-11-20', to: '2026-11-30', standInId: null }] },
        },
      ]),
    ).not.toContain('Nobody stands in for Pia Lindqvist');
  });

  it('a group of nobody', () => {
    expect(titled([{ do: 'group.add', value: newGroup({ id: 'g', name: 'Slip' }) }])).toContain(
      'Group Slip has no members',
    );
  });

  it('desk phones: no account, never signed on, locked, an old password; by key', () => {
    const account = {
      user: 'p',
      ha1: { MD5: '', 'SHA-256': '' },
      madeAt: 5,
      wrongTries: 0,
      lockedUntil: null,
    };
    const of = (standing: Partial<Standing>) =>
      look([{ do: 'phone.set', id: 'rosa-desk', change: { keys: [{ personId: 'idris', label: '' }] } }], {
        standing: { ...allOn(yard()), ...standing },
      })
        .filter((f) => f.place.kind === 'phone')
        .map((f) => f.title);
    // The second key has an account of its own.
    expect(of({})).toEqual(['Idris Okafor: desk phone has no account yet']);
    expect(of({ accounts: { 'rosa-desk--idris': account } })).toEqual([
      'Idris Okafor: desk phone has never signed on',
    ]);
    const locked = { ...account, lockedUntil: NOW + 1 };
    expect(of({ accounts: { 'rosa-desk': locked } })).toContain('Rosa Delgado: desk phone is locked out');
    expect(of({ accounts: { 'rosa-desk': { ...locked, lockedUntil: NOW } } })).not.toContain(
      'Rosa Delgado: desk phone is locked out',
    );
    const registrations = {
      ...allOn(yard()).registrations,
      'rosa-desk': newRegistration({ pairedAt: 0, standIn: true, passwordOf: 4 }),
    };
    expect(of({ accounts: { 'rosa-desk': account }, registrations })).toContain(
      'Rosa Delgado: desk phone has an old password',
    );
  });
});
