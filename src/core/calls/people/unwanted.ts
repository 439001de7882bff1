/** Callers who are not wanted: blocked, suspected by the network, or hidden where somebody does not take hidden calls. */
import { plansFrom } from '../../answering';
import { allSteps, isBlockedNumber, usualUnwanted, type Person, type System } from '../../system';
import type { CallState, Run } from '../base/state';
import { voicemail } from '../mailbox/voicemail';

/** Whether a number's calls are not taken: it is on the block list, or a contact of it is blocked. */
export function isBlocked(run: Run, call: CallState): boolean {
  const { from } = call.request;
  if (from.kind !== 'outside' || from.number === null) return false;
  return isBlockedNumber(from.number, run.standing, run.world(call).contacts.get(from.number));
}

/**
 * A call from outside that has just arrived: refused or sent to the mailbox for the unwanted, where the business says so
 * and the plan of the number does not treat them itself.
 * @returns whether that was done
 */
export function turnedAway(run: Run, call: CallState): boolean {
  const { from } = call.request;
  if (from.kind !== 'outside') return false;
  const what = isBlocked(run, call) ? 'blocked' : from.suspected ? 'suspected' : null;
  if (!what) return false;
  const { system } = run.world(call);
  const unwanted = system.business.unwanted ?? usualUnwanted();
  const how = unwanted[what];
  if (how === 'as anybody' || plansTreat(call, what, system)) return false;
  const mailbox = unwanted.mailboxId ? system.mailboxes[unwanted.mailboxId] : undefined;
  if (how === 'mailbox' && mailbox) voicemail(run, call, mailbox.id);
  else run.end(call, 'system', { kind: 'refused', why: what });
  return true;
}

function plansTreat(call: CallState, is: 'blocked' | 'suspected', system: System): boolean {
  return plansFrom(system, call.planId!).some((plan) =>
    [...allSteps(plan.steps)].some((s) => s.kind === 'caller' && s.branches.some((b) => b.test.is === is)),
  );
}

/** How somebody treats a caller who hides their number, or undefined where they do not. */
export function ofHidden(call: CallState, person: Person): 'mailbox' | 'refused' | undefined {
  const { from } = call.request;
  if (from.kind !== 'outside' || from.number !== null || !person.hidden || person.hidden === 'ring')
    return undefined;
  return person.hidden;
}
