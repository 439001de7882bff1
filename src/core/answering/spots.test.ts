/** Where a step of a plan could stand instead. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { demonstration } from '../../../demo/lantern-cove';
import { allSteps, applyEdit, branchesOf, whereIs, type System } from '../system';
import { levelled, spotsFor } from '.';

const demo = demonstration(Date.UTC(2026, 10, 24, 18)).draft.system;
const ids = (system: System, planId: string) => [...allSteps(system.plans[planId]!.steps)].map((s) => s.id);

describe('places a step can move to', () => {
  it('are all there are, in words, without its own and without those inside it', () => {
    for (const plan of Object.values(demo.plans))
      for (const step of allSteps(plan.steps)) {
        const spots = spotsFor(plan, step, demo);
        const inside = new Set([...allSteps([step])].map((s) => s.id));
        for (const spot of spots) if (spot.place) expect(inside).not.toContain(spot.place.parentId);
        expect(new Set(spots.map((s) => `${JSON.stringify(s.place)} ${s.index}`)).size).toBe(spots.length);
        // One more than there are steps in each list that is not inside it, without the step itself and its own place.
        const lists = [
          plan.steps,
          ...[...allSteps(plan.steps)].filter((s) => !inside.has(s.id)).flatMap(branchesOf),
        ];
        const gaps = lists.reduce((n, list) => n + list.filter((s) => s.id !== step.id).length + 1, 0);
        expect(spots).toHaveLength(gaps - 1);
      }
  });
  it('can be moved to, each of them, and lose no step', () => {
    const plans = Object.values(demo.plans).filter((p) => [...allSteps(p.steps)].length > 1);
    fc.assert(
      fc.property(fc.constantFrom(...plans), fc.nat(), fc.nat(), (plan, a, b) => {
        const all = [...allSteps(plan.steps)];
        const step = all[a % all.length]!;
        const spots = spotsFor(plan, step, demo);
        fc.pre(spots.length > 0);
        const { place, index } = spots[b % spots.length]!;
        const moved = applyEdit(demo, {
          words: 'Move',
          commands: [{ do: 'step.move', planId: plan.id, stepId: step.id, place, index }],
        });
        if (!moved.ok) throw new Error(JSON.stringify(moved.problems));
        expect(ids(moved.system, plan.id).sort()).toEqual(ids(demo, plan.id).sort());
        const now = whereIs(moved.system.plans[plan.id]!.steps, step.id)!;
        expect([now.place, now.index]).toEqual([place, index]);
      }),
      { numRuns: 200 },
    );
  });
  it('are said so that somebody finds them', () => {
    const main = demo.plans['main']!;
    const words = spotsFor(main, main.steps.at(-1)!, demo).map((s) => s.words);
    expect(words[0]).toBe('first of all');
    expect(words.join('; ')).toContain('first in “Otherwise” of “By hours');
  });
});

describe('a level in or out', () => {
  const base = edited(yard(), [
    {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 'h',
            kind: 'hours',
            hoursId: null,
            branches: [],
            otherwise: [{ id: 'x', kind: 'end', how: 'plain' }],
          },
          { id: 'v', kind: 'end', how: 'plain' },
        ],
      },
    },
  ]).plans['main-plan']!;
  it('goes to the end of a branch of the step before, and back behind it', () => {
    expect(levelled(base, 'v', 'in')).toEqual({ place: { parentId: 'h', branch: -1 }, index: 1 });
    expect(levelled(base, 'x', 'out')).toEqual({ place: null, index: 1 });
  });
  it('is not where there is none', () => {
    expect(levelled(base, 'h', 'in')).toBeUndefined();
    expect(levelled(base, 'v', 'out')).toBeUndefined();
    expect(levelled(base, 'x', 'in')).toBeUndefined();
  });
});
