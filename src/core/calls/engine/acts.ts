/** What people and phones do to a call, and the timers that do it for them in a rehearsal: each kind is here or does not compile. */
import type { NotDone } from '../base/trace';
import { isOurs, type End } from '../base/talk';
import {
  areOutside,
  beginTalk,
  endOf,
  talkedEnough,
  hold,
  remind,
  takeBack,
  talkOutcome,
  type NewEnd,
  type Talk,
} from '../talks/ends';
import { gone, stillGone, thereAgain } from '../talks/faults';
import { announce } from '../talks/announcing';
import { passOn } from '../talks/passing';
import { sendOn } from '../talks/sending-on';
import { noticeOver, pauseRecording, startRecording, stopRecording } from '../talks/recording';
import { listenIn, listensNoLonger, takeFromMailbox } from '../talks/listening';
import { creditDue } from '../talks/credit';
import { allTogether, backTo, joinThem, secondAnswered } from '../talks/second';
import { park, pickUp, takeOver } from '../talks/taking';
import { does } from '../talks/planned';
import { calledPerson, ownMailbox, sendToMailbox } from '../people/people';
import { decline, endLeg, endOthers, lift, ownVoicemail, sound } from '../people/ringing';
import { comfort, leaveQueue, lookAgain } from '../queues/queueing';
import {
  type Action,
  type CallIn,
  type CallState,
  type Leg,
  type OutsideSays,
  type Run,
  type TimerKind,
  type Waits,
} from '../base/state';
import { ownLifted } from '../way/arriving';
import { actInMeeting, recordHere } from '../way/meeting';
import { announced } from '../way/meeting-recorded';
import { hangUp, press, roundOver, say, silent, timeOut } from '../way/phases';

type OfKind<K extends Action['kind']> = Extract<Action, { kind: K }>;
type ToCall = Extract<Action, { callId: string }>['kind'];

/** An act on one of the phones that ring means nothing once that has stopped. */
const onPhone =
  <A extends { phone: string }>(act: (run: Run, call: CallState, leg: Leg, action: A) => void) =>
  (run: Run, call: CallState, action: A): void => {
    const leg = call.legs.find((l) => l.phone === action.phone && l.state !== 'over');
    if (leg) act(run, call, leg, action);
  };

/**
 * An act of one of those in a talk: of ours, for nobody outside may do more than send keys and hang up. What is no longer
 * possible changes nothing, and is said.
 */
const inTalk =
  <A extends { phone: string }>(
    act: (run: Run, call: Talk, end: End, action: A) => NotDone | undefined | void,
  ) =>
  (run: Run, call: CallState, action: A): void => {
    const end = call.phase === 'talking' ? endOf(call, action.phone) : undefined;
    const why =
      call.phase === 'talking' && end && isOurs(end) ? act(run, call, end, action) : 'not in this call';
    if (why) run.refuse(call, action.phone, why);
  };

/** The same, or in a meeting by the phone that meets. */
const inTalkOr =
  (
    talks: (run: Run, call: Talk, end: End) => NotDone | undefined,
    meets: (run: Run, call: CallIn<'meeting'>, who: NewEnd) => NotDone | undefined,
  ) =>
  (run: Run, call: CallState, action: { phone: string }): void => {
    if (call.phase !== 'meeting') return inTalk(talks)(run, call, action);
    const { from } = call.request;
    const personId = run.world(call).system.phones[action.phone]?.personId ?? null;
    const why =
      from.kind === 'phone' && from.phoneId === action.phone
        ? meets(run, call, { phone: action.phone, personId })
        : 'not in this call';
    if (why) run.refuse(call, action.phone, why);
  };

/** An act of a phone that is not in the call yet. */
const byPhone =
  (act: (run: Run, call: CallState, by: NewEnd) => NotDone | undefined) =>
  (run: Run, call: CallState, { phone }: { phone: string }): void => {
    const { phones } = run.world(call).system;
    const personId = phones[phone]?.personId ?? null;
    const why = phones[phone] ? act(run, call, { phone, personId }) : 'not your phone';
    if (why) run.refuse(call, phone, why);
  };

const ACTS: { [K in ToCall]: (run: Run, call: CallState, action: OfKind<K>) => void } = {
  answer: onPhone(lifted),
  decline: onPhone(declined),
  'to mailbox': onPhone(sentToMailbox),
  press: (run, call, { key }) => press(run, call, key),
  say: (run, call, { text }) => say(run, call, text),
  silent: (run, call, { ms }) => silent(run, call, ms),
  'hang up': (run, call, { by, phone }) => hangUp(run, call, by, phone),
  hold: inTalk((run, call, end) => hold(run, call, end)),
  'take back': inTalk((run, call, end) => takeBack(run, call, end)),
  'pass on': inTalk((run, call, end, { to, ifNobody }) => passOn(run, call, end, to, ifNobody)),
  join: inTalk(joinThem),
  'back to': inTalk(backTo),
  'all together': inTalk(allTogether),
  park: inTalk(park),
  record: inTalkOr(startRecording, recordHere),
  'stop recording': inTalkOr(stopRecording, stopRecording),
  'pause recording': inTalkOr(pauseRecording, pauseRecording),
  'send on': (run, call, { personId, to }) => {
    const why = sendOn(run, call, personId, to);
    if (why) run.say(call, { t: 0, kind: 'not done', phone: null, personId, why });
  },
  'send keys': (run, call, { phone, keys }) => {
    const end = endOf(call, phone);
    if (!end) return run.refuse(call, phone, 'not in this call');
    run.say(call, { t: 0, kind: 'keys sent', phone, personId: end.personId, count: keys.length });
  },
  gone: inTalk(gone),
  'there again': inTalk(thereAgain),
  'pick up': byPhone((run, call, by) =>
    call.phase === 'message' ? takeFromMailbox(run, call, by) : pickUp(run, call, by),
  ),
  'listen in': byPhone(listenIn),
  'listen no longer': byPhone(listensNoLonger),
  'take over': byPhone((run, call, by) =>
    call.phase === 'talking' ? takeOver(run, call, by) : 'not in this call',
  ),
  'in a meeting': (run, call, { does }) => {
    const why = actInMeeting(run, call, does);
    if (why) run.say(call, { t: 0, kind: 'not done', phone: null, personId: null, why });
  },
  outside: onPhone((run, call, leg, { is }) => outsideSays(run, call, leg, is)),
};

/** Does what somebody does to a call that is there and not over. */
export const act = (run: Run, call: CallState, action: OfKind<ToCall>): void =>
  (ACTS[action.kind] as (run: Run, call: CallState, action: Action) => void)(run, call, action);

/** What a timer does that is due and not void. @param number the leg it is about, the token of a wait, or the code of a key */
export function isDue(run: Run, call: CallState, timer: TimerKind, number: number): void {
  switch (timer) {
    case 'sound':
    case 'answer':
    case 'confirmed':
    case 'decline':
    case 'to mailbox':
    case 'busy':
    case 'unreachable':
    case 'own voicemail': {
      const leg = call.legs.find((l) => l.n === number);
      return leg && leg.state !== 'over' ? isDueOf(run, call, leg, timer) : undefined;
    }
    case 'time out':
      return timeOut(run, call);
    case 'press':
      return press(run, call, String.fromCharCode(number));
    case 'give up':
      // Whoever has talked already waits as long as it takes.
      return call.endCount ? undefined : hangUp(run, call, 'caller');
    case 'talked':
      return talkedEnough(run, call);
    // Timers of a wait: they are not void, so the call still waits.
    case 'longest wait':
      return leaveQueue(run, call as Waits, 'waited too long');
    case 'comfort':
      return comfort(run, call as Waits);
    case 'look again':
      return lookAgain(run, call as Waits);
    case 'credit':
      return creditDue(run, call, number);
    case 'recording':
      return call.phase === 'meeting' ? announced(run, call, number) : noticeOver(run, call, number);
    case 'does':
      return does(run, call, number, (action) => act(run, call, action));
    case 'hold reminder':
      return remind(run, call, number);
    case 'still gone':
      return stillGone(run, call, number);
    case 'long joined':
      return run.end(call, 'system', talkOutcome(call));
  }
}

/** The same of one of the phones that ring. */
function isDueOf(run: Run, call: CallState, leg: Leg, timer: OfLeg): void {
  switch (timer) {
    case 'sound':
      return sound(run, call, leg);
    case 'answer':
    case 'confirmed':
      return lifted(run, call, leg);
    case 'decline':
      return declined(run, call, leg);
    case 'to mailbox':
      return sentToMailbox(run, call, leg);
    case 'busy':
      return outsideSays(run, call, leg, 'busy');
    case 'unreachable':
      return unreachable(run, call, leg);
    case 'own voicemail':
      return swallowed(run, call, leg);
  }
}
type OfLeg = Extract<
  TimerKind,
  'sound' | 'answer' | 'confirmed' | 'decline' | 'to mailbox' | 'busy' | 'unreachable' | 'own voicemail'
>;

function lifted(run: Run, call: CallState, leg: Leg): void {
  const asksForKey = leg.confirmByKey && leg.state !== 'confirming';
  if (!asksForKey && ownLifted(run, call, leg)) return;
  if (!lift(run, call, leg)) return;
  announce(run, call, leg.phone);
  const { waiting } = call;
  call.waiting = null;
  if (waiting) run.serveSoon(waiting.queueId, 0);
  if (waiting) call.servedFrom = { queueId: waiting.queueId, stepId: waiting.stepId };
  if (secondAnswered(run, call, leg)) return;
  const talk = beginTalk(run, call, leg);
  if (areOutside(talk.ends)) call.joined = true;
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

/** What the network says of an outside number that is called. */
function outsideSays(run: Run, call: CallState, leg: Leg, is: OutsideSays): void {
  if (is === 'own voicemail') return swallowed(run, call, leg);
  endLeg(run, call, leg, is);
  if (call.legs.every((l) => l.state === 'over'))
    roundOver(run, call, is === 'busy' ? 'all on calls' : 'nobody could be rung');
}

/** The outside phone's own voicemail takes the call: for the caller it is answered, and lost to the business. */
function swallowed(run: Run, call: CallState, leg: Leg): void {
  // Whoever called there talks to the machine, and knows what to do.
  if (call.onward.kind === 'outside') {
    run.say(call, { t: 0, kind: 'machine', phone: leg.phone });
    return lifted(run, call, leg);
  }
  if (ownVoicemail(run, call, leg)) run.end(call, 'system', { kind: 'swallowed', phone: leg.phone });
}
