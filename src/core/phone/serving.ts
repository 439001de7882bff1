/** Serving queues: who waits, whether somebody is on, and why their calls do not reach them. */
import type { CallState, Memory } from '../calls';
import { servingOf, type Standing, type System } from '../system';

/** How long somebody is left alone yet after their last call, by person: until when, epoch milliseconds. */
export function finishing(
  memory: Pick<Memory, 'idleSince'>,
  system: System,
  now: number,
): Map<string, number> {
  const found = new Map<string, number>();
  for (const { id: queueId, wrapUp } of Object.values(system.queues))
    for (const id of servingOf(system, queueId)) {
      const until = (memory.idleSince[id] ?? -Infinity) + wrapUp * 1000;
      if (until > now) found.set(id, Math.max(until, found.get(id) ?? 0));
    }
  return found;
}

/** A queue as one who serves it sees it. */
export interface Served {
  queueId: string;
  /** Callers in it who talk with nobody yet. */
  waiting: number;
  /** Since when the first of them waits, epoch milliseconds. */
  since: number | null;
}

/** The queues somebody serves, with those who wait. */
export function servedBy(
  personId: string,
  system: System,
  calls: readonly Pick<CallState, 'waiting' | 'phase'>[],
): Served[] {
  return Object.values(system.queues)
    .filter((q) => servingOf(system, q.id).includes(personId))
    .map(({ id: queueId }) => {
      const since = calls.flatMap((c) =>
        c.waiting?.queueId === queueId && c.phase !== 'over' && c.phase !== 'talking' ? c.waiting.since : [],
      );
      return { queueId, waiting: since.length, since: since.length ? Math.min(...since) : null };
    });
}

/** How somebody stands towards a queue they serve. */
export type Service =
  | { is: 'logged out'; by: string | null; at: number | null }
  | { is: 'paused'; reason: string; by: string; at: number }
  | { is: 'finishing'; until: number }
  | { is: 'on' };

/** @param finishingUntil epoch milliseconds, or null */
export function serviceOf(
  standing: Standing,
  queueId: string,
  personId: string,
  finishingUntil: number | null,
): Service {
  const login = standing.logins[queueId]?.[personId];
  if (login && !login.value) return { is: 'logged out', by: login.by, at: login.at };
  const pause = standing.pauses?.[personId];
  if (pause?.value != null) return { is: 'paused', reason: pause.value, by: pause.by, at: pause.at };
  return finishingUntil === null ? { is: 'on' } : { is: 'finishing', until: finishingUntil };
}

/** Reasons for a pause that are offered; any other can be typed. */
export const PAUSE_REASONS = ['a break', 'a meal', 'paperwork', 'a talk with a colleague'] as const;

/** By whom somebody is paused or logged out that the exchange did by itself. */
export const EXCHANGE = 'the exchange';
