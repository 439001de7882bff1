/** Where a step of a plan could stand instead. */
import { listsOf, whereIs, type Plan, type Step, type StepList, type System } from '../system';
import { branchInWords, stepInWords } from './sentences';

/** A place of a plan, as `step.move` takes it: counted without the step that moves. */
export interface Spot {
  place: StepList;
  index: number;
  /** "after Ring Rosa Delgado", "first in key 1". */
  words: string;
  /** How many branches it lies in. */
  depth: number;
}

const nameOf = (step: Step, system: System): string => {
  const { verb, what } = stepInWords(step, system);
  return `${verb} ${what}`.trim();
};

/**
 * Everywhere a step could stand, from the first to the last as the plan is read; not where it stands, and not inside itself.
 * @param moving the step; of another plan, every place is one
 */
export function spotsFor(plan: Plan, moving: Step, system: System): Spot[] {
  const own = whereIs(plan.steps, moving.id);
  const spots: Spot[] = [];
  const walk = (list: readonly Step[], place: StepList, opened: string, depth: number): void => {
    const rest = list.filter((s) => s.id !== moving.id);
    const isHome = own && own.place?.parentId === place?.parentId && own.place?.branch === place?.branch;
    const offer = (index: number, words: string) => {
      if (!(isHome && own.index === index)) spots.push({ place, index, words, depth });
    };
    offer(0, opened ? `first in “${opened}”` : 'first of all');
    for (const [i, step] of rest.entries()) {
      for (const [branch, inside] of listsOf(step)) {
        const opens = branchInWords(step, branch, system);
        walk(inside, { parentId: step.id, branch }, `${opens}” of “${nameOf(step, system)}`, depth + 1);
      }
      offer(i + 1, `after “${nameOf(step, system)}”`);
    }
  };
  walk(plan.steps, null, '', 0);
  return spots;
}

/**
 * Where a step goes one level in (to the end of the first branch of the step before it) or out (behind the step it is inside).
 * @returns undefined where there is no such level
 */
export function levelled(
  plan: Plan,
  stepId: string,
  which: 'in' | 'out',
): Pick<Spot, 'place' | 'index'> | undefined {
  const found = whereIs(plan.steps, stepId);
  if (!found) return undefined;
  if (which === 'out') {
    if (!found.place) return undefined;
    const parent = whereIs(plan.steps, found.place.parentId)!;
    return { place: parent.place, index: parent.index + 1 };
  }
  const before = found.list[found.index - 1];
  const [branch, inside] = (before && listsOf(before)[0]) ?? [];
  return before && branch !== undefined
    ? { place: { parentId: before.id, branch }, index: inside!.length }
    : undefined;
}
