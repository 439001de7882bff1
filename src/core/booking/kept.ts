/** An appointment, and what is written about one by text. */
import { z } from 'zod';
import { E164, Id } from '../system';

export const Booking = z.object({
  id: Id,
  calendarId: Id,
  /** When it was made. */
  at: z.number(),
  from: z.number(),
  to: z.number(),
  /** Whose it is; null where it is time that is taken otherwise. */
  number: E164.nullable(),
  name: z.string().max(200),
  /** What it is given back or moved by; a number alone does neither. */
  code: z.string().regex(/^\d{5}$/),
  state: z.enum(['booked', 'given back']),
  /** How it was made. */
  made: z.enum(['text', 'call', 'site', 'person', 'calendar']),
});
export type Booking = z.infer<typeof Booking>;

/** So long a code is, as it stands above and below. */
export const CODE_DIGITS = 5;

/** What is kept of a calendar, for whoever offers its times. */
export const spansOf = (
  bookings: readonly Booking[],
  calendarId: string,
): { id: string; from: number; to: number; off: boolean; code: string; number: string | null }[] =>
  bookings
    .filter((b) => b.calendarId === calendarId)
    .map(({ id, from, to, state, code, number }) => ({
      id,
      from,
      to,
      off: state !== 'booked',
      code,
      number,
    }));

/** Those that take time. */
export const takenBy = (bookings: readonly Booking[], calendarId: string): Booking[] =>
  bookings.filter((b) => b.calendarId === calendarId && b.state === 'booked');

/**
 * What somebody wants of an appointment: `OFF 12345` or `MOVE 12345`. Not words that stop texts: whoever writes those means that.
 */
export function wishOfBooking(text: string): { does: 'off' | 'move'; code: string } | null {
  const [, does, code] = /^\s*(off|move)\s*#?\s*(\d{5})\s*[.!]?\s*$/i.exec(text) ?? [];
  return does && code ? { does: does.toLowerCase() as 'off' | 'move', code } : null;
}

/** A code that no appointment to come has. @param random 0 to 1, as often as it is asked */
export function freshCode(taken: ReadonlySet<string>, random: () => number): string {
  for (;;) {
    const code = String(10_000 + Math.floor(random() * 90_000));
    if (!taken.has(code)) return code;
  }
}
