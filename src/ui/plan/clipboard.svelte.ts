/** Steps that are copied or cut, to be put down elsewhere. */
import { Step, whereIs, type Plan, type StepList } from '$core/system';
import { session, theBusiness } from '../window/session.svelte';
import { moveStepTo, named } from './edits';
import { copyOf } from './kinds';

/** Where a copied step waits to be put down, in this browser: it can go into another plan or another business. */
const CLIPBOARD = 'upper-line:copied-step';

/** The step that is cut, until it is put down: it stays where it is till then. */
export const cutting = $state<{ planId: string; stepId: string }>({ planId: '', stepId: '' });

function keep(step: Step): void {
  localStorage.setItem(CLIPBOARD, JSON.stringify(step));
}
export function copyStep(step: Step): void {
  keep(step);
  letGo();
  session.say({
    kind: 'info',
    title: `Copied “${named(step)}”`,
    detail: 'Put it down under “Add a step”, or behind a step with Ctrl+V.',
  });
}
export function cutStep(plan: Plan, step: Step): void {
  keep(step);
  Object.assign(cutting, { planId: plan.id, stepId: step.id });
  session.say({
    kind: 'info',
    title: `Cut “${named(step)}”`,
    detail:
      'It stays until it is put down: under “Add a step”, or behind a step with Ctrl+V. Escape leaves it.',
  });
}
/** What was cut stays where it is. @returns whether anything was */
export function letGo(): boolean {
  const was = cutting.stepId !== '';
  Object.assign(cutting, { planId: '', stepId: '' });
  return was;
}

/** The step that was copied or cut last, or undefined. What it points at may be missing where it is put down. */
export function copiedStep(): Step | undefined {
  try {
    return Step.parse(JSON.parse(localStorage.getItem(CLIPBOARD) ?? ''));
  } catch {
    return undefined;
  }
}

/** Puts the copied step down, or moves the one that was cut. @param index in the list as it is now @returns its id there */
export function putDown(plan: Plan, place: StepList, index: number): string | undefined {
  const { planId, stepId } = cutting;
  const from = theBusiness().system.plans[planId];
  const found = from && whereIs(from.steps, stepId);
  letGo();
  if (found && planId === plan.id) {
    const home = found.place?.parentId === place?.parentId && found.place?.branch === place?.branch;
    moveStepTo(plan, stepId, place, home && index > found.index ? index - 1 : index);
    return stepId;
  }
  const copied = copiedStep();
  if (!copied) return undefined;
  const step = copyOf(found ? found.list[found.index]! : copied);
  theBusiness().edit(`${found ? 'Move' : 'Put'} “${named(step)}” into ${plan.name}`, [
    ...(found ? [{ do: 'step.remove' as const, planId, stepId }] : []),
    { do: 'step.add', planId: plan.id, place, index, step },
  ]);
  return step.id;
}
