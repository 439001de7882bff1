/** A call is passed on to somebody else: where it goes, what becomes of it where nobody takes it, and how it comes back. */
import { lineOf, phonesOnLine } from '../rules/line';
import { shownBy } from '../base/shown';
import { USUAL_HOW, ringGroup, ringPerson, sawNothing } from '../people/people';
import { endOthers, offer, offerOutside } from '../people/ringing';
import { enterQueue } from '../queues/queueing';
import { voicemail } from '../mailbox/voicemail';
import type { End, Passed, SentOn } from '../base/talk';
import type { CallState, Run } from '../base/state';
import { outsidePhone, type CameBack, type NotDone, type RingEnd } from '../base/trace';
import type { IfNobody, PassTarget, System } from '../../system';
import { mayNotGoOut } from './paying';
import { goesOnWith, goesOut, otherOf, type Talk } from './ends';

/** So long somebody is rung to whom a call is passed on, in milliseconds. */
export const PASSED_MS = 25_000;
/** So long an outside number is rung to which a call is passed on. */
const OUTSIDE_MS = 30_000;
/** So long it rings at who passed it on when it comes back. */
const BACK_MS = 20_000;

/**
 * One of two gives the other to somebody else, at once.
 * @returns why not, or undefined where it was done
 */
export function passOn(
  run: Run,
  call: Talk,
  end: End,
  to: PassTarget,
  ifNobody: IfNobody,
): NotDone | undefined {
  const other = otherOf(call, end);
  if (!other) return 'more than two are in it';
  const why = whyNotTo(run, call, end, to);
  if (why) return why;
  run.say(call, { t: 0, kind: 'passed on', by: end.phone, personId: end.personId, to, how: 'at once' });
  leaveToOther(run, call, end, other);
  call.passing = { by: end.phone, personId: end.personId, to, ifNobody, way: 'out' };
  goTo(run, call, to);
  return undefined;
}

/** Whoever gives a call away is out of it; the other goes on from there. */
export function leaveToOther(run: Run, call: Talk, end: End, other: End): void {
  goesOut(run, call, end);
  goesOnWith(call, other);
  call.onward = { kind: 'nobody' };
  call.backTo = undefined;
  call.chain = end.personId ? [end.personId] : [];
  call.redirects = 0;
}

/** Why an end may not give a call there, or call there about it; undefined where they may. */
export function whyNotTo(
  run: Run,
  call: CallState,
  end: Pick<End, 'phone' | 'personId'>,
  to: PassTarget,
): NotDone | undefined {
  const self =
    (to.to === 'person' && to.personId === end.personId) || (to.to === 'phone' && to.phoneId === end.phone);
  if (self) return 'to yourself';
  if (isInIt(call, to)) return 'they are in it already';
  if (to.to === 'outside' && mayNotGoOut(run, call, end.personId, to.number)) return 'you may not call there';
  return isTargetThere(run.world(call).system, to) ? undefined : 'not in service';
}

/** Whether who a call is to go to talks in it already. */
export function isInIt(call: CallState, to: PassTarget): boolean {
  switch (to.to) {
    case 'person':
      return call.ends.some((e) => e.personId === to.personId);
    case 'phone':
      return call.ends.some((e) => e.phone === to.phoneId);
    case 'outside':
      return (
        call.ends.some((e) => e.phone === outsidePhone(to.number)) ||
        (call.from.kind === 'outside' && call.from.number === to.number)
      );
    case 'group':
    case 'queue':
    case 'plan':
    case 'mailbox':
      return false;
  }
}

/** Whether there is still what a call is to go to. */
export function isTargetThere(system: System, to: PassTarget): boolean {
  switch (to.to) {
    case 'person':
      return to.personId in system.people;
    case 'group':
      return to.groupId in system.groups;
    case 'queue':
      return to.queueId in system.queues;
    case 'plan':
      return to.planId in system.plans;
    case 'mailbox':
      return to.mailboxId in system.mailboxes;
    case 'phone':
      return to.phoneId in system.phones;
    case 'outside':
      return true;
  }
}

/** A call goes where somebody gives it, as anybody who calls there hears it. What is there takes it for good, or rings. */
export function goTo(run: Run, call: CallState, to: PassTarget): void {
  call.saw = sawNothing();
  // Whoever moves a talk to another phone of theirs is on a call: that one rings all the same.
  call.how = call.request.about?.as === 'move' ? { ...USUAL_HOW, ringBusy: true } : USUAL_HOW;
  call.person = null;
  call.queue = [];
  const world = run.world(call);
  switch (to.to) {
    case 'person':
      return ringPerson(run, call, to.personId, run.now + PASSED_MS);
    case 'group':
      return ringGroup(run, call, to.groupId);
    case 'queue':
      return enterQueue(run, call, to.queueId, null);
    case 'plan':
      call.passing = null;
      call.planId = to.planId;
      run.say(call, { t: 0, kind: 'plan', planId: to.planId });
      return run.enter(call, world.routes.get(to.planId)!.first);
    case 'mailbox':
      call.passing = null;
      return voicemail(run, call, to.mailboxId);
    case 'phone': {
      const phone = world.system.phones[to.phoneId]!;
      const offers = [{ personId: phone.personId, phones: [phone], outside: null }];
      return rung(run, call, offer(run, call, offers, PASSED_MS));
    }
    case 'outside':
      run.say(call, { t: 0, kind: 'shown', number: shownOutside(run, call) });
      return rung(run, call, offerOutside(run, call, to.number, OUTSIDE_MS));
  }
}

/** What an outside number sees of a call that is passed on to it: the number that was called, or the one whoever passes it on shows. */
function shownOutside(run: Run, call: CallState): string | null {
  const { system } = run.world(call);
  const called = call.numberId ? system.numbers[call.numberId]?.e164 : undefined;
  return called ?? shownBy(system, call.passing?.personId ?? null)?.e164 ?? null;
}

/** Phones ring now, or nobody could be rung. */
function rung(run: Run, call: CallState, how: 'ringing' | RingEnd): void {
  if (how === 'ringing') {
    call.saw.rung = true;
    return;
  }
  run.say(call, { t: 0, kind: 'ringing over', how });
  if (call.passing) return run.notTaken(call, how);
  run.end(call, 'system', { kind: 'nobody answered' });
}

/** Nobody took a call that was passed on: what whoever passed it on said, or back to them, or on from there. */
export function notTaken(run: Run, call: CallState, why: CameBack): void {
  const { passing } = call;
  if (!passing) return;
  if (passing.way === 'from a queue') {
    if (!backInQueue(run, call, passing)) afterBack(run, call, null);
    return;
  }
  if (passing.way === 'back') return ringLine(run, call, passing);
  if (passing.way === 'line') return afterBack(run, call, passing.personId);
  const { ifNobody, to, by, personId } = passing;
  if (ifNobody.then === 'another') {
    call.passing = { ...passing, to: ifNobody.to, ifNobody: { then: 'back' } };
    run.say(call, { t: 0, kind: 'passed on', by, personId, to: ifNobody.to, how: 'at once' });
    return goTo(run, call, ifNobody.to);
  }
  const theirs =
    ifNobody.then === 'their voicemail' && to?.to === 'person' ? mailboxOf(run, call, to.personId) : null;
  if (theirs) {
    call.passing = null;
    return voicemail(run, call, theirs);
  }
  comeBack(run, call, passing, why);
}

/** Nobody took it where it was sent from a queue: it is first in its queue again. @returns whether that queue is still there */
function backInQueue(run: Run, call: CallState, { before }: SentOn): boolean {
  const from = call.servedFrom;
  call.passing = before;
  if (!from || !run.world(call).system.queues[from.queueId]) return false;
  endOthers(run, call, 'not answered');
  enterQueue(run, call, from.queueId, from.stepId, true);
  return true;
}

/** A call rings at who gave it away: all their phones, softly where they are on a call. */
export function comeBack(run: Run, call: CallState, passed: Passed, why: CameBack): void {
  const { by, personId } = passed;
  call.passing = { ...passed, way: 'back' };
  run.say(call, { t: 0, kind: 'comes back', to: by, personId, why });
  call.saw = sawNothing();
  call.person = null;
  call.queue = [];
  call.how = { ringBusy: true, confirm: false, back: true };
  const { phonesOf, system } = run.world(call);
  const phones = personId ? (phonesOf.get(personId) ?? []) : (system.phones[by] ?? []);
  const how = offer(run, call, [{ personId, phones: [phones].flat(), outside: null }], BACK_MS);
  if (how === 'ringing') return;
  run.say(call, { t: 0, kind: 'ringing over', how });
  ringLine(run, call, passed);
}

/** Whoever gave it away does not take it: it rings at the others who have the line it came by, where there are some. */
function ringLine(run: Run, call: CallState, passed: Passed): void {
  const { by, personId } = passed;
  const { system } = run.world(call);
  const numberId = lineOf(call, system);
  const phones = numberId
    ? phonesOnLine(system, numberId).filter(
        (p) => p.id !== by && (personId === null || p.personId !== personId),
      )
    : [];
  if (!numberId || !phones.length) return afterBack(run, call, personId);
  call.passing = { ...passed, way: 'line' };
  run.say(call, { t: 0, kind: 'on the line', numberId });
  call.saw = sawNothing();
  call.how = { ...USUAL_HOW, ringBusy: true, back: true };
  const offers = phones.map((p) => ({ personId: p.personId, phones: [p], outside: null }));
  const how = offer(run, call, offers, BACK_MS);
  if (how === 'ringing') return;
  run.say(call, { t: 0, kind: 'ringing over', how });
  afterBack(run, call, personId);
}

/** Nor did who gave it away: back into the queue it came through, or to a mailbox, or it ends with words. */
function afterBack(run: Run, call: CallState, personId: string | null): void {
  call.passing = null;
  call.parked = null;
  call.how = USUAL_HOW;
  const { queues, mailboxes } = run.world(call).system;
  const served = call.servedFrom;
  if (served && queues[served.queueId]) return enterQueue(run, call, served.queueId, served.stepId, true);
  // Whoever was called by one of ours is not put to a mailbox of the business: it ends with words.
  const called = call.request.from.kind === 'phone' && call.from.kind === 'outside';
  const mailboxId = called
    ? null
    : (run.mailboxAhead(call) ??
      (personId ? mailboxOf(run, call, personId) : null) ??
      Object.keys(mailboxes)[0] ??
      null);
  if (mailboxId && mailboxes[mailboxId]) return voicemail(run, call, mailboxId);
  run.end(call, 'system', { kind: 'nobody answered' });
}

function mailboxOf(run: Run, call: CallState, personId: string): string | null {
  const { people, mailboxes } = run.world(call).system;
  const id = people[personId]?.mailboxId;
  return id && mailboxes[id] ? id : null;
}
