/** What a call can meet: where nothing of it differs nothing can come out differently; held against working everything out. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { momentOf } from '../hours';
import type { Command, System } from '../system';
import { callersOf } from './callers';
import { metFrom } from './meets';
import { piecesOf } from './pieces';
import { reachesTheSame } from './same';

const WEEK = 7 * 86_400_000;
const FROM = momentOf('America/Los_Angeles', '2026-11-23', 0);
const DEMO = demonstration(FROM).draft.system;

const NAMED = [
  ['person', 'people'],
  ['phone', 'phones'],
  ['group', 'groups'],
  ['queue', 'queues'],
  ['hours', 'hours'],
  ['rota', 'rotas'],
  ['recording', 'recordings'],
  ['mailbox', 'mailboxes'],
  ['plan', 'plans'],
  ['list', 'lists'],
  ['site', 'sites'],
] as const;

/** Something about one object is another. */
const change = (system: System) => {
  const id = (kind: 'people' | 'groups' | 'queues' | 'recordings' | 'mailboxes' | 'hours' | 'phones') =>
    fc.constantFrom(...Object.keys(system[kind]));
  return fc.oneof(
    ...NAMED.flatMap(([kind, section]) => {
      const ids = Object.keys(system[section]);
      if (!ids.length) return [];
      return fc
        .constantFrom(...ids)
        .map((id) => ({ do: `${kind}.set`, id, change: { name: 'Called otherwise' } }) as Command);
    }),
    id('people').map((id): Command => ({
      do: 'person.set',
      id,
      change: { away: [{ from: '2026-11-24', to: '2026-11-25', standInId: null }] },
    })),
    fc.tuple(id('people'), id('people')).map(([id, personId]): Command => ({
      do: 'person.set',
      id,
      change: {
        reach: {
          ...system.people[id]!.reach,
          always: id === personId ? null : { to: 'person', personId },
        },
      },
    })),
    id('phones').map((id): Command => ({ do: 'phone.set', id, change: { alertDelay: 7 } })),
    id('recordings').map((id): Command => ({
      do: 'recording.set',
      id,
      change: { text: 'Quite other words.' },
    })),
    id('mailboxes').map((id): Command => ({ do: 'mailbox.set', id, change: { greetingId: null } })),
    id('hours').map((id): Command => ({ do: 'hours.set', id, change: { weekly: [] } })),
    ...(Object.keys(system.groups).length
      ? [id('groups').map((id): Command => ({ do: 'group.set', id, change: { members: [] } }))]
      : []),
  );
};

describe.each([
  ['the yard', yard()],
  ['the demonstration', DEMO],
])('in %s', (_, before) => {
  const standing = allOn(before);
  it('numbers that meet nothing another are left as they were, for every caller', () => {
    fc.assert(
      fc.property(change(before), (command) => {
        const after = edited(before, [command]);
        for (const number of Object.values(before.numbers)) {
          const is = after.numbers[number.id]!;
          if (!reachesTheSame(before, number, after, is)) continue;
          for (const { callAt } of callersOf(before, number).callers) {
            const [a, b] = [before, after].map((s) =>
              piecesOf(s, standing, number, FROM, FROM + WEEK, callAt),
            );
            expect(b).toEqual(a);
          }
        }
      }),
      { numRuns: 60 },
    );
  });
});

it('somebody whom a number never rings does not make it be worked out anew', () => {
  const after = edited(DEMO, [{ do: 'person.set', id: 'noor', change: { name: 'Noor Renamed' } }]);
  const renamed = edited(DEMO, [{ do: 'person.set', id: 'rosa', change: { name: 'Rosa Renamed' } }]);
  const direct = DEMO.numbers['n-rosa-direct']!;
  expect(reachesTheSame(DEMO, direct, renamed, renamed.numbers[direct.id]!)).toBe(true);
  const kept = Object.values(DEMO.numbers).filter((n) =>
    reachesTheSame(DEMO, n, after, after.numbers[n.id]!),
  );
  expect(kept.map((n) => n.label)).toContain('Rosa Delgado, direct');
  const rosa = metFrom(DEMO, DEMO.numbers['n-rosa-direct']!.planId!);
  expect(rosa).not.toBe('anything');
  expect([...(rosa as Map<string, unknown>).keys()]).toContain('people rosa');
  expect([...(rosa as Map<string, unknown>).keys()]).not.toContain('people noor');
});
