/** Whom a plan can ring: by its ring steps, its queues, and the plans it goes to. */
import { readingOf } from '../answering';
import { allSteps, flatTargets, type System, servingOf } from '../system';

/** Everybody a plan can ring, each once. Forwarding is not followed. */
export function peopleRung(system: System, planId: string): string[] {
  const found = new Set<string>();
  const seen = new Set<string>();
  const look = (id: string): void => {
    if (seen.has(id)) return;
    seen.add(id);
    for (const step of allSteps(system.plans[id]?.steps ?? [])) {
      for (const t of flatTargets(readingOf(step).rings?.(step) ?? [], system)) {
        if (t.kind === 'person') found.add(t.id);
        const owner = t.kind === 'phone' ? system.phones[t.id]?.personId : null;
        if (owner) found.add(owner);
      }
      if (step.kind === 'queue' && step.queueId)
        for (const person of servingOf(system, step.queueId)) found.add(person);
      if (step.kind === 'goto' && step.planId) look(step.planId);
    }
  };
  look(planId);
  return [...found];
}
