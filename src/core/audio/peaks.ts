/** The outline of a sound, as it is drawn. */

/**
 * @param samples 16-bit PCM @param n so many parts of the same length; a sound of fewer samples has as many parts as it has samples
 * @returns how far each part goes from silence at most, 0 to 1
 */
export function peaksOf(samples: Int16Array, n: number): number[] {
  const parts = Math.min(n, samples.length);
  return Array.from({ length: parts }, (_, i) => {
    const [from, to] = [i, i + 1].map((at) => Math.floor((at * samples.length) / parts)) as [number, number];
    let most = 0;
    for (let at = from; at < to; at++) most = Math.max(most, Math.abs(samples[at]!));
    return Math.min(1, most / 32_767);
  });
}
