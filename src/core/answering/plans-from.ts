/** Which plans a call can come to. */
import { allSteps, type Plan, type System } from '../system';

/** A plan and those it can send calls to; all that can be dialled, where callers may dial. */
export function plansFrom(system: System, planId: string): Plan[] {
  const found = new Map<string, Plan>();
  const add = (id: string | null) => {
    const plan = id ? system.plans[id] : undefined;
    if (!plan || found.has(plan.id)) return;
    found.set(plan.id, plan);
    for (const step of allSteps(plan.steps)) {
      if (step.kind === 'goto') add(step.planId);
      if (step.kind === 'menu' && step.dialExtension)
        for (const p of Object.values(system.plans)) if (p.extension) add(p.id);
    }
  };
  add(planId);
  return [...found.values()];
}
