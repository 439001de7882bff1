/** What a visitor is offered at a moment, and how often one may ask for something. */
import { boundaries, periodAt } from '../hours';
import type { CallButton, System } from '../system';

const DAY_MS = 86_400_000;
/** So far ahead the next opening is looked for. */
const AHEAD_MS = 14 * DAY_MS;

export interface Offered {
  open: boolean;
  /** When it is open again, epoch milliseconds; null is that it is open, or not known. */
  opens: number | null;
  /** What can be done now. Outside the hours a call is a message: the plan of the number takes it. */
  can: { call: 'call' | 'message' | null; callBack: boolean; book: boolean };
}

/** @param at epoch milliseconds */
export function offeredAt(
  button: CallButton,
  { hours, numbers, business, calendars }: System,
  at: number,
): Offered {
  const own = button.hoursId ? hours[button.hoursId] : undefined;
  const isOpen = (moment: number) => !own || periodAt(own, business.timeZone, moment) !== null;
  const open = isOpen(at);
  const opens =
    open || !own ? null : (boundaries(own, business.timeZone, at + 1, at + AHEAD_MS).find(isOpen) ?? null);
  const number = button.numberId ? numbers[button.numberId] : undefined;
  const calls = button.offers.includes('call') && number?.planId != null;
  return {
    open,
    opens,
    can: {
      call: calls ? (open ? 'call' : 'message') : null,
      callBack: button.offers.includes('call back'),
      book: button.offers.includes('book') && button.calendarId !== null && button.calendarId in calendars,
    },
  };
}

/** What somebody has asked for by a button. */
export interface Asked {
  at: number;
  /** A name for a visitor's browser. */
  visitor: string;
}
const HOUR_MS = 3_600_000;
/** So much one visitor may ask for in an hour, and all together. Common practice, no source. */
const MOST_OF_ONE = 3;
const MOST_OF_ALL = 30;

/** Those that still count. */
export const stillCounts = (asked: readonly Asked[], at: number): Asked[] =>
  asked.filter((a) => a.at > at - HOUR_MS && a.at <= at);

/** @returns why a visitor may not ask for anything just now, in words; undefined is that they may */
export function mayNotAsk(asked: readonly Asked[], visitor: string, at: number): string | undefined {
  const lately = stillCounts(asked, at);
  if (lately.filter((a) => a.visitor === visitor).length >= MOST_OF_ONE)
    return 'You have asked for that several times: please call us, or try again in an hour.';
  return lately.length >= MOST_OF_ALL
    ? 'Very many ask for that just now: please call us, or try again in an hour.'
    : undefined;
}
