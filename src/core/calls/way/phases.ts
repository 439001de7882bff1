/** What becomes of a call in each phase when its time is over, the caller presses or says something, or somebody hangs up. */
import { finish, inboxTimeOut, keyInInbox } from '../mailbox/inbox';
import { endMessage, messageOver, record, tone } from '../mailbox/voicemail';
import { ringingOver } from '../people/people';
import { mayStillConfirm } from '../people/ringing';
import { keyInQueue, notTaken } from '../queues/queueing';
import type { CallIn, CallState, Phase, Run, Waits } from '../base/state';
import { stopOf } from '../base/stop';
import { CALLER, partyOf, type End } from '../base/talk';
import { endOf, leaves } from '../talks/ends';
import { hungUpMoving, hungUpSecond } from '../talks/second';
import { notFetched } from '../talks/taking';
import type { Outcome, RingEnd } from '../base/trace';
import { answerGiven, askedEnough, hungUpWhileAsked, keyWhileAsked } from './asking/asking';
import { keyAtMailbox } from './mailbox-keys';
import { keyInMeeting, leaveMeeting, meetingTimeOut, nameSaid } from './meeting';
import { menuTimeOut, pressInMenu } from './menu';
import { named, namedEnough } from './named';
import { endAfterPlaying } from './steps';

/** Where there is nothing, it means nothing in that phase. */
interface Rules<P extends Phase> {
  /** The phase has run its time. */
  timeOut?: (run: Run, call: CallIn<P>) => void;
  /** The caller presses a key. */
  press?: (run: Run, call: CallIn<P>, key: string) => void;
  /** A live caller says something in words. */
  say?: (run: Run, call: CallIn<P>, text: string) => void;
  /** Whoever speaks has been silent for so many milliseconds. */
  silent?: (run: Run, call: CallIn<P>, ms: number) => void;
  /** What the call was in when somebody hung up, or what is done then. */
  hangUp:
    | Extract<Outcome, { kind: 'hung up' }>['during']
    | ((run: Run, call: CallIn<P>, by: 'caller' | 'called', phone: string | undefined) => void);
}

const whileWaiting = (run: Run, call: CallState, key: string): void => {
  if (call.waiting) keyInQueue(run, call as Waits, key);
};

const PHASES: { [P in Phase]: Rules<P> } = {
  waiting: { press: whileWaiting, hangUp: 'greeting' },
  prompt: { timeOut: promptOver, press: whileWaiting, hangUp: 'prompt' },
  menu: { timeOut: menuTimeOut, press: pressInMenu, hangUp: 'menu' },
  asked: { timeOut: askedEnough, press: keyWhileAsked, say: answerGiven, hangUp: hungUpWhileAsked },
  naming: { timeOut: namedEnough, press: whileWaiting, say: named, hangUp: 'question' },
  queued: { press: whileWaiting, hangUp: 'wait' },
  ringing: {
    timeOut: (run, call) => {
      if (!mayStillConfirm(run, call)) roundOver(run, call, 'nobody answered');
    },
    press: whileWaiting,
    hangUp: (run, call, by) => {
      if (by === 'caller' && hungUpSecond(run, call)) return;
      run.end(call, by, { kind: 'hung up', during: 'ringing' });
    },
  },
  talking: {
    hangUp: (run, call, by, phone) => {
      const end = whoHangsUp(call, by, phone);
      if (!end) return run.refuse(call, phone ?? CALLER, 'not in this call');
      if (hungUpMoving(run, call, end)) return;
      const { from } = call.request;
      if (from.kind === 'phone' && from.phoneId === end.phone && hungUpSecond(run, call)) return;
      // Who is named by their phone counts as what they are, whoever sent it.
      const goes = partyOf(call.request.from, call.from);
      leaves(run, call, end, phone === undefined ? by : end.phone === goes ? 'caller' : 'called');
    },
  },
  parked: { timeOut: notFetched, hangUp: 'wait' },
  greeting: { timeOut: tone, press: keyAtMailbox, hangUp: 'greeting' },
  tone: { timeOut: record, press: keyAtMailbox, hangUp: 'greeting' },
  message: {
    timeOut: messageOver,
    press: keyAtMailbox,
    silent: (run, call, ms) => endMessage(run, call, 'system', ms),
    hangUp: (run, call) => endMessage(run, call, 'caller'),
  },
  inbox: { timeOut: inboxTimeOut, press: keyInInbox, hangUp: finish },
  meeting: { timeOut: meetingTimeOut, press: keyInMeeting, say: nameSaid, hangUp: leaveMeeting },
  over: { hangUp: () => undefined },
};

/** The same, each with all of its rules: what is there in every one of them is found faster. */
const ALIKE = Object.fromEntries(
  Object.entries(PHASES).map(([phase, { timeOut, press, say, silent, hangUp }]) => [
    phase,
    { timeOut, press, say, silent, hangUp },
  ]),
) as unknown as Record<Phase, Rules<Phase>>;
const rulesOf = (call: CallState): Rules<Phase> => ALIKE[call.phase];

/** A prompt, menu, question, greeting, tone or recording has run its time. */
export const timeOut = (run: Run, call: CallState): void => rulesOf(call).timeOut?.(run, call);
/** The caller presses a key; where none is waited for it means nothing. */
export const press = (run: Run, call: CallState, key: string): void => rulesOf(call).press?.(run, call, key);
/** A live caller says something. */
export const say = (run: Run, call: CallState, text: string): void => rulesOf(call).say?.(run, call, text);
/** Whoever speaks has been silent for so many milliseconds. */
export const silent = (run: Run, call: CallState, ms: number): void => rulesOf(call).silent?.(run, call, ms);

/** Which of those in a talk hangs up: the phone named; else who goes the call's way, or the first of the others. */
function whoHangsUp(call: CallIn<'talking'>, by: 'caller' | 'called', phone?: string): End | undefined {
  if (phone !== undefined) return endOf(call, phone);
  const goes = partyOf(call.request.from, call.from);
  return call.ends.find((e) => (e.phone === goes) === (by === 'caller'));
}

/** Somebody hangs up. @param phone which of those in a talk; without it who goes the call's way, or who talks with them */
export function hangUp(run: Run, call: CallState, by: 'caller' | 'called', phone?: string): void {
  const { hangUp } = rulesOf(call);
  if (typeof hangUp === 'function') return hangUp(run, call, by, phone);
  run.end(call, by, { kind: 'hung up', during: hangUp });
}

function promptOver(run: Run, call: CallState): void {
  const { step, next } = stopOf(run, call);
  if ('recordingId' in step && step.recordingId)
    run.say(call, { t: 0, kind: 'prompt ended', recordingId: step.recordingId });
  const end = endAfterPlaying(step);
  if (end) return run.end(call, 'system', end);
  run.enter(call, next);
}

/** A round of ringing came to nothing: back into the queue the call waits in, or on. */
export function roundOver(run: Run, call: CallState, how: RingEnd): void {
  if (call.waiting) notTaken(run, call as Waits, how);
  else ringingOver(run, call, how);
}
