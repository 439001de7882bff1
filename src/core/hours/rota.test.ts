/** Who is on duty when. */
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import { newRota } from '../system';
import { handovers, onDuty, shiftsOf } from '.';

const LA = 'America/Los_Angeles';
const at = (iso: string) => Temporal.ZonedDateTime.from(`${iso}[${LA}]`).epochMilliseconds;
const watch = (change = {}) =>
  newRota({
    id: 'w',
    name: 'Watch',
    from: '2026-11-23',
    handover: 17 * 60,
    turns: ['rosa', 'idris', null],
    ...change,
  });

describe('a rota', () => {
  it('hands over at its time, week after week, and begins again', () => {
    expect(onDuty(watch(), LA, at('2026-11-23T16:59'))).toBeNull();
    expect(onDuty(watch(), LA, at('2026-11-23T17:00'))).toBe('rosa');
    expect(onDuty(watch(), LA, at('2026-11-30T16:59'))).toBe('rosa');
    expect(onDuty(watch(), LA, at('2026-11-30T17:00'))).toBe('idris');
    expect(onDuty(watch(), LA, at('2026-12-07T17:00'))).toBeNull();
    expect(onDuty(watch(), LA, at('2026-12-14T17:00'))).toBe('rosa');
  });
  it('goes by swaps first, the later one of two', () => {
    const swaps = [
      { from: '2026-11-25T08:00', to: '2026-11-27T08:00', personId: 'pia' },
      { from: '2026-11-26T08:00', to: '2026-11-26T20:00', personId: null },
    ];
    expect(onDuty(watch({ swaps }), LA, at('2026-11-25T08:00'))).toBe('pia');
    expect(onDuty(watch({ swaps }), LA, at('2026-11-26T12:00'))).toBeNull();
    expect(onDuty(watch({ swaps }), LA, at('2026-11-26T20:00'))).toBe('pia');
    expect(onDuty(watch({ swaps }), LA, at('2026-11-27T08:00'))).toBe('rosa');
    const shifts = shiftsOf(watch({ swaps }), LA, at('2026-11-24T00:00'), at('2026-11-28T00:00'));
    expect(shifts.map((s) => [s.personId, s.swapped])).toEqual([
      ['rosa', false],
      ['pia', true],
      [null, true],
      ['pia', true],
      ['rosa', false],
    ]);
  });
  it('hands over by the clock on the wall when clocks change', () => {
    const spring = watch({ from: '2027-03-07' });
    expect(onDuty(spring, LA, at('2027-03-14T16:59'))).toBe('rosa');
    expect(onDuty(spring, LA, at('2027-03-14T17:00'))).toBe('idris');
  });
  it('hands over once on a night when the time of it comes twice, and once where it is skipped', () => {
    // 1 November 2026, 02:00 becomes 01:00: half past one comes twice. 14 March 2027, 02:00 becomes 03:00.
    const autumn = watch({ from: '2026-10-25', handover: 90 });
    const first = at('2026-11-01T01:30');
    for (const minutes of [0, 10, 29, 30, 59, 60, 89, 120])
      expect(onDuty(autumn, LA, first + minutes * 60_000)).toBe('idris');
    expect(onDuty(autumn, LA, first - 60_000)).toBe('rosa');
    expect(handovers(autumn, LA, first - 3_600_000, first + 7_200_000)).toEqual([first]);
    const spring = watch({ from: '2027-03-07', handover: 150 });
    const [change] = handovers(spring, LA, at('2027-03-14T00:00'), at('2027-03-14T12:00'));
    expect(change).toBe(at('2027-03-14T03:30'));
    expect(onDuty(spring, LA, change! - 60_000)).toBe('rosa');
    expect(onDuty(spring, LA, change!)).toBe('idris');
  });
  it('tiles any time without gap or overlap, and changes only at its handovers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 0, max: 1439 }),
        fc.array(fc.constantFrom('rosa', 'idris', null), { maxLength: 4 }),
        fc.integer({ min: 0, max: 40 }),
        (days, handover, turns, offset) => {
          const rota = watch({ days, handover, turns });
          const from = at('2026-11-20T00:00') + offset * 3_600_000;
          const to = from + 30 * 86_400_000;
          const shifts = shiftsOf(rota, LA, from, to);
          expect(shifts[0]!.from).toBe(from);
          expect(shifts.at(-1)!.to).toBe(to);
          for (let i = 1; i < shifts.length; i++) expect(shifts[i]!.from).toBe(shifts[i - 1]!.to);
          const cuts = handovers(rota, LA, from, to);
          for (let t = from; t < to; t += 5_400_000) {
            const own = shifts.find((s) => s.from <= t && t < s.to)!;
            expect(own.personId).toBe(onDuty(rota, LA, t));
          }
          expect([...cuts].sort((a, b) => a - b)).toEqual(cuts);
        },
      ),
      { numRuns: 60, seed: 3 },
    );
  });
});
