/** A plan laid out for walking: every step with the step that follows it, branches joined to what comes after them. */
import type { Plan, Step } from '../system/schema';

export interface Stop {
  step: Step;
  /** Id of the step a call goes on to when this one is done with it; null when the plan runs out there. */
  next: string | null;
  /** For an "hours" step: the first step of each period's branch, and of "otherwise". */
  branches: Map<string, string | null>;
  otherwise: string | null;
}

export interface Route {
  first: string | null;
  stops: Map<string, Stop>;
}

/** Lays a plan out. A branch that runs out goes on with the step after the "hours" step it belongs to. */
export function layOut(plan: Plan): Route {
  const stops = new Map<string, Stop>();
  const lay = (steps: readonly Step[], after: string | null): string | null => {
    for (const [i, step] of steps.entries()) {
      const next = steps[i + 1]?.id ?? after;
      const stop: Stop = { step, next, branches: new Map(), otherwise: next };
      stops.set(step.id, stop);
      if (step.kind !== 'hours') continue;
      for (const branch of step.branches) stop.branches.set(branch.period, lay(branch.steps, next));
      stop.otherwise = lay(step.otherwise, next);
    }
    return steps[0]?.id ?? after;
  };
  return { first: lay(plan.steps, null), stops };
}
