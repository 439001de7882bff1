/** The outline of a sound: nothing loud is passed over, whatever its length. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { peaksOf } from './peaks';

it('goes up and down where the sound does', () => {
  const pcm = Int16Array.from({ length: 8000 }, (_, i) => (i >= 4000 && i < 4100 ? -16_384 : 33));
  const peaks = peaksOf(pcm, 80);
  expect(peaks).toHaveLength(80);
  expect(peaks[40]).toBeCloseTo(0.5, 3);
  expect(peaks.filter((p) => p > 0.1)).toHaveLength(1);
});
it('has the loudest sample in it, and as many parts as were asked for or there are samples', () => {
  fc.assert(
    fc.property(fc.int16Array({ maxLength: 500 }), fc.integer({ min: 1, max: 300 }), (pcm, n) => {
      const peaks = peaksOf(pcm, n);
      expect(peaks).toHaveLength(Math.min(n, pcm.length));
      const loudest = Math.min(1, Math.max(0, ...pcm.map((s) => Math.min(32_767, Math.abs(s)))) / 32_767);
      expect(Math.max(0, ...peaks)).toBeCloseTo(loudest, 10);
    }),
  );
});
