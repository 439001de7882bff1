/** What a visitor of a site sees of a call button: what is offered at a moment, in words, and nothing of the business besides. */
import { freeTimes, type Asked as AskedOfCalendar } from '../booking';
import { localTime, momentInFull, writingOf, type Writing } from '../hours';
import { writeNumber } from '../numbering';
import { iceServers, type CallButton, type IceServer, type System } from '../system';
import { offeredAt, type Offered } from './offered';

export interface VisitSeen {
  business: string;
  country: string;
  /** The day at the business, ISO; and how days and times are written there. */
  today: string;
  writing: Writing;
  /** The number to dial, as it is dialled and as people write it; null is none. */
  number: { e164: string; written: string } | null;
  /** What stands on the button, or on it for a message. */
  says: string;
  can: Offered['can'];
  /** What is said while it is closed, and when it opens, in words; null while it is open. */
  closed: { says: string; opens: string } | null;
  /** Times that can be booked, in order. */
  free: { at: number; says: string }[];
  /** By which voice finds its way. */
  servers: IceServer[];
}

/** So many times are offered at once. */
const MOST_FREE = 24;

/** @param asked of its calendar, where it has one @param now epoch milliseconds */
export function visitSeen(
  button: CallButton,
  system: System,
  asked: AskedOfCalendar | null,
  now: number,
): VisitSeen {
  const { business } = system;
  const offered = offeredAt(button, system, now);
  const { can, open, opens } = offered;
  const e164 = system.numbers[button.numberId ?? '']?.e164;
  const writing = writingOf(business);
  const said = (at: number) => momentInFull(at, business.timeZone, writing);
  return {
    business: business.name,
    country: business.country,
    today: localTime(business.timeZone, now).date,
    writing,
    number: e164 ? { e164, written: writeNumber(e164, business.country) } : null,
    says: can.call === 'message' ? 'Leave a message' : button.says,
    can,
    closed: open
      ? null
      : { says: button.closed || 'We are closed just now.', opens: opens ? said(opens) : '' },
    servers: iceServers(business, true),
    free:
      can.book && asked
        ? freeTimes(asked, now, Infinity, MOST_FREE).map((at) => ({ at, says: said(at) }))
        : [],
  };
}
