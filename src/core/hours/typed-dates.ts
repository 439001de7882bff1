/** Days and moments as people type them: "24 Nov", "11/24/2026", "tomorrow", "Nov 24, 5pm", or as fields and files have them. */
import { readTime } from './typed';
import { addDays, dateOf, dayNumber } from './zone';
import { fieldTime, writtenAs } from './writing';

/** The first three letters of months in English, and of what days are called. */
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAY = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/;
const ISO = /^(\d{4})-(\d\d)-(\d\d)$/;

/** A date that there is: the 30th of February is none. */
function dated(year: number, month: number, day: number): string | undefined {
  if (month < 1 || month > 12 || day < 1 || day > 31 || year < 1000 || year > 9999) return undefined;
  const iso = `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return dateOf(dayNumber(iso)) === iso ? iso : undefined;
}

/**
 * A day as somebody types it. Without a year it is the next such day; "3/4" goes by the order in which dates are written.
 * @param today ISO date @returns ISO date, or undefined where it is none
 */
export function readDate(typed: string, today: string): string | undefined {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(WEEKDAY, '')
    .replace(/(\d)(st|nd|rd|th)\b/, '$1');
  if (text === 'today') return today;
  if (text === 'tomorrow') return addDays(today, 1);
  if (text === 'yesterday') return addDays(today, -1);
  const iso = ISO.exec(text);
  if (iso) return dated(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const words =
    /^(\d{1,2})\.?\s+([a-z]{3,9})\.?(?:,?\s+(\d{4}))?$/.exec(text) ??
    /^([a-z]{3,9})\.?\s+(\d{1,2})(?:,?\s+(\d{4}))?$/.exec(text);
  const numbers = /^(\d{1,2})\s*[/.-]\s*(\d{1,2})(?:\s*[/.-]\s*(\d{4}|\d{2}))?\.?$/.exec(text);
  let day: number, month: number, year: number | undefined;
  if (words) {
    const [a, b] = [words[1]!, words[2]!];
    const name = /\d/.test(a) ? b : a;
    month = MONTHS.findIndex((m) => name.startsWith(m)) + 1;
    day = Number(/\d/.test(a) ? a : b);
    year = words[3] ? Number(words[3]) : undefined;
  } else if (numbers) {
    const [a, b] = [Number(numbers[1]), Number(numbers[2])];
    // Dots are of those who write the day first, whatever the business does.
    const dayFirst = writtenAs().dates === 'day first' || text.includes('.');
    [day, month] = dayFirst ? [a, b] : [b, a];
    year = numbers[3] ? Number(numbers[3]) + (numbers[3].length === 2 ? 2000 : 0) : undefined;
  } else return undefined;
  if (year !== undefined) return dated(year, month, day);
  const thisYear = Number(today.slice(0, 4));
  const here = dated(thisYear, month, day);
  if (here && here >= today) return here;
  // The 29th of February waits for its year.
  for (let y = thisYear + 1; y <= thisYear + 8; y++) {
    const next = dated(y, month, day);
    if (next) return next;
  }
  return undefined;
}

/**
 * A moment as somebody types it: a day and a time; a time alone is of today.
 * @returns as fields have it, "2026-11-24T17:30", or undefined where it is none
 */
export function readMoment(typed: string, today: string): string | undefined {
  const text = typed.trim();
  const iso = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
  if (iso) {
    const date = readDate(iso[1]!, today);
    const minute = Number(iso[2]) * 60 + Number(iso[3]);
    return date && Number(iso[2]) < 24 && Number(iso[3]) < 60 ? `${date}T${fieldTime(minute)}` : undefined;
  }
  const alone = readTime(text);
  if (alone !== undefined && alone < 1440 && /[:apm]/i.test(text)) return `${today}T${fieldTime(alone)}`;
  const split = /^(.*?)[,\s]\s*(?:at\s+)?(\d{1,2}(?:[:.]\d\d)?\s*(?:[ap]\.?\s?m\.?)?|noon|midnight)$/i.exec(
    text,
  );
  const date = split && readDate(split[1]!, today);
  const minute = split ? readTime(split[2]!) : undefined;
  return date && minute !== undefined && minute < 1440 ? `${date}T${fieldTime(minute)}` : undefined;
}
