/** The kinds of step that can be added, and copies of steps. */
import { STEP_KINDS } from '$core/answering';
import { usualStep, type Step, type System } from '$core/system';
import { freshId } from '../ids';

/** In the order in which they are offered. */
export const STEPS_OFFERED = Object.entries(STEP_KINDS).map(([kind, { name, does }]) => ({
  kind: kind as Step['kind'],
  name,
  does,
}));

/** A new step of a kind, as somebody would most likely want it. */
export const freshStep = (kind: Step['kind'], system: System): Step => usualStep(kind, system, freshId);

/** A copy of a step and of all that is below it, with ids of its own. */
export function copyOf(step: Step): Step {
  const copy = structuredClone(step);
  const renew = (one: Step) => {
    one.id = freshId('step');
    if (one.kind === 'ask') for (const q of one.questions) q.id = freshId('question');
    if ('branches' in one) for (const b of one.branches ?? []) for (const s of b.steps) renew(s);
    if ('otherwise' in one) for (const s of one.otherwise) renew(s);
  };
  renew(copy);
  return copy;
}
