import { describe, expect, it } from 'vitest';
import { opinion, rating, soundsLike } from './emodel';

describe('the E-model (ITU-T G.107)', () => {
  it('gives R = 93.2 and 4.41 with all default values, as the Recommendation prints', () => {
    expect(rating()).toBeCloseTo(93.2, 1);
    expect(opinion(rating())).toBeCloseTo(4.41, 2);
  });
  it('gives the opinion scores printed beside ratings (G.107 annex B, table B.1, from memory)', () => {
    for (const [r, mos] of [
      [90, 4.34],
      [80, 4.03],
      [70, 3.6],
      [60, 3.1],
      [50, 2.58],
    ] as const)
      expect(opinion(r)).toBeCloseTo(mos, 1);
    expect([opinion(0), opinion(100)]).toEqual([1, 4.5]);
  });
  it('delay takes nothing away up to 100 ms of it alone, and much beyond 300', () => {
    expect(rating({ Ta: 100 })).toBeCloseTo(rating(), 6);
    expect(rating({ Ta: 200 })).toBeLessThan(rating());
    // Below 60 nearly all are dissatisfied long before a second.
    expect(rating({ T: 1000, Ta: 1000, Tr: 2000 })).toBeLessThan(60);
  });
  it('loss takes away by the codec’s robustness, never below nothing', () => {
    const lost = [0, 1, 5, 20, 100].map((Ppl) => rating({ Ppl, Bpl: 25.1 }));
    expect([...lost].sort((a, b) => b - a)).toEqual(lost);
    expect(rating({ Ppl: 5, Bpl: 4.3 })).toBeLessThan(rating({ Ppl: 5, Bpl: 25.1 }));
    expect(rating({ Ppl: 100, Ie: 95, Ta: 5000 })).toBeGreaterThanOrEqual(0);
  });
  it('is told in words', () => {
    expect([93, 75, 65, 20].map(soundsLike)).toEqual(['good', 'fair', 'poor', 'bad']);
  });
});
