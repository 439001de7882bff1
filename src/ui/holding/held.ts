/** What holds by hand, for the rows of a list: worked out once for what stands and the minute. */
import { holdingNow, type Holding } from '$core/phone';
import { momentText } from '../format';
import { theBusiness } from '../window/session.svelte';

let known: { of: readonly unknown[]; all: Holding[] } = { of: [], all: [] };

function all(): Holding[] {
  const { inForce, standing, minute } = theBusiness();
  const of = [inForce, standing, minute];
  if (of.some((o, i) => o !== known.of[i])) known = { of, all: holdingNow(inForce, standing, minute) };
  return known.all;
}

/** What holds of somebody's calls, in a few words: "sends all calls on to Idris Okafor until Tue 24 Nov, 17:00". */
export const heldOf = (personId: string): string[] =>
  all()
    .filter((h) => h.personId === personId && !h.key.startsWith('resting '))
    .map((h) => `${h.what}${h.until === null ? '' : ` until ${momentText(h.until, theBusiness().zone)}`}`);

/** What holds of one phone. */
export const heldOfPhone = (phoneId: string): string[] =>
  all()
    .filter((h) => h.key === `resting ${phoneId}`)
    .map((h) => `${h.what}${h.until === null ? '' : ` until ${momentText(h.until, theBusiness().zone)}`}`);
