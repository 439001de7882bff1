/** Silence at the ends of what was recorded. */

/** What is so far below the loudest part is silence, in dB. Common practice, no source. */
const BELOW_DB = 40;
/** So much is left before and after, so that no first sound is cut: seconds. */
const LEFT_S = 0.15;
const BLOCK_S = 0.02;

/** Samples without the silence at their ends; all of them where nothing stands out. @param rate samples a second */
export function withoutSilence(samples: Float64Array, rate: number): Float64Array {
  const block = Math.max(1, Math.round(BLOCK_S * rate));
  const levels: number[] = [];
  for (let i = 0; i < samples.length; i += block) {
    let sum = 0;
    const end = Math.min(i + block, samples.length);
    for (let j = i; j < end; j++) sum += samples[j]! ** 2;
    levels.push(Math.sqrt(sum / (end - i)));
  }
  const floor = Math.max(...levels) / 10 ** (BELOW_DB / 20);
  const first = levels.findIndex((l) => l > floor);
  if (first < 0) return samples;
  const last = levels.findLastIndex((l) => l > floor);
  const margin = Math.round(LEFT_S * rate);
  return samples.slice(
    Math.max(0, first * block - margin),
    Math.min(samples.length, (last + 1) * block + margin),
  );
}
