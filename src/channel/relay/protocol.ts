/**
 * What a relay and those who use it say to each other: lines of JSON (application/x-ndjson) that come as long as one is
 * connected, and requests that take pieces. The relay passes on what it cannot read, and keeps none of it.
 */
import { z } from 'zod';

const Token = z.string().regex(/^[\w-]{43}$/);
const Address = z.string().regex(/^[\w-]{22}$/);
const PeerId = z.string().regex(/^[\w-]{10,40}$/);

/** Whoever knows the token is the exchange of the address that is worked out of it. */
export const Hello = z.discriminatedUnion('as', [
  z.strictObject({ as: z.literal('exchange'), token: Token }),
  z.strictObject({ as: z.literal('phone'), to: Address }),
]);
export type Hello = z.infer<typeof Hello>;

/** The largest request, in bytes of JSON: what a server takes as it is set up. */
export const LARGEST_REQUEST = 512 * 1024;
/** So many pieces go in one request. */
export const MOST_PIECES = 10;

/** Pieces to pass on, by whoever got the ticket when they connected; the exchange says to whom. */
export const Pass = z.strictObject({
  ticket: PeerId,
  to: PeerId.optional(),
  pieces: z.array(z.base64url().max(64_000)).min(1).max(MOST_PIECES),
});
export type Pass = z.infer<typeof Pass>;

/** The exchange has no more to do with one. */
export const Drop = z.strictObject({ ticket: PeerId, drop: PeerId });

export type FromRelay =
  /** Connected. @param ticket shows that it is oneself who sends */
  | { is: 'connected'; ticket: string }
  /** For a phone: whether the exchange is connected. */
  | { is: 'exchange'; there: boolean }
  /** For the exchange: a phone came, or went. */
  | { is: 'came' | 'went'; peer: string }
  | { is: 'piece'; from: string; piece: string }
  /** Another is the exchange of this address now. */
  | { is: 'replaced' }
  /** Nothing else: so that both sides notice when nobody is there any more. */
  | { is: 'alive' };

/** A line is sent at least so often, in milliseconds. */
export const ALIVE_MS = 10_000;
