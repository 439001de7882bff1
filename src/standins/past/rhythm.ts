/** How the days of an invented past differ: by weekday, hour and season, and by what happened in them. */
import { localTime, momentOf } from '../../core/hours';

/** How many calls come in on each day of the week, Monday first. */
const BY_WEEKDAY = [78, 64, 61, 61, 65, 24, 10];
/** How likely a call is in each hour of the day; the rest of the night has few. */
const BY_HOUR: Readonly<Record<number, number>> = {
  7: 2,
  8: 7,
  9: 10,
  10: 11,
  11: 9,
  12: 6,
  13: 7,
  14: 9,
  15: 9,
  16: 8,
  17: 4,
  18: 2,
  19: 1,
  20: 1,
  22: 0.4,
  3: 0.2,
};
export const HOURS: readonly (readonly [hour: number, weight: number])[] = Object.entries(BY_HOUR).map(
  ([hour, weight]) => [Number(hour), weight],
);
const ALL_HOURS = HOURS.reduce((sum, [, weight]) => sum + weight, 0);
/** An hour of the day. @param drawn within 0 and 1, without 1 */
export function hourOf(drawn: number): number {
  let rest = drawn * ALL_HOURS;
  return (HOURS.find(([, weight]) => (rest -= weight) <= 0) ?? HOURS[0]!)[0];
}

/** Days before the last one in which something was different. */
const STORM = { from: 38, to: 44, calls: 26 };
const ILL = { from: 60, to: 73 };
/** On Tuesdays so many more call between nine and eleven, and talk longer: one at the desk is too few then. */
const RUSH = { weekday: 2, from: 9, hours: 2, calls: 52, talks: 3.4 };

export interface DayKind {
  /** How many call at usual hours. */
  calls: number;
  /** A storm: so many call the number that is answered at night, at any hour. */
  storm: number;
  /** Somebody is ill. */
  ill: boolean;
  /** So many more call from an hour on, for so many hours, and talk so many times as long; null is a day without it. */
  rush: { from: number; hours: number; calls: number; talks: number } | null;
}

/** @param back how many days before the last one @param drawn within 0 and 1, without 1 */
export function dayKind(zone: string, date: string, back: number, drawn: number): DayKind {
  const { day } = localTime(zone, momentOf(zone, date, 720));
  const year = (Date.parse(date) - Date.parse(`${date.slice(0, 4)}-01-01`)) / 86_400_000;
  // Most calls come at the end of June.
  const season = 1 + 0.2 * Math.sin(((year - 82) / 365) * 2 * Math.PI);
  const within = ({ from, to }: { from: number; to: number }) => back >= from && back <= to;
  return {
    calls: Math.round(BY_WEEKDAY[day - 1]! * season * (0.8 + 0.4 * drawn)),
    storm: within(STORM) ? STORM.calls : 0,
    ill: within(ILL),
    rush: day === RUSH.weekday ? RUSH : null,
  };
}
