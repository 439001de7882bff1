/** Calls taken from elsewhere: out of a slot, from a phone that rings at a colleague, from another phone of one's own. */
import { endOthers } from '../people/ringing';
import { RANK, type CallState, type Run } from '../base/state';
import { heldForLine, hasLineOf } from '../rules/line';
import { isOurs, type End } from '../base/talk';
import type { NotDone } from '../base/trace';
import { slotsOf, servingOf } from '../../system';
import { beginTalk, comesIn, endOf, goesOut, otherOf, type NewEnd, type Talk } from './ends';
import { comeBack, leaveToOther } from './passing';

/** So long a call waits in a slot before it rings at who parked it, in milliseconds. */
export const PARKED_MS = 120_000;

/** One of two puts the other into the lowest free slot. @returns why not */
export function park(run: Run, call: Talk, end: End): NotDone | undefined {
  const other = otherOf(call, end);
  if (!other) return 'more than two are in it';
  const slots = slotsOf(run.world(call).system.business);
  if (!slots.length) return 'no slots are set up';
  const slot = slots.find((s) => !run.parkedIn(s));
  if (!slot) return 'no slot is free';
  const { phone: by, personId } = end;
  leaveToOther(run, call, end, other);
  run.begin(call, 'parked', { parked: { slot, by, personId } });
  call.passing = { by, personId, to: null, ifNobody: { then: 'back' }, way: 'out' };
  run.say(call, { t: 0, kind: 'parked', slot, by, personId });
  call.until = run.now + PARKED_MS;
  run.after(call, PARKED_MS, 'time out', RANK.timeout);
  return undefined;
}

/** Nobody fetched it: it rings at who parked it, and may still be fetched. */
export const notFetched = (run: Run, call: CallState): void => {
  if (call.passing && call.passing.way !== 'from a queue') comeBack(run, call, call.passing, 'not fetched');
};

/** Somebody dialled a slot: whoever waits there talks with them. @param fetching the call they dialled it with @returns why not */
export function fetch(run: Run, fetching: CallState, slot: string, by: NewEnd): NotDone | undefined {
  const call = run.parkedIn(slot);
  if (!call) return 'nobody waits there';
  run.endQuietly(fetching, { kind: 'handed on', callId: call.request.id });
  endOthers(run, call, 'answered elsewhere');
  run.say(call, { t: 0, kind: 'fetched', slot, ...by });
  run.say(call, { t: 0, kind: 'answered', ...by });
  beginTalk(run, call, by);
  return undefined;
}

/** Whether a phone may take what rings there: its person shares a group or a queue with who is rung, or it has the line. */
export function mayPickUp(run: Pick<Run, 'world'>, call: CallState, { phone, personId }: NewEnd): boolean {
  if (call.phase !== 'ringing') return false;
  const { system } = run.world(call);
  const { groups, queues, phones } = system;
  const rung = call.legs.flatMap((l) => (l.state !== 'over' && l.personId ? l.personId : []));
  if ([null, ...rung].some((id) => hasLineOf(phones[phone], id, call, system))) return true;
  if (!personId) return false;
  const together = [
    ...Object.values(groups).map((g) => g.members.flatMap((m) => (m.kind === 'person' ? m.id : []))),
    ...Object.keys(queues).map((id) => servingOf(system, id)),
  ];
  return rung.some(
    (id) => id !== personId && together.some((ids) => ids.includes(id) && ids.includes(personId)),
  );
}

/** Somebody takes a call that rings at a colleague. @returns why not */
export function pickUp(run: Run, call: CallState, by: NewEnd): NotDone | undefined {
  if (call.phase !== 'ringing') return 'somebody was faster';
  if (!mayPickUp(run, call, by)) return 'nobody you share a group with is rung';
  endOthers(run, call, 'answered elsewhere');
  const { waiting } = call;
  call.waiting = null;
  if (waiting) run.serveSoon(waiting.queueId, 0);
  run.say(call, { t: 0, kind: 'picked up', ...by });
  run.say(call, { t: 0, kind: 'answered', ...by });
  beginTalk(run, call, by);
  return undefined;
}

/**
 * A talk goes on at once on another phone of the same person, or on one that has the line of who holds it. What its holder
 * asks somebody about is not taken out of their hands. @returns why not
 */
export function takeOver(run: Run, call: Talk, by: NewEnd): NotDone | undefined {
  const { system } = run.world(call);
  const mine = call.ends.find((e) => isOurs(e) && e.personId !== null && e.personId === by.personId);
  const from = mine ?? heldForLine(call, system.phones[by.phone], system);
  if (!from || endOf(call, by.phone)) return 'not in this call';
  if (run.callsAbout(call.request.id).length) return 'somebody is asked about it';
  comesIn(run, call, by);
  run.say(call, { t: 0, kind: 'joins', ...by, how: mine ? 'moved' : 'from the line' });
  goesOut(run, call, from);
  run.say(call, { t: 0, kind: 'leaves', phone: from.phone, personId: from.personId });
  if (call.from.kind === 'phone' && call.from.phoneId === from.phone)
    call.from = { kind: 'phone', phoneId: by.phone };
  return undefined;
}
