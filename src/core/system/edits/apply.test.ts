import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edited, yard, yardCommands } from '../../../../tests/fixtures/yard';
import { applyEdit, newPerson, patchSystem, System, type Command } from '..';

const system = yard();
const edit = (...commands: Command[]) => applyEdit(system, { words: 'test', commands });
const ring = { planId: 'main-plan', stepId: 'ring-front' };

describe('an edit', () => {
  it('is all or nothing', () => {
    const result = edit(
      { do: 'person.set', id: 'rosa', change: { name: 'Rosa D' } },
      { do: 'person.set', id: 'idris', change: { extension: '201' } },
    );
    expect(result).toEqual({
      ok: false,
      problems: [{ field: 'extension', message: '201 belongs to Rosa D.' }],
    });
    expect(system.people.rosa!.name).toBe('Rosa Delgado');
  });

  it('names the field that is wrong', () => {
    const step = {
      id: 'ring-front',
      kind: 'ring' as const,
      targets: [],
      pattern: 'together' as const,
      seconds: 0,
      followReach: false,
    };
    expect(edit({ do: 'step.set', planId: 'main-plan', step })).toMatchObject({
      ok: false,
      problems: [{ field: 'seconds', message: 'At least 1 second.' }],
    });
    expect(edit({ do: 'person.set', id: 'rosa', change: { email: 'rosa' } })).toMatchObject({
      ok: false,
      problems: [{ field: 'email' }],
    });
  });

  it.each<[string, Command, string]>([
    ['a number twice', yardCommands.find((c) => c.do === 'number.add')!, 'there already'],
    [
      'an e-mail twice',
      { do: 'person.set', id: 'pia', change: { email: 'ROSA@yard.example' } },
      'Rosa Delgado has this',
    ],
    ['somebody who is gone', { do: 'person.remove', id: 'nobody' }, 'no longer there'],
    [
      'a plan that does not exist',
      { do: 'number.set', id: 'main', change: { planId: 'none' } },
      'no such plan',
    ],
    [
      'hours that overlap',
      {
        do: 'hours.set',
        id: 'office',
        change: {
          weekly: [
            { day: 1, from: 0, to: 60, kind: 'a' },
            { day: 1, from: 30, to: 90, kind: 'b' },
          ],
        },
      },
      'overlap',
    ],
    [
      'a step into its own branch',
      {
        do: 'step.move',
        planId: 'main-plan',
        stepId: 'by-hours',
        place: { parentId: 'by-hours', branch: 0 },
        index: 0,
      },
      'own branch',
    ],
    [
      'an outside number on a desk phone',
      { do: 'phone.set', id: 'rosa-desk', change: { number: '+12065550100' } },
      'Only a linked phone',
    ],
    [
      'an outside digit that extensions start with',
      { do: 'person.add', value: newPerson({ id: 'x', name: 'X', extension: '901' }) },
      'outside line',
    ],
  ])('refuses %s', (_, command, message) => {
    const result = edit(command);
    expect(result.ok ? '' : result.problems[0]!.message).toContain(message);
  });

  it('takes what is removed out of everything that pointed at it', () => {
    const result = edit({ do: 'person.remove', id: 'rosa' });
    if (!result.ok) throw new Error();
    const after = result.system;
    expect(after.phones['rosa-desk']).toBeUndefined();
    expect(JSON.stringify(after.plans)).not.toContain('"rosa"');
    expect(after.mailboxes.front!.ownerIds).toEqual(['idris']);
    expect(System.safeParse(after).success).toBe(true);
  });

  it('moves a step between branches', () => {
    const result = edit({ do: 'step.move', ...ring, place: null, index: 1 });
    if (!result.ok) throw new Error();
    expect(result.system.plans['main-plan']!.steps.map((s) => s.id)).toEqual([
      'play',
      'ring-front',
      'by-hours',
      'vm-front',
    ]);
  });
});

describe('undo', () => {
  const anyCommand: fc.Arbitrary<Command> = fc.oneof(
    fc.constantFrom(...Object.keys(system.people)).map((id): Command => ({ do: 'person.remove', id })),
    fc.constantFrom(...Object.keys(system.mailboxes)).map((id): Command => ({ do: 'mailbox.remove', id })),
    fc.constantFrom(...Object.keys(system.plans)).map((id): Command => ({ do: 'plan.remove', id })),
    fc.integer({ min: -5, max: 700 }).map((seconds): Command => ({
      do: 'step.set',
      planId: 'rosa-plan',
      step: {
        id: 'ring-rosa',
        kind: 'ring',
        targets: [{ kind: 'person', id: 'rosa' }],
        pattern: 'together',
        seconds,
        followReach: false,
      },
    })),
    fc
      .record({
        place: fc.constantFrom(
          null,
          { parentId: 'by-hours', branch: 0 },
          { parentId: 'by-hours', branch: -1 },
        ),
        index: fc.nat(4),
        stepId: fc.constantFrom('play', 'ring-front', 'vm-front', 'play-closed'),
      })
      .map((m): Command => ({ do: 'step.move', planId: 'main-plan', ...m })),
    fc
      .string({ minLength: 0, maxLength: 6 })
      .map((extension): Command => ({ do: 'person.set', id: 'idris', change: { extension } })),
  );

  it('brings back exactly what was there, whatever was done, and every state is valid', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 12 }), (commands) => {
        let now = system;
        const inverses = [];
        for (const command of commands) {
          const result = applyEdit(now, { words: 'x', commands: [command] });
          if (!result.ok) continue;
          now = result.system;
          inverses.push(result.inverse);
          expect(System.safeParse(now).error).toBeUndefined();
        }
        for (const inverse of inverses.reverse()) now = patchSystem(now, inverse);
        expect(now).toEqual(system);
      }),
      { numRuns: 60, seed: 7 },
    );
  });
});

describe('numbers, sites and dialling habits', () => {
  it('renumbering may pass through clashes, and only the end counts', () => {
    const swap = edit(
      { do: 'person.set', id: 'rosa', change: { extension: '202' } },
      { do: 'person.set', id: 'idris', change: { extension: '201' } },
    );
    expect(swap.ok && swap.system.people.rosa!.extension).toBe('202');
    const four = edit(
      { do: 'business.set', change: { extensionLength: 4 } },
      ...Object.values(system.people).map((p): Command => ({
        do: 'person.set',
        id: p.id,
        change: { extension: '2' + p.extension },
      })),
    );
    expect(four.ok && Object.values(four.system.people).map((p) => p.extension)).toEqual([
      '2201',
      '2202',
      '2203',
      '2204',
    ]);
    const half = edit({ do: 'person.set', id: 'rosa', change: { extension: '2021' } });
    expect(half).toMatchObject({
      ok: false,
      problems: [{ message: '2021 begins with 202 (Idris Okafor).' }],
    });
  });

  it('an outside digit that extensions begin with is refused, and an emergency number as an extension', () => {
    const nines = edit({ do: 'person.set', id: 'rosa', change: { extension: '931' } });
    expect(nines).toMatchObject({ ok: false, problems: [{ field: 'extension' }] });
    const plain = applyEdit(system, {
      words: 'x',
      commands: [
        { do: 'business.set', change: { outsideDigit: '' } },
        { do: 'person.set', id: 'rosa', change: { extension: '911' } },
      ],
    });
    expect(plain).toMatchObject({ ok: false, problems: [{ message: expect.stringContaining('911') }] });
  });

  it.each([
    ['a network', { do: 'site.set', id: 'yard', change: { networks: ['office'] } }, 'networks'],
    [
      'an e-mail address',
      { do: 'site.set', id: 'yard', change: { notify: { personIds: [], mailTo: ['x'] } } },
      'mailTo',
    ],
    [
      'a person to tell',
      { do: 'site.set', id: 'yard', change: { notify: { personIds: ['nobody'], mailTo: [] } } },
      'notify',
    ],
    [
      'a caller ID for nobody',
      { do: 'number.set', id: 'main', change: { callerIdFor: ['nobody'] } },
      'callerIdFor',
    ],
    [
      'a name too long',
      { do: 'number.set', id: 'main', change: { callerName: 'SIXTEEN LETTERS!' } },
      'callerName',
    ],
    [
      'a star code',
      { do: 'business.set', change: { starCodes: [{ code: '67', does: 'voicemail' }] } },
      'code',
    ],
    [
      'a reserved span',
      { do: 'business.set', change: { reserved: [{ from: '280', to: '27', note: 'x' }] } },
      'reserved',
    ],
  ] as [string, Command, string][])('refuses %s that is wrong, beside its field', (_, command, field) => {
    expect(edit(command)).toMatchObject({ ok: false, problems: [{ field }] });
  });

  it('a removed number or person leaves nothing behind', () => {
    const set = edit(
      { do: 'business.set', change: { defaultCallerId: '+13605550142' } },
      {
        do: 'site.set',
        id: 'yard',
        change: { callback: '+13605550142', notify: { personIds: ['rosa'], mailTo: [] } },
      },
      { do: 'number.set', id: 'night', change: { callerIdFor: ['rosa', 'pia'] } },
      { do: 'number.remove', id: 'main' },
      { do: 'person.remove', id: 'rosa' },
    );
    if (!set.ok) throw new Error(set.problems[0]!.message);
    expect(set.system.business.defaultCallerId).toBeNull();
    expect(set.system.sites.yard).toMatchObject({ callback: null, notify: { personIds: [] } });
    expect(set.system.numbers.night!.callerIdFor).toEqual(['pia']);
  });
});

describe('people, phones and groups', () => {
  const refusal = (...commands: Command[]) => {
    const result = applyEdit(yard(), { words: 'x', commands });
    return result.ok ? 'applied' : result.problems.map((p) => `${p.field}: ${p.message}`).join();
  };
  const rosa = (change: object): Command => ({ do: 'person.set', id: 'rosa', change });
  const phone = (id: string, change: object): Command => ({ do: 'phone.set', id, change });
  const span = (change: object = {}) => ({
    from: '2026-12-01',
    to: '2026-12-03',
    standInId: 'idris',
    ...change,
  });

  it.each<[string, Command[]]>([
    [
      'further: 202 belongs to Idris Okafor.',
      [rosa({ further: [{ extension: '202', until: null, note: '' }] })],
    ],
    [
      'further: 201 belongs to Rosa Delgado.',
      [rosa({ further: [{ extension: '201', until: null, note: '' }] })],
    ],
    ['extension: 911 is an emergency number: it can never be an extension.', [rosa({ extension: '911' })]],
    ['away: It ends before it begins.', [rosa({ away: [span({ to: '2026-11-30' })] })]],
    ['away: There is no such person.', [rosa({ away: [span({ standInId: 'nobody' })] })]],
    ['away: Nobody can stand in for themselves.', [rosa({ away: [span({ standInId: 'rosa' })] })]],
    ['hoursId: There is no such set of hours.', [rosa({ hoursId: 'never' })]],
    ['email: Idris Okafor has this e-mail address already.', [rosa({ email: 'IDRIS@yard.example' })]],
    [
      'keys: Only a desk phone holds several accounts.',
      [phone('pia-web', { keys: [{ personId: 'rosa', label: '' }] })],
    ],
    [
      'keys: This phone holds that account already.',
      [phone('rosa-desk', { keys: [{ personId: 'rosa', label: '' }] })],
    ],
    ['keys: There is no such person.', [phone('rosa-desk', { keys: [{ personId: 'nobody', label: '' }] })]],
    ['codecs: A codec is there twice.', [phone('rosa-desk', { codecs: ['opus', 'opus'] })]],
    ['codecs: A phone needs a codec.', [phone('rosa-desk', { codecs: [] })]],
    ['number: Only a linked phone has an outside number.', [phone('rosa-desk', { number: '+12065550123' })]],
  ])('%s', (message, commands) => expect(refusal(...commands)).toContain(message));

  it('two people may swap extensions and addresses in one edit', () => {
    const swapped = edited(yard(), [
      rosa({ extension: '202', email: 'idris@yard.example' }),
      { do: 'person.set', id: 'idris', change: { extension: '201', email: 'rosa@yard.example' } },
    ]);
    expect(swapped.people).toMatchObject({
      rosa: { extension: '202' },
      idris: { email: 'rosa@yard.example' },
    });
  });

  it('what is removed is taken out of keys, stand-ins and working hours', () => {
    const tied = edited(yard(), [
      rosa({ away: [span()], hoursId: 'office' }),
      phone('rosa-desk', { keys: [{ personId: 'idris', label: '' }] }),
    ]);
    const after = edited(tied, [
      { do: 'person.remove', id: 'idris' },
      { do: 'hours.remove', id: 'office' },
    ]);
    expect(after.people.rosa).toMatchObject({ away: [{ standInId: null }], hoursId: null });
    expect(after.phones['rosa-desk']!.keys).toEqual([]);
  });
});
