/** Changing a follow-up: each field is an edit of its own, in words. */
import type { FollowUp } from '$core/system';
import { theBusiness } from '../window/session.svelte';

/** @returns what is wrong with it, or undefined where it was taken */
export function setFollowUp(
  { id, name }: FollowUp,
  change: Partial<Omit<FollowUp, 'id'>>,
  words: string,
): string | undefined {
  return theBusiness().keep(`${name}: ${words}`, [{ do: 'follow-up.set', id, change }]);
}
