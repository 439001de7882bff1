/** Spans and hours of the week against a plain loop, also where clocks change. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import {
  comparedWith,
  grainOf,
  HOURS_A_WEEK,
  hoursThatWere,
  lengthOf,
  momentsOf,
  partOf,
  partsOf,
  weekHour,
} from '.';

const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

// Clocks as the standard library of the language has them: the IANA time zone database.
it.each(['America/Los_Angeles', 'Europe/Berlin', 'Australia/Lord_Howe'])(
  'hours of the week are counted as a clock on the wall in %s shows them, over two years',
  (zone) => {
    const wall = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      weekday: 'short',
      hour: 'numeric',
      hourCycle: 'h23',
    });
    const span = { from: '2026-01-01', to: '2027-12-31' };
    const [from, to] = momentsOf(span, zone);
    const counted = Array.from({ length: HOURS_A_WEEK }, () => 0);
    for (let at = from; at < to; at += 900_000) {
      const parts = wall.formatToParts(at);
      const get = (type: string) => parts.find((p) => p.type === type)!.value;
      const hour = NAMES.indexOf(get('weekday')) * 24 + Number(get('hour'));
      counted[hour]! += 0.25;
      if (at % 86_400_000 < 900_000) expect(weekHour(at, zone)).toBe(hour);
    }
    expect(hoursThatWere(span, zone)).toEqual(counted);
  },
);

it('of three weeks over the end of summer time, Sunday from 1 to 2 was four times', () => {
  const hours = hoursThatWere({ from: '2027-10-25', to: '2027-11-14' }, 'America/Los_Angeles');
  expect(hours[6 * 24 + 1]).toBe(4);
  expect(hours[6 * 24 + 2]).toBe(3);
  // And two of three are left of the hour that is skipped in spring.
  expect(hoursThatWere({ from: '2027-03-01', to: '2027-03-21' }, 'America/Los_Angeles')[6 * 24 + 2]).toBe(2);
});

it('the day clocks change has 23 or 25 parts, and they are in order', () => {
  const parts = (date: string) => partsOf({ from: date, to: date }, 'hour', 'Europe/Berlin');
  expect(parts('2027-03-28')).toHaveLength(23);
  // The hour that comes twice is one part.
  expect(parts('2027-10-31')).toHaveLength(24);
  expect(parts('2027-03-28')[2]).toBe('2027-03-28 03');
});

it('is compared with as many days just before, or with the same weekdays of a year before', () => {
  const span = { from: '2026-11-02', to: '2026-11-15' };
  expect(comparedWith(span, 'the span before')).toEqual({ from: '2026-10-19', to: '2026-11-01' });
  expect(comparedWith(span, 'a year before')).toEqual({ from: '2025-11-03', to: '2025-11-16' });
  expect(comparedWith(span, 'nothing')).toBeNull();
});

it('every moment lies in one of its parts, whatever the span', () => {
  const day = fc.integer({ min: 0, max: 4000 });
  fc.assert(
    fc.property(
      day,
      fc.integer({ min: 0, max: 900 }),
      fc.double({ min: 0, max: 0.9999, noNaN: true }),
      (first, more, where) => {
        const iso = (n: number) => new Date(Date.UTC(2020, 0, 1 + n)).toISOString().slice(0, 10);
        const span = { from: iso(first), to: iso(first + more) };
        const grain = grainOf(span);
        const parts = partsOf(span, grain, 'America/Los_Angeles');
        const [from, to] = momentsOf(span, 'America/Los_Angeles');
        expect(parts).toContain(partOf(from + where * (to - from), grain, 'America/Los_Angeles'));
        expect(parts.length).toBeLessThanOrEqual(122);
        expect(lengthOf(span)).toBe(more + 1);
      },
    ),
    { numRuns: 60 },
  );
});
