/** The edits of the plan sheet, as commands with their words. */
import { stepInWords } from '$core/answering';
import { allSteps, Step, whereIs, type Plan, type StepList } from '$core/system';
import { session, theBusiness } from '../window/session.svelte';
import { copyOf, freshStep, STEPS_OFFERED } from './kinds';

const named = (step: Step): string => {
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

/** Where a copied step waits to be put down, in this browser: it can go into another plan or another business. */
const CLIPBOARD = 'upper-line:copied-step';

export function copyStep(step: Step): void {
  localStorage.setItem(CLIPBOARD, JSON.stringify(step));
  session.say({ kind: 'info', title: `Copied “${named(step)}”`, detail: 'Put it down under “Add a step”.' });
}

/** The step that was copied last, or undefined. What it points at may be missing where it is put down. */
export function copiedStep(): Step | undefined {
  try {
    return Step.parse(JSON.parse(localStorage.getItem(CLIPBOARD) ?? ''));
  } catch {
    return undefined;
  }
}

/** Puts the copied step down. @returns the id of the copy */
export function putDown(plan: Plan, place: StepList, index: number): string | undefined {
  const copied = copiedStep();
  if (!copied) return undefined;
  const step = copyOf(copied);
  theBusiness().edit(`Put “${named(step)}” into ${plan.name}`, [
    { do: 'step.add', planId: plan.id, place, index, step },
  ]);
  return step.id;
}
