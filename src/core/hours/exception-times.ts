/** The times of days that are not as in the week. */
import type { ExceptionTime } from '../system/shape/hours';

/**
 * Times of one kind on whichever day of the week it is; without times the whole day is of that kind, and without a kind it is
 * closed. @param spans minutes of the day
 */
export const timesOf = (spans: readonly { from: number; to: number }[], kind: string): ExceptionTime[] =>
  kind
    ? (spans.length ? spans : [{ from: 0, to: 1440 }]).map(({ from, to }) => ({ day: null, from, to, kind }))
    : [];
