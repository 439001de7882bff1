import { RRule } from 'rrule';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import type { Hours } from '../system';
import {
  boundaries,
  daysInWords,
  localTime,
  momentOf,
  nextClockChange,
  periodAt,
  periodInWords,
  readSpans,
  writeSpans,
} from '.';

const LA = 'America/Los_Angeles';
const set = (weekly: Hours['weekly'], timeZone: string | null = null): Hours => ({
  id: 'h',
  name: 'Hours',
  timeZone,
  weekly,
});
const at = (iso: string) => Temporal.ZonedDateTime.from(`${iso}[${LA}]`).epochMilliseconds;

describe('local time', () => {
  it('is what Temporal says, all year, in zones of all kinds', () => {
    for (const zone of [LA, 'Europe/London', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'UTC'])
      for (let t = at('2027-01-01T00:00'); t < at('2028-01-01T00:00'); t += 7_777_777_000) {
        const z = Temporal.Instant.fromEpochMilliseconds(t).toZonedDateTimeISO(zone);
        const local = localTime(zone, t);
        expect([local.day, Math.floor(local.minute), local.date]).toEqual([
          z.dayOfWeek,
          z.hour * 60 + z.minute,
          z.toPlainDate().toString(),
        ]);
      }
  });

  // IANA time zone data: Los Angeles 2027-03-14 02:00 → 03:00 and 2027-11-07 02:00 → 01:00.
  it('knows when the clocks change', () => {
    const spring = nextClockChange(LA, at('2027-01-01T00:00'));
    expect(spring).toBe(at('2027-03-14T03:00'));
    expect(localTime(LA, spring - 1).minute).toBeCloseTo(120, 3);
    expect(localTime(LA, spring).minute).toBe(180);
    const autumn = nextClockChange(LA, spring);
    expect(localTime(LA, autumn)).toMatchObject({ minute: 60, date: '2027-11-07' });
    expect(momentOf(LA, '2027-11-07', 90, 'later') - momentOf(LA, '2027-11-07', 90)).toBe(3_600_000);
  });
});

describe('weekly hours', () => {
  const office = set([1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' })));

  it('are on from the first second to before the last', () => {
    expect(periodAt(office, LA, at('2026-11-24T08:00'))).toBe('Open');
    expect(periodAt(office, LA, at('2026-11-24T08:00') - 1)).toBeNull();
    expect(periodAt(office, LA, at('2026-11-24T17:00') - 1)).toBe('Open');
    expect(periodAt(office, LA, at('2026-11-24T17:00'))).toBeNull();
    expect(periodAt(office, LA, at('2026-11-28T10:00'))).toBeNull();
  });

  it('go by their own zone where they have one', () => {
    const berlin = set(office.weekly, 'Europe/Berlin');
    expect(periodAt(berlin, LA, at('2026-11-24T00:30'))).toBe('Open');
  });

  // The rrule library, an independent implementation of RFC 5545 recurrences.
  it('start when a weekly recurrence rule says', () => {
    const rule = new RRule({
      freq: RRule.WEEKLY,
      byweekday: [RRule.MO, RRule.TU, RRule.WE, RRule.TH, RRule.FR],
      dtstart: new Date(Date.UTC(2027, 0, 4, 8)),
      until: new Date(Date.UTC(2027, 11, 31)),
    });
    const starts = rule.all().map((d) => at(d.toISOString().slice(0, 16)));
    const found = boundaries(office, LA, at('2027-01-04T00:00'), at('2027-12-31T23:00')).filter(
      (t) => periodAt(office, LA, t) === 'Open' && periodAt(office, LA, t - 1) === null,
    );
    expect(found.filter((t) => t < starts.at(-1)! + 1)).toEqual(starts);
  });

  it('change only at their boundaries, on days of 23 and 25 hours too', () => {
    const night = set([
      { day: 7, from: 60, to: 150, kind: 'Open' },
      { day: 6, from: 1380, to: 1440, kind: 'Late' },
      { day: 7, from: 0, to: 30, kind: 'Late' },
    ]);
    for (const [from, to] of [
      ['2027-03-12T00:00', '2027-03-16T00:00'],
      ['2027-11-05T00:00', '2027-11-09T00:00'],
    ] as const) {
      const cuts = new Set(boundaries(night, LA, at(from), at(to)));
      for (let t = at(from) + 60_000; t < at(to); t += 60_000)
        if (periodAt(night, LA, t) !== periodAt(night, LA, t - 60_000))
          expect(cuts, new Date(t).toISOString()).toContain(t);
    }
  });
});

describe('typed hours', () => {
  it('are read as people write them', () => {
    expect(readSpans('8-12, 13:30-17')).toEqual({
      ok: true,
      spans: [
        { from: 480, to: 720 },
        { from: 810, to: 1020 },
      ],
    });
    expect(readSpans('1pm-5pm; 9am-morning').ok).toBe(false);
    expect(readSpans('9am-noon')).toEqual({ ok: true, spans: [{ from: 540, to: 720 }] });
    expect(readSpans('9am–12pm')).toEqual({ ok: true, spans: [{ from: 540, to: 720 }] });
    expect(readSpans('22-0')).toEqual({ ok: true, spans: [{ from: 1320, to: 1440 }] });
    expect(readSpans('')).toEqual({ ok: true, spans: [] });
    expect(readSpans('24 h')).toEqual({ ok: true, spans: [{ from: 0, to: 1440 }] });
  });
  // How a shared am or pm is read: common practice in writing spans, no source.
  it.each([
    ['1-5pm', 13, 17],
    ['9-5pm', 9, 17],
    ['8-11 am', 8, 11],
    ['10-12pm', 10, 12],
    ['12-1pm', 12, 13],
    ['8am-5', 8, 17],
    ['8am-12', 8, 12],
    ['1 p.m. to 5', 13, 17],
    ['8pm-12', 20, 24],
    ['noon-5pm', 12, 17],
    ['13-5pm', 13, 17],
    ['12:30-11am', 0.5, 11],
  ])('take one am or pm for both ends where that runs forward: %s', (typed, from, to) => {
    expect(readSpans(typed)).toEqual({ ok: true, spans: [{ from: from * 60, to: to * 60 }] });
  });
  it('say what is wrong', () => {
    expect(readSpans('10pm-2')).toMatchObject({ ok: false, message: expect.stringContaining('ends before') });
    expect(readSpans('17-8')).toMatchObject({ ok: false, message: expect.stringContaining('ends before') });
    expect(readSpans('8-12, 11-13')).toMatchObject({
      ok: false,
      message: expect.stringContaining('overlap'),
    });
    expect(readSpans('8-25')).toMatchObject({ ok: false });
    expect(readSpans('8:75-9')).toMatchObject({ ok: false });
  });
  it('come back as they were', () => {
    for (const text of ['8-12, 13:30-17', '0-24', '9:05-9:10', '']) {
      const read = readSpans(text);
      expect(read.ok && writeSpans(read.spans)).toBe(text);
    }
  });
});

it('says days and periods in words', () => {
  expect(daysInWords([1, 2, 3, 4, 5])).toBe('Mon–Fri');
  expect(daysInWords([1, 3, 6, 7])).toBe('Mon, Wed, Sat, Sun');
  expect(daysInWords([7, 6, 5, 4, 3, 2, 1])).toBe('every day');
  const hours = set(
    [1, 2].flatMap((day) => [
      { day, from: 480, to: 720, kind: 'Open' },
      { day, from: 780, to: 1020, kind: 'Open' },
    ]),
  );
  expect(periodInWords(hours, 'Open')).toBe('Mon, Tue 08:00–12:00 and 13:00–17:00');
  expect(periodInWords(hours, 'Lunch')).toBe('never');
});
