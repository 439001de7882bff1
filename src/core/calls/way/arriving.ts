/** How a call begins: a number leads to its plan, digits dialled inside to whoever has them, or out. */
import { localTime } from '../../hours';
import { sortDialled } from '../../numbering';
import { hasArrived } from '../../system';
import { emergencyFrom, helpFor } from '../base/help';
import { shownBy } from '../base/shown';
import { RANK, type CallState, type Run } from '../base/state';
import { noteCaller } from '../base/exceptions';
import { feature } from './features';
import { reachExtension } from './extensions';
import { turnedAway } from '../people/unwanted';

/** The call arrives: a number leads to its plan, digits dialled inside to whoever has them. */
export function arrive(run: Run, call: CallState): void {
  const { from, to } = call.request;
  const world = run.world(call);
  if (from.kind === 'phone') {
    const personId = world.system.phones[from.phoneId]?.personId ?? null;
    run.onCall.set(from.phoneId, { callId: call.request.id, personId });
  }
  const number = to.kind === 'number' ? world.numbers.get(to.e164) : undefined;
  call.numberId = number?.id ?? null;
  call.planId = number?.planId ?? null;
  run.say(call, { t: 0, kind: 'arrived', from, to, numberId: call.numberId, planId: call.planId });
  noteCaller(run, call);
  const patience = call.request.behaviour?.caller.hangsUpAfter;
  if (patience != null) run.after(call, patience * 1000, 'give up', RANK.hangUp);
  if (to.kind === 'digits') return dial(run, call, to.digits, from.kind === 'phone' ? from.phoneId : null);
  if (!number) {
    const intercept = to.kind === 'number' ? run.standing.intercepts[to.e164] : undefined;
    if (intercept && run.now < intercept.until)
      return run.end(call, 'system', { kind: 'given back', referTo: intercept.referTo });
    return run.end(call, 'system', { kind: 'not in service', why: 'unknown number' });
  }
  if (!hasArrived(run.standing, number.e164, run.now))
    return run.end(call, 'system', { kind: 'not moved yet' });
  const route = call.planId ? world.routes.get(call.planId) : undefined;
  if (!route) return run.end(call, 'system', { kind: 'not in service', why: 'no plan' });
  if (!turnedAway(run, call)) run.enter(call, route.first);
}

function dial(run: Run, call: CallState, digits: string, phoneId: string | null): void {
  const { system, extensions } = run.world(call);
  const phone = phoneId ? system.phones[phoneId] : undefined;
  const personId = phone?.personId ?? null;
  const emergency = emergencyFrom(system, run.standing, personId, phone);
  const dialled = sortDialled(digits, { ...system.business, emergency }, (e) => extensions.has(e));
  // A phone that is no longer there, or not yet, gets help and nothing else.
  if (phoneId && !phone && dialled.kind !== 'emergency')
    return run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
  if (dialled.kind === 'extension') {
    const owner = extensions.get(dialled.extension)!;
    if (owner.until !== null && owner.until < localTime(system.business.timeZone, run.now).date)
      return run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
    return reachExtension(run, call, owner);
  }
  if (dialled.kind === 'emergency') {
    run.say(call, {
      t: 0,
      kind: 'emergency',
      number: dialled.number,
      ...helpFor(system, run.standing, personId, run.now, phone),
    });
    return run.end(call, 'system', { kind: 'emergency', number: dialled.number });
  }
  if (dialled.kind === 'feature') return feature(run, call, dialled);
  if (dialled.kind === 'service')
    return run.end(call, 'system', { kind: 'went out', number: dialled.number });
  if (dialled.kind === 'outside') {
    const shows =
      dialled.callerId === 'hidden'
        ? null
        : shownBy(system, personId, (e) => hasArrived(run.standing, e, run.now));
    return run.end(call, 'system', { kind: 'went out', number: dialled.e164, shows });
  }
  run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
}
