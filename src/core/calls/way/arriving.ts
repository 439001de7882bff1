/** How a call begins: a number leads to its plan, digits dialled inside to whoever has them, or out. */
import { localTime } from '../../hours';
import { sortDialled } from '../../numbering';
import { behindCode, hasArrived, slotsOf, type NumberHeld, type PassTarget } from '../../system';
import { emergencyFrom, helpFor } from '../rules/help';
import { shownOn } from '../base/shown';
import { takesPart } from '../base/on-call';
import { holdOthers } from '../talks/ends';
import { goTo, isTargetThere } from '../talks/passing';
import { outsidePhone } from '../base/trace';
import { mayNotGoOut } from '../talks/paying';
import { beginSecond, isOnSecond } from '../talks/second';
import { fetch } from '../talks/taking';
import { sawNothing } from '../people/people';
import { endLeg, offer, offerOutside } from '../people/ringing';
import { RANK, type CallState, type Leg, type Run } from '../base/state';
import { noteCaller } from '../rules/exceptions';
import { feature } from './features';
import { asTarget, reachExtension, reachPerson } from './extensions';
import { turnedAway } from '../people/unwanted';

/** So long an outside number is rung before it is given up, in milliseconds. Common practice, no source. */
const DIAL_OUT_MS = 60_000;
/** So long the phone a call is placed from rings first, in milliseconds. */
const OWN_PHONE_MS = 20_000;

/** The call arrives: a number leads to its plan, digits dialled inside to whoever has them. */
export function arrive(run: Run, call: CallState): void {
  const { from, to, ringsFirst } = call.request;
  const number = numberCalled(run, call);
  call.numberId = number?.id ?? null;
  call.planId = number?.planId ?? null;
  run.say(call, { t: 0, kind: 'arrived', from, to, numberId: call.numberId, planId: call.planId });
  noteCaller(run, call);
  const patience = call.request.behaviour?.caller.hangsUpAfter;
  if (patience != null) run.after(call, patience * 1000, 'give up', RANK.hangUp);
  if (ringsFirst && from.kind === 'phone') return ringOwn(run, call, from.phoneId);
  setOut(run, call, number);
}

/** The number of ours that is called; undefined where it is none, or something else is. */
function numberCalled(run: Run, call: CallState): NumberHeld | undefined {
  const { to } = call.request;
  return to.kind === 'number' ? run.world(call).numbers.get(to.e164) : undefined;
}

/** The phone a call is placed from rings first. */
function ringOwn(run: Run, call: CallState, phoneId: string): void {
  const phone = run.world(call).system.phones[phoneId];
  call.onward = { kind: 'own phone', phone: phoneId };
  const offers = [{ personId: phone?.personId ?? null, phones: phone ? [phone] : [], outside: null }];
  const how = offer(run, call, offers, OWN_PHONE_MS);
  if (how === 'ringing') return;
  run.say(call, { t: 0, kind: 'ringing over', how });
  run.end(call, 'system', { kind: 'not lifted', phone: phoneId });
}

/** Whoever has the phone has lifted it: the call sets out. @returns whether it was that, and not somebody who was called */
export function ownLifted(run: Run, call: CallState, leg: Leg): boolean {
  if (call.onward.kind !== 'own phone') return false;
  endLeg(run, call, leg, 'answered');
  call.onward = { kind: 'nobody' };
  call.saw = sawNothing();
  run.begin(call, 'waiting');
  setOut(run, call, numberCalled(run, call));
  return true;
}

/** A call goes where it is to go. */
function setOut(run: Run, call: CallState, number: NumberHeld | undefined): void {
  const { from, to } = call.request;
  const world = run.world(call);
  const phone = from.kind === 'phone' ? from.phoneId : null;
  const personId = phone ? (world.system.phones[phone]?.personId ?? null) : null;
  if (phone && isOnSecond(call)) {
    holdOthers(run, phone, call.request.id);
    takesPart(run, phone, personId, call.request.id);
  }
  const why = beginSecond(run, call);
  if (why) return run.endQuietly(call, { kind: 'not done', why });
  if (to.kind === 'digits') return dial(run, call, to.digits, phone);
  if (to.kind === 'target') return choose(run, call, to.target, personId);
  if (!number) {
    const intercept = run.standing.intercepts[to.e164];
    if (intercept && run.now < intercept.until)
      return run.end(call, 'system', { kind: 'given back', referTo: intercept.referTo });
    return run.end(call, 'system', { kind: 'not in service', why: 'unknown number' });
  }
  reachNumber(run, call, number);
}

function reachNumber(run: Run, call: CallState, number: NumberHeld): void {
  if (!hasArrived(run.standing, number.e164, run.now))
    return run.end(call, 'system', { kind: 'not moved yet' });
  const route = call.planId ? run.world(call).routes.get(call.planId) : undefined;
  if (!route) return run.end(call, 'system', { kind: 'not in service', why: 'no plan' });
  if (!turnedAway(run, call)) run.enter(call, route.first);
}

function dial(run: Run, call: CallState, typed: string, phoneId: string | null): void {
  const { system, extensions } = run.world(call);
  const phone = phoneId ? system.phones[phoneId] : undefined;
  const personId = phone?.personId ?? null;
  // Short codes are dialled inside; an extension of the same digits goes first.
  const short =
    phone && !extensions.has(typed) ? behindCode(typed, system, run.standing, personId) : undefined;
  const digits = short?.digits ?? typed;
  const emergency = emergencyFrom(system, run.standing, personId, phone);
  if (phone && slotsOf(system.business).includes(digits)) {
    const why = fetch(run, call, digits, { phone: phone.id, personId });
    return why && run.end(call, 'system', { kind: 'not done', why });
  }
  const dialled = sortDialled(digits, { ...system.business, emergency }, (e) => extensions.has(e));
  // A phone that is no longer there, or not yet, gets help and nothing else.
  if (phoneId && !phone && dialled.kind !== 'emergency')
    return run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
  if (dialled.kind === 'extension') {
    const owner = extensions.get(dialled.extension)!;
    if (owner.until !== null && owner.until < localTime(system.business.timeZone, run.now).date)
      return run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
    if (call.request.about) return goTo(run, call, asTarget(owner));
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
  if (dialled.kind === 'outside')
    return dialOut(run, call, dialled.e164, personId, dialled.callerId === 'hidden');
  run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
}

/** Whether an outside number is in the call that this one is about already. */
function isInIt(run: Run, call: CallState, e164: string): boolean {
  const first = call.request.about && run.callOf(call.request.about.callId);
  if (!first) return false;
  const isCaller = first.from.kind === 'outside' && first.from.number === e164;
  return isCaller || first.ends.some((e) => e.phone === outsidePhone(e164));
}

/** A call to an outside number: one of our own comes in like anybody's, any other rings there. */
function dialOut(run: Run, call: CallState, e164: string, personId: string | null, hidden: boolean): void {
  const { system, numbers } = run.world(call);
  const own = numbers.get(e164);
  if (own) {
    call.numberId = own.id;
    call.planId = own.planId;
    return reachNumber(run, call, own);
  }
  if (isInIt(run, call, e164))
    return run.end(call, 'system', { kind: 'not done', why: 'they are in it already' });
  const why = mayNotGoOut(run, call, personId, e164);
  if (why) return run.end(call, 'system', { kind: 'not allowed', why });
  const { shows: chosen } = call.request;
  const shows = shownOn(system, personId, hidden ? 'hidden' : chosen, (e) =>
    hasArrived(run.standing, e, run.now),
  );
  run.say(call, { t: 0, kind: 'goes out', number: e164, shows });
  call.onward = { kind: 'outside', number: e164 };
  call.saw.rung = true;
  offerOutside(run, call, e164, DIAL_OUT_MS);
}

/** Somebody, a group, a phone or a number is chosen by name. What is no longer there is not in service. */
function choose(run: Run, call: CallState, to: PassTarget, personId: string | null): void {
  if (!isTargetThere(run.world(call).system, to))
    return run.end(call, 'system', { kind: 'not in service', why: 'nothing dialled' });
  if (to.to === 'outside') return dialOut(run, call, to.number, personId, false);
  call.onward = { kind: 'nobody' };
  if (to.to === 'person' && !call.request.about) return reachPerson(run, call, to.personId);
  goTo(run, call, to);
}
