/** Promises: calls whose outcome must stay as it is, whatever is edited. */
import { z } from 'zod';
import { Behaviour } from './behaviour';
import { PeriodKind } from './hours';
import { E164, Id, name } from './primitives';

const minute = z.number().int().min(0).max(1440);

/** When the call comes. */
export const PromiseTime = z.discriminatedUnion('on', [
  /** One moment, epoch milliseconds. */
  z.object({ on: z.literal('moment'), at: z.number() }),
  /** Every moment of the coming year. */
  z.object({ on: z.literal('always') }),
  /** Every moment between two times on some days of the week, in the zone of the business. */
  z
    .object({
      on: z.literal('week'),
      days: z.array(z.number().int().min(1).max(7)).min(1, 'Choose a day.'),
      from: minute,
      to: minute,
    })
    .refine((w) => w.from < w.to, 'It ends before it begins.'),
  /** Every moment of a kind of period of some hours; null is when none is on. */
  z.object({ on: z.literal('hours'), hoursId: Id, period: PeriodKind.nullable() }),
]);

const within = z.number().min(0).max(3600).nullable();

/** The part of the outcome that matters. */
export const Expectation = z.discriminatedUnion('is', [
  /** A phone of one of these people sounds, within so many seconds. No people: anybody's. */
  z.object({ is: z.literal('rings'), personIds: z.array(Id).max(50), within }),
  /** Somebody talks with the caller, within so many seconds. No people: anybody. */
  z.object({ is: z.literal('answered'), personIds: z.array(Id).max(50), within }),
  /** The call comes to a mailbox, within so many seconds; null is any. */
  z.object({ is: z.literal('voicemail'), mailboxId: Id.nullable(), within }),
  z.object({ is: z.literal('no voicemail') }),
  /** It ends in an answer, a message, or because the plan says so. */
  z.object({ is: z.literal('ends well') }),
  /** Passed on or parked and not taken, it rings back at who had it, so many seconds later. */
  z.object({ is: z.literal('comes back'), within }),
  z.object({ is: z.literal('hears'), recordingId: Id }),
  /** A follow-up applies to the call, and has something that can be done. */
  z.object({ is: z.literal('followed'), followUpId: Id }),
]);

export const Promised = z.object({
  id: Id,
  name,
  numberId: Id,
  /** The caller's number; null hides it. */
  caller: E164.nullable(),
  behaviour: Behaviour,
  when: PromiseTime,
  expects: z.array(Expectation).min(1, 'Say what is promised.').max(6),
});

export type PromiseTime = z.infer<typeof PromiseTime>;
export type Expectation = z.infer<typeof Expectation>;
export type Promised = z.infer<typeof Promised>;
