/** Timing one thing many times. */

/** Median and 95th percentile of how long `work` takes, in milliseconds. */
export function spread(runs: number, work: (i: number) => void): { p50: number; p95: number } {
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const from = performance.now();
    work(i);
    times.push(performance.now() - from);
  }
  return quantiles(times);
}

export function quantiles(times: readonly number[]): { p50: number; p95: number } {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
  return { p50: at(0.5), p95: at(0.95) };
}
export const ms = (n: number): string => `${n.toFixed(n < 10 ? 2 : 0)} ms`;
