/** Which plans a call can come to. */
import { allSteps, type Plan, type System } from '../system';
import { readingOf } from './kinds';

/** A plan and those it can send calls to; all that can be dialled, where callers may dial. */
export function plansFrom(system: System, planId: string): Plan[] {
  const found = new Map<string, Plan>();
  const add = (id: string | null) => {
    const plan = id ? system.plans[id] : undefined;
    if (!plan || found.has(plan.id)) return;
    found.set(plan.id, plan);
    for (const step of allSteps(plan.steps)) {
      const { sendsTo, dials } = readingOf(step);
      add(sendsTo?.(step) ?? null);
      if (dials?.(step).extensions) for (const p of Object.values(system.plans)) if (p.extension) add(p.id);
    }
  };
  add(planId);
  return [...found.values()];
}

/** The plans a plan sends calls to by itself, with the step that does, in reading order. */
export const sentTo = (plan: Plan): { planId: string; stepId: string }[] =>
  [...allSteps(plan.steps)].flatMap((step) => {
    const planId = readingOf(step).sendsTo?.(step);
    return planId ? [{ planId, stepId: step.id }] : [];
  });
