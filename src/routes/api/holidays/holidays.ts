/** Public holidays from the date-holidays library: its data is large, so it stays on the server. */
import Holidays from 'date-holidays';

/** Years ahead for which dates are given. */
const YEARS = 10;

export interface Holiday {
  name: string;
  /** The rule of the library that its dates follow. */
  rule: string;
  /** Days off for everybody, or kept by some. */
  kind: 'public' | 'bank' | 'optional' | 'school' | 'observance';
  /** ISO, ascending. */
  dates: string[];
}

/** The holidays of a country and region; days off for everybody first. Undefined where the library has none. */
export function holidaysOf(country: string, region: string, from: number): Holiday[] | undefined {
  const calendar = new Holidays();
  if (!(country in calendar.getCountries())) return undefined;
  if (region) calendar.init(country, region);
  else calendar.init(country);
  const found = new Map<string, Holiday>();
  for (let year = from; year < from + YEARS; year++)
    for (const day of calendar.getHolidays(year)) {
      const name = day.name.replace(/ \(substitute day\)$/i, '');
      const kind = day.type;
      const known = found.get(`${kind} ${name}`);
      const dates = datesOf(day);
      if (known) known.dates.push(...dates);
      else found.set(`${kind} ${name}`, { name, rule: day.rule, kind, dates });
    }
  for (const holiday of found.values()) holiday.dates = [...new Set(holiday.dates)].sort();
  return [...found.values()].sort(
    (a, b) =>
      Number(a.kind !== 'public') - Number(b.kind !== 'public') || a.dates[0]!.localeCompare(b.dates[0]!),
  );
}

/** A holiday may last for several days; those given in local time are counted by their length. */
function datesOf({ date, start, end }: { date: string; start: Date; end: Date }): string[] {
  const first = Date.parse(`${date.slice(0, 10)}T00:00:00Z`);
  const days = Math.max(1, Math.round((end.getTime() - start.getTime()) / 86_400_000));
  return Array.from({ length: Math.min(days, 14) }, (_, i) =>
    new Date(first + i * 86_400_000).toISOString().slice(0, 10),
  );
}

/** The regions of a country that have holidays of their own, by name. */
export function regionsOf(country: string): { code: string; name: string }[] {
  const states = new Holidays().getStates(country) as Record<string, string> | undefined;
  return Object.entries(states ?? {})
    .map(([code, name]) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}
