import { expect, it } from 'vitest';
import { atSpeed, benchTime, ClockSetting, speedOf } from './clock';

const NOON = Date.parse('2026-11-24T20:00:00Z');

it('is real time, or runs on from where it was set', () => {
  expect(benchTime({ mode: 'real' }, 5000)).toBe(5000);
  expect(benchTime({ mode: 'set', benchAt: NOON, realAt: 5000 }, 8000)).toBe(NOON + 3000);
});

it('runs ten times as fast from where it is, and on from there at the usual speed', () => {
  const fast = atSpeed({ mode: 'set', benchAt: NOON, realAt: 5000 }, 10, 8000);
  expect(benchTime(fast, 8000)).toBe(NOON + 3000);
  expect(benchTime(fast, 9000)).toBe(NOON + 13_000);
  const again = atSpeed(fast, 1, 9000);
  expect(benchTime(again, 9500)).toBe(NOON + 13_500);
  expect([speedOf(fast), speedOf(again), speedOf({ mode: 'real' })]).toEqual([10, 1, 1]);
});

it('never stands still or goes back, whatever was stored', () => {
  for (const speed of [0, -1, 0.5, 1000, '10'])
    expect(ClockSetting.safeParse({ mode: 'set', benchAt: 0, realAt: 0, speed }).success).toBe(false);
});
