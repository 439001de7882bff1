/** What a visitor of a site and the exchange say to each other: what is offered, and one call at a time. */
import { z } from 'zod';
import type { VisitSeen } from '../../core/buttons';
import type { VisitorCall } from '../../core/phone';

/** Visitors in the browser that has the business say it here. */
export const VISITS = 'upper-line:visits';
/** Held by a visitor's window as long as it is open. */
export const visitLock = (visit: string): string => `upper-line:visit:${visit}`;

const Who = z.object({
  name: z.string().max(200),
  /** As typed. */
  number: z.string().max(60),
  /** A name for their browser. */
  visitor: z.string().max(60),
});
/** Made by the visitor's browser, and known to nobody else: by it a call goes on after a connection was cut off. */
const CallId = z.string().regex(/^visit-[\w-]{16,60}$/);

const VisitRequest = z.discriminatedUnion('do', [
  z.object({ do: z.literal('call back'), who: Who, day: z.iso.date().nullable() }),
  z.object({ do: z.literal('book'), who: Who, from: z.number() }),
  z.object({ do: z.literal('call'), callId: CallId }),
  z.object({ do: z.literal('go on'), callId: CallId }),
  z.object({ do: z.literal('press'), key: z.string().regex(/^[0-9*#]$/) }),
  z.object({ do: z.literal('say'), text: z.string().max(500) }),
  /** What of a message has been said so far: words, and a recording as a data URL. */
  z.object({
    do: z.literal('leave'),
    text: z.string().max(5000),
    sound: z
      .string()
      .max(8_000_000)
      .regex(/^data:audio\//)
      .nullable(),
  }),
  z.object({ do: z.literal('silent') }),
  z.object({ do: z.literal('hang up') }),
  /** The samples of a recording that is heard just now. */
  z.object({ do: z.literal('sound'), hash: z.string().max(80) }),
]);
export type VisitRequest = z.infer<typeof VisitRequest>;

/** @property id of the request: one that is sent again is not done twice */
export const FromVisit = z.object({ id: z.string().min(8).max(60), request: VisitRequest });
export type FromVisit = z.infer<typeof FromVisit>;

/** @property says what is told to them, in words */
export type VisitAnswer =
  | { ok: true; says?: string; ulaw?: Uint8Array | null }
  | { ok: false; message: string; field?: string | undefined };

export type ToVisit =
  /** Null is that there is no such button, or no such business. */
  | { is: 'seen'; seen: VisitSeen | null }
  | { is: 'call'; call: VisitorCall | null }
  | { is: 'answer'; id: string; answer: VisitAnswer };

/** What a window of the same browser says on the channel. `from`: absent is that it is there. */
export interface Envelope {
  visit: string;
  businessId: string;
  buttonId: string;
  from?: unknown;
  /** The exchange's side. */
  to?: ToVisit;
}
