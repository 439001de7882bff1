/** Who waits to be called back: outside callers who reached nobody, and whom nobody has talked with since. */
import type { CallRequest } from '../base/request';
import { MEANING, type Meaning } from '../base/outcomes';
import { outcomeOf, outsidePhone, type Trace } from '../base/trace';

export interface PastCall {
  id: string;
  at: number;
  request: Pick<CallRequest, 'from'>;
  trace: Trace;
  /** When somebody said that it is done. */
  answeredAt?: number | undefined;
  /** Who is to see to it. */
  assignedTo?: string | undefined;
}
export interface LeftMessage {
  id: string;
  at: number;
  fromNumber: string | null;
  folder?: string | undefined;
  answeredAt?: number | undefined;
  assignedTo?: string | undefined;
}

export interface CallBack {
  /** E.164. */
  number: string;
  /** The first and the last time they tried, epoch milliseconds. */
  since: number;
  last: number;
  /** How often they called in vain. */
  tries: number;
  /** They asked to be called back, instead of waiting. */
  asked: boolean;
  /** Who is to see to it, as was said of any of it last; undefined is nobody in particular. */
  assignedTo: string | undefined;
  callIds: string[];
  messageIds: string[];
}

/**
 * The outside number that a call from a phone of ours reached: somebody lifted there, and no machine did. Of a call that the
 * network carries on by itself, nothing more is known than that it went out. @returns null where it reached nobody
 */
export function reachedOutside(trace: Trace): string | null {
  const outcome = outcomeOf(trace)?.outcome;
  if (outcome?.kind === 'went out') return outcome.number;
  const out = trace.find((e) => e.kind === 'goes out');
  if (out?.kind !== 'goes out' || trace.some((e) => e.kind === 'machine')) return null;
  const there = outsidePhone(out.number);
  return trace.some((e) => e.kind === 'answered' && e.phone === there) ? out.number : null;
}

/** How a call from outside bears on calling back; one that goes on is of no account. */
function bearing({ trace }: PastCall): Meaning['callBack'] {
  const ended = outcomeOf(trace);
  return ended ? MEANING[ended.outcome.kind].callBack : 'none';
}

/**
 * Those to call back, whoever has waited longest first. Hidden numbers cannot be called; blocked ones and spam are left out.
 * @param isBlocked whether calls of a number are not taken
 */
export function callBacks(
  calls: readonly PastCall[],
  messages: readonly LeftMessage[],
  isBlocked: (number: string) => boolean = () => false,
): CallBack[] {
  /** When somebody last talked with a number, called it, or said that it is done. */
  const settled = new Map<string, number>();
  const settle = (number: string | null, at: number | undefined) => {
    if (number && at !== undefined) settled.set(number, Math.max(at, settled.get(number) ?? 0));
  };
  for (const call of calls) {
    const { from } = call.request;
    if (from.kind === 'phone') settle(reachedOutside(call.trace), call.at);
    if (from.kind !== 'outside') continue;
    settle(from.number, call.answeredAt);
    if (bearing(call) === 'talked') settle(from.number, call.at);
  }
  for (const m of messages) settle(m.fromNumber, m.answeredAt);
  const waiting = new Map<string, CallBack>();
  const entry = (number: string, at: number): CallBack => {
    const known = waiting.get(number) ?? {
      number,
      since: at,
      last: at,
      tries: 0,
      asked: false,
      assignedTo: undefined,
      callIds: [],
      messageIds: [],
    };
    const now = { ...known, since: Math.min(known.since, at), last: Math.max(known.last, at) };
    waiting.set(number, now);
    return now;
  };
  const isOpen = (number: string | null, at: number): boolean =>
    number !== null && !isBlocked(number) && at > (settled.get(number) ?? -Infinity);
  for (const call of calls) {
    const { from } = call.request;
    if (from.kind !== 'outside' || from.suspected || bearing(call) !== 'in vain') continue;
    if (call.answeredAt !== undefined) continue;
    if (!isOpen(from.number, call.at)) continue;
    const e = entry(from.number!, call.at);
    e.tries++;
    e.asked ||= call.trace.some((x) => x.kind === 'call back asked');
    e.assignedTo = call.assignedTo ?? e.assignedTo;
    e.callIds.push(call.id);
  }
  for (const m of messages) {
    if (
      m.folder === 'bin' ||
      m.folder === 'spam' ||
      m.answeredAt !== undefined ||
      !isOpen(m.fromNumber, m.at)
    )
      continue;
    const e = entry(m.fromNumber!, m.at);
    e.assignedTo = m.assignedTo ?? e.assignedTo;
    e.messageIds.push(m.id);
  }
  return [...waiting.values()].sort((a, b) => a.since - b.since);
}
