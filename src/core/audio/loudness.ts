/** Loudness of one channel by ITU-R BS.1770-4: weighted as heard, with pauses left out by its two gates. */
import { filtered, type Biquad } from './biquad';

/** Blocks of 400 ms, each beginning 100 ms after the one before (BS.1770-4, annex 1). */
const BLOCK_S = 0.4;
const STEP_S = 0.1;
/** Blocks below this are no programme at all, in LUFS. */
const ABSOLUTE_GATE = -70;
/** Blocks so much below the mean of the others are pauses. */
const RELATIVE_GATE = -10;

/**
 * The two filters of BS.1770 for any rate: the standard prints them for 48 kHz only. Their analogue forms are those that
 * come to the printed coefficients there (from memory of libebur128, which does the same).
 */
export function weighting(rate: number): [shelf: Biquad, highPass: Biquad] {
  const shelf = (): Biquad => {
    const k = Math.tan((Math.PI * 1681.974450955533) / rate);
    const q = 0.7071752369554196;
    const vh = 10 ** (3.999843853973347 / 20);
    const vb = vh ** 0.4996667741545416;
    const a0 = 1 + k / q + k * k;
    return {
      b0: (vh + (vb * k) / q + k * k) / a0,
      b1: (2 * (k * k - vh)) / a0,
      b2: (vh - (vb * k) / q + k * k) / a0,
      a1: (2 * (k * k - 1)) / a0,
      a2: (1 - k / q + k * k) / a0,
    };
  };
  const k = Math.tan((Math.PI * 38.13547087602444) / rate);
  const q = 0.5003270373238773;
  const a0 = 1 + k / q + k * k;
  return [shelf(), { b0: 1, b1: -2, b2: 1, a1: (2 * (k * k - 1)) / a0, a2: (1 - k / q + k * k) / a0 }];
}

const loudnessOf = (power: number): number => -0.691 + 10 * Math.log10(power);

/**
 * Integrated loudness of a mono signal, full scale 1.
 * @param rate samples a second
 * @returns LUFS; -Infinity where there is nothing but silence. What is shorter than one block is measured as one.
 */
export function loudness(samples: ArrayLike<number>, rate: number): number {
  const [shelf, high] = weighting(rate);
  const heard = filtered(filtered(samples, shelf), high);
  const block = Math.min(Math.round(BLOCK_S * rate), heard.length);
  if (block === 0) return -Infinity;
  const step = Math.round(STEP_S * rate);
  const sums = new Float64Array(heard.length + 1);
  for (let i = 0; i < heard.length; i++) sums[i + 1] = sums[i]! + heard[i]! ** 2;
  const powers: number[] = [];
  for (let i = 0; i + block <= heard.length; i += step) powers.push((sums[i + block]! - sums[i]!) / block);
  const mean = (above: number): number => {
    const kept = powers.filter((p) => loudnessOf(p) > above);
    return kept.length ? kept.reduce((all, p) => all + p, 0) / kept.length : 0;
  };
  const programme = mean(ABSOLUTE_GATE);
  return loudnessOf(mean(Math.max(ABSOLUTE_GATE, loudnessOf(programme) + RELATIVE_GATE)));
}
