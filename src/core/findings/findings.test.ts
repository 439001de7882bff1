import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { applyEdit, newPerson, type Command, type System } from '../system';
import { findingsOf } from '.';

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
