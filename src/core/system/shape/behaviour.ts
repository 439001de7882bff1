/** How people behave during a call that is worked out in advance. All its times are seconds, as people give them. */
import { z } from 'zod';
import { IfNobody, PassTarget } from './people';
import { Id } from './primitives';

const seconds = z.number().min(0).max(3600);
/** From 0 to 3600, with their fraction. */
export type Seconds = number;

/** What somebody does when a phone of theirs rings; seconds count from when that phone starts to sound. */
export const Act = z.discriminatedUnion('does', [
  z.object({ does: z.literal('nothing') }),
  z.object({ does: z.literal('answers'), after: seconds }),
  z.object({ does: z.literal('declines'), after: seconds }),
  /** The caller is to leave a message with them. */
  z.object({ does: z.literal('sends to voicemail'), after: seconds }),
  /** A mobile or another phone outside is left to its own voicemail; on any other phone nothing comes of it. */
  z.object({ does: z.literal('own voicemail takes it'), after: seconds }),
  /** On another call throughout. */
  z.object({ does: z.literal('is on a call') }),
  /** The phone is off or has no network. */
  z.object({ does: z.literal('is switched off') }),
]) satisfies z.ZodType<Act>;

/** What somebody does with a call they are in. */
export const Doing = z.discriminatedUnion('does', [
  z.object({ does: z.literal('holds') }),
  z.object({ does: z.literal('takes back') }),
  z.object({ does: z.literal('passes on'), to: PassTarget, ifNobody: IfNobody.default({ then: 'back' }) }),
  /** `a word`: the call is held meanwhile; `add`: whoever answers joins; `move`: another phone of theirs takes the call. */
  z.object({ does: z.literal('calls about it'), to: PassTarget, as: z.enum(['a word', 'add', 'move']) }),
  z.object({ does: z.literal('joins them') }),
  z.object({ does: z.literal('goes back') }),
  z.object({ does: z.literal('puts all together') }),
  z.object({ does: z.literal('parks') }),
  /** Takes the call while it rings at a colleague. */
  z.object({ does: z.literal('picks up') }),
  z.object({ does: z.literal('hangs up') }),
  /** The phone, its window or its network is gone; or there again. */
  z.object({ does: z.literal('is gone') }),
  z.object({ does: z.literal('is there again') }),
]);

/** Somebody does something so many seconds after the call is first answered; picking it up, so many after it arrives. */
export const Then = z.object({ personId: Id, after: seconds, doing: Doing });

export const Behaviour = z.object({
  people: z.record(Id, Act).default({}),
  /** By phone, or by an outside number as a trace names it. */
  phones: z.record(z.string().max(60), Act).default({}),
  otherwise: Act.default({ does: 'nothing' }),
  caller: z
    .object({
      /** Seconds from arrival at which the caller gives up; null for never. */
      hangsUpAfter: seconds.nullable().default(null),
      /** Seconds an answered call lasts. */
      talks: seconds.default(60),
      /** Keys pressed: one entry for each time a menu is played or a queue is entered, so many seconds after. */
      keys: z
        .array(z.object({ after: seconds, press: z.string().regex(/^[0-9*#]{0,20}$/) }))
        .max(20)
        .optional(),
      /** What is answered to questions, by the label of the question; where there is none, nothing is said. */
      says: z.record(z.string(), z.string().max(300)).optional(),
      /** Seconds the caller speaks after the tone; 0 is hanging up at it. */
      message: seconds.default(12),
      /** After speaking they stay on the line and say nothing. */
      stays: z.boolean().optional(),
    })
    .default({ hangsUpAfter: null, talks: 60, message: 12 }),
  /** What people do once the call is answered. */
  then: z.array(Then).max(20).optional(),
}) satisfies z.ZodType<Behaviour>;

export type Doing = z.infer<typeof Doing>;
export type Then = { personId: string; after: Seconds; doing: Doing };

export type Act =
  | { does: 'nothing' | 'is on a call' | 'is switched off' }
  | { does: 'answers' | 'declines' | 'sends to voicemail' | 'own voicemail takes it'; after: Seconds };

export interface Behaviour {
  people: Record<string, Act>;
  phones: Record<string, Act>;
  otherwise: Act;
  caller: {
    hangsUpAfter: Seconds | null;
    talks: Seconds;
    message: Seconds;
    stays?: boolean | undefined;
    keys?: { after: Seconds; press: string }[] | undefined;
    says?: Record<string, string> | undefined;
  };
  then?: Then[] | undefined;
}
