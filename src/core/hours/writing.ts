/**
 * How times and dates are written: by the 12- or the 24-hour clock, the day or the month first. It is one for a whole thread,
 * as a locale is: `writeAs` is said once by a window when it shows a business, and by a worker when it is given one.
 * Machines (fields of a form, files, stored records) never read what is written here.
 */
import type { CLOCKS, DATE_ORDERS } from '../system/shape/primitives';

export interface Writing {
  clock: (typeof CLOCKS)[number];
  dates: (typeof DATE_ORDERS)[number];
}

let writing: Writing = { clock: '24-hour', dates: 'day first' };

/** From now on times are written so in this thread. */
export function writeAs(next: Writing): void {
  writing = next;
}
/** How times are written now. */
export const writtenAs = (): Writing => writing;

/**
 * What people of a country are used to, in English. Source: Unicode CLDR, as the Intl of this engine has it.
 * @param country ISO 3166-1 alpha-2
 */
export function habitOf(country: string): Writing {
  let habit = habits.get(country);
  if (!habit) habits.set(country, (habit = readHabit(country)));
  return habit;
}
const habits = new Map<string, Writing>();

function readHabit(country: string): Writing {
  const locale = `en-${country}`;
  const { hourCycle } = new Intl.DateTimeFormat(locale, { hour: 'numeric' }).resolvedOptions();
  const parts = new Intl.DateTimeFormat(locale, { dateStyle: 'medium' }).formatToParts(0).map((p) => p.type);
  return {
    clock: hourCycle === 'h12' || hourCycle === 'h11' ? '12-hour' : '24-hour',
    dates: parts.indexOf('month') < parts.indexOf('day') ? 'month first' : 'day first',
  };
}

/** How a business has times written: as it says, else as its country does. */
export function writingOf(business: {
  country: string;
  clock?: Writing['clock'] | undefined;
  dates?: Writing['dates'] | undefined;
}): Writing {
  const habit = habitOf(business.country);
  return { clock: business.clock ?? habit.clock, dates: business.dates ?? habit.dates };
}

/** Minutes of the day as fields and files hold them: "08:00"; 1440 is "24:00". */
export const fieldTime = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(Math.floor(minute % 60)).padStart(2, '0')}`;

/** Minutes of the day as they are read: "08:00" or "8:00 am"; 1440 is "24:00" or "midnight". */
export function writeTime(minute: number, as = writing): string {
  if (as.clock === '24-hour') return fieldTime(minute);
  if (minute >= 1440) return 'midnight';
  const hour = Math.floor(minute / 60);
  return `${hour % 12 || 12}:${String(Math.floor(minute % 60)).padStart(2, '0')} ${hour < 12 ? 'am' : 'pm'}`;
}

/** An hour of the day, 0 to 24, as axes and choices show it: "17:00" or "5 pm". */
export const writeHour = (hour: number, as = writing): string =>
  as.clock === '24-hour' ? fieldTime(hour * 60) : writeTime(hour * 60, as).replace(':00', '');

/** A moment in a letter: "Tuesday, 24 November 2026 at 10:15", or "Tuesday, November 24, 2026 at 10:15 AM". @param at epoch milliseconds */
export const momentInFull = (at: number, zone: string, as = writing): string =>
  new Intl.DateTimeFormat(as.dates === 'day first' ? 'en-GB' : 'en-US', {
    dateStyle: 'full',
    timeStyle: 'short',
    hour12: as.clock === '12-hour',
    timeZone: zone,
  }).format(at);

/** A day and its month: "19 Dec" or "Dec 19". @param month its short or long name */
export const dayAndMonth = (day: number | string, month: string, as = writing): string =>
  as.dates === 'day first' ? `${day} ${month}` : `${month} ${day}`;
