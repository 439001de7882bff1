/** A plan laid out for walking: every step with the step that follows it, branches joined to what comes after them. */
import { listsOf } from '../system/steps';
import type { Plan, Step } from '../system/shape/plans';

export interface Stop {
  step: Step;
  /** Id of the step a call goes on to when this one is done with it; null when the plan runs out there. */
  next: string | null;
  /** The first step of each of its branches, or what comes after where a branch is empty. */
  branches: (string | null)[];
  otherwise: string | null;
}
export interface Route {
  first: string | null;
  stops: Map<string, Stop>;
}

/** Lays a plan out. A branch that runs out goes on with the step after the one it belongs to. */
export function layOut(plan: Plan): Route {
  const stops = new Map<string, Stop>();
  const lay = (steps: readonly Step[], after: string | null): string | null => {
    for (const [i, step] of steps.entries()) {
      const next = steps[i + 1]?.id ?? after;
      const stop: Stop = { step, next, branches: [], otherwise: next };
      stops.set(step.id, stop);
      for (const [branch, list] of listsOf(step)) {
        const entry = lay(list, next);
        if (branch === -1) stop.otherwise = entry;
        else stop.branches.push(entry);
      }
    }
    return steps[0]?.id ?? after;
  };
  return { first: lay(plan.steps, null), stops };
}
