/** Slots in which calls wait are extensions of nobody's. */
import { expect, it } from 'vitest';
import { yard } from '../../../../tests/fixtures/yard';
import { applyEdit, slotsOf, type Command } from '..';

const park = (from: string, to: string): Command => ({ do: 'business.set', change: { park: { from, to } } });
const refused = (...commands: Command[]) => {
  const result = applyEdit(yard(), { words: 'test', commands });
  return result.ok ? undefined : result.problems[0]!;
};

it('are counted, with the zeros they begin with', () => {
  expect(slotsOf({ park: { from: '08', to: '11' } })).toEqual(['08', '09', '10', '11']);
  expect(slotsOf({})).toEqual([]);
});

it('are refused where somebody has one, where one hides a longer or help, or where there are too many', () => {
  expect(refused(park('70', '75'))).toBeUndefined();
  expect(refused(park('200', '205'))).toMatchObject({
    field: 'park',
    message: '201 cannot be a slot: 201 belongs to Rosa Delgado.',
  });
  expect(refused(park('20', '20'))).toMatchObject({ field: 'park' });
  expect(refused(park('911', '911'))).toMatchObject({ field: 'park' });
  expect(refused(park('70', '99'))).toMatchObject({ field: 'park', message: 'At most 20 slots.' });
  expect(refused(park('75', '70'))).toMatchObject({ field: 'park' });
});

it('nobody is given one of them', () => {
  expect(
    refused(park('280', '284'), { do: 'person.set', id: 'pia', change: { extension: '282' } }),
  ).toMatchObject({
    message: expect.stringContaining('282'),
  });
});
