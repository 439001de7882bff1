/** A second call of a phone about one it is in: to hand that one on after a word, to add somebody, to move it to another phone. */
import { RANK, type CallState, type Run } from '../base/state';
import { isOurs, MOST_ENDS, type End } from '../base/talk';
import { lastOf, type NotDone, type Outcome } from '../base/trace';
import { voicemail } from '../mailbox/voicemail';
import { costsFrom } from './paying';
import { goTo, leaveToOther, whyNotTo } from './passing';
import {
  areOutside,
  comesIn,
  endOf,
  goesOnWith,
  goesOut,
  hold,
  otherOf,
  takeBack,
  type NewEnd,
  type Talk,
} from './ends';

/** Outside parties that somebody put together may talk for so long without any of ours, in milliseconds. A setting to come. */
const JOINED_MS = 4 * 3600_000;

/** The call a second one is about, with the end that placed it, as long as both are there. */
function about(run: Run, second: CallState): { first: Talk; end: End } | undefined {
  const { request } = second;
  const first = request.about && run.callOf(request.about.callId);
  if (first?.phase !== 'talking' || request.from.kind !== 'phone') return undefined;
  const end = endOf(first, request.from.phoneId);
  return end && { first, end };
}

/** The second call that an end has placed about a call, as long as it goes on. */
function secondOf(run: Run, first: CallState, end: Pick<End, 'phone'>): CallState | undefined {
  return run.callsAbout(first.request.id).find((c) => {
    const { from } = c.request;
    return from.kind === 'phone' && from.phoneId === end.phone;
  });
}

/**
 * A second call is placed: the first is held for a word, and goes on where somebody is only added or it is moved.
 * @returns why it is not possible, or undefined
 */
export function beginSecond(run: Run, second: CallState): NotDone | undefined {
  const as = second.request.about?.as;
  if (!as) return undefined;
  const of = about(run, second);
  if (!of) return 'not in this call';
  const ringing = run
    .callsAbout(of.first.request.id)
    .filter((c) => c !== second && c.request.about?.as === 'add');
  if (as === 'add' && of.first.ends.length + ringing.length >= MOST_ENDS) return 'eight are in it';
  const { to } = second.request;
  if (to.kind === 'target') {
    const phone = to.target.to === 'phone' ? run.world(second).system.phones[to.target.phoneId] : undefined;
    if (as === 'move' && (!phone || phone.personId !== of.end.personId)) return 'not your phone';
    const why = whyNotTo(run, of.first, of.end, to.target);
    if (why) return why;
  }
  if (as === 'a word') hold(run, of.first, of.end);
  return undefined;
}

/** Whether a phone is on the second call itself: where it only has somebody rung for the first, it stays in that one. */
export const isOnSecond = ({ request }: CallState): boolean =>
  request.about === undefined || request.about.as === 'a word';

/**
 * Somebody takes a second call by which they join the first, or it moves to them; where that is no longer there they find
 * nobody. @returns whether the second call is over by that
 */
export function secondAnswered(run: Run, second: CallState, taker: NewEnd): boolean {
  const as = second.request.about?.as;
  if (!as || as === 'a word') return false;
  const of = about(run, second);
  const first = run.callOf(second.request.about!.callId);
  // Whoever was to be added joins those who are there, whether who called them still is or not.
  if (as === 'add' && first?.phase === 'talking') moveOver(run, second, first, taker, 'added');
  else if (of) {
    moveOver(run, second, of.first, taker, 'moved');
    goesOut(run, of.first, of.end);
    run.say(of.first, { t: 0, kind: 'leaves', phone: of.end.phone, personId: of.end.personId });
  } else run.endQuietly(second, { kind: 'not done', why: 'it is over' });
  return true;
}

/** A call is over: whoever was to be added to it, or to take it on another phone, is rung no longer. */
export function firstOver(run: Run, first: CallState): void {
  for (const second of run.callsAbout(first.request.id))
    if (second.request.about?.as !== 'a word')
      run.endQuietly(second, { kind: 'not done', why: 'it is over' });
}

/** Somebody of a second call comes into the first, and the second is over. */
function moveOver(
  run: Run,
  second: CallState,
  first: Talk,
  { phone, personId }: NewEnd,
  how: 'added' | 'after a word' | 'moved',
): void {
  run.endQuietly(second, { kind: 'handed on', callId: first.request.id });
  const end = comesIn(run, first, { phone, personId });
  run.say(first, { t: 0, kind: 'joins', phone, personId, how });
  costsFrom(run, first, end, second);
}

/** Whoever was called about a call and who is in it talk with each other, and whoever did it leaves. @returns why not */
export function joinThem(run: Run, first: Talk, end: End): NotDone | undefined {
  const second = secondOf(run, first, end);
  if (!second) return 'nobody was called about it';
  const other = otherOf(first, end);
  if (!other) return 'more than two are in it';
  handOn(run, first, end, other, second);
  return undefined;
}

function handOn(run: Run, first: Talk, end: End, other: End, second: CallState): void {
  const by = { by: end.phone, personId: end.personId };
  const to = targetOf(second);
  if (second.phase === 'talking') {
    const taker = otherOf(second, endOf(second, end.phone) ?? end);
    if (!taker) return;
    run.say(first, { t: 0, kind: 'passed on', ...by, to, how: 'after a word' });
    goesOut(run, first, end);
    goesOnWith(first, other);
    moveOver(run, second, first, taker, 'after a word');
    if (!areOutside(first.ends)) return;
    first.joined = true;
    return run.after(first, JOINED_MS, 'long joined', RANK.timeout);
  }
  run.say(first, { t: 0, kind: 'passed on', ...by, to, how: 'ringing' });
  leaveToOther(run, first, end, other);
  first.passing = { by: end.phone, personId: end.personId, to, ifNobody: { then: 'back' }, way: 'out' };
  if (second.phase === 'ringing' && !second.waiting) return takeRinging(run, first, second);
  const { mailboxId } = second;
  run.endQuietly(second, { kind: 'handed on', callId: first.request.id });
  if (mailboxId) {
    first.passing = null;
    return voicemail(run, first, mailboxId);
  }
  goTo(run, first, to);
}

/** What a second call was to, as a target; where it was dialled as digits, whoever it rings. */
function targetOf(second: CallState): Parameters<typeof goTo>[2] {
  const { to } = second.request;
  if (to.kind === 'target') return to.target;
  const outside = second.trace.find((e) => e.kind === 'goes out');
  if (outside) return { to: 'outside', number: outside.number };
  const { ends, request, mailboxId, planId, person } = second;
  const other = ends.find((e) => request.from.kind !== 'phone' || e.phone !== request.from.phoneId);
  if (other?.personId) return { to: 'person', personId: other.personId };
  if (other && isOurs(other)) return { to: 'phone', phoneId: other.phone };
  if (person) return { to: 'person', personId: person.personId };
  const queued = lastOf(second.trace, 'queued');
  if (queued) return { to: 'queue', queueId: queued.queueId };
  const group = lastOf(second.trace, 'group');
  if (group) return { to: 'group', groupId: group.groupId };
  if (mailboxId) return { to: 'mailbox', mailboxId };
  if (planId) return { to: 'plan', planId };
  const leg = second.legs.find((l) => l.state !== 'over');
  return { to: 'phone', phoneId: leg?.phone ?? '' };
}

/** The phones that ring for a second call ring on for the first, as long as they would have. */
function takeRinging(run: Run, first: CallState, second: CallState): void {
  const { legs, until, since, queue, weights, roundMs, turnsOf, how, saw, person, chain } = second;
  const live = legs.filter((l) => l.state !== 'over');
  run.begin(first, 'ringing');
  Object.assign(first, { until, since, queue, weights, roundMs, turnsOf, how, saw, person });
  first.chain = [...first.chain, ...chain];
  const before = first.legCount;
  first.legs = live.map((l) => ({ ...l, n: l.n + before }));
  first.legCount = before + second.legCount;
  run.handTimers(second, first, before);
  for (const leg of second.legs)
    if (leg.state !== 'over') {
      leg.state = 'over';
      run.say(second, {
        t: 0,
        kind: 'leg ended',
        leg: leg.n,
        phone: leg.phone,
        personId: leg.personId,
        how: 'handed on',
      });
    }
  run.endQuietly(second, { kind: 'handed on', callId: first.request.id });
  for (const { n, phone, personId, state } of first.legs) {
    run.ringing.set(phone, first.request.id);
    run.say(first, { t: 0, kind: 'leg offered', leg: n, phone, personId });
    if (state !== 'offered') run.say(first, { t: 0, kind: 'leg sounding', leg: n, phone, personId });
    if (state === 'confirming')
      run.say(first, { t: 0, kind: 'leg asked to confirm', leg: n, phone, personId });
  }
}

/** Whoever was called about a call is let go, and the call is taken back. @returns why not */
export function backTo(run: Run, first: Talk, end: End): NotDone | undefined {
  const second = secondOf(run, first, end);
  if (!second) return 'nobody was called about it';
  run.endQuietly(second, outcomeOf(second));
  takeBack(run, first, end);
  return undefined;
}

/** All of both calls are in one talk. @returns why not */
export function allTogether(run: Run, first: Talk, end: End): NotDone | undefined {
  const second = secondOf(run, first, end);
  if (second?.phase !== 'talking') return 'nobody was called about it';
  const others = second.ends.filter((e) => e.phone !== end.phone);
  if (first.ends.length + others.length > MOST_ENDS) return 'eight are in it';
  run.endQuietly(second, { kind: 'handed on', callId: first.request.id });
  for (const { phone, personId } of others) {
    const joins = comesIn(run, first, { phone, personId });
    run.say(first, { t: 0, kind: 'joins', phone, personId, how: 'added' });
    costsFrom(run, first, joins, second);
  }
  takeBack(run, first, end);
  return undefined;
}

/**
 * Whoever placed a second call for a word hangs it up: while it rings the first goes there at once, while they talk it is
 * handed on; at a machine or a queue the first is taken back.
 * @returns whether that is what happened
 */
export function hungUpSecond(run: Run, second: CallState): boolean {
  const of = about(run, second);
  if (!of || second.request.about?.as !== 'a word') return false;
  const other = otherOf(of.first, of.end);
  const rings = second.phase === 'ringing' && !second.waiting;
  if (!other || !(second.phase === 'talking' || rings)) return false;
  handOn(run, of.first, of.end, other, second);
  return true;
}

/** Whoever moves a call to another phone hangs it up before that is answered: the call goes there at once. */
export function hungUpMoving(run: Run, first: Talk, end: End): boolean {
  const second = secondOf(run, first, end);
  const other = otherOf(first, end);
  if (!other || second?.request.about?.as !== 'move' || second.phase !== 'ringing') return false;
  handOn(run, first, end, other, second);
  return true;
}

/** A second call is over by itself: who it was about comes back, unless whoever was called hung up after a word. */
export function secondOver(run: Run, second: CallState, outcome: Outcome): void {
  const of = about(run, second);
  if (!of || second.request.about?.as !== 'a word' || outcome.kind === 'answered') return;
  takeBack(run, of.first, of.end);
}

/** How a second call ends that is let go. */
function outcomeOf(second: CallState): Outcome {
  const answered = lastOf(second.trace, 'answered');
  if (answered) return { kind: 'answered', phone: answered.phone, personId: answered.personId };
  return { kind: 'hung up', during: 'ringing' };
}
