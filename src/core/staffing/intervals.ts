/** What values that are independent of each other say of what they come from, by libraries. */
import { deviation, mean } from 'd3-array';
import jStat from 'jstat';

/** A mean with the interval it lies in, 95 times of 100. */
export interface Estimate {
  mean: number;
  low: number;
  high: number;
  /** Of so many independent values. */
  of: number;
}

/** How far from the mean of so many values it may lie, 95 times of 100, by Student's t. */
const halfOf = (values: readonly number[]): number =>
  (jStat.studentt.inv(0.975, values.length - 1) * (deviation(values) ?? 0)) / Math.sqrt(values.length);

/**
 * The mean of values that are independent of each other, such as those of simulated weeks, with its 95 % interval.
 * @returns null of fewer than two, for they say nothing about their spread
 */
export function estimateOf(values: readonly number[]): Estimate | null {
  if (values.length < 2) return null;
  const middle = mean(values)!;
  const half = halfOf(values);
  return { mean: middle, low: middle - half, high: middle + half, of: values.length };
}

/** How much more the second of each pair is: small differences show, for what is common to both falls out. */
export const differenceOf = (pairs: readonly (readonly [before: number, after: number])[]): Estimate | null =>
  estimateOf(pairs.map(([before, after]) => after - before));
