/** Quantiles, by a library. */
import { quantileSorted } from 'd3-array';

/**
 * The q-quantile, linear between order statistics (type 7 of Hyndman and Fan, "Sample Quantiles in Statistical Packages", 1996).
 * @param sorted the smallest first @param q from 0 to 1 @returns null of nothing
 */
export const quantileOf = (sorted: readonly number[] | Float64Array, q: number): number | null =>
  quantileSorted(sorted as number[], q) ?? null;
