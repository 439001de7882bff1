/** Chance that is the same each time. */
import { dayNumber } from '../../core/hours';

/** What every record of an invented past begins with. */
const PAST = 'past-';
/** Whether a record is of an invented past. */
export const isPast = (id: string): boolean => id.startsWith(PAST);
/** @param date ISO @param what a few letters that tell kinds apart */
export const pastId = (date: string, what: string | number): string => `${PAST}${dayNumber(date)}-${what}`;

/** Mulberry32, public domain (from memory). @param seed a 32-bit integer @returns draws within 0 and 1, without 1 */
export function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
/** That of a day, for one purpose: days are drawn apart from each other. */
export const chanceOf = (date: string, purpose = 0): (() => number) =>
  chance(dayNumber(date) * 2_654_435_761 + purpose * 40_503);
export const picker =
  (drawn: () => number) =>
  <T>(from: readonly T[]): T =>
    from[Math.floor(drawn() * from.length)]!;
