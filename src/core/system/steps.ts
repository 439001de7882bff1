/** Finding, walking and changing steps in a plan's tree. */
import type { Step } from './shape/plans';

/** The lists of steps directly below a step, in reading order, each with how its place is named. */
export function listsOf(step: Step): [branch: number, steps: Step[]][] {
  const lists: [number, Step[]][] =
    'branches' in step && step.branches ? step.branches.map((b, i) => [i, b.steps]) : [];
  if ('otherwise' in step) lists.push([-1, step.otherwise]);
  return lists;
}

/** The same without the names. */
export const branchesOf = (step: Step): Step[][] => listsOf(step).map(([, steps]) => steps);

/** Every step of a list and of all its branches, in reading order. */
export function* allSteps(steps: readonly Step[]): Generator<Step> {
  for (const step of steps) {
    yield step;
    for (const branch of branchesOf(step)) yield* allSteps(branch);
  }
}

/**
 * A list of steps within a plan: the plan's own, or one branch of a step (`branch` counts from 0; -1 is "otherwise").
 */
export type StepList = { parentId: string; branch: number } | null;

/** The list a place names, or undefined when there is none. */
export function listAt(steps: Step[], place: StepList): Step[] | undefined {
  if (!place) return steps;
  for (const step of allSteps(steps)) {
    if (step.id === place.parentId) return listsOf(step).find(([branch]) => branch === place.branch)?.[1];
  }
  return undefined;
}

/** The list that holds a step, with the step's index there and how the list is named. */
export function whereIs(
  steps: Step[],
  stepId: string,
  place: StepList = null,
): { list: Step[]; index: number; place: StepList } | undefined {
  const index = steps.findIndex((s) => s.id === stepId);
  if (index >= 0) return { list: steps, index, place };
  for (const step of steps)
    for (const [branch, list] of listsOf(step)) {
      const found = whereIs(list, stepId, { parentId: step.id, branch });
      if (found) return found;
    }
  return undefined;
}
