/** Every kind of step in words: the lines of the sheet, what opens its branches, and the second a call reaches it. */
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { newGroup, newQueue, newRota, type Step } from '../system';
import { arrivalTimes, branchInWords, layOut, stepInWords, waysOn } from '.';

const system = edited(yard(), [
  { do: 'list.add', value: { id: 'l', name: 'Regulars' } },
  { do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk', longestWait: 90 }) },
  { do: 'rota.add', value: newRota({ id: 'w', name: 'Watch', from: '2026-11-23', turns: ['pia', 'tomas'] }) },
  {
    do: 'group.add',
    value: newGroup({
      id: 'g',
      name: 'Crew',
      members: [
        { kind: 'person', id: 'idris' },
        { kind: 'person', id: 'pia' },
      ],
    }),
  },
]);
const line = (step: Step) => Object.values(stepInWords(step, system)).join(' ');
const ring = (
  targets: Extract<Step, { kind: 'ring' }>['targets'],
  pattern: Extract<Step, { kind: 'ring' }>['pattern'] = 'together',
): Step => ({
  id: 'r',
  kind: 'ring',
  targets,
  pattern,
  seconds: 12,
  followReach: false,
});

describe('a step as a line', () => {
  it.each<[Step, string]>([
    [{ id: 'p', kind: 'play', recordingId: 'welcome' }, 'Play “Welcome”'],
    [{ id: 'p', kind: 'play', recordingId: 'gone' }, 'Play nothing yet'],
    [{ id: 'h', kind: 'hours', hoursId: null, branches: [], otherwise: [] }, 'By hours no hours chosen yet'],
    [{ id: 'c', kind: 'caller', branches: [], otherwise: [] }, 'By caller nothing asked yet'],
    [ring([]), 'Ring nobody yet'],
    [ring([{ kind: 'person', id: 'rosa' }]), 'Ring Rosa Delgado, 12 s'],
    [ring([{ kind: 'group', id: 'g' }], 'in turn'), 'Ring Crew, in turn, 12 s each'],
    [
      ring(
        [
          { kind: 'rota', id: 'w' },
          { kind: 'outside', id: '+12065550155' },
        ],
        'longest idle',
      ),
      'Ring whoever is on duty (Watch) and (206) 555-0155, whoever has been idle longest first, 12 s each',
    ],
    [ring([{ kind: 'owner', id: 'owner' }]), 'Ring whoever looks after the caller, 12 s'],
    [{ id: 'q', kind: 'queue', queueId: 'q', branches: [] }, 'Queue Desk, at most 90 s'],
    [{ id: 'q', kind: 'queue', queueId: null, branches: [] }, 'Queue no queue chosen yet'],
    [
      {
        id: 's',
        kind: 'share',
        how: 'in turn',
        branches: [
          { share: 0, steps: [] },
          { share: 0, steps: [] },
        ],
      },
      'Share out in turn',
    ],
    [{ id: 's', kind: 'share', how: 'by shares', branches: [] }, 'Share out to nowhere yet'],
    [{ id: 'a', kind: 'ask', questions: [], answers: [] }, 'Ask nothing yet'],
    [
      { id: 'f', kind: 'forward', number: '+12065550155', shows: 'caller', confirm: true, seconds: 20 },
      'Forward out to (206) 555-0155, 20 s',
    ],
    [
      { id: 'f', kind: 'forward', number: null, shows: 'caller', confirm: true, seconds: 20 },
      'Forward out to no number yet',
    ],
    [{ id: 'g', kind: 'goto', planId: 'rosa-plan' }, 'Go to plan Rosa direct'],
    [{ id: 'n', kind: 'notify', how: 'mail', to: 'a@b.example', text: '' }, 'Notify by mail to a@b.example'],
    [{ id: 'n', kind: 'notify', how: 'hook', to: '', text: '' }, 'Notify the web address not given yet'],
    [{ id: 'n', kind: 'notify', how: 'text', to: '', text: '' }, 'Notify the caller by text message'],
    [{ id: 'e', kind: 'end', how: 'busy' }, 'End with busy tone'],
    [{ id: 'e', kind: 'end', how: 'message', recordingId: 'closed' }, 'End with “Closed”'],
  ])('%#: %s', (step, words) => expect(line(step)).toBe(words));
});

describe('what opens a branch', () => {
  const opens = (step: Step, branch = 0) => branchInWords(step, branch, system);
  it('is said for each kind', () => {
    const hours: Step = {
      id: 'h',
      kind: 'hours',
      hoursId: 'office',
      branches: [{ period: 'Open', steps: [] }],
      otherwise: [],
    };
    expect(opens(hours)).toBe('Open · Mon–Fri 08:00–17:00');
    expect(opens(hours, -1)).toBe('Otherwise');
    const caller = (test: Extract<Step, { kind: 'caller' }>['branches'][number]['test']): Step => ({
      id: 'c',
      kind: 'caller',
      branches: [{ test, steps: [] }],
      otherwise: [],
    });
    expect(
      (
        [
          { is: 'listed', listId: 'l' },
          { is: 'known' },
          { is: 'from', prefix: '+44' },
          { is: 'hidden' },
          { is: 'suspected' },
          { is: 'blocked' },
        ] as const
      ).map((t) => opens(caller(t))),
    ).toEqual([
      'On the list Regulars',
      'A contact',
      'From +44…',
      'Number hidden',
      'Suspected spam',
      'Blocked',
    ]);
    const menu: Step = {
      id: 'm',
      kind: 'menu',
      recordingId: null,
      seconds: 5,
      tries: 1,
      dialExtension: false,
      nameKey: null,
      branches: [
        { key: '#', steps: [] },
        { key: 'wrong', steps: [] },
        { key: 'none', steps: [] },
      ],
      otherwise: [],
    };
    expect([0, 1, 2].map((i) => opens(menu, i))).toEqual(['Key #', 'Wrong key', 'No key']);
    expect(opens({ id: 's', kind: 'share', how: 'by shares', branches: [{ share: 60, steps: [] }] })).toBe(
      '60 % of calls',
    );
    expect(opens({ id: 's', kind: 'share', how: 'in turn', branches: [{ share: 0, steps: [] }] })).toBe(
      'Turn 1',
    );
    expect(
      opens({ id: 'q', kind: 'queue', queueId: 'q', branches: [{ way: 'left by key', steps: [] }] }),
    ).toBe('Left by key');
  });
});

describe('a plan laid out', () => {
  const end = (id: string): Step => ({ id, kind: 'end', how: 'plain' });
  const list: Step[] = [
    {
      id: 'h',
      kind: 'hours',
      hoursId: 'office',
      branches: [
        { period: 'Open', steps: [{ id: 'p', kind: 'play', recordingId: 'welcome' }] },
        { period: 'Lunch', steps: [] },
      ],
      otherwise: [end('x')],
    },
    {
      id: 's',
      kind: 'share',
      how: 'by shares',
      branches: [
        { share: 100, steps: [end('y')] },
        { share: 0, steps: [end('z')] },
      ],
    },
    end('w'),
  ];
  const { first, stops } = layOut({ id: 'plan', name: 'Plan', steps: list });
  const ways = (id: string) => waysOn(stops.get(id)!);
  it('goes on with the step after the one a branch belongs to', () => {
    expect(first).toBe('h');
    expect(ways('h')).toEqual(['p', 's', 'x']);
    expect(ways('p')).toEqual(['s']);
    expect(ways('w')).toEqual([]);
  });
  it('knows that a share of nothing is no way', () => expect(ways('s')).toEqual(['y']));
  it('counts seconds through menus, queues and questions', () => {
    const plan = edited(system, [
      {
        do: 'plan.set',
        id: 'main-plan',
        change: {
          steps: [
            {
              id: 'm',
              kind: 'menu',
              recordingId: 'welcome',
              seconds: 5,
              tries: 2,
              dialExtension: false,
              nameKey: null,
              branches: [{ key: '1', steps: [end('b')] }],
              otherwise: [],
            },
            { id: 'q', kind: 'queue', queueId: 'q', branches: [{ way: 'full', steps: [end('c')] }] },
            {
              id: 'r',
              kind: 'ring',
              targets: [{ kind: 'rota', id: 'w' }],
              pattern: 'in order',
              seconds: 10,
              followReach: false,
            },
            { id: 'f', kind: 'forward', number: '+12065550155', shows: 'caller', confirm: true, seconds: 20 },
            end('e'),
          ],
        },
      },
    ]);
    // A welcome of four seconds and five of waiting, twice; ninety of waiting; ten for each of the two who have turns.
    expect(Object.fromEntries(arrivalTimes(plan.plans['main-plan']!, plan))).toEqual({
      m: 0,
      b: 4,
      q: 18,
      c: 18,
      r: 108,
      f: 128,
      e: 148,
    });
  });
});
