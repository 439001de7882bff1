/** Who comes into a talk, and who goes. */
import { CALLER, isOurs, originOf, partyOf, type End } from '../base/talk';
import { leavesRecording, newcomerIsTold, recordByRule } from './recording';
import { costsFrom } from './paying';
import { planActs } from './planned';
import { isFree, partsWith, takesPart, whoseTurn } from '../base/on-call';
import { RANK, type CallIn, type CallState, type Run } from '../base/state';
import { lastOf, type Outcome } from '../base/trace';

export type Talk = CallIn<'talking'>;

/** Somebody as an end of a talk, not yet in it. */
export interface NewEnd {
  phone: string;
  personId: string | null;
}

/** The end of a phone in a talk, or undefined. */
export const endOf = (call: Pick<CallState, 'ends'>, phone: string): End | undefined =>
  call.ends.find((e) => e.phone === phone);

/** The other of two. */
export const otherOf = (call: Talk, end: End): End | undefined =>
  call.ends.length === 2 ? call.ends.find((e) => e !== end) : undefined;

/** Whoever goes the call's way, as an end. */
export function party(run: Run, call: CallState): NewEnd {
  const { from } = call;
  const personId =
    from.kind === 'phone' ? (run.world(call).system.phones[from.phoneId]?.personId ?? null) : null;
  return { phone: partyOf(call.request.from, from), personId };
}

/** Whether a phone talks in another call, and does not hold it. */
const talksElsewhere = (run: Run, phone: string, callId: string): boolean =>
  (run.onCall.get(phone)?.callIds ?? []).some((id) => {
    const end = id === callId ? undefined : endOf(run.callOf(id) ?? NONE, phone);
    return end !== undefined && end.holds === undefined;
  });
const NONE = { ends: [] };

/** Somebody is in the talk from now on. A phone of ours is in no other: what it talked in before is held. */
export function comesIn(run: Run, call: Talk, { phone, personId }: NewEnd, holdsOthers = true): End {
  const end: End = { n: ++call.endCount, phone, personId };
  call.ends = [...call.ends, end];
  if (isOurs(end) && holdsOthers) holdOthers(run, phone, call.request.id);
  if (phone !== CALLER) takesPart(run, phone, personId, call.request.id);
  newcomerIsTold(run, call);
  return end;
}

/** Two begin to talk: who goes the call's way, and who took it. */
export function beginTalk(run: Run, call: CallState, with_: NewEnd): Talk {
  const goes = party(run, call);
  const first = call.endCount === 0;
  const talk = run.begin(call, 'talking', { ends: [] });
  talk.passing = null;
  talk.parked = null;
  // Whoever placed it may have taken another call meanwhile: this one is held then, for they did nothing.
  const elsewhere = talksElsewhere(run, goes.phone, call.request.id);
  const end = comesIn(run, talk, goes, !elsewhere);
  comesIn(run, talk, with_);
  if (elsewhere) hold(run, talk, end);
  recordByRule(run, talk);
  for (const one of talk.ends) costsFrom(run, talk, one);
  if (first) planActs(run, talk, 'answer');
  const talks = call.request.behaviour?.caller.talks;
  if (talks !== undefined) run.after(talk, talks * 1000, 'talked', RANK.hangUp);
  return talk;
}

/** Somebody goes out of a talk that goes on without them; nothing is said of it. */
export function goesOut(run: Run, call: Talk, end: End): void {
  call.ends = call.ends.filter((e) => e !== end);
  leavesRecording(run, call, end);
  if (end.phone !== CALLER && partsWith(run, end.phone, call.request.id))
    isFree(run, call, [whoseTurn(end.phone, end.personId)], true);
}

/** Whether those who are left go on talking: two or more, one of ours among them unless two outside were put together. */
export const goesOn = (call: Talk, left: readonly End[]): boolean =>
  left.length >= 2 && (call.joined === true || left.some(isOurs));

/** What becomes of a call whose talk is over. */
export function talkOutcome(call: CallState): Outcome {
  const answered = lastOf(call.trace, 'answered');
  return answered
    ? { kind: 'answered', phone: answered.phone, personId: answered.personId }
    : { kind: 'nobody answered' };
}

/** Somebody hangs up: the others go on, or it is over for all. @param by who it counts as where it is over */
export function leaves(run: Run, call: Talk, end: End, by: 'caller' | 'called' | 'system'): void {
  const left = call.ends.filter((e) => e !== end);
  if (!goesOn(call, left)) {
    if (by === 'called' && run.askAfterwards(call, end)) return;
    return run.end(call, by, talkOutcome(call));
  }
  goesOut(run, call, end);
  run.say(call, { t: 0, kind: 'leaves', phone: end.phone, personId: end.personId });
}

/** A phone is in at most one talk: the others are held. @param callId the one it is in */
export function holdOthers(run: Run, phone: string, callId: string): void {
  for (const id of run.onCall.get(phone)?.callIds ?? []) {
    const other = id === callId ? undefined : run.callOf(id);
    const end = other?.phase === 'talking' ? endOf(other, phone) : undefined;
    if (other?.phase === 'talking' && end) hold(run, other, end);
  }
}

/** Those who are left in a rehearsed talk go on for so long, in milliseconds. */
const TALKED_ON_MS = 10_000;

/** In a rehearsal, the caller has talked enough; then, one after the other, whoever is left. */
export function talkedEnough(run: Run, call: CallState): void {
  if (call.phase !== 'talking') return;
  const { phone } = party(run, call);
  const end = endOf(call, phone) ?? call.ends[0]!;
  leaves(run, call, end, end.phone === phone ? 'caller' : 'called');
  if ((call as CallState).phase === 'talking') run.after(call, TALKED_ON_MS, 'talked', RANK.hangUp);
}

/** Seconds after which whoever holds is reminded, and then again. */
const REMINDED_MS = 60_000;
const REMINDED_AGAIN_MS = 30_000;

/** An end holds the talk. What it holds already it holds on. */
export function hold(run: Run, call: Talk, end: End): void {
  if (end.holds !== undefined) return;
  end.holds = run.now;
  run.say(call, { t: 0, kind: 'held', phone: end.phone, personId: end.personId });
  run.after(call, REMINDED_MS, 'hold reminder', RANK.timeout, end.n);
}

/** Whoever still holds is reminded; a reminder of a hold that was taken back meanwhile is none. */
export function remind(run: Run, call: CallState, n: number): void {
  const end = call.ends.find((e) => e.n === n);
  if (call.phase !== 'talking' || end?.holds === undefined || run.now - end.holds < REMINDED_MS) return;
  run.say(call, { t: 0, kind: 'hold reminder', phone: end.phone, personId: end.personId });
  run.after(call, REMINDED_AGAIN_MS, 'hold reminder', RANK.timeout, n);
}

/** An end is in the talk again; what its phone talked in meanwhile is held. */
export function takeBack(run: Run, call: Talk, end: End): void {
  if (end.holds === undefined) return;
  holdOthers(run, end.phone, call.request.id);
  delete end.holds;
  run.say(call, { t: 0, kind: 'taken back', phone: end.phone, personId: end.personId });
}

/** From now on a call goes the way of who is left when somebody else goes. */
export function goesOnWith(call: CallState, end: Pick<End, 'phone'>): void {
  call.from = originOf(end, call.request.from);
}

/** Whether two outside parties are left to each other when one of ours goes. */
export const areOutside = (ends: readonly Pick<End, 'phone'>[]): boolean => !ends.some(isOurs);
