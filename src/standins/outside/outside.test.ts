import { describe, expect, it } from 'vitest';
import { OutsideHabit, OutsideHabits, habitInWords, reactionOf } from './outside';

describe('an outside phone that nobody sits at', () => {
  it('rings six seconds after it is called, as the engine reckons, and then does what is set', () => {
    expect(reactionOf({ does: 'answers', after: 3 })).toEqual({ afterMs: 9000, does: 'answer' });
    expect(reactionOf({ does: 'declines', after: 0 })).toEqual({ afterMs: 6000, does: 'decline' });
    expect(reactionOf({ does: 'own voicemail', after: 20 })).toEqual({
      afterMs: 26_000,
      does: 'own voicemail',
    });
  });
  it('is said to be busy or not in service by the network, sooner', () => {
    expect(reactionOf({ does: 'busy' })).toEqual({ afterMs: 2000, does: 'busy' });
    expect(reactionOf({ does: 'not in service' })).toEqual({ afterMs: 2000, does: 'not in service' });
  });
  it('rings until somebody does something where nothing is set', () => {
    expect(reactionOf(undefined)).toBeUndefined();
  });
  it('is told in words, each its own', () => {
    const all = OutsideHabit.options.map((o) =>
      habitInWords(o.parse({ does: o.shape.does.value, after: 4 })),
    );
    expect(new Set(all).size).toBe(OutsideHabit.options.length);
  });
  it('is refused with seconds that are none', () => {
    expect(OutsideHabits.safeParse({ '+12065550134': { does: 'answers', after: 500 } }).success).toBe(false);
    expect(OutsideHabits.safeParse({ Ada: { does: 'busy' } }).success).toBe(false);
  });
});
