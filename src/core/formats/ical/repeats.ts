/** Repeating events (RFC 5545 §3.3.10): the rrule library takes them apart, after it is certain that it comes to an end. */
import { datetime, Frequency, RRule, type Options, type Weekday } from 'rrule';

/** A wall clock as milliseconds since 1970, as if it were UTC. */
export type Wall = number;
const DAY = 86_400_000;

export type Rule = { ok: true; rule: RRule } | { ok: false; why: string };

const FREQUENCIES: Record<string, Frequency> = {
  DAILY: Frequency.DAILY,
  WEEKLY: Frequency.WEEKLY,
  MONTHLY: Frequency.MONTHLY,
  YEARLY: Frequency.YEARLY,
};
const NUMBERS = {
  BYMONTH: ['bymonth', 1, 12],
  BYMONTHDAY: ['bymonthday', -31, 31],
  BYYEARDAY: ['byyearday', -366, 366],
  BYWEEKNO: ['byweekno', -53, 53],
  BYSETPOS: ['bysetpos', -366, 366],
  BYHOUR: ['byhour', 0, 23],
  BYMINUTE: ['byminute', 0, 59],
  BYSECOND: ['bysecond', 0, 59],
} as const;
const WEEKDAYS = {
  MO: RRule.MO,
  TU: RRule.TU,
  WE: RRule.WE,
  TH: RRule.TH,
  FR: RRule.FR,
  SA: RRule.SA,
  SU: RRule.SU,
};
/** An interval longer than any calendar looks ahead. */
const LONGEST_INTERVAL = 10_000;
/** A rule has at most so many numbers in one part. */
const MOST_NUMBERS = 400;

/**
 * A rule as it stands in a file. Refused in words where it cannot be understood, where it never happens, or where it happens so
 * often that nobody means it: nothing is taken apart before that is certain.
 * @param start of the event @param until the moment of UNTIL as a wall clock of the event, where it has one
 */
export function ruleOf(text: string, start: Wall, until: (value: string) => Wall | undefined): Rule {
  const options: Partial<Options> = { dtstart: new Date(start), wkst: RRule.MO };
  const no = (why: string): Rule => ({ ok: false, why });
  const seen = new Set<string>();
  for (const part of text.split(';')) {
    if (!part.trim()) continue;
    const [name = '', value = ''] = part.split('=').map((p) => p.trim().toUpperCase());
    if (seen.has(name)) return no(`${name} is there twice`);
    seen.add(name);
    if (name === 'FREQ') {
      if (['SECONDLY', 'MINUTELY', 'HOURLY'].includes(value)) return no('it repeats too often, within a day');
      if (!Object.hasOwn(FREQUENCIES, value)) return no(`“${value.slice(0, 20)}” is no way to repeat`);
      options.freq = FREQUENCIES[value]!;
    } else if (name === 'INTERVAL' || name === 'COUNT') {
      if (!/^\d{1,9}$/.test(value) || Number(value) < 1) return no(`${name} is not a number`);
      if (name === 'INTERVAL') options.interval = Math.min(Number(value), LONGEST_INTERVAL);
      else options.count = Number(value);
    } else if (name === 'UNTIL') {
      const at = until(value);
      if (at === undefined) return no('its end is no date');
      options.until = new Date(at);
    } else if (name === 'WKST') {
      if (!Object.hasOwn(WEEKDAYS, value)) return no('its week begins on no day');
      options.wkst = WEEKDAYS[value as keyof typeof WEEKDAYS];
    } else if (name === 'BYDAY') {
      const days: Weekday[] = [];
      for (const day of value.split(',')) {
        const match = /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/.exec(day.trim());
        if (!match) return no(`“${day.slice(0, 10)}” is no day of the week`);
        const weekday = WEEKDAYS[match[2] as keyof typeof WEEKDAYS];
        const n = Number(match[1] ?? 0);
        if (Math.abs(n) > 53) return no(`“${day.slice(0, 10)}” is no day of the week`);
        days.push(n ? weekday.nth(n) : weekday);
      }
      if (days.length > MOST_NUMBERS) return no('it has too many parts');
      options.byweekday = days;
    } else if (Object.hasOwn(NUMBERS, name)) {
      const [key, least, most] = NUMBERS[name as keyof typeof NUMBERS];
      const numbers = value.split(',').map((n) => (/^[+-]?\d{1,3}$/.test(n.trim()) ? Number(n) : NaN));
      const isOff = (n: number) => Number.isNaN(n) || n < least || n > most || (least < 0 && n === 0);
      if (numbers.some(isOff)) return no(`${name} has something in it that is not from ${least} to ${most}`);
      if (numbers.length > MOST_NUMBERS) return no('it has too many parts');
      options[key] = numbers;
    } else return no(`“${name.slice(0, 20)}” is not known`);
  }
  if (options.freq === undefined) return no('it does not say how often');
  const first = new Date(start).getUTCFullYear();
  if (first < 1900 || first > 2200) return no('it begins too long ago, or too late');
  if (!mayHappen(options, start)) return no('there is no day on which it happens');
  try {
    return { ok: true, rule: new RRule(options) };
  } catch {
    return no('it cannot be understood');
  }
}

/** Leap years, weekdays and weeks of the year come round in 28 years. */
const ROUND_DAYS = 28 * 366;

/**
 * Whether any day fits the parts of a rule that name days: the library looks for one until the year 9999, and others for ever.
 * Parts that only pick among days (BYSETPOS, COUNT) are left to it.
 */
function mayHappen(o: Partial<Options>, start: Wall): boolean {
  const list = (value: number | number[] | null | undefined) => (value == null ? [] : [value].flat());
  const [months, monthDays, yearDays, weeks] = [o.bymonth, o.bymonthday, o.byyearday, o.byweekno].map(
    list,
  ) as [number[], number[], number[], number[]];
  const weekdays = [o.byweekday ?? []].flat() as Weekday[];
  if (!months.length && !monthDays.length && !yearDays.length && !weeks.length) {
    // The 29th, 30th or 31st, each month or year, comes round by itself.
    return true;
  }
  const perMonth = o.freq === Frequency.MONTHLY || (o.freq === Frequency.YEARLY && months.length > 0);
  const begin = Math.floor(start / DAY) * DAY;
  for (let i = 0; i < ROUND_DAYS; i++) {
    const d = new Date(begin + i * DAY);
    const [year, month, day] = [d.getUTCFullYear(), d.getUTCMonth(), d.getUTCDate()];
    const lengthOfMonth = new Date(Date.UTC(year, month + 1, 0)).getUTCDate();
    const lengthOfYear = new Date(Date.UTC(year, 1, 29)).getUTCMonth() === 1 ? 366 : 365;
    const ofYear = Math.round((Date.UTC(year, month, day) - Date.UTC(year, 0, 1)) / DAY) + 1;
    const both = (n: number, length: number) => [n, n - length - 1];
    if (months.length && !months.includes(month + 1)) continue;
    if (monthDays.length && !both(day, lengthOfMonth).some((n) => monthDays.includes(n))) continue;
    if (yearDays.length && !both(ofYear, lengthOfYear).some((n) => yearDays.includes(n))) continue;
    if (weekdays.length) {
      const weekday = (d.getUTCDay() + 6) % 7;
      const [n, length] = perMonth ? [day, lengthOfMonth] : [ofYear, lengthOfYear];
      const counts = [Math.ceil(n / 7), -Math.ceil((length - n + 1) / 7)];
      const counted = o.freq === Frequency.MONTHLY || o.freq === Frequency.YEARLY;
      if (!weekdays.some((w) => w.weekday === weekday && (!counted || !w.n || counts.includes(w.n))))
        continue;
    }
    return true;
  }
  return false;
}

/** What a rule makes of a span of days, at most so many. @returns the walls, and whether there were more */
export function between(rule: RRule, from: Wall, to: Wall, most: number): { walls: Wall[]; cut: boolean } {
  let n = 0;
  const walls = rule.between(new Date(from), new Date(to), true, () => n++ < most).map((d) => d.getTime());
  return { walls: walls.slice(0, most), cut: n > most };
}

/** A wall clock of a date and time as numbers. */
export const wall = (year: number, month: number, day: number, hour = 0, minute = 0, second = 0): Wall =>
  datetime(year, month, day, hour, minute, second).getTime();
