/** Hours, plans, queues, rotas, callers and promises as part of the document: what is refused, and what a removal leaves. */
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import {
  applyEdit,
  newGroup,
  newQueue,
  newRota,
  patchSystem,
  type Command,
  type Promised,
  type Step,
  type System,
} from '.';

/** What an edit is refused with, as "field: message"; empty where it is taken. */
const refused = (system: System, ...commands: Command[]): string => {
  const result = applyEdit(system, { words: 'x', commands });
  return result.ok ? '' : result.problems.map((p) => `${p.field}: ${p.message}`).join();
};
const steps = (...list: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps: list } });
const queue = (change = {}): Command => ({
  do: 'queue.add',
  value: newQueue({ id: 'q', name: 'Desk', memberIds: ['rosa', 'idris'], ...change }),
});
const rota = (change = {}): Command => ({
  do: 'rota.add',
  value: newRota({ id: 'w', name: 'Watch', from: '2026-11-23', turns: ['rosa', null, 'idris'], ...change }),
});
const contact = (id: string, change = {}): Command => ({
  do: 'contact.add',
  value: { id, name: id, numbers: ['+12065550187'], ownerId: null, listIds: [], blocked: false, ...change },
});
const promised = (change: Partial<Promised> = {}): Command => ({
  do: 'promise.add',
  value: {
    id: 'p',
    name: 'P',
    numberId: 'main',
    caller: null,
    behaviour: {
      people: {},
      phones: {},
      otherwise: { does: 'nothing' },
      caller: { hangsUpAfter: null, talks: 60, message: 12 },
    },
    when: { on: 'always' },
    expects: [{ is: 'ends well' }],
    ...change,
  },
});
const menu = (change: Partial<Extract<Step, { kind: 'menu' }>> = {}): Step => ({
  id: 'm',
  kind: 'menu',
  recordingId: 'welcome',
  seconds: 5,
  tries: 2,
  dialExtension: false,
  nameKey: null,
  branches: [{ key: '1', steps: [] }],
  otherwise: [],
  ...change,
});

describe('what is refused', () => {
  it('of hours: times that overlap, that end before they start, dates that are none', () => {
    const exception = (times: { day: number | null; from: number; to: number }[]): Command => ({
      do: 'hours.set',
      id: 'office',
      change: {
        exceptions: [
          {
            id: 'x',
            name: 'Fair',
            when: { on: 'dates', dates: ['2027-05-01'] },
            times: times.map((t) => ({ ...t, kind: 'Open' })),
            holiday: null,
          },
        ],
      },
    });
    expect(
      refused(
        yard(),
        exception([
          { day: null, from: 480, to: 720 },
          { day: 6, from: 700, to: 800 },
        ]),
      ),
    ).toBe('exceptions: Two times of “Fair” overlap.');
    expect(
      refused(
        yard(),
        exception([
          { day: null, from: 480, to: 720 },
          { day: 6, from: 720, to: 800 },
        ]),
      ),
    ).toBe('');
    expect(refused(yard(), exception([{ day: null, from: 480, to: 480 }]))).toContain(
      'A period ends after it starts.',
    );
    const when = (w: object): Command => ({
      do: 'hours.set',
      id: 'office',
      change: { exceptions: [{ id: 'x', name: 'X', when: w as never, times: [], holiday: null }] },
    });
    expect(refused(yard(), when({ on: 'range', from: '2027-05-02', to: '2027-05-01' }))).toContain(
      'It ends before it begins.',
    );
    expect(refused(yard(), when({ on: 'yearly', from: '13-01', to: '12-01' }))).toContain('month and day');
    expect(refused(yard(), when({ on: 'dates', dates: [] }))).toContain('Give it a date.');
    expect(
      refused(yard(), {
        do: 'hours.set',
        id: 'office',
        change: {
          weekly: [
            { day: 1, from: 60, to: 120, kind: 'A' },
            { day: 1, from: 119, to: 180, kind: 'B' },
          ],
        },
      }),
    ).toBe('weekly: Two periods of the same day overlap.');
  });
  it('of menus: a key twice, and a key for names that has a branch', () => {
    expect(
      refused(
        yard(),
        steps(
          menu({
            branches: [
              { key: '1', steps: [] },
              { key: '1', steps: [] },
            ],
          }),
        ),
      ),
    ).toBe('key: Key 1 is there twice.');
    expect(refused(yard(), steps(menu({ nameKey: '1' })))).toBe('nameKey: Key 1 has a branch already.');
    expect(refused(yard(), steps(menu({ tries: 0 })))).toContain('At least once.');
    expect(refused(yard(), steps(menu({ branches: [{ key: 'x' as never, steps: [] }] })))).not.toBe('');
  });
  it('of a key twice even in a menu deep below', () => {
    const deep = menu({
      id: 'top',
      branches: [
        {
          key: '5',
          steps: [
            menu({
              branches: [
                { key: '2', steps: [] },
                { key: '2', steps: [] },
              ],
            }),
          ],
        },
      ],
    });
    expect(refused(yard(), steps(deep))).toBe('key: Key 2 is there twice.');
  });
  it('of other steps: two branches for the same, shares that do not make a hundred', () => {
    const hours = (periods: string[]): Step => ({
      id: 'h',
      kind: 'hours',
      hoursId: 'office',
      branches: periods.map((period) => ({ period, steps: [] })),
      otherwise: [],
    });
    expect(refused(yard(), steps(hours(['Open', 'Open'])))).toBe('period: There are two branches for Open.');
    const share = (...shares: number[]): Step => ({
      id: 's',
      kind: 'share',
      how: 'by shares',
      branches: shares.map((n) => ({ share: n, steps: [] })),
    });
    expect(refused(yard(), steps(share(60, 30)))).toBe('share: The shares make 90 %, not 100 %.');
    expect(refused(yard(), steps(share(60, 40)))).toBe('');
    const ring: Step = {
      id: 'r',
      kind: 'ring',
      targets: [],
      pattern: 'together',
      seconds: 5,
      followReach: false,
      branches: [
        { way: 'all on calls', steps: [] },
        { way: 'all on calls', steps: [] },
      ],
    };
    expect(refused(yard(), steps(ring))).toBe('way: There are two branches for “all on calls”.');
  });
  it('of queues: a name twice, somebody twice, one key for two things, an extension somebody has', () => {
    const system = edited(yard(), [queue()]);
    expect(refused(system, queue({ id: 'q2' }))).toBe('name: There is a queue “Desk” already.');
    expect(refused(yard(), queue({ memberIds: ['rosa', 'rosa'] }))).toBe(
      'memberIds: Somebody serves it twice.',
    );
    expect(refused(yard(), queue({ memberIds: ['nobody'] }))).toBe('memberIds: There is no such person.');
    expect(refused(yard(), queue({ exitKey: '1', callBackKey: '1' }))).toBe(
      'callBackKey: Key 1 leaves the queue already.',
    );
    expect(refused(yard(), queue({ extension: '201' }))).toBe('extension: 201 belongs to Rosa Delgado.');
    expect(
      refused(yard(), queue({ extension: '300' }), {
        do: 'plan.set',
        id: 'main-plan',
        change: { extension: '300' },
      }),
    ).toMatch(/^extension: 300 belongs to (Desk|Main line)\.$/);
  });
  it('of rotas, contacts and promises: who or what is not there, a number twice', () => {
    expect(refused(yard(), rota({ turns: ['nobody'] }))).toBe('turns: There is no such person.');
    expect(
      refused(
        yard(),
        rota({ swaps: [{ from: '2026-12-02T08:00', to: '2026-12-01T08:00', personId: null }] }),
      ),
    ).toContain('It ends before it begins.');
    expect(refused(edited(yard(), [contact('ada')]), contact('bo'))).toBe(
      'numbers: ada has this number already.',
    );
    expect(refused(yard(), contact('ada', { ownerId: 'nobody' }))).toBe('ownerId: There is no such person.');
    expect(refused(yard(), promised({ numberId: 'gone' }))).toBe('numberId: There is no such number.');
    expect(refused(yard(), promised({ when: { on: 'hours', hoursId: 'gone', period: null } }))).toBe(
      'when: There is no such set of hours.',
    );
    expect(refused(yard(), promised({ expects: [] }))).toContain('Say what is promised.');
  });
  it('of groups: whoever looks after the caller, rotas that are not there', () => {
    const group = (members: Parameters<typeof newGroup>[0]['members']): Command => ({
      do: 'group.add',
      value: newGroup({ id: 'g', name: 'G', members: members ?? [] }),
    });
    expect(refused(yard(), group([{ kind: 'owner', id: 'owner' }]))).toBe(
      'members: A group has the same members whoever calls.',
    );
    expect(refused(yard(), group([{ kind: 'rota', id: 'w' }]))).toBe('members: There is no such rota.');
    expect(
      refused(
        yard(),
        rota(),
        group([
          { kind: 'rota', id: 'w' },
          { kind: 'outside', id: '+12065550155' },
        ]),
      ),
    ).toBe('');
  });
});

describe('what a removal leaves', () => {
  const full = edited(yard(), [
    queue({ comfort: { recordingId: 'closed', every: 30, position: true }, holdMusicId: 'welcome' }),
    rota({ swaps: [{ from: '2026-12-01T08:00', to: '2026-12-02T08:00', personId: 'rosa' }] }),
    { do: 'list.add', value: { id: 'l', name: 'Regulars' } },
    contact('ada', { ownerId: 'rosa', listIds: ['l'] }),
    promised(),
    promised({ id: 'p2', when: { on: 'hours', hoursId: 'office', period: 'Open' } }),
    promised({ id: 'p3', expects: [{ is: 'hears', recordingId: 'welcome' }] }),
    steps(
      {
        id: 'c',
        kind: 'caller',
        branches: [
          { test: { is: 'listed', listId: 'l' }, steps: [] },
          { test: { is: 'hidden' }, steps: [] },
        ],
        otherwise: [],
      },
      menu({ branches: [{ key: '1', steps: [{ id: 'g', kind: 'goto', planId: 'rosa-plan' }] }] }),
      { id: 'q1', kind: 'queue', queueId: 'q', branches: [] },
      {
        id: 'r',
        kind: 'ring',
        targets: [
          { kind: 'rota', id: 'w' },
          { kind: 'person', id: 'rosa' },
        ],
        pattern: 'together',
        seconds: 5,
        followReach: false,
      },
      { id: 'e', kind: 'end', how: 'message', recordingId: 'closed' },
    ),
  ]);
  const without = (command: Command) => edited(full, [command]);
  const step = (system: System, id: string) => {
    const all = system.plans['main-plan']!.steps;
    return JSON.parse(JSON.stringify(all.find((s) => s.id === id))) as Record<string, unknown>;
  };
  it('of a queue, a rota and a plan: steps that say nothing yet', () => {
    expect(step(without({ do: 'queue.remove', id: 'q' }), 'q1').queueId).toBeNull();
    expect(step(without({ do: 'rota.remove', id: 'w' }), 'r').targets).toEqual([
      { kind: 'person', id: 'rosa' },
    ]);
    expect(JSON.stringify(step(without({ do: 'plan.remove', id: 'rosa-plan' }), 'm'))).toContain(
      '"planId":null',
    );
  });
  it('of a list: callers on no list, and no branch for it', () => {
    const after = without({ do: 'list.remove', id: 'l' });
    expect(after.contacts.ada!.listIds).toEqual([]);
    expect(step(after, 'c').branches).toEqual([{ test: { is: 'hidden' }, steps: [] }]);
  });
  it('of a recording: silence, and promises about it gone', () => {
    const closed = without({ do: 'recording.remove', id: 'closed' });
    expect([step(closed, 'e').recordingId, closed.queues.q!.comfort]).toEqual([null, null]);
    const welcome = without({ do: 'recording.remove', id: 'welcome' });
    expect([step(welcome, 'm').recordingId, welcome.queues.q!.holdMusicId]).toEqual([null, null]);
    expect(Object.keys(welcome.promises)).toEqual(['p', 'p2']);
  });
  it('of hours: promises during them gone, others kept', () => {
    expect(Object.keys(without({ do: 'hours.remove', id: 'office' }).promises)).toEqual(['p', 'p3']);
  });
  it('of a person: turns of nobody, a queue without them, contacts of nobody', () => {
    const after = without({ do: 'person.remove', id: 'rosa' });
    expect(after.rotas.w).toMatchObject({ turns: [null, null, 'idris'], swaps: [{ personId: null }] });
    expect(after.queues.q!.memberIds).toEqual(['idris']);
    expect(after.contacts.ada!.ownerId).toBeNull();
    expect(step(after, 'r').targets).toEqual([{ kind: 'rota', id: 'w' }]);
  });
  it('is all brought back by undo', () => {
    const commands: Command[] = [
      { do: 'person.remove', id: 'rosa' },
      { do: 'queue.remove', id: 'q' },
      { do: 'recording.remove', id: 'welcome' },
      { do: 'list.remove', id: 'l' },
    ];
    const made = applyEdit(full, { words: 'x', commands });
    if (!made.ok) throw new Error('refused');
    expect(patchSystem(made.system, made.inverse)).toEqual(full);
  });
});
