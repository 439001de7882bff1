/** The relay of this server. It is in memory alone: when the server ends, nothing of it is left. */
import { randomBytes } from 'node:crypto';
import { ALIVE_MS, NotTaken, Relay } from '../../../channel/relay';
import { problem } from '../problem';

export const relay = new Relay(
  () => performance.now(),
  () => randomBytes(16).toString('base64url'),
);
setInterval(() => relay.alive(), ALIVE_MS).unref();

/** What was not taken, as a problem document. @throws what is none of it */
export function refused(error: unknown): Response {
  if (error instanceof NotTaken) return problem(error.status, 'Not taken', error.message);
  throw error;
}
