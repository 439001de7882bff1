/** What people and phones do to a call, and the timers that do it for them in a rehearsal: each kind is here or does not compile. */
import { calledPerson, ownMailbox, sendToMailbox } from '../people/people';
import { decline, endLeg, endOthers, lift, ownVoicemail, sound } from '../people/ringing';
import { comfort, leaveQueue, lookAgain } from '../queues/queueing';
import {
  RANK,
  type Action,
  type CallState,
  type Leg,
  type Run,
  type TimerKind,
  type Waits,
} from '../base/state';
import { hangUp, press, roundOver, say, silent, timeOut } from '../way/phases';

type OfKind<K extends Action['kind']> = Extract<Action, { kind: K }>;
type ToCall = Exclude<Action['kind'], 'place'>;
type OnLeg = (run: Run, call: CallState, leg: Leg) => void;

/** An act on one of the phones that ring means nothing once that has stopped. */
const onPhone =
  (act: OnLeg) =>
  (run: Run, call: CallState, { phone }: { phone: string }): void => {
    const leg = call.legs.find((l) => l.phone === phone && l.state !== 'over');
    if (leg) act(run, call, leg);
  };

const ACTS: { [K in ToCall]: (run: Run, call: CallState, action: OfKind<K>) => void } = {
  answer: onPhone(lifted),
  decline: onPhone(declined),
  'to mailbox': onPhone(sentToMailbox),
  press: (run, call, { key }) => press(run, call, key),
  say: (run, call, { text }) => say(run, call, text),
  silent: (run, call, { ms }) => silent(run, call, ms),
  'hang up': (run, call, { by }) => hangUp(run, call, by),
};

/** Does what somebody does to a call that is there and not over. */
export const act = (run: Run, call: CallState, action: Exclude<Action, { kind: 'place' }>): void =>
  (ACTS[action.kind] as (run: Run, call: CallState, action: Action) => void)(run, call, action);

/** A timer of one of the phones that ring. */
const ofLeg =
  (due: OnLeg) =>
  (run: Run, call: CallState, n: number): void => {
    const leg = call.legs.find((l) => l.n === n);
    if (leg && leg.state !== 'over') due(run, call, leg);
  };
/** A timer of a wait, which is not void: the call still waits. */
const ofWait =
  (due: (run: Run, call: Waits) => void) =>
  (run: Run, call: CallState): void =>
    due(run, call as Waits);

/** What each timer does; its number is the leg it is about, the token of a wait, or the code of a key. */
const TIMERS: { [K in TimerKind]: (run: Run, call: CallState, number: number) => void } = {
  sound: ofLeg(sound),
  unreachable: ofLeg(unreachable),
  'own voicemail': ofLeg(swallowed),
  answer: ofLeg(lifted),
  confirmed: ofLeg(lifted),
  decline: ofLeg(declined),
  'to mailbox': ofLeg(sentToMailbox),
  'time out': timeOut,
  press: (run, call, code) => press(run, call, String.fromCharCode(code)),
  'longest wait': ofWait((run, call) => leaveQueue(run, call, 'waited too long')),
  comfort: ofWait(comfort),
  'look again': ofWait(lookAgain),
  'give up': (run, call) => {
    if (call.phase !== 'talking') hangUp(run, call, 'caller');
  },
  talked: (run, call) => hangUp(run, call, 'caller'),
};

/** A timer of a call is due and not void. */
export const isDue = (run: Run, call: CallState, timer: TimerKind, number: number): void =>
  TIMERS[timer](run, call, number);

function lifted(run: Run, call: CallState, leg: Leg): void {
  if (!lift(run, call, leg)) return;
  const { waiting } = call;
  call.waiting = null;
  if (waiting) run.serveSoon(waiting.queueId, 0);
  run.begin(call, 'talking', { talkingOn: leg.phone });
  const talks = call.request.behaviour?.caller.talks;
  if (talks !== undefined) run.after(call, talks * 1000, 'talked', RANK.hangUp);
}

/** Only a call that is for one person who has a mailbox: that of one must not take what is for several. */
function sentToMailbox(run: Run, call: CallState, leg: Leg): void {
  const { personId } = leg;
  const mailboxId = personId && calledPerson(run, call) === personId ? ownMailbox(run, call, personId) : null;
  if (!personId || !mailboxId) return declined(run, call, leg);
  endLeg(run, call, leg, 'sent to voicemail');
  endOthers(run, call, 'declined elsewhere');
  sendToMailbox(run, call, personId, mailboxId);
}

function declined(run: Run, call: CallState, leg: Leg): void {
  if (decline(run, call, leg)) roundOver(run, call, 'declined');
}

/** Nothing came back from the phone: it is taken to be gone. */
function unreachable(run: Run, call: CallState, leg: Leg): void {
  endLeg(run, call, leg, 'unreachable');
  if (call.legs.every((l) => l.state === 'over')) roundOver(run, call, 'nobody answered');
}

/** The outside phone's own voicemail takes the call: for the caller it is answered, and lost to the business. */
function swallowed(run: Run, call: CallState, leg: Leg): void {
  if (ownVoicemail(run, call, leg)) run.end(call, 'system', { kind: 'swallowed', phone: leg.phone });
}
