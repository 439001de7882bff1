/** Chance that decides alike with the same seed. */
import type { Act, Lifting, Spread } from '../base/request';
import type { CallState } from '../base/state';

/** A number from 0 up to 1 for the n-th draw of a seed: mulberry32, a public-domain generator of good spread (from memory). */
export function drawn(seed: number, n: number): number {
  let a = (Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) + Math.imul(n + 1, 0x6d2b79f5)) | 0;
  a = Math.imul(a ^ (a >>> 15), a | 1);
  a ^= a + Math.imul(a ^ (a >>> 7), a | 61);
  return ((a ^ (a >>> 14)) >>> 0) / 4294967296;
}

/** A number of a text, from 0 up to 2³¹: the same for the same text (Fowler, Noll and Vo, FNV-1a, by code units). */
export function hashOf(text: string): number {
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
  return hash >>> 1;
}

/** A length in seconds. @param u by chance, from 0 up to 1 */
export function spreadAt(spread: Spread, u: number): number {
  switch (spread.as) {
    case 'seen': {
      // Between those seen, as between the steps of a stair.
      const at = u * (spread.sorted.length - 1);
      const [low, high] = [spread.sorted[Math.floor(at)]!, spread.sorted[Math.ceil(at)]!];
      return low + (high - low) * (at - Math.floor(at));
    }
    case 'exponential':
      return -Math.log(1 - u) * spread.mean;
  }
}

const NOTHING: Act = { does: 'nothing' };
/** Draws of a call that decide whether somebody lifts, and after how long: no other takes these. */
const LIFTS = 16;

/**
 * What somebody does when they are rung: the same whatever they are rung for in a call, and however often it is asked.
 * @param who a person, or a phone that is nobody's: whoever stands beside it lifts it
 */
export function liftsByChance({ share, after }: Lifting, seed: number, who: string): Act {
  const own = seed ^ hashOf(who);
  if (drawn(own, LIFTS) >= share) return NOTHING;
  return { does: 'answers', after: spreadAt(after, drawn(own, LIFTS + 1)) };
}

/**
 * Chooses by weights, for this call. Where the request says what chance decides, that is taken while it lasts.
 * @returns the index of a weight above 0, or -1 where there is none
 */
export function choose(call: CallState, weights: readonly number[]): number {
  const sum = weights.reduce((all, w) => all + w, 0);
  if (sum <= 0) return -1;
  const n = call.drawn++;
  const decided = call.request.choices?.[n];
  if (decided !== undefined && (weights[decided] ?? 0) > 0) return decided;
  let left = drawn(call.request.seed ?? 0, n) * sum;
  for (const [i, weight] of weights.entries()) {
    left -= weight;
    if (left < 0) return i;
  }
  return weights.findLastIndex((w) => w > 0);
}

/**
 * What the request says is decided, for a choice that otherwise goes by what the system has in mind from earlier calls:
 * which calls came before is chance to a caller. @returns undefined where it says nothing
 */
export function given(call: CallState, among: number): number | undefined {
  const decided = call.request.choices?.[call.drawn++];
  return decided !== undefined && decided < among ? decided : undefined;
}

/** Indexes with a weight above 0: what chance can decide. */
export const open = (weights: readonly number[]): number[] => weights.flatMap((w, i) => (w > 0 ? [i] : []));
