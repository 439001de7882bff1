/** The edits of the plan sheet, as commands with their words. */
import { levelled, stepInWords } from '$core/answering';
import { allSteps, whereIs, type Plan, type Step, type StepList } from '$core/system';
import { theBusiness } from '../window/session.svelte';
import { freshStep, STEPS_OFFERED } from './kinds';

export const named = (step: Step): string => {
  const { verb, what } = stepInWords(step, theBusiness().system);
  return `${verb} ${what}`;
};

/** Adds a step. @returns its id */
export function addStep(plan: Plan, kind: Step['kind'], place: StepList, index: number): string {
  const step = freshStep(kind, theBusiness().system);
  const name = STEPS_OFFERED.find((k) => k.kind === kind)!.name;
  theBusiness().edit(`Add “${name}” to ${plan.name}`, [
    { do: 'step.add', planId: plan.id, place, index, step },
  ]);
  return step.id;
}

/** Changes a step. @returns what is wrong with the change, or undefined */
export function setStep(plan: Plan, step: Step, field: string): string | undefined {
  const result = theBusiness().edit(
    `${plan.name}: ${named(step)}`,
    [{ do: 'step.set', planId: plan.id, step }],
    {
      mergeKey: `${step.id}:${field}`,
      quiet: true,
    },
  );
  return result.ok ? undefined : result.problems[0]?.message;
}

export function removeStep(plan: Plan, step: Step): void {
  const inside = [...allSteps([step])].length - 1;
  const also = inside ? ` with the ${inside} inside it` : '';
  theBusiness().edit(
    `Remove “${named(step)}”${also} from ${plan.name}`,
    [{ do: 'step.remove', planId: plan.id, stepId: step.id }],
    { withNotice: true },
  );
}

/** Moves a step by one; at the edge of a branch it goes out of it, next to the step the branch belongs to. */
export function moveStep(plan: Plan, step: Step, by: -1 | 1): void {
  const found = whereIs(plan.steps, step.id);
  if (!found) return;
  let { place, index } = found;
  index += by;
  if (index < 0 || index >= found.list.length) {
    if (!place) return;
    const parent = whereIs(plan.steps, place.parentId)!;
    index = parent.index + (by === 1 ? 1 : 0);
    place = parent.place;
  }
  moveStepTo(plan, step.id, place, index);
}

/** Moves a step to a place of its plan. What cannot be is said. */
export function moveStepTo(plan: Plan, stepId: string, place: StepList, index: number): void {
  const found = whereIs(plan.steps, stepId);
  if (!found) return;
  const same = found.place?.parentId === place?.parentId && found.place?.branch === place?.branch;
  if (same && found.index === index) return;
  theBusiness().edit(`Move “${named(found.list[found.index]!)}” in ${plan.name}`, [
    { do: 'step.move', planId: plan.id, stepId, place, index },
  ]);
}

/** Moves a step a level in, into a branch of the step before it, or out of the branch it is in. @returns whether it could */
export function levelStep(plan: Plan, step: Step, which: 'in' | 'out'): boolean {
  const spot = levelled(plan, step.id, which);
  if (spot) moveStepTo(plan, step.id, spot.place, spot.index);
  return spot !== undefined;
}
