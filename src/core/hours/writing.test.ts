/** How times and dates are written. */
import { getCountryCode, rawTimeZones } from '@vvo/tzdb';
import { afterEach, describe, expect, it } from 'vitest';
import {
  choiceOf,
  dateInWords,
  habitOf,
  isMeant,
  momentInFull,
  offsetInWords,
  readSpans,
  readTime,
  writeAs,
  writeHour,
  writeSpans,
  writeTime,
  writingOf,
  zoneChoices,
} from '.';

const TWELVE = { clock: '12-hour', dates: 'month first' } as const;
const TWENTY_FOUR = { clock: '24-hour', dates: 'day first' } as const;
afterEach(() => writeAs(TWENTY_FOUR));

describe('times and dates', () => {
  it('are written as the business has them', () => {
    const day = [0, 1, 60, 480, 719, 720, 780, 1050, 1439, 1440];
    expect(day.map((m) => writeTime(m))).toEqual(
      '00:00 00:01 01:00 08:00 11:59 12:00 13:00 17:30 23:59 24:00'.split(' '),
    );
    writeAs(TWELVE);
    expect(day.map((m) => writeTime(m)).join(', ')).toBe(
      '12:00 am, 12:01 am, 1:00 am, 8:00 am, 11:59 am, 12:00 pm, 1:00 pm, 5:30 pm, 11:59 pm, midnight',
    );
    expect(dateInWords('2026-12-19')).toBe('Sat Dec 19, 2026');
  });
  it('agree with the Intl of this engine at every minute of the day', () => {
    const twelve = new Intl.DateTimeFormat('en-US', { hour: 'numeric', minute: '2-digit', timeZone: 'UTC' });
    const whole = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: 'UTC' });
    for (let minute = 0; minute < 1440; minute++) {
      const said = twelve
        .format(minute * 60_000)
        .replace(/\s/g, ' ')
        .toLowerCase();
      expect(writeTime(minute, TWELVE)).toBe(said);
      expect(writeTime(minute, TWENTY_FOUR)).toBe(whole.format(minute * 60_000));
    }
  });
  it('go by the country where nothing is said (CLDR, as the Intl of this engine has it)', () => {
    expect(habitOf('US')).toEqual(TWELVE);
    expect(habitOf('DE')).toEqual(TWENTY_FOUR);
    expect(habitOf('AU')).toEqual({ clock: '12-hour', dates: 'day first' });
    expect(writingOf({ country: 'US', clock: '24-hour' })).toEqual({
      clock: '24-hour',
      dates: 'month first',
    });
  });
  it.each([TWELVE, TWENTY_FOUR])('can be typed as they are written: $clock', (as) => {
    writeAs(as);
    for (let minute = 0; minute < 1440; minute += 7) expect(readTime(writeTime(minute))).toBe(minute);
    const spans = [
      { from: 0, to: 30 },
      { from: 480, to: 720 },
      { from: 810, to: 1440 },
    ];
    expect(readSpans(writeSpans(spans))).toEqual({ ok: true, spans });
    for (let from = 0; from < 1440; from += 30)
      for (let to = from + 30; to <= 1440; to += 30)
        expect(readSpans(writeSpans([{ from, to }]))).toEqual({ ok: true, spans: [{ from, to }] });
  });
  it('are short where an hour of the day is chosen', () => {
    expect([0, 9, 12, 17, 24].map((h) => writeHour(h, TWELVE))).toEqual([
      '12 am',
      '9 am',
      '12 pm',
      '5 pm',
      'midnight',
    ]);
    expect([0, 9, 24].map((h) => writeHour(h, TWENTY_FOUR))).toEqual(['00:00', '09:00', '24:00']);
  });
  it('are short where a day is typed', () => {
    writeAs(TWELVE);
    expect(
      writeSpans([
        { from: 480, to: 720 },
        { from: 780, to: 1050 },
      ]),
    ).toBe('8am-12pm, 1-5:30pm');
  });
  it('are read as people type them', () => {
    expect(['5pm', '5 p.m.', '17', '17:30', '5.30pm', 'noon', 'Midnight', '12am'].map(readTime)).toEqual([
      1020, 1020, 1020, 1050, 1050, 720, 0, 0,
    ]);
    expect(['', 'five', '25', '13pm', '8:61', '0am'].map(readTime)).toEqual(Array(6).fill(undefined));
  });
  it('stand in letters in full', () => {
    const at = Date.UTC(2026, 10, 24, 18, 15);
    expect(momentInFull(at, 'America/Los_Angeles', TWENTY_FOUR)).toBe('Tuesday, 24 November 2026 at 10:15');
    expect(momentInFull(at, 'America/Los_Angeles', TWELVE).replace(/\s/g, ' ')).toBe(
      'Tuesday, November 24, 2026 at 10:15 AM',
    );
  });
});

describe('time zones', () => {
  const at = Date.UTC(2026, 10, 24, 18);
  const choices = zoneChoices(rawTimeZones, 'US', at);
  const found = (typed: string) => choices.filter((c) => isMeant(c, typed)).map((c) => c.zone);

  it('are found by a town, a country, or their own name', () => {
    expect(found('spokane')).toEqual(['America/Los_Angeles']);
    expect(found('Walla Walla')).toEqual(['America/Los_Angeles']);
    expect(found('minneapolis')).toEqual(['America/Chicago']);
    expect(found('halifax')).toContain('America/Halifax');
    expect(found('berlin')).toContain('Europe/Berlin');
    expect(found('new zealand')).toContain('Pacific/Auckland');
    expect(found('los_angeles')).toEqual([]);
    expect(found('los angeles')).toContain('America/Los_Angeles');
    expect(found('zzzz')).toEqual([]);
  });
  it('stand with those of the own country first, and say how far they are from UTC', () => {
    expect(getCountryCode(choices[0]!.zone)).toBe('US');
    expect(choiceOf(choices, 'America/Los_Angeles')?.words).toBe(
      'Los Angeles, San Diego · Pacific Time, UTC−08:00',
    );
    expect(choiceOf(choices, 'US/Pacific')?.zone).toBe('America/Los_Angeles');
    expect(choiceOf(choices, 'Asia/Kathmandu')?.words).toContain('UTC+05:45');
    expect(offsetInWords(-210)).toBe('UTC−03:30');
  });
  it('agree about the distance from UTC with the package’s own', () => {
    for (const zone of rawTimeZones) {
      const parts = new Intl.DateTimeFormat('en', {
        timeZone: zone.name,
        timeZoneName: 'longOffset',
      }).formatToParts(at);
      const said = parts.find((p) => p.type === 'timeZoneName')!.value.replace('GMT', '') || '+00:00';
      expect(choiceOf(choices, zone.name)?.words).toContain(`UTC${said.replace('-', '−')}`);
    }
  });
  it('offer every zone that the engine knows and people live by', () => {
    const known = new Set(choices.flatMap((c) => c.search.split('\n')));
    const missing = Intl.supportedValuesOf('timeZone').filter(
      (z) =>
        !known.has(z.replaceAll('_', ' ').toLowerCase()) && !/^(Etc|Antarctica)\/|^UTC$|^[A-Z0-9]+$/.test(z),
    );
    expect(missing).toEqual([]);
  });
});
