/** How the last calls of a phone sounded there. */
import type { CallRecord } from '$workspace';

/** So many of the last calls are looked at. */
const LAST = 20;

/** @returns in words; the rating of the E-model is 0 to 100 (ITU-T G.107), from 80 on most are satisfied (table B.1 there) */
export function soundOf(calls: readonly CallRecord[], phoneId: string): string {
  const rated = calls.flatMap((c) => c.quality?.[phoneId] ?? []).slice(-LAST);
  if (!rated.length) return 'no calls yet';
  const mean = rated.reduce((n, r) => n + r, 0) / rated.length;
  const poor = rated.filter((r) => r < 60).length;
  const words = mean >= 80 ? 'well' : mean >= 60 ? 'passably' : 'badly';
  return `${words}, ${Math.round(mean)} of 100${poor ? `; ${poor} of ${rated.length} badly` : ''}`;
}
