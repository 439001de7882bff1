/** Which phones are on which calls: a phone may hold some while it talks in another. */
import { servingOf } from '../../system';
import type { CallState, Run } from './state';
import { outsideNumber } from './trace';

/** A phone takes part in a call. */
export function takesPart(
  { onCall }: Pick<Run, 'onCall'>,
  phone: string,
  personId: string | null,
  callId: string,
): void {
  const known = onCall.get(phone);
  if (!known) onCall.set(phone, { callIds: [callId], personId });
  else if (!known.callIds.includes(callId)) known.callIds.push(callId);
}

/** A phone no longer takes part in a call. @returns whether it is on no other */
export function partsWith({ onCall }: Pick<Run, 'onCall'>, phone: string, callId: string): boolean {
  const known = onCall.get(phone);
  if (!known?.callIds.includes(callId)) return false;
  if (known.callIds.length > 1) {
    known.callIds = known.callIds.filter((id) => id !== callId);
    return false;
  }
  onCall.delete(phone);
  return true;
}

/** Phones that are on a call. */
export function phonesOn({ onCall }: Pick<Run, 'onCall'>, call: CallState): string[] {
  const on: string[] = [];
  for (const [phone, { callIds }] of onCall) if (callIds.includes(call.request.id)) on.push(phone);
  return on;
}

/**
 * Somebody is no longer on a call: those fair to them know since when, and queues they serve look whether they can be put
 * through. @param who people, phones of nobody's or outside numbers @param talked whether they had talked
 */
export function isFree(run: Run, call: CallState, who: readonly string[], talked: boolean): void {
  if (talked) for (const id of who) run.memory.idleSince[id] = run.now;
  const { system, queues } = run.world(call);
  for (const queue of queues) {
    // Where nobody waits there is nobody to put through, and mostly nobody does.
    if (!run.isWaitedIn(queue.id) || !servingOf(system, queue.id).some((id) => who.includes(id))) continue;
    run.serveSoon(queue.id, queue.wrapUp * 1000);
    run.serveSoon(queue.id, 0);
  }
}

/** Whoever a phone on calls counts as, to those who are fair to people: its person, its number outside, or itself. */
export const whoseTurn = (phone: string, personId: string | null): string =>
  personId ?? outsideNumber(phone) ?? phone;
