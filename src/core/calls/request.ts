/** What goes into the engine: a call, and how people behave during it. */
import { z } from 'zod';
import { E164, Id } from '../system/primitives';

const seconds = z.number().min(0).max(3600);

/** What somebody does when a phone of theirs rings; seconds count from when that phone starts to sound. */
export const Act = z.discriminatedUnion('does', [
  z.object({ does: z.literal('nothing') }),
  z.object({ does: z.literal('answers'), after: seconds }),
  z.object({ does: z.literal('declines'), after: seconds }),
  /** On another call throughout. */
  z.object({ does: z.literal('is on a call') }),
  /** The phone is off or has no network. */
  z.object({ does: z.literal('is switched off') }),
]);

export const Behaviour = z.object({
  people: z.record(Id, Act).default({}),
  phones: z.record(Id, Act).default({}),
  otherwise: Act.default({ does: 'nothing' }),
  caller: z
    .object({
      /** Seconds from arrival at which the caller gives up; null for never. */
      hangsUpAfter: seconds.nullable().default(null),
      /** Seconds an answered call lasts. */
      talks: seconds.default(60),
      /** Seconds the caller speaks after the tone; 0 is hanging up at it. */
      message: seconds.default(12),
    })
    .default({ hangsUpAfter: null, talks: 60, message: 12 }),
});

export const Origin = z.discriminatedUnion('kind', [
  /** From the outside; null is a caller who hides their number. */
  z.object({ kind: z.literal('outside'), number: E164.nullable() }),
  z.object({ kind: z.literal('phone'), phoneId: Id }),
]);

export const Destination = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('number'), e164: E164 }),
  /** Dialled on one of the system's own phones. */
  z.object({ kind: z.literal('digits'), digits: z.string().max(40) }),
]);

export const CallRequest = z.object({
  id: Id,
  /** Moment of arrival, epoch milliseconds. */
  at: z.number(),
  from: Origin,
  to: Destination,
  /** Null for a real call: everything people do comes in as it happens. */
  behaviour: Behaviour.nullable(),
});

export type Act = z.infer<typeof Act>;
export type Behaviour = z.infer<typeof Behaviour>;
export type Origin = z.infer<typeof Origin>;
export type Destination = z.infer<typeof Destination>;
export type CallRequest = z.infer<typeof CallRequest>;

/** Nobody answers, the caller stays and leaves a message. */
export const nobodyAnswers = (): Behaviour => Behaviour.parse({});
