/** Spans of days of the business, what they are compared with, and their parts: the days clocks change have 23 and 25 hours. */
import { z } from 'zod';
import { dateOf, dayNumber, localTime, momentOfDay, weekdayOf } from '../hours';

/** Days, ISO, both of them part of it. */
export const Span = z
  .object({ from: z.iso.date(), to: z.iso.date() })
  .refine(({ from, to }) => from <= to, { error: 'The last day is before the first.', path: ['to'] });
export type Span = z.infer<typeof Span>;

export const COMPARISONS = ['nothing', 'the span before', 'a year before'] as const;
export type Comparison = (typeof COMPARISONS)[number];

/** How many days it has. */
export const lengthOf = ({ from, to }: Span): number => dayNumber(to) - dayNumber(from) + 1;
const moved = ({ from, to }: Span, days: number): Span => ({
  from: dateOf(dayNumber(from) + days),
  to: dateOf(dayNumber(to) + days),
});
/**
 * What a span is compared with; null is nothing. A span before begins on the same weekday where it has whole weeks, for it follows
 * at once; a year before is 52 weeks, so that weekdays meet their like.
 */
export function comparedWith(span: Span, with_: Comparison): Span | null {
  switch (with_) {
    case 'nothing':
      return null;
    case 'the span before':
      return moved(span, -lengthOf(span));
    case 'a year before':
      return moved(span, -364);
  }
}

/** Its first moment, and the one it is over at; epoch milliseconds. */
export const momentsOf = ({ from, to }: Span, zone: string): readonly [from: number, to: number] => [
  momentOfDay(zone, dayNumber(from), 0),
  momentOfDay(zone, dayNumber(to) + 1, 0),
];

export const GRAINS = ['hour', 'day', 'week', 'month'] as const;
export type Grain = (typeof GRAINS)[number];

/** More parts of a chart nobody can read. */
const MOST_PARTS = 120;
/** The finest grain in which a span has no more parts than can be read. */
export function grainOf(span: Span): Grain {
  const days = lengthOf(span);
  if (days <= 2) return 'hour';
  return days <= MOST_PARTS ? 'day' : days <= MOST_PARTS * 7 ? 'week' : 'month';
}

/** The day a part begins on. Weeks begin on Monday (ISO 8601). */
function firstOf(days: number, grain: Grain): number {
  switch (grain) {
    case 'hour':
    case 'day':
      return days;
    case 'week':
      return days - weekdayOf(days) + 1;
    case 'month':
      return dayNumber(`${dateOf(days).slice(0, 7)}-01`);
  }
}
/** What a part is called everywhere: its first day, and the hour as clocks show it. */
export function partOf(at: number, grain: Grain, zone: string): string {
  const { days, minute } = localTime(zone, at);
  const date = dateOf(firstOf(days, grain));
  return grain === 'hour' ? `${date} ${String(Math.floor(minute / 60)).padStart(2, '0')}` : date;
}
/** All parts of a span in order, also those without calls. An hour that clocks repeat is one part. */
export function partsOf(span: Span, grain: Grain, zone: string): string[] {
  const parts = new Set<string>();
  const [from, to] = momentsOf(span, zone);
  if (grain === 'hour') for (let at = from; at < to; at += 900_000) parts.add(partOf(at, grain, zone));
  else
    for (let day = dayNumber(span.from); day <= dayNumber(span.to); day++)
      parts.add(dateOf(firstOf(day, grain)));
  return [...parts];
}

/** Hours of the week: Monday from 0 to 1 is 0, Sunday from 23 to 24 is 167. */
export const HOURS_A_WEEK = 168;
export function weekHour(at: number, zone: string): number {
  const { day, minute } = localTime(zone, at);
  return (day - 1) * 24 + Math.floor(minute / 60);
}
/**
 * How often each hour of the week existed in a span, in hours: one skipped by clocks did not, one repeated did twice.
 * Counted by quarters of an hour, for some zones change by half of one.
 */
export function hoursThatWere(span: Span, zone: string): number[] {
  const hours = Array.from({ length: HOURS_A_WEEK }, () => 0);
  const [from, to] = momentsOf(span, zone);
  for (let at = from; at < to; at += 900_000) hours[weekHour(at, zone)]! += 0.25;
  return hours;
}
