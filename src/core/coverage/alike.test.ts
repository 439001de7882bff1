/** Numbers whose calls go alike are worked out once; held against working each of them out. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { changeOf } from '../../../tests/fixtures/changes';
import { allOn, edited, MAIN, NIGHT, number, yard } from '../../../tests/fixtures/yard';
import { momentOf } from '../hours';
import type { Command, Step, System } from '../system';
import { likenessOf } from './alike';
import { differencesOf } from './differing/difference';

const MOMENT = momentOf('America/Los_Angeles', '2026-11-24', 615);
const DEMO = demonstration(MOMENT).draft.system;

/** Two more numbers for each plan that has one; each plan sends calls on to somebody outside who is shown the number called. */
function shared(system: System): System {
  const numbers = Object.values(system.numbers).filter((n) => n.planId !== null);
  const added = numbers.flatMap((n, i): Command[] =>
    [0, 1].map((k) => ({
      do: 'number.add',
      value: { ...n, id: `${n.id}-${k}`, e164: `+120655501${10 * i + k + 10}`, label: `${n.label} ${k}` },
    })),
  );
  const shown = [...new Set(numbers.map((n) => n.planId!))].map((id): Command => {
    const forward: Step = {
      kind: 'forward',
      id: `shown-${id}`,
      number: '+12065550177',
      shows: 'number called',
      confirm: false,
      seconds: 10,
    };
    return { do: 'plan.set', id, change: { steps: [forward, ...system.plans[id]!.steps] } };
  });
  return edited(system, [...added, ...shown]);
}
/** The same, where something that no call meets names every number: each is worked out for itself. */
const apart = (system: System): System =>
  edited(
    system,
    Object.values(system.numbers).map((n, i): Command => ({
      do: 'recording.add',
      value: { id: `names-${i}`, name: `Names ${i}`, text: n.id },
    })),
  );

describe.each([
  ['the yard', shared(yard())],
  ['the demonstration', shared(DEMO)],
])('in %s', (_, before) => {
  const standing = allOn(before);
  it('what differs is the same, and told of each number with its own name', () => {
    const [own, sharing] = [apart(before), before];
    expect(Object.values(own.numbers).every((n) => likenessOf(own, standing, n) === null)).toBe(true);
    fc.assert(
      fc.property(changeOf(before), (command) => {
        const [one, each] = [sharing, own].map((s) =>
          differencesOf(s, edited(s, [command]), standing, MOMENT),
        );
        expect(one).toEqual(each);
      }),
      { numRuns: 4 },
    );
  });
});

it('numbers of one plan are alike, and one that is shown, forwarded or recorded in a way of its own is not', () => {
  const before = edited(yard(), [
    number('second', '+13605550143', 'Second line', yard().numbers.main!.planId),
    number('third', '+13605550144', 'Third line', yard().numbers.main!.planId),
  ]);
  const standing = allOn(before);
  const of = (system: System, id: string) => likenessOf(system, standing, system.numbers[id]!);
  expect(of(before, 'second')).not.toBeNull();
  expect(of(before, 'second')).toBe(of(before, 'third'));
  const shown = edited(before, [{ do: 'business.set', change: { defaultCallerId: '+13605550143' } }]);
  expect(of(shown, 'second')).toBeNull();
  expect(of(shown, 'third')).not.toBeNull();
  const intercepted = { ...standing, intercepts: { '+13605550144': { referTo: NIGHT, until: MOMENT } } };
  expect(likenessOf(before, intercepted, before.numbers.third!)).toBeNull();
  expect(MAIN).toBe(before.numbers.main!.e164);
});
