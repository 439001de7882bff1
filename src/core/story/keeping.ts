/** What goes by itself: entries whose days are over, and numbers of callers that are to be hidden. */
import type { Keeping } from '../system';
import type { CallKept, TextKept } from './records';

const DAY_MS = 86_400_000;
const isOver = (at: number, days: number | undefined, now: number): boolean =>
  days !== undefined && now - at > days * DAY_MS;

export interface Due<C extends CallKept, T extends TextKept> {
  /** Those that go. */
  calls: C[];
  texts: T[];
  /** Calls that stay, without the number of who called. */
  hide: C[];
}

/** What is due by the rules of a business. @param now epoch milliseconds */
export function dueBy<C extends CallKept, T extends TextKept>(
  { callDays, textDays, hideDays }: Keeping,
  calls: readonly C[],
  texts: readonly T[],
  now: number,
): Due<C, T> {
  const due: Due<C, T> = { calls: [], texts: [], hide: [] };
  for (const call of calls) {
    if (isOver(call.at, callDays, now)) due.calls.push(call);
    else if (isOver(call.at, hideDays, now) && callerOf(call)) due.hide.push(call);
  }
  // What is to go later is no past yet.
  for (const text of texts)
    if (text.sendAt === undefined && isOver(text.at, textDays, now)) due.texts.push(text);
  return due;
}

const callerOf = ({ request: { from } }: CallKept): string | null =>
  from.kind === 'outside' ? from.number : null;

/** A value without a number wherever it is just that; names of phones that are numbers go as well. */
function without(value: unknown, number: string): unknown {
  if (value === number || value === `outside:${number}`) return null;
  if (Array.isArray(value)) return value.map((item) => without(item, number));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, without(item, number)]));
}

/**
 * A call as from a hidden number. What happened stays; an event that cannot be told without the number goes.
 * @param reads whether a call is one that can be stored
 */
export function withoutCaller<C extends CallKept>(call: C, reads: (call: unknown) => boolean): C {
  const number = callerOf(call);
  if (number === null) return call;
  const hidden = without(call, number) as C;
  if (reads(hidden)) return hidden;
  const trace = call.trace.filter(
    (event) => !JSON.stringify(event).includes(number) || event.kind === 'arrived',
  );
  return without({ ...call, trace }, number) as C;
}
