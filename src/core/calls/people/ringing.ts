/** Legs: offering a call to phones, and what becomes of each. */
import {
  accountId,
  ALERT_DELAY,
  alertDelay,
  isInReach,
  isLinked,
  registeredAt,
  type Phone,
} from '../../system';
import { localTime } from '../../hours';
import { actOf, isPlain, whyNot } from './eligible';
import { takenOn } from './patterns';
import { takesPart, whoseTurn } from '../base/on-call';
import { RANK, type CallState, type Leg, type Offer, type Run } from '../base/state';
import { outsideNumber, outsidePhone, type LegEnd, type NotRung, type RingEnd } from '../base/trace';

/** Seconds from lifting a linked phone to pressing the key that takes the call: the request is heard first. Common practice, no source. */
const CONFIRM_MS = 3000;
/** So long after lifting the key may be pressed, though ringing would be over meanwhile. Common practice, no source. */
const CONFIRM_BY_MS = 10_000;
/** A phone from which nothing comes back for so long is given up: timer B, 64 times T1 (RFC 3261 §17.1.1.2). */
const UNREACHABLE_MS = 32_000;
/** Seconds a mobile app takes longer when a push message must wake it first. Common practice, no source. */
const WAKING_SECONDS = 3;

/**
 * Offers the call to everybody given, all at once.
 * @returns how it stands: 'ringing' when at least one phone was offered the call
 */
export function offer(run: Run, call: CallState, offers: readonly Offer[], ms: number): 'ringing' | RingEnd {
  const able: Phone[] = [];
  const owners: (string | null)[] = [];
  const outside: string[] = [];
  let [busy, otherwise] = [false, false];
  for (const { personId, phones, outside: e164 } of offers) {
    if (e164 && isInCall(run, call, outsidePhone(e164))) {
      otherwise = true;
      notRung(run, call, outsidePhone(e164), null, 'is calling');
    } else if (e164 && !outside.includes(e164)) outside.push(e164);
    if (!phones.length && !e164) {
      otherwise = true;
      notRung(run, call, null, personId, 'has no phone');
    }
    for (const phone of phones) {
      if (able.includes(phone)) continue;
      const owner = personId ?? phone.personId;
      const why = whyNot(run, call, phone, owner);
      if (!why) {
        able.push(phone);
        owners.push(owner);
        continue;
      }
      if (why === 'on a call' || why === 'ringing for another call') busy = true;
      else otherwise = true;
      notRung(run, call, phone.id, owner, why);
    }
  }
  if (!able.length && !outside.length) return busy && !otherwise ? 'all on calls' : 'nobody could be rung';
  startRinging(run, call, ms);
  for (let i = 0; i < able.length; i++) ring(run, call, able[i]!, owners[i]!);
  for (const e164 of outside) addOutside(run, call, e164);
  return 'ringing';
}

const notRung = (
  run: Run,
  call: CallState,
  phone: string | null,
  personId: string | null,
  why: NotRung,
): void => run.say(call, { t: 0, kind: 'not rung', phone, personId, why });

/** Offers the call to a phone that can be rung. */
function ring(run: Run, call: CallState, phone: Phone, owner: string | null): void {
  const linked = isLinked(phone);
  const leg = addLeg(
    run,
    call,
    phone.id,
    owner,
    call.how.confirm ||
      (linked && (phone.confirmByKey || call.how.screened === true || call.how.back === true)),
    linked && phone.shows === 'number called' ? calledNumber(run, call) : undefined,
  );
  const wait = wakingSeconds(run, call, phone, owner);
  if (wait === null) return run.after(call, UNREACHABLE_MS, 'unreachable', RANK.timeout, leg.n);
  run.after(call, (alertDelay(phone) + wait) * 1000, 'sound', RANK.phone, leg.n);
  if (linked && phone.ownVoicemailAfter !== null && !leg.confirmByKey)
    run.after(call, phone.ownVoicemailAfter * 1000, 'own voicemail', RANK.phone, leg.n);
}

/** Seconds a phone takes longer to sound because it sleeps; null where nothing reaches it though it is still registered. */
function wakingSeconds(run: Run, call: CallState, phone: Phone, personId: string | null): number | null {
  if (isPlain(run, call, phone, personId)) return 0;
  const account = accountId(phone, personId);
  const registration = run.standing.registrations[account];
  if (isLinked(phone) || !registration?.standIn) return 0;
  const known = run.standing.accounts[account];
  if (isInReach(registration, known)) return 0;
  if (!registeredAt(registration, phone.kind, known, run.now).reached) return null;
  return registration.condition === 'asleep' ? WAKING_SECONDS : 0;
}

/** Rings an outside number that somebody forwards to. @returns how it stands: whoever is in the call is not rung for it */
export function offerOutside(run: Run, call: CallState, e164: string, ms: number): 'ringing' | RingEnd {
  return offer(run, call, [{ personId: null, phones: [], outside: e164 }], ms);
}

const isInCall = (run: Run, call: CallState, phone: string): boolean =>
  run.onCall.get(phone)?.callIds.includes(call.request.id) ?? false;

function addOutside(run: Run, call: CallState, e164: string): void {
  const leg = addLeg(run, call, outsidePhone(e164), null, call.how.confirm);
  run.after(call, ALERT_DELAY['linked mobile'] * 1000, 'sound', RANK.phone, leg.n);
}

function startRinging(run: Run, call: CallState, ms: number): void {
  run.begin(call, 'ringing');
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
}

function addLeg(
  run: Run,
  call: CallState,
  phone: string,
  personId: string | null,
  confirmByKey: boolean,
  sees?: string | null,
): Leg {
  const leg: Leg = { n: ++call.legCount, phone, personId, state: 'offered', confirmByKey };
  call.legs.push(leg);
  run.ringing.set(phone, call.request.id);
  if (sees === undefined) run.say(call, { t: 0, kind: 'leg offered', leg: leg.n, phone, personId });
  else run.say(call, { t: 0, kind: 'leg offered', leg: leg.n, phone, personId, sees });
  return leg;
}

/** The number of the business that was called; inside, the one the business shows. */
function calledNumber(run: Run, call: CallState): string | null {
  const { system } = run.world(call);
  return (call.numberId ? system.numbers[call.numberId]?.e164 : null) ?? system.business.defaultCallerId;
}

/** The phone starts to sound; in a rehearsal, whoever has it now reacts as asked. */
export function sound(run: Run, call: CallState, leg: Leg): void {
  leg.state = 'sounding';
  run.say(call, { t: 0, kind: 'leg sounding', leg: leg.n, phone: leg.phone, personId: leg.personId });
  const act = actOf(call, leg.phone, leg.personId);
  // Outside, the network says that somebody is on a call; one of ours who is has not been rung.
  if (act?.does === 'is on a call' && outsideNumber(leg.phone) !== undefined)
    run.after(call, 0, 'busy', RANK.phone, leg.n);
  else if (act?.does === 'answers') run.after(call, act.after * 1000, 'answer', RANK.human, leg.n);
  else if (act?.does === 'declines') run.after(call, act.after * 1000, 'decline', RANK.human, leg.n);
  else if (act?.does === 'sends to voicemail')
    run.after(call, act.after * 1000, 'to mailbox', RANK.human, leg.n);
  else if (act?.does === 'own voicemail takes it' && hasOwnVoicemail(run, call, leg.phone))
    run.after(call, act.after * 1000, 'own voicemail', RANK.phone, leg.n);
}

/** Phones outside may have a voicemail of their own, which nobody here has a say in. */
function hasOwnVoicemail(run: Run, call: CallState, phone: string): boolean {
  const known = run.world(call).system.phones[phone];
  return known ? isLinked(known) : outsideNumber(phone) !== undefined;
}

/**
 * The phone's own voicemail takes the call; where a key must be pressed first it only listens to being asked.
 * @returns whether the call is now lost to the business
 */
export function ownVoicemail(run: Run, call: CallState, leg: Leg): boolean {
  if (leg.confirmByKey) {
    askToConfirm(run, call, leg);
    return false;
  }
  endLeg(run, call, leg, 'swallowed');
  return true;
}

/** Somebody lifted, or the phone's own voicemail did, which the system cannot tell apart: both are given the time to press. */
function askToConfirm(run: Run, call: CallState, leg: Leg): void {
  leg.state = 'confirming';
  leg.confirmBy = run.now + CONFIRM_BY_MS;
  run.say(call, { t: 0, kind: 'leg asked to confirm', leg: leg.n, phone: leg.phone, personId: leg.personId });
}

/**
 * The time for ringing is over: phones that ring stop, but whoever has lifted one in time may still press the key.
 * @returns whether somebody may
 */
export function mayStillConfirm(run: Run, call: CallState): boolean {
  const lifted = call.legs.filter((l) => l.state === 'confirming' && (l.confirmBy ?? 0) > run.now);
  if (!lifted.length) return false;
  for (const leg of call.legs)
    if (leg.state !== 'over' && !lifted.includes(leg)) endLeg(run, call, leg, 'not answered');
  const until = Math.max(...lifted.map((l) => l.confirmBy!));
  call.until = until;
  run.after(call, until - run.now, 'time out', RANK.timeout);
  return true;
}

/**
 * Somebody lifts a phone.
 * @returns whether the call is now answered (not yet where a key must be pressed first)
 */
export function lift(run: Run, call: CallState, leg: Leg): boolean {
  if (leg.confirmByKey && leg.state !== 'confirming') {
    askToConfirm(run, call, leg);
    // In a real call somebody presses the key, or does not.
    if (call.request.behaviour) run.after(call, CONFIRM_MS, 'confirmed', RANK.human, leg.n);
    return false;
  }
  endLeg(run, call, leg, 'answered');
  endOthers(run, call, 'answered elsewhere');
  takesPart(run, leg.phone, leg.personId, call.request.id);
  tookCall(run, call, leg);
  run.say(call, { t: 0, kind: 'answered', phone: leg.phone, personId: leg.personId });
  return true;
}

/**
 * Somebody declines: all phones of that person stop.
 * @returns whether nobody is left being rung
 */
export function decline(run: Run, call: CallState, leg: Leg): boolean {
  endLeg(run, call, leg, 'declined');
  if (leg.personId)
    for (const other of call.legs)
      if (other.state !== 'over' && other.personId === leg.personId)
        endLeg(run, call, other, 'declined elsewhere');
  return call.legs.every((l) => l.state === 'over');
}

export function endOthers(run: Run, call: CallState, how: LegEnd): void {
  for (const leg of call.legs) if (leg.state !== 'over') endLeg(run, call, leg, how);
}

export function endLeg(run: Run, call: CallState, leg: Leg, how: LegEnd): void {
  leg.state = 'over';
  if (run.ringing.get(leg.phone) === call.request.id) run.ringing.delete(leg.phone);
  run.say(call, { t: 0, kind: 'leg ended', leg: leg.n, phone: leg.phone, personId: leg.personId, how });
}

/** Who took a call is kept in mind, for patterns that are fair to them. */
function tookCall(run: Run, call: CallState, leg: Leg): void {
  const who = whoseTurn(leg.phone, leg.personId);
  const { date } = localTime(run.world(call).system.business.timeZone, run.now);
  if (leg.personId) {
    delete run.memory.letRing?.[leg.personId];
    delete run.memory.missed?.[leg.personId];
  }
  run.memory.taken[who] = { date, calls: takenOn(run.memory, who, date) + 1 };
}
