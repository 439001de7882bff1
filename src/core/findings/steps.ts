/** Steps of one kind, and the phones a step rings. */
import { worldOf } from '../calls';
import { allSteps, flatTargets, type Phone, type RingStep, type Step, type System } from '../system';

/** The phones of a ring step, of everybody it rings. */
export function phonesRung(step: RingStep, system: System): Phone[] {
  const { phonesOf } = worldOf(system);
  return flatTargets(step.targets, system).flatMap((t) =>
    t.kind === 'phone' ? (system.phones[t.id] ?? []) : t.kind === 'person' ? (phonesOf.get(t.id) ?? []) : [],
  );
}

/** All steps of a kind, with the plans they stand in. */
export function everyStep<K extends Step['kind']>(system: System, kind: K) {
  return Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)]
      .filter((s): s is Extract<Step, { kind: K }> => s.kind === kind)
      .map((step) => ({ plan, step })),
  );
}
