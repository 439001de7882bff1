/** When people may be bothered. Source: 47 CFR 64.1200(c)(1), from memory: 8 to 21 o'clock at the called party's place. */
import { expect, it } from 'vitest';
import { momentOf } from '../hours';
import { mayBother, nextAllowed } from './hours';

const NY = 'America/New_York';
const LA = 'America/Los_Angeles';
const at = (zone: string, day: string, hour: number, minute = 0) => momentOf(zone, day, hour * 60 + minute);
const in_ = (...zones: string[]) => ({ zones, by: 'area' as const });

it.each([
  [7, 59, false],
  [8, 0, true],
  [20, 59, true],
  [21, 0, false],
])('at %i:%i: %s', (hour, minute, may) =>
  expect(mayBother(in_(NY), at(NY, '2026-11-24', hour, minute))).toBe(may),
);

it('where somebody may be in two zones it is allowed only when allowed in both', () => {
  const both = in_(NY, LA);
  expect(mayBother(both, at(NY, '2026-11-24', 9))).toBe(false);
  expect(mayBother(both, at(NY, '2026-11-24', 11))).toBe(true);
  expect(mayBother(both, at(LA, '2026-11-24', 18))).toBe(false);
  expect(nextAllowed(both, at(NY, '2026-11-24', 9))).toBe(at(LA, '2026-11-24', 8));
  expect(nextAllowed(both, at(LA, '2026-11-24', 19))).toBe(at(LA, '2026-11-25', 8));
});

it('is by the clock of the day on which the clocks change', () => {
  // 8 March 2026: the night is an hour shorter in New York.
  expect(nextAllowed(in_(NY), at(NY, '2026-03-07', 23))).toBe(at(NY, '2026-03-08', 8));
  expect(at(NY, '2026-03-08', 8) - at(NY, '2026-03-07', 23)).toBe(8 * 3_600_000);
});

it('there may be no time at all for zones at the ends of the world', () => {
  expect(nextAllowed(in_('Europe/London', 'Asia/Shanghai', LA), at(LA, '2026-11-24', 0))).toBeNull();
});
