/** Weekly hours of any shape against a minute-by-minute walk with Temporal. */
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, it } from 'vitest';
import type { PeriodOfWeek } from '../system';
import { boundaries, periodAt, readSpans, writeSpans } from '.';

const period = fc
  .record({
    day: fc.integer({ min: 1, max: 7 }),
    a: fc.integer({ min: 0, max: 1439 }),
    b: fc.integer({ min: 1, max: 1440 }),
    kind: fc.constantFrom('Open', 'Lunch'),
  })
  .filter(({ a, b }) => b > a)
  .map(({ day, a, b, kind }): PeriodOfWeek => ({ day, from: a, to: b, kind }));
/** Periods that do not overlap, as the document wants them. */
const weekly = fc
  .array(period, { maxLength: 12 })
  .map((all) =>
    all.reduce<PeriodOfWeek[]>(
      (kept, p) =>
        kept.some((k) => k.day === p.day && k.from < p.to && p.from < k.to) ? kept : [...kept, p],
      [],
    ),
  );
const zone = fc.constantFrom('America/Los_Angeles', 'Europe/London', 'Australia/Lord_Howe', 'Asia/Kathmandu');
/** Days around changes of the clocks, and an ordinary one. */
const start = fc.constantFrom(
  '2027-03-13',
  '2027-03-27',
  '2027-04-03',
  '2027-10-02',
  '2027-10-30',
  '2027-11-06',
  '2027-06-15',
);

it('agree with the wall clock at every minute, and change only at their boundaries', () => {
  fc.assert(
    fc.property(weekly, zone, start, (periods, timeZone, date) => {
      const hours = { id: 'h', name: 'Hours', timeZone, weekly: periods };
      const from = Temporal.PlainDate.from(date).toZonedDateTime(timeZone).epochMilliseconds;
      const to = from + 3 * 86_400_000;
      const cuts = new Set(boundaries(hours, 'UTC', from, to));
      let before: string | null | undefined;
      for (let t = from; t < to; t += 300_000) {
        const wall = Temporal.Instant.fromEpochMilliseconds(t).toZonedDateTimeISO(timeZone);
        const minute = wall.hour * 60 + wall.minute;
        const expected =
          periods.find((p) => p.day === wall.dayOfWeek && p.from <= minute && minute < p.to)?.kind ?? null;
        const found = periodAt(hours, 'UTC', t);
        expect(found).toBe(expected);
        if (before !== undefined && found !== before) {
          const between = [...cuts].some((c) => c > t - 300_000 && c <= t);
          expect(between, new Date(t).toISOString()).toBe(true);
        }
        before = found;
      }
    }),
    { numRuns: 40, seed: 5 },
  );
});

it('are read back as they are written', () => {
  fc.assert(
    fc.property(weekly, (periods) => {
      const spans = periods
        .filter((p) => p.day === 1)
        .map(({ from, to }) => ({ from, to }))
        .sort((a, b) => a.from - b.from);
      expect(readSpans(writeSpans(spans))).toEqual({ ok: true, spans });
    }),
    { seed: 3 },
  );
});
