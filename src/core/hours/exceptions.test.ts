/** Days that are not like the week: holidays, seasons, what is closed for now. */
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import type { ExceptionTime, Hours, HoursException, OnDates } from '../system';
import { boundaries, calendarOf, dayNumber, daysOf, momentOf, periodAt, weekdayOf } from '.';

const LA = 'America/Los_Angeles';
const at = (iso: string, zone = LA) => Temporal.ZonedDateTime.from(`${iso}[${zone}]`).epochMilliseconds;
const exception = (id: string, when: OnDates, times: ExceptionTime[] = []): HoursException => ({
  id,
  name: id,
  when,
  times,
  holiday: null,
});
const office = (...exceptions: HoursException[]): Hours => ({
  id: 'h',
  name: 'Office',
  timeZone: null,
  weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' })),
  exceptions,
});
const open = (from: number, to: number, day: number | null = null, kind = 'Open'): ExceptionTime => ({
  day,
  from,
  to,
  kind,
});

describe('exceptions', () => {
  it('close a day, shorten it, or give it a kind of its own', () => {
    const hours = office(
      exception('closed', { on: 'dates', dates: ['2026-12-25'] }),
      exception('short', { on: 'dates', dates: ['2026-12-24'] }, [open(540, 720)]),
      exception('own', { on: 'dates', dates: ['2026-12-31'] }, [open(0, 1440, null, 'Holiday')]),
    );
    expect(periodAt(hours, LA, at('2026-12-25T10:00'))).toBeNull();
    expect(periodAt(hours, LA, at('2026-12-24T08:30'))).toBeNull();
    expect(periodAt(hours, LA, at('2026-12-24T09:00'))).toBe('Open');
    expect(periodAt(hours, LA, at('2026-12-31T23:59'))).toBe('Holiday');
    expect(periodAt(hours, LA, at('2026-12-28T08:30'))).toBe('Open');
  });
  it('go by the days of the week where they say so, and over the end of the year', () => {
    const season = exception('winter', { on: 'yearly', from: '12-15', to: '01-15' }, [open(600, 840, 6)]);
    expect(periodAt(office(season), LA, at('2027-01-02T11:00'))).toBe('Open');
    expect(periodAt(office(season), LA, at('2027-01-04T11:00'))).toBeNull();
    expect(periodAt(office(season), LA, at('2027-01-18T11:00'))).toBe('Open');
  });
  it('with fewer days go first, then the earlier in the list', () => {
    const month = exception('month', { on: 'range', from: '2026-12-01', to: '2026-12-31' });
    const day = exception('day', { on: 'dates', dates: ['2026-12-10'] }, [open(0, 60)]);
    const same = exception('same', { on: 'dates', dates: ['2026-12-10'] }, [open(60, 120)]);
    for (const hours of [office(month, day, same), office(day, month, same)])
      expect(calendarOf(hours).on(dayNumber('2026-12-10')).exception!.id).toBe('day');
    expect(daysOf(month.when)).toBe(31);
    expect(daysOf({ on: 'yearly', from: '12-31', to: '01-01' })).toBe(2);
  });
  it('give way to what holds for now, which ends by itself', () => {
    const now = { kind: null, from: at('2026-11-24T10:00'), until: at('2026-11-24T12:00') };
    expect(periodAt(office(), LA, now.from, now)).toBeNull();
    expect(periodAt(office(), LA, now.until - 1, now)).toBeNull();
    expect(periodAt(office(), LA, now.until, now)).toBe('Open');
    expect(boundaries(office(), LA, now.from - 1, now.until + 1, now)).toEqual([now.from, now.until]);
  });
});

it('moments of wall clocks are what Temporal says, in nights of changed clocks too', () => {
  const zone = fc.constantFrom(
    LA,
    'Europe/London',
    'Australia/Lord_Howe',
    'Asia/Kathmandu',
    'Africa/Casablanca',
  );
  const date = fc
    .constantFrom(
      '2027-03-14',
      '2027-11-07',
      '2027-03-28',
      '2027-10-31',
      '2027-04-04',
      '2027-10-03',
      '2027-02-07',
    )
    .chain((d) =>
      fc.integer({ min: -1, max: 1 }).map((by) => Temporal.PlainDate.from(d).add({ days: by }).toString()),
    );
  fc.assert(
    fc.property(
      zone,
      date,
      fc.integer({ min: 0, max: 1439 }),
      fc.constantFrom('compatible' as const, 'later' as const),
      (timeZone, day, minute, which) => {
        const time = Temporal.PlainTime.from('00:00').add({ minutes: minute });
        const expected = Temporal.PlainDate.from(day)
          .toPlainDateTime(time)
          .toZonedDateTime(timeZone, { disambiguation: which }).epochMilliseconds;
        expect(momentOf(timeZone, day, minute, which)).toBe(expected);
      },
    ),
    { numRuns: 800, seed: 4 },
  );
});

it('any exceptions are true at every quarter of an hour, and change only at their boundaries', () => {
  const day = fc.integer({ min: 1, max: 28 }).map((d) => `2027-03-${String(d).padStart(2, '0')}`);
  const time = fc
    .record({
      day: fc.option(fc.integer({ min: 1, max: 7 })),
      from: fc.integer({ min: 0, max: 90 }),
      length: fc.integer({ min: 1, max: 5 }),
    })
    .map((t) => open(t.from * 15, (t.from + t.length) * 15, t.day, 'Special'));
  const when: fc.Arbitrary<OnDates> = fc.oneof(
    fc.array(day, { minLength: 1, maxLength: 3 }).map((dates) => ({ on: 'dates' as const, dates })),
    fc.tuple(day, day).map(([a, b]) => ({ on: 'range' as const, from: a < b ? a : b, to: a < b ? b : a })),
    fc.tuple(day, day).map(([a, b]) => ({ on: 'yearly' as const, from: a.slice(5), to: b.slice(5) })),
  );
  fc.assert(
    fc.property(
      fc.array(fc.tuple(when, fc.array(time, { maxLength: 1 })), { maxLength: 3 }),
      day,
      (list, start) => {
        const hours = office(...list.map(([w, times], i) => exception(`e${i}`, w, times)));
        const from = momentOf(LA, start, 0);
        const to = from + 2 * 86_400_000;
        const cuts = new Set(boundaries(hours, LA, from, to));
        const holds = (w: OnDates, date: string): boolean =>
          w.on === 'dates'
            ? w.dates.includes(date)
            : w.on === 'range'
              ? w.from <= date && date <= w.to
              : w.from <= w.to
                ? w.from <= date.slice(5) && date.slice(5) <= w.to
                : date.slice(5) >= w.from || date.slice(5) <= w.to;
        let before: string | null | undefined;
        for (let t = from; t < to; t += 900_000) {
          const wall = Temporal.Instant.fromEpochMilliseconds(t).toZonedDateTimeISO(LA);
          const date = wall.toPlainDate().toString();
          const minute = wall.hour * 60 + wall.minute;
          const first = [...hours.exceptions!]
            .map((e, i) => ({ e, i }))
            .sort((a, b) => daysOf(a.e.when) - daysOf(b.e.when) || a.i - b.i)
            .find(({ e }) => holds(e.when, date))?.e;
          const spans = first
            ? first.times.filter((x) => x.day === null || x.day === wall.dayOfWeek)
            : hours.weekly.filter((p) => p.day === wall.dayOfWeek);
          const expected = spans.find((p) => p.from <= minute && minute < p.to)?.kind ?? null;
          const found = periodAt(hours, LA, t);
          expect(found, `${date} ${minute}`).toBe(expected);
          if (before !== undefined && before !== found) expect(cuts).toContain(t);
          before = found;
        }
      },
    ),
    { numRuns: 60, seed: 9 },
  );
});

it('knows the days of the week', () => {
  for (let d = dayNumber('2026-12-28'); d < dayNumber('2027-01-10'); d++)
    expect(weekdayOf(d)).toBe(Temporal.PlainDate.from('1970-01-01').add({ days: d }).dayOfWeek);
});
