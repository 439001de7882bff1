import { expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { civicAddress, emptySystem, newBusiness, newSite, takenIn } from '.';

const offer = (e164: string) => ({
  e164,
  country: 'US',
  kind: 'geographic' as const,
  place: 'Port Ansel',
  monthlyCents: 400,
  currency: 'USD',
});
const ids = () => {
  let n = 0;
  return () => `n${++n}`;
};

it('the first number of a business is its main line, the others are departments', () => {
  const none = emptySystem(
    newBusiness({ name: 'Lantern Cove', country: 'US', timeZone: 'America/Los_Angeles' }),
  );
  const taken = takenIn(none, [offer('+13605550101'), offer('+13605550102')], ids());
  expect(taken).toMatchObject([
    { id: 'n1', label: 'Main line', use: 'main', siteId: null, e164: '+13605550101', planId: null },
    { id: 'n2', label: 'Number 2', use: 'department' },
  ]);
});

it('the first has the plan that was written before there was a number, where there is just one', () => {
  const none = emptySystem(
    newBusiness({ name: 'Lantern Cove', country: 'US', timeZone: 'America/Los_Angeles' }),
  );
  const steps = [{ id: 's', kind: 'end' as const, how: 'plain' as const }];
  const plan = (id: string) => ({ do: 'plan.add' as const, value: { id, name: id, steps } });
  const bought = (system: typeof none) =>
    takenIn(system, [offer('+13605550101'), offer('+13605550102')], ids()).map((n) => n.planId);
  expect(bought(edited(none, [plan('a')]))).toEqual(['a', null]);
  expect(bought(edited(none, [plan('a'), plan('b')]))).toEqual([null, null]);
  expect(bought(yard())).toEqual([null, null]);
});

it('they belong to the only site; where there are two it is not said', () => {
  const yards = yard();
  expect(takenIn(yards, [offer('+13605550199')], ids())).toMatchObject([
    { label: 'Number 4', use: 'department', siteId: 'yard' },
  ]);
  const two = edited(yards, [
    {
      do: 'site.add',
      value: newSite({
        id: 'pier',
        name: 'Pier',
        timeZone: 'America/Los_Angeles',
        address: civicAddress({ country: 'US' }),
      }),
    },
  ]);
  expect(takenIn(two, [offer('+13605550199')], ids())[0]!.siteId).toBeNull();
});
