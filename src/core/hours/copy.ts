/** Giving days of a week the periods of another. */
import type { Hours } from '../system/shape/hours';

type Weekly = Hours['weekly'];

/**
 * The week in which some days have the periods of one, of all kinds, in place of their own.
 * @param from day copied, ISO day of the week: 1 is Monday
 * @param to days that get its periods; the day itself among them changes nothing
 */
export const copyDay = (weekly: Weekly, from: number, to: readonly number[]): Weekly => {
  const own = weekly.filter((p) => p.day === from);
  const kept = weekly.filter((p) => p.day === from || !to.includes(p.day));
  return [...kept, ...to.filter((d) => d !== from).flatMap((day) => own.map((p) => ({ ...p, day })))];
};
