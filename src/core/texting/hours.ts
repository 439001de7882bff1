/**
 * When people may be bothered: not before 8 and not from 21 o'clock on, where they are. Source: 47 CFR 64.1200(c)(1), from memory,
 * in its safe reading: 08:00:00 is allowed, 21:00:00 is not. It is about what nobody asked for; an answer is a person's decision.
 */
import { localTime } from '../hours';
import type { Whereabouts } from '../numbering';

export const QUIET_UNTIL = 8 * 60;
export const QUIET_FROM = 21 * 60;
/** Somebody who wrote or called within so long is answered, in milliseconds. Common practice, no source. */
export const ANSWER_MS = 86_400_000;

/** Whether it is allowed in one zone. @param at epoch milliseconds */
const allowedIn = (zone: string, at: number): boolean => {
  const { minute } = localTime(zone, at);
  return minute >= QUIET_UNTIL && minute < QUIET_FROM;
};

/** Whether they may be bothered: allowed in every zone they may be in. @param at epoch milliseconds */
export const mayBother = ({ zones }: Whereabouts, at: number): boolean =>
  zones.every((z) => allowedIn(z, at));

const QUARTER_MS = 900_000;
/** Two days: in any two zones of one country a common hour comes sooner. */
const LOOKED = (2 * 86_400_000) / QUARTER_MS;

/** When they may be bothered next: now, or the first quarter of an hour. @returns null where there is no such time */
export function nextAllowed(where: Whereabouts, at: number): number | null {
  if (mayBother(where, at)) return at;
  let next = Math.ceil(at / QUARTER_MS) * QUARTER_MS;
  for (let i = 0; i < LOOKED; i++, next += QUARTER_MS) if (mayBother(where, next)) return next;
  return null;
}
