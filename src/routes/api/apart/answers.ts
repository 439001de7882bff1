/** What did not come of work in a process of its own, as problem documents (RFC 9457). */
import { problem } from '../problem';
import { Absent, Busy, Gone, Late } from './apart';

/** @param what is asked for, as it begins a sentence @throws what is none of these */
export function notDone(error: unknown, what: string): Response {
  if (error instanceof Busy) {
    const busy = problem(503, 'Busy', `${what} is busy with others. Ask again in ${error.seconds} s.`, {
      seconds: error.seconds,
    });
    // RFC 9110 §10.2.3.
    busy.headers.set('retry-after', String(error.seconds));
    return busy;
  }
  if (error instanceof Late)
    return problem(
      503,
      'Took too long',
      `${what} took too long with this and was stopped. Ask for less at once.`,
    );
  if (error instanceof Absent)
    return problem(
      501,
      'Not here',
      `${what} is not installed on this server. Everything else works without.`,
    );
  // Nobody reads this: 499 is what servers note of it (common practice; no source).
  if (error instanceof Gone) return new Response(null, { status: 499 });
  throw error;
}
