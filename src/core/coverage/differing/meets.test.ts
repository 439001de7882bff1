/** What a call can meet: where nothing of it differs nothing can come out differently; held against working everything out. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../../demo/lantern-cove';
import { changeOf } from '../../../../tests/fixtures/changes';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import { callersOf } from '../callers';
import { metFrom } from './meets';
import { piecesOf } from '../pieces';
import { reachesTheSame } from './same';

const WEEK = 7 * 86_400_000;
const FROM = momentOf('America/Los_Angeles', '2026-11-23', 0);
const DEMO = demonstration(FROM).draft.system;

describe.each([
  ['the yard', yard()],
  ['the demonstration', DEMO],
])('in %s', (_, before) => {
  const standing = allOn(before);
  it('numbers that meet nothing another are left as they were, for every caller', () => {
    fc.assert(
      fc.property(changeOf(before), (command) => {
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
