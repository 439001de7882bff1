/** What a rehearsal calls: a number, or a plan that no number has. */
import { withTrialNumber } from '$core/answering';
import type { NumberHeld, Plan, System } from '$core/system';

const PLAN = 'plan:';
/** A plan without a number, where the id of a number stands otherwise. */
export const asPlan = (planId: string): string => `${PLAN}${planId}`;

/** Plans that no number has and that do something. */
export function unnumbered(system: System): Plan[] {
  const used = new Set(Object.values(system.numbers).map((n) => n.planId));
  return Object.values(system.plans).filter((p) => !used.has(p.id) && p.steps.length > 0);
}

export interface Subject {
  system: System;
  number: NumberHeld | undefined;
  /** What stands for it in a question. */
  id: string | null;
}

/** Systems are never changed in place: the one with a trial number is made once for each plan. */
const trials = new WeakMap<System, Map<string, Subject>>();

/** @param asked the id of a number, or `asPlan` of a plan; what is no longer there is the first number, or the first plan */
export function subjectOf(system: System, asked: string | null): Subject {
  const planId = asked?.startsWith(PLAN) ? asked.slice(PLAN.length) : null;
  const number =
    (asked && system.numbers[asked]) ||
    (planId && system.plans[planId] ? undefined : Object.values(system.numbers)[0]);
  if (number) return { system, number, id: number.id };
  const plan = (planId && system.plans[planId]) || unnumbered(system)[0];
  if (!plan) return { system, number: undefined, id: null };
  const known = trials.get(system) ?? new Map<string, Subject>();
  trials.set(system, known);
  let subject = known.get(plan.id);
  if (!subject) {
    subject = { ...withTrialNumber(system, plan.id, plan.name), id: asPlan(plan.id) };
    known.set(plan.id, subject);
  }
  return subject;
}
