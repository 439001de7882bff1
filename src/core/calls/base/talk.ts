/** A talk: who is in it, who hears whom, and where a call goes that somebody passes on. */
import type { IfNobody, PassTarget } from '../../system';
import type { Origin } from './request';
import { outsideNumber, outsidePhone } from './trace';

/** Whoever called from outside, as a name of an end. */
export const CALLER = 'caller';
/** Phones and outside parties that may be in one talk, those rung for it included. */
export const MOST_ENDS = 8;

/** One of those in a talk. */
export interface End {
  /** Counts from 1 within the call. */
  n: number;
  /** A phone of ours, an outside number as `outsidePhone` writes it, or `CALLER`. */
  phone: string;
  personId: string | null;
  /** Moment since which it holds the talk: it neither hears the others nor is heard. Absent where it does not. */
  holds?: number | undefined;
  /** It hears the others and is not heard: somebody listens to a message while it is left. */
  listens?: true;
  /** Moment since which its phone is gone, by no act of anybody. Absent where it is there. */
  gone?: number | undefined;
}

/** Somebody has passed the call on, or parked it, and nobody has taken it yet. */
export interface Passed {
  /** The phone it was passed on from. */
  by: string;
  personId: string | null;
  to: PassTarget | null;
  ifNobody: IfNobody;
  /** It rings at who it was passed to, back at who passed it on, or then at the others who have its line. */
  way: 'out' | 'back' | 'line';
}

/** Who waited in a queue was sent on: where nobody takes it there, they come first in the queue again. */
export interface SentOn {
  personId: string | null;
  to: PassTarget;
  way: 'from a queue';
  /** Somebody had passed it on to the queue: it comes back to them, where the queue gives it back. */
  before: Passed | null;
}

/** A call is on its way to somebody else, who has not taken it yet. */
export type Passing = Passed | SentOn;

/** The caller waits in a slot until somebody fetches them. */
export interface Parked {
  /** An extension that fetches it. */
  slot: string;
  by: string;
  personId: string | null;
}

/** What somebody hears of a talk. */
export type Hears = 'the others' | 'music' | 'nothing';

/** Whether an end is heard by the others. */
export const isHeard = (end: End): boolean =>
  end.holds === undefined && end.gone === undefined && !end.listens;

/**
 * What one of them hears: the others, as long as it does not hold and one of them is heard; music where all the others
 * hold; nothing where it holds itself.
 */
export function hears(end: End, ends: readonly End[]): Hears {
  const others = ends.filter((e) => e !== end);
  if (others.length > 0 && others.every((e) => e.holds !== undefined)) return 'music';
  if (!(isHeard(end) || end.listens) || !others.some(isHeard)) return 'nothing';
  return 'the others';
}

/** Whether an end is a phone of ours. */
export const isOurs = ({ phone }: Pick<End, 'phone'>): boolean =>
  phone !== CALLER && outsideNumber(phone) === undefined;

/**
 * The name of the end that goes a call's way: who called, or who was left when the caller passed them on.
 * @param called who placed the call @param from who goes its way now
 */
export function partyOf(called: Origin, from: Origin): string {
  if (from.kind === 'phone') return from.phoneId;
  const isCaller = called.kind === 'outside' && called.number === from.number;
  return isCaller || from.number === null ? CALLER : outsidePhone(from.number);
}

/** Who an end is when it goes a call's way. @param called who placed the call */
export function originOf({ phone }: Pick<End, 'phone'>, called: Origin): Origin {
  if (phone === CALLER) return called;
  const number = outsideNumber(phone);
  return number === undefined ? { kind: 'phone', phoneId: phone } : { kind: 'outside', number };
}
