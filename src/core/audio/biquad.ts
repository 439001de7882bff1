/** Filters of second order: two poles, two zeros. */

/** y[n] = b0 x[n] + b1 x[n-1] + b2 x[n-2] - a1 y[n-1] - a2 y[n-2]. */
export interface Biquad {
  b0: number;
  b1: number;
  b2: number;
  a1: number;
  a2: number;
}

/** Runs samples through a filter that has heard nothing before. @returns new samples */
export function filtered(samples: ArrayLike<number>, { b0, b1, b2, a1, a2 }: Biquad): Float64Array {
  const out = new Float64Array(samples.length);
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  for (let i = 0; i < samples.length; i++) {
    const x = samples[i]!;
    const y = b0 * x + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    out[i] = y;
  }
  return out;
}

/**
 * A Butterworth high-pass of second order by the bilinear transform: 3 dB down at its corner.
 * @param hz corner @param rate samples a second
 */
export function highPass(hz: number, rate: number): Biquad {
  const k = Math.tan((Math.PI * hz) / rate);
  const norm = 1 / (1 + Math.SQRT2 * k + k * k);
  return {
    b0: norm,
    b1: -2 * norm,
    b2: norm,
    a1: 2 * (k * k - 1) * norm,
    a2: (1 - Math.SQRT2 * k + k * k) * norm,
  };
}
