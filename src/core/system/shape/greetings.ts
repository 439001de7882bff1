/** Greetings of a mailbox for an occasion. */
import { z } from 'zod';
import { PeriodKind } from './hours';
import { Occasion } from './plans';
import { Id } from './primitives';

/** When a greeting plays in place of the usual one. */
export const GreetingWhen = z.discriminatedUnion('on', [
  /** From one day to another, both included, by the clock of the business: it ends by itself. */
  z
    .object({ on: z.literal('dates'), from: z.iso.date(), to: z.iso.date() })
    .refine((d) => d.from <= d.to, 'It ends before it begins.'),
  /** Somebody on a list calls. */
  z.object({ on: z.literal('list'), listId: Id }),
  /** Everybody who hears the mailbox is away. */
  z.object({ on: z.literal('away') }),
  /** The hours asked last on the way were in this kind of period: a holiday by its name, lunch. */
  z.object({ on: z.literal('period'), period: PeriodKind }),
  /** Nobody answered, all were on calls, it is closed, or a holiday. */
  z.object({ on: z.literal('occasion'), occasion: Occasion }),
]);

export const Greeting = z.object({ id: Id, when: GreetingWhen, recordingId: Id.nullable() });

export type GreetingWhen = z.infer<typeof GreetingWhen>;
export type Greeting = z.infer<typeof Greeting>;
