/** What goes into the engine: a call, and how people behave during it. */
import { z } from 'zod';
import { Act, Behaviour } from '../../system/shape/behaviour';
import { E164, Id } from '../../system/shape/primitives';

export { Act, Behaviour };

export const Origin = z.discriminatedUnion('kind', [
  /** From the outside; null is a caller who hides their number. */
  z.object({
    kind: z.literal('outside'),
    number: E164.nullable(),
    /** The network that brings the call suspects it. */
    suspected: z.boolean().optional(),
  }),
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
  /** Decides what is left to chance; the same seed decides alike. Absent is 0. */
  seed: z.number().int().optional(),
  /** What chance decides, draw by draw; beyond its end the seed does. */
  choices: z.array(z.number().int()).optional(),
});

export type Origin = z.infer<typeof Origin>;
export type Destination = z.infer<typeof Destination>;
export type CallRequest = z.infer<typeof CallRequest>;

/** A caller nobody knows, from the range kept for fiction: nobody has this number. */
export const NEW_CALLER = '+12065550187';

/** Nobody answers, the caller stays and leaves a message. */
export const nobodyAnswers = (): Behaviour => Behaviour.parse({});
