/** What goes into the engine: a call, and how people behave during it. */
import { z } from 'zod';
import { Act, Behaviour } from '../../system/shape/behaviour';
import { PassTarget } from '../../system/shape/people';
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
  /** Chosen on one of the system's own phones: somebody, a group, a phone, by name. */
  z.object({ kind: z.literal('target'), target: PassTarget }),
]);

/** A second call that a phone makes about one it is in. */
export const About = z.object({
  callId: Id,
  /**
   * `a word`: the call is held meanwhile, and may be handed on; `add`: who answers joins it; `move`: who answers, a phone
   * of the same person, takes the place of the one that called.
   */
  as: z.enum(['a word', 'add', 'move']),
});

export const CallRequest = z.object({
  id: Id,
  /** Moment of arrival, epoch milliseconds. */
  at: z.number(),
  from: Origin,
  to: Destination,
  /** Null for a real call: everything people do comes in as it happens. */
  behaviour: Behaviour.nullable(),
  about: About.optional(),
  /** It rings at the phone it is placed from first, and goes out when that is lifted (RFC 5359, click to dial). */
  ringsFirst: z.boolean().optional(),
  /** What an outside number is shown of this call, where it is not what it usually is. */
  shows: z.union([z.literal('hidden'), E164]).optional(),
  /** Decides what is left to chance; the same seed decides alike. Absent is 0. */
  seed: z.number().int().optional(),
  /** What chance decides, draw by draw; beyond its end the seed does. */
  choices: z.array(z.number().int()).optional(),
});

export type Origin = z.infer<typeof Origin>;
export type About = z.infer<typeof About>;
export type Destination = z.infer<typeof Destination>;
export type CallRequest = z.infer<typeof CallRequest> & {
  /**
   * Of a load run, whose calls nobody stores: how people and phones of ours behave, whatever the behaviour says of them; it
   * says what the caller does.
   */
  lifting?: Lifting;
};

/** Lengths in seconds, by chance: between values as they were, or of exponential spread about a mean. */
export type Spread = { as: 'seen'; sorted: readonly number[] } | { as: 'exponential'; mean: number };

/** Whoever is rung lifts by chance: so likely, from 0 to 1, and after so long. The call's seed decides. */
export interface Lifting {
  share: number;
  after: Spread;
}

/** A caller nobody knows, from the range kept for fiction: nobody has this number. */
export const NEW_CALLER = '+12065550187';

/** Nobody answers, the caller stays and leaves a message. */
export const nobodyAnswers = (): Behaviour => Behaviour.parse({});
