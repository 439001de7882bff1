/** Which times hold on which day: the week, and the exceptions that go before it. */
import type { Hours, HoursException, OnDates } from '../system/shape/hours';
import { dateOf, dayNumber, weekdayOf } from './zone';

/** One period of a day: minutes of the local day, `to` not included. */
export interface DaySpan {
  from: number;
  to: number;
  kind: string;
}

export interface Day {
  /** In order, without overlap. */
  spans: readonly DaySpan[];
  /** The exception whose times these are, or null for the week's own. */
  exception: HoursException | null;
}

/** Hours made ready to be asked: what each day of the calendar has, worked out once. */
export interface Calendar {
  /** Some of its exceptions are public holidays. */
  hasHolidays: boolean;
  on(days: number): Day;
}

const calendars = new WeakMap<Hours, Calendar>();

/** The calendar of a set of hours; the same object for the same hours. */
export function calendarOf(hours: Hours): Calendar {
  let calendar = calendars.get(hours);
  if (!calendar) calendars.set(hours, (calendar = build(hours)));
  return calendar;
}

const inOrder = (spans: DaySpan[]): DaySpan[] => spans.sort((a, b) => a.from - b.from);

function build(hours: Hours): Calendar {
  const week = Array.from({ length: 8 }, (_, day) => ({
    spans: inOrder(hours.weekly.filter((p) => p.day === day)),
    exception: null,
  }));
  const exceptions = inForceOrder(hours.exceptions ?? []).map((exception) => ({
    exception,
    holds: holdsOn(exception.when),
    byDay: Array.from({ length: 8 }, (_, day) => ({
      exception,
      spans: inOrder(exception.times.filter((t) => t.day === null || t.day === day)),
    })),
  }));
  const known = new Map<number, Day>();
  return {
    hasHolidays: exceptions.some((e) => e.exception.holiday !== null),
    on(days) {
      let day = known.get(days);
      if (!day) {
        const weekday = weekdayOf(days);
        const found = exceptions.find((e) => e.holds(days));
        known.set(days, (day = found ? found.byDay[weekday]! : week[weekday]!));
      }
      return day;
    },
  };
}

/** Exceptions in the order they go before each other: fewer days first, then as they are listed. */
export const inForceOrder = (exceptions: readonly HoursException[]): HoursException[] =>
  exceptions
    .map((exception, i) => ({ exception, i, days: daysOf(exception.when) }))
    .sort((a, b) => a.days - b.days || a.i - b.i)
    .map(({ exception }) => exception);

/** Days an exception holds in a year, for finding which of two is the more particular. */
export function daysOf(when: OnDates): number {
  // Dates one by one are days of their own, however many years they are listed for.
  if (when.on === 'dates') return 1;
  if (when.on === 'range') return dayNumber(when.to) - dayNumber(when.from) + 1;
  const [from, to] = [dayNumber(`2027-${when.from}`), dayNumber(`2027-${when.to}`)];
  return from <= to ? to - from + 1 : to - from + 366;
}

function holdsOn(when: OnDates): (days: number) => boolean {
  if (when.on === 'dates') {
    const dates = new Set(when.dates.map(dayNumber));
    return (days) => dates.has(days);
  }
  if (when.on === 'range') {
    const [from, to] = [dayNumber(when.from), dayNumber(when.to)];
    return (days) => from <= days && days <= to;
  }
  const { from, to } = when;
  return (days) => {
    const monthDay = dateOf(days).slice(5);
    return from <= to ? from <= monthDay && monthDay <= to : monthDay >= from || monthDay <= to;
  };
}
