/** Free times of a calendar: against a plain look at every minute, on nights when the clocks change, and never one for two. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { momentOf, periodAt } from '../hours';
import { newHours, type BookingCalendar, type Hours } from '../system';
import { freeTimes, freshCode, isFree, mostAtOnce, openings, wishOfBooking, type Span } from '.';

const ZONE = 'America/Los_Angeles';
const MINUTE = 60_000;
const at = (day: string, hour: number, minute = 0) => momentOf(ZONE, day, hour * 60 + minute);
const calendar = (change: Partial<BookingCalendar> = {}): BookingCalendar => ({
  id: 'c',
  name: 'Slipway',
  hoursId: 'h',
  minutes: 60,
  gapMinutes: 0,
  atOnce: 1,
  leadMinutes: 0,
  horizonDays: 30,
  personId: null,
  ...change,
});
const open = (from: number, to: number, day = 2): Hours => ({
  ...newHours({ id: 'h', name: 'H' }),
  weekly: [{ day, from: from * 60, to: to * 60, kind: 'Open' }],
});
/** Tuesday. */
const DAY = '2026-11-24';
const NOW = at(DAY, 0);
const free = (change: Partial<BookingCalendar>, taken: Span[] = [], hours = open(9, 12), now = NOW) =>
  freeTimes({ calendar: calendar(change), hours, zone: ZONE, taken, now }, at(DAY, 0), at('2026-11-25', 0));
const hoursOf = (times: number[]) =>
  times.map((t) =>
    new Date(t).toLocaleTimeString('en-GB', { timeZone: ZONE, hour: '2-digit', minute: '2-digit' }),
  );
const booked = (hour: number, minute = 0, length = 60): Span => ({
  from: at(DAY, hour, minute),
  to: at(DAY, hour, minute) + length * MINUTE,
});

describe('free', () => {
  it('every length from opening on; the gap need not fit before closing', () => {
    expect(hoursOf(free({}))).toEqual(['09:00', '10:00', '11:00']);
    expect(hoursOf(free({ gapMinutes: 30 }))).toEqual(['09:00', '10:30']);
    expect(hoursOf(free({ minutes: 90, gapMinutes: 0 }))).toEqual(['09:00', '10:30']);
    expect(hoursOf(free({ minutes: 85, gapMinutes: 10 }))).toEqual(['09:00', '10:35']);
  });
  it('not where one is, nor within the gap before or after it', () => {
    expect(hoursOf(free({}, [booked(10)]))).toEqual(['09:00', '11:00']);
    expect(hoursOf(free({ minutes: 30 }, [booked(10, 15, 30)]))).toEqual([
      '09:00',
      '09:30',
      '11:00',
      '11:30',
    ]);
    expect(hoursOf(free({ minutes: 30, gapMinutes: 15 }, [booked(10, 0, 15)]))).toEqual([
      '09:00',
      '10:30',
      '11:15',
    ]);
  });
  it('as long as fewer are at one moment than may be', () => {
    expect(hoursOf(free({ atOnce: 2 }, [booked(10)]))).toContain('10:00');
    expect(hoursOf(free({ atOnce: 2 }, [booked(10), booked(10, 30)]))).not.toContain('10:00');
    // One ends where the other begins: there is one at each moment.
    expect(hoursOf(free({ atOnce: 2 }, [booked(10, 0, 30), booked(10, 30, 30)]))).toContain('10:00');
  });
  it('from now and the lead on, to the horizon', () => {
    expect(hoursOf(free({ leadMinutes: 60 }, [], open(9, 12), at(DAY, 9)))).toEqual(['10:00', '11:00']);
    expect(free({ horizonDays: 1 }, [], open(9, 12), at('2026-11-22', 12))).toEqual([]);
    expect(hoursOf(free({}, [], open(9, 12), at(DAY, 9, 30)))).toEqual(['10:00', '11:00']);
  });
});

it('on the night when an hour comes twice there is one more, told apart; where it is missing there is one fewer', () => {
  // 1 November 2026 and 14 March 2027, 2:00 (Energy Policy Act of 2005).
  const night = open(0, 4, 7);
  const on = (day: string, next: string) =>
    freeTimes(
      {
        calendar: calendar({ horizonDays: 365 }),
        hours: night,
        zone: ZONE,
        taken: [],
        now: at('2026-10-30', 0),
      },
      at(day, 0),
      at(next, 0),
    );
  const doubled = on('2026-11-01', '2026-11-02');
  expect(doubled).toHaveLength(5);
  expect(new Set(doubled).size).toBe(5);
  expect(hoursOf(doubled)).toEqual(['00:00', '01:00', '01:00', '02:00', '03:00']);
  const missing = on('2027-03-14', '2027-03-15');
  expect(hoursOf(missing)).toEqual(['00:00', '01:00', '03:00']);
});

it('of what is always open, times begin at midnight, whenever it is asked, and none is lost between', () => {
  const always: Hours = {
    ...newHours({ id: 'h', name: 'H' }),
    weekly: [1, 2, 3, 4, 5, 6, 7].map((day) => ({ day, from: 0, to: 1440, kind: 'Open' })),
  };
  const own = calendar({ minutes: 50, gapMinutes: 7, horizonDays: 60 });
  const asked = (now: number) => ({ calendar: own, hours: always, zone: ZONE, taken: [], now });
  const all = freeTimes(asked(NOW), at(DAY, 0), at('2026-12-24', 0));
  for (const hour of [1, 7, 19]) {
    const later = freeTimes(asked(at(DAY, hour)), at(DAY, 0), at('2026-12-24', 0));
    expect(later).toEqual(all.filter((t) => t >= at(DAY, hour)));
    expect(later.slice(0, 3).every((t) => isFree(asked(at(DAY, hour)), t))).toBe(true);
  }
});

it('openings are what the hours say at every minute', () => {
  const hours: Hours = {
    ...newHours({ id: 'h', name: 'H' }),
    weekly: [
      { day: 2, from: 540, to: 720, kind: 'Open' },
      { day: 2, from: 720, to: 780, kind: 'Lunch' },
      { day: 2, from: 800, to: 900, kind: 'Open' },
    ],
  };
  const [from, to] = [at(DAY, 0), at('2026-11-25', 0)];
  const spans = openings(hours, ZONE, from, to);
  expect(spans).toHaveLength(2);
  for (let t = from; t < to; t += MINUTE)
    expect(spans.some((s) => t >= s.from && t < s.to)).toBe(periodAt(hours, ZONE, t) !== null);
});

it('the most at once is that of every minute', () => {
  const span = fc
    .tuple(fc.nat(60), fc.integer({ min: 1, max: 30 }))
    .map(([a, l]): Span => ({ from: a, to: a + l }));
  fc.assert(
    fc.property(fc.array(span, { maxLength: 12 }), span, (spans, within) => {
      let most = 0;
      for (let t = within.from; t < within.to; t++)
        most = Math.max(most, spans.filter((s) => t >= s.from && t < s.to).length);
      expect(mostAtOnce(spans, within)).toBe(most);
    }),
  );
});

it('no free time is given to two, whatever is booked in whatever order and calendar', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 5, max: 90 }),
      fc.integer({ min: 0, max: 40 }),
      fc.integer({ min: 1, max: 3 }),
      fc.array(fc.nat(400), { maxLength: 40 }),
      (minutes, gapMinutes, atOnce, picks) => {
        const own = calendar({ minutes, gapMinutes, atOnce });
        const taken: Span[] = [];
        const asked = () => ({ calendar: own, hours: open(9, 12), zone: ZONE, taken, now: NOW });
        for (const pick of picks) {
          const times = freeTimes(asked(), at(DAY, 0), at('2026-11-25', 0));
          if (!times.length) break;
          const from = times[pick % times.length]!;
          expect(isFree(asked(), from)).toBe(true);
          taken.push({ from, to: from + minutes * MINUTE });
        }
        // Within each, with its gap, there are never more than fit.
        for (const t of taken) expect(mostAtOnce(taken, t)).toBeLessThanOrEqual(atOnce);
        if (atOnce === 1)
          for (const [i, a] of taken.entries())
            for (const b of taken.slice(i + 1))
              expect(a.to + gapMinutes * MINUTE <= b.from || b.to + gapMinutes * MINUTE <= a.from).toBe(true);
      },
    ),
    { numRuns: 60 },
  );
});

it.each([
  ['off 12345', { does: 'off', code: '12345' }],
  [' MOVE #54321. ', { does: 'move', code: '54321' }],
  ['stop', null],
  ['cancel 12345', null],
  ['off 123', null],
  ['I am off 12345 today', null],
])('“%s” about an appointment', (text, wish) => expect(wishOfBooking(text)).toEqual(wish));

it('a code is one that no other has', () => {
  let n = 0;
  const random = () => [0.1, 0.1, 0.2][n++]!;
  expect(freshCode(new Set(['19000']), random)).toBe('28000');
});
