/**
 * Whether something is done now, later or not at all: what can only be known at that moment. Sources: no texts after a stop,
 * 47 CFR 64.1200(a)(10) and (d); the hours, (c)(1), both from memory; pauses and growing waits are common practice.
 */
import { localTime } from '../hours';
import type { Whereabouts } from '../numbering';
import { nextAllowed } from '../texting';
import { receiverOf, type Errand } from './errands';

/** What is known at the moment at which something is to be done. */
export interface Known {
  /** Epoch milliseconds. */
  now: number;
  /** The zone of the business. */
  zone: string;
  perDay: number;
  lateHours: number;
  /** When and how they said that they want no texts, in words; null where they have not. */
  stopped: (number: string) => string | null;
  /** Whether somebody of ours talked with them since a moment. */
  talkedSince: (number: string, since: number) => boolean;
  /** When a follow-up sent a receiver something last, epoch milliseconds; null is never. */
  lastSent: (followUpId: string, receiver: string) => number | null;
  /** Whether they had something already for the same entry of the log. */
  sentFor: (about: { kind: string; id: string }, receiver: string) => boolean;
  /** How much a receiver was sent on a day of the business, over all follow-ups. */
  sentOn: (receiver: string, day: string) => number;
  /** Where somebody may be. */
  where: (number: string) => Whereabouts;
  /** Why no texts go out from a number for the time being; null where they do. */
  held: (from: string) => string | null;
}

export type Decision =
  | { is: 'do'; late: boolean }
  | { is: 'wait'; until: number; why: string }
  /** @param task a person is to see to it */
  | { is: 'not'; why: string; task: boolean };

const HOUR_MS = 3_600_000;
const DAY_MS = 86_400_000;
/** More than this after its time it is said to be late, in milliseconds. */
export const LATE_MS = 300_000;
/** What holds a business back from texting is looked at again after so long, in milliseconds. */
const LOOK_AGAIN_MS = HOUR_MS;

export function decide(errand: Errand, known: Known): Decision {
  const { doing, due, over, other, about } = errand;
  const { now } = known;
  if (!doing) return { is: 'not', why: errand.lacks ?? '', task: false };
  if (now < due) return { is: 'wait', until: due, why: '' };
  const limit = due + known.lateHours * HOUR_MS;
  const late = now - due > LATE_MS;
  const tooLate = (why: string): Decision => ({ is: 'not', why, task: true });
  if (now > limit)
    return tooLate(`No window of Upper Line was open for ${known.lateHours} hours after its time.`);
  if (errand.unlessTalked && other && known.talkedSince(other, over))
    return { is: 'not', why: 'They were talked with meanwhile.', task: false };
  const receiver = receiverOf(doing);
  if (receiver === null) return { is: 'do', late };
  if (doing.do === 'text' || doing.do === 'ask') {
    const stopped = known.stopped(receiver);
    if (stopped) return { is: 'not', why: stopped, task: false };
  }
  if (about && known.sentFor(about, receiver))
    return { is: 'not', why: 'They had another for the same already.', task: false };
  const last = known.lastSent(errand.followUpId, receiver);
  if (last !== null && errand.pauseDays > 0 && now - last < errand.pauseDays * DAY_MS)
    return {
      is: 'not',
      why: `They had it within ${errand.pauseDays === 1 ? 'a day' : `${errand.pauseDays} days`} before.`,
      task: false,
    };
  if (doing.do === 'text' || doing.do === 'ask') {
    const held = known.held(doing.from);
    if (held)
      return now + LOOK_AGAIN_MS > limit
        ? tooLate(held)
        : { is: 'wait', until: now + LOOK_AGAIN_MS, why: held };
    const allowed = nextAllowed(known.where(receiver), now);
    if (allowed === null || allowed > limit)
      return tooLate('There was no hour in time at which they may be texted.');
    if (allowed > now) return { is: 'wait', until: allowed, why: 'It is night where they are.' };
  }
  if (known.sentOn(receiver, localTime(known.zone, now).date) >= known.perDay)
    return {
      is: 'not',
      why: `They had ${known.perDay} that day already, from all follow-ups together.`,
      task: false,
    };
  return { is: 'do', late };
}

/** How long is waited before it is tried again, by how often it has failed; undefined is not any more. */
const WAITS_MS = [60_000, 300_000, 1_800_000, 7_200_000];
export const waitAfter = (failures: number): number | undefined => WAITS_MS[failures - 1];
