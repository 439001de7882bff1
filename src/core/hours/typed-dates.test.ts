/** Days and moments as people type them. */
import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { addDays, dateInWords, readDate, readMoment, writeAs, writeTime } from '.';

const TODAY = '2026-11-24';
const DAY_FIRST = { clock: '24-hour', dates: 'day first' } as const;
const MONTH_FIRST = { clock: '12-hour', dates: 'month first' } as const;
afterEach(() => writeAs(DAY_FIRST));

describe('a day', () => {
  it.each([
    ['2026-12-03', '2026-12-03'],
    ['3 Dec', '2026-12-03'],
    ['3. December 2027', '2027-12-03'],
    ['Dec 3', '2026-12-03'],
    ['Dec 3rd, 2026', '2026-12-03'],
    ['Thu 3 Dec 2026', '2026-12-03'],
    ['3.12.', '2026-12-03'],
    ['3/12/26', '2026-12-03'],
    ['12 Jan', '2027-01-12'],
    ['29 Feb', '2028-02-29'],
    ['today', TODAY],
    ['Tomorrow', '2026-11-25'],
  ])('%s', (typed, iso) => expect(readDate(typed, TODAY)).toBe(iso));
  it('goes by the order in which dates are written, unless dots say the day first', () => {
    writeAs(MONTH_FIRST);
    expect(readDate('12/3/2026', TODAY)).toBe('2026-12-03');
    expect(readDate('3.12.2026', TODAY)).toBe('2026-12-03');
  });
  it.each(['', '30 Feb 2027', '2026-13-01', '32 Jan', 'soon', '12', '5pm', '3/4/5/6'])(
    '%s is none',
    (typed) => expect(readDate(typed, TODAY)).toBeUndefined(),
  );
  it.each([DAY_FIRST, MONTH_FIRST])('is read as it is written: $dates', (as) => {
    writeAs(as);
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 40_000 }), (n) => {
        const iso = addDays(TODAY, n);
        expect(readDate(dateInWords(iso), TODAY)).toBe(iso);
      }),
    );
  });
});

describe('a moment', () => {
  it.each([
    ['2026-11-24T17:30', '2026-11-24T17:30'],
    ['24 Nov 17:30', '2026-11-24T17:30'],
    ['Nov 24, 5.30 pm', '2026-11-24T17:30'],
    ['tomorrow at noon', '2026-11-25T12:00'],
    ['Tue 24 Nov 2026, 17:30', '2026-11-24T17:30'],
    ['5pm', '2026-11-24T17:00'],
  ])('%s', (typed, at) => expect(readMoment(typed, TODAY)).toBe(at));
  it.each(['', '24 Nov', '24 Nov 25:00', 'whenever', '2026-11-24T25:00'])('%s is none', (typed) =>
    expect(readMoment(typed, TODAY)).toBeUndefined(),
  );
  it.each([DAY_FIRST, MONTH_FIRST])('is read as it is written: $clock', (as) => {
    writeAs(as);
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 4000 }), fc.integer({ min: 0, max: 1439 }), (n, minute) => {
        const iso = addDays(TODAY, n);
        const typed = `${dateInWords(iso)}, ${writeTime(minute)}`;
        expect(readMoment(typed, TODAY)?.slice(0, 10)).toBe(iso);
      }),
    );
  });
});
