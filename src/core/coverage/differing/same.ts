/** Whether a call to a number can meet anything that differs between two systems. */
import type { NumberHeld, System } from '../../system';
import { plansFrom } from '../../answering';
import { once } from '../../once';
import { same } from '../texts';
import { metFrom } from './meets';

/** What does not decide how a call goes: the list of plans is looked at by what a number reaches. */
const ASIDE: readonly (keyof System)[] = ['plans', 'numbers', 'promises'];
/** What decides how any call goes, wherever it comes. */
const WHOLE: readonly (keyof System)[] = ['business', 'contacts'];

/** The same objects as they decide calls: what they are called does not, unless callers spell it. */
const unnamed = once((object: object): object => {
  const { name: _, familyName: __, ...rest } = object as Record<string, unknown>;
  return rest;
});
const decides = (object: unknown): unknown =>
  typeof object === 'object' && object !== null && 'name' in object ? unnamed(object) : object;
const decideTheSame = (a: unknown, b: unknown): boolean => a === b || same(decides(a), decides(b));

/** True only where no call to the number can go another way; false where it has to be worked out. */
export function reachesTheSame(before: System, was: NumberHeld, after: System, is: NumberHeld): boolean {
  if (!same(was, is) || !WHOLE.every((part) => same(before[part], after[part]))) return false;
  if (was.planId === null || is.planId === null) return was.planId === is.planId;
  const [old, young] = [metFrom(before, was.planId), metFrom(after, is.planId)];
  if (typeof old === 'string' || typeof young === 'string')
    return old === young && allTheSame(before, was.planId, after, is.planId, old === 'anything by name');
  return old.size === young.size && [...old].every(([key, object]) => decideTheSame(object, young.get(key)));
}

/** The same where a call can meet anything. @param names whether what things are called decides as well */
function allTheSame(before: System, was: string, after: System, is: string, names: boolean): boolean {
  const parts = [...new Set([...Object.keys(before), ...Object.keys(after)])] as (keyof System)[];
  const alike = names ? same : decideTheSame;
  const sameAll = (a: object, b: object): boolean => {
    const [old, young] = [Object.entries(a), new Map(Object.entries(b))];
    return old.length === young.size && old.every(([id, one]) => young.has(id) && alike(one, young.get(id)));
  };
  if (parts.some((p) => !ASIDE.includes(p) && before[p] !== after[p] && !sameAll(before[p], after[p])))
    return false;
  const [old, young] = [plansFrom(before, was), plansFrom(after, is)];
  return old.length === young.length && old.every((plan, i) => alike(plan, young[i]));
}
