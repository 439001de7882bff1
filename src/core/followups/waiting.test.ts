/** What waits of a follow-up that was changed is pointed out, and nothing else is. */
import { expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import type { FollowUp } from '../system';
import { waitsAsBefore, type Kept } from '.';

const system = demoSystem();
const [one, other] = Object.values(system.followUps) as [FollowUp, FollowUp];
const SINCE = 1_000_000;
const waits = (id: string, followUpId: string, change: Partial<Kept> = {}): Kept => ({
  id,
  followUpId,
  name: 'as it was',
  about: null,
  other: null,
  over: SINCE - 1000,
  due: SINCE + 1000,
  doing: null,
  lacks: null,
  unlessTalked: false,
  pauseDays: 0,
  state: 'waits',
  ...change,
});
const KEPT = [
  waits('a', one.id),
  waits('b', one.id, { state: 'done' }),
  waits('c', one.id, { over: SINCE + 1 }),
  waits('d', other.id),
];
const with_ = (change: Partial<FollowUp> | null) => {
  const { [one.id]: _, ...rest } = system.followUps;
  return { followUps: change ? { ...rest, [one.id]: { ...one, ...change } } : rest };
};

it.each<[string, Partial<FollowUp> | null, string]>([
  ['removed', null, 'removed'],
  ['set to rest', { rests: true }, 'resting'],
  ['changed', { pauseDays: one.pauseDays + 1 }, 'changed'],
])('of one that was %s', (_, change, is) =>
  expect(waitsAsBefore(system, with_(change), KEPT, SINCE)).toEqual([
    { followUpId: one.id, name: one.name, is, ids: ['a'] },
  ]),
);
it('of one that has another name only, or of one that is as it was, nothing', () => {
  expect(waitsAsBefore(system, with_({ name: 'Called otherwise' }), KEPT, SINCE)).toEqual([]);
  expect(waitsAsBefore(system, system, KEPT, SINCE)).toEqual([]);
});
