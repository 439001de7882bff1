/** Whether a call to a number can meet anything that differs between two systems. */
import type { NumberHeld, System } from '../system';
import { plansFrom } from '../answering';

/** What does not decide how a call goes: the list of plans is looked at by what a number reaches. */
const ASIDE: readonly (keyof System)[] = ['plans', 'numbers', 'promises'];

/** Objects are never changed in place, so each is written once. */
const texts = new WeakMap<object, string>();
const text = (value: unknown): string => {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? '';
  let found = texts.get(value);
  if (found === undefined) texts.set(value, (found = JSON.stringify(value)));
  return found;
};
/** Whether two values say the same. Objects are never changed in place, so each is written once. */
export const same = (a: unknown, b: unknown): boolean => a === b || text(a) === text(b);

/** True only where no call to the number can go another way; false where it has to be worked out. */
export function reachesTheSame(before: System, was: NumberHeld, after: System, is: NumberHeld): boolean {
  if (!same(was, is)) return false;
  const parts = [...new Set([...Object.keys(before), ...Object.keys(after)])] as (keyof System)[];
  if (parts.some((part) => !ASIDE.includes(part) && !same(before[part], after[part]))) return false;
  if (was.planId === null || is.planId === null) return was.planId === is.planId;
  const [old, young] = [plansFrom(before, was.planId), plansFrom(after, is.planId)];
  return old.length === young.length && old.every((plan, i) => same(plan, young[i]));
}
