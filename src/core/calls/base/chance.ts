/** Chance that decides alike with the same seed. */
import type { CallState } from './state';

/** A number from 0 up to 1 for the n-th draw of a seed: mulberry32, a public-domain generator of good spread (from memory). */
export function drawn(seed: number, n: number): number {
  let a = (Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) + Math.imul(n + 1, 0x6d2b79f5)) | 0;
  a = Math.imul(a ^ (a >>> 15), a | 1);
  a ^= a + Math.imul(a ^ (a >>> 7), a | 61);
  return ((a ^ (a >>> 14)) >>> 0) / 4294967296;
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
