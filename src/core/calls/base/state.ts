/** A call in progress, as plain data: it can be stored, sent to another window and taken up there. */
export * from './actions';
export * from './caller-in';
export * from './memory';
export * from './rung';
import type { Due, TimerKind } from './actions';
import type { Asking, DialIn, InMeeting, InMenu, Waiting } from './caller-in';
import type { Memory } from './memory';
import type { Leg, Onward, PersonRing, Rung } from './rung';
import type { Rates, Standing, System, Weights } from '../../system';
import type { Held } from '../../messages';
import type { CallRequest, Origin } from './request';
import type { End, Parked, Passing } from './talk';
import type { CameBack, NotDone, Outcome, Said, Trace } from './trace';
import type { World } from './world';

/** What a call has in each phase besides what every call has: what the caller is in the middle of. */
interface InPhase {
  waiting: object;
  prompt: object;
  menu: { menu: InMenu };
  asked: { asking: Asking };
  naming: object;
  queued: object;
  ringing: object;
  talking: { ends: End[] };
  parked: { parked: Parked };
  greeting: { mailboxId: string };
  tone: { mailboxId: string };
  message: { mailboxId: string };
  inbox: { dialIn: DialIn };
  meeting: { meeting: InMeeting };
  over: object;
}
export type Phase = keyof InPhase;

/** How a call is recorded. */
export interface Recorded {
  /** The phone it was begun on, with its person; null is by rule. */
  by: string | null;
  personId: string | null;
  consent: 'one' | 'all';
  is: 'announced' | 'on' | 'paused';
  /** Epoch milliseconds: since when it is so. */
  since: number;
}

/** What every call has. */
export interface AnyCall {
  request: CallRequest;
  /** Who goes this way: who called, or who was left when the caller passed them on. */
  from: Origin;
  /** Which version of the system the call arrived under; it keeps it to its end. */
  version: number;
  /** Raised with every phase; timers of an earlier phase are void. */
  turn: number;
  numberId: string | null;
  planId: string | null;
  stepId: string | null;
  legs: Leg[];
  legCount: number;
  /** Ring targets that are still to come when rung one after the other. */
  queue: Rung[];
  /** Who of them is next is drawn by these weights, by person, phone or number; absent where they are rung in order. */
  weights?: Weights | undefined;
  /** Milliseconds each of them is rung. */
  roundMs: number;
  /** Whose turn is kept in mind while several are rung in turn: a step, a group or a queue. */
  turnsOf: string | null;
  /** How the phones of the step that rings now are rung. */
  how: {
    /** Phones that are on a call are rung as well: the call knocks. */
    ringBusy: boolean;
    /** Whoever lifts presses a key to take the call, on whatever phone. */
    confirm: boolean;
    /** The caller has said a name: on phones that cannot show it, it is told before the call is taken. */
    screened?: boolean;
    /** It comes back to who passed it on: their linked phones take it by key. */
    back?: boolean;
  };
  /** What came of the rounds of this step so far. */
  saw: { rung: boolean; busy: boolean; nobody: boolean };
  person: PersonRing | null;
  onward: Onward;
  /**
   * Who dialled somebody from a menu goes on as if no key had been pressed where nobody takes it and there is no mailbox:
   * the plan and the step, past its end where that is null. Absent where nobody was dialled so.
   */
  backTo?: { planId: string; stepId: string | null } | undefined;
  redirects: number;
  /** Menus that the caller has chosen in by key, the last at the end: where a key for *back* leads. Absent is none. */
  menusBefore?: { planId: string; stepId: string }[] | undefined;
  /** People and outside numbers the call has been sent to. */
  chain: string[];
  menu: InMenu | null;
  waiting: Waiting | null;
  asking: Asking | null;
  /** Entries of the caller's keys used so far. */
  pressed: number;
  /** How often chance was asked. */
  drawn: number;
  /** Somebody listens to a mailbox by keypad; absent where nobody does. */
  dialIn?: DialIn | undefined;
  /** The caller called shortly before already. */
  again?: boolean | undefined;
  /** Moment at which the present phase began. */
  since: number;
  /** Moment at which the present ringing, prompt or recording ends by itself, or null. */
  until: number | null;
  /** Those in the talk; nobody where there is none. */
  ends: End[];
  /** How many ends there have been. */
  endCount: number;
  /** Two outside parties may stay in the talk: somebody passed one on to the other. */
  joined?: boolean | undefined;
  /** It is recorded, or about to be once all have heard that; absent where it is not. */
  recorded?: Recorded | undefined;
  /** Phones that listen while a message is left. */
  listening?: Pick<End, 'phone' | 'personId'>[] | undefined;
  /** Somebody has passed the call on, and nobody has taken it yet. */
  passing: Passing | null;
  parked: Parked | null;
  /** The queue it was last put through from, to whose head it goes where it was passed on and nobody took it. */
  servedFrom?: { queueId: string; stepId: string | null } | undefined;
  mailboxId: string | null;
  /** They meet with others; absent where they do not. */
  meeting?: InMeeting | undefined;
  /** After the talk the caller is asked what a dialogue asks; the call then ends as the talk did. */
  afterwards?: { dialogueId: string; outcome: Outcome } | undefined;
  trace: Trace;
}

/** A call in a certain phase. */
export type CallIn<P extends Phase> = Omit<AnyCall, keyof InPhase[P]> & InPhase[P] & { phase: P };
/** A call: what it has besides what every call has hangs on its phase. */
export type CallState = { [P in Phase]: CallIn<P> }[Phase];

const OWN: { [P in Phase]: readonly (keyof InPhase[P])[] } = {
  waiting: [],
  prompt: [],
  menu: ['menu'],
  asked: ['asking'],
  naming: [],
  queued: [],
  ringing: [],
  talking: ['ends'],
  parked: ['parked'],
  greeting: ['mailboxId'],
  tone: ['mailboxId'],
  message: ['mailboxId'],
  inbox: ['dialIn'],
  meeting: ['meeting'],
  over: [],
};
/** Whether a call has what its phase needs. */
export const isWhole = (call: AnyCall & { phase: Phase }): boolean =>
  OWN[call.phase].every((key) => call[key as keyof AnyCall] != null) &&
  (call.phase !== 'queued' || call.waiting !== null) &&
  (call.phase !== 'talking' || call.ends.length > 0);

/** A call that waits in a queue: there, or while it rings at those who serve it. */
export type Waits = CallState & { waiting: Waiting };

/** What a phase needs to begin; nothing where it has nothing of its own. */
export type Begins<P extends Phase> = keyof InPhase[P] extends never ? [] : [InPhase[P]];

/**
 * Starts a phase of a call: what was only of the one before is gone.
 * @param now epoch milliseconds @returns the same call
 */
export function beginPhase<P extends Phase>(
  call: CallState,
  phase: P,
  now: number,
  ...[own]: Begins<P>
): CallIn<P> {
  const changed = call as Omit<AnyCall, never> & { phase: Phase };
  changed.phase = phase;
  changed.turn++;
  changed.since = now;
  changed.until = null;
  changed.menu = null;
  changed.asking = null;
  changed.ends = NOBODY;
  changed.listening = undefined;
  changed.meeting = undefined;
  if (phase === 'ringing') changed.legs = [];
  if (own) Object.assign(call, own);
  return call as unknown as CallIn<P>;
}

/** Shared by all calls that are no talk; nothing is ever added to it. */
const NOBODY: End[] = [];

/** A call that has just been placed. */
export const newCall = (request: CallRequest, version: number, now: number): CallIn<'waiting'> => ({
  request,
  from: request.from,
  version,
  phase: 'waiting',
  turn: 0,
  numberId: null,
  planId: null,
  stepId: null,
  legs: [],
  legCount: 0,
  queue: [],
  roundMs: 0,
  turnsOf: null,
  how: { ringBusy: false, confirm: false },
  saw: { rung: false, busy: false, nobody: false },
  person: null,
  onward: { kind: 'step', stepId: null },
  redirects: 0,
  chain: [],
  menu: null,
  waiting: null,
  asking: null,
  pressed: 0,
  drawn: 0,
  since: now,
  until: null,
  ends: NOBODY,
  endCount: 0,
  passing: null,
  parked: null,
  mailboxId: null,
  trace: [],
  // What most calls never have stands here as well: objects that all have the same properties are read a tenth faster.
  weights: undefined,
  backTo: undefined,
  menusBefore: undefined,
  dialIn: undefined,
  again: undefined,
  joined: undefined,
  recorded: undefined,
  listening: undefined,
  servedFrom: undefined,
  meeting: undefined,
  afterwards: undefined,
});

/**
 * In one and the same millisecond whoever hangs up comes first, so that who arrives then finds them free; then phones that
 * are gone, then who answers or is called, then what people do to calls that go on, then what phones do by themselves, then
 * time-outs.
 */
export const RANK = { hangUp: -1, fault: -0.5, human: 0, act: 0.5, phone: 1, timeout: 2 } as const;

/** The calls a phone is on. */
export interface OnCall {
  callIds: string[];
  personId: string | null;
}

/** A time of a calendar as it is kept; epoch milliseconds. */
export interface Taken {
  id: string;
  from: number;
  to: number;
  /** It was given back: it takes nothing any more. */
  off?: boolean;
  /** What it is given back or moved by, from the number that made it. */
  code?: string;
  number?: string | null;
}

/** What the parts of the engine need of it. */
export interface Run {
  now: number;
  standing: Standing;
  memory: Memory;
  /** What calls out cost, where whoever runs the engine has said so. */
  rates: Rates | null;
  /** The version under which calls arrive now. */
  newest: number;
  /** Messages that lie in a mailbox, the oldest first. */
  held(mailboxId: string): Held[];
  /** Calls that have come to a meeting room, in the order they came. */
  meeting(roomId: string): CallState[];
  /** What is kept of a calendar: with its id, also where it was given back. */
  taken(calendarId: string): readonly Taken[];
  world(call: CallState): World;
  /** Whether somebody may wait in a queue: false where nobody does. */
  isWaitedIn(queueId: string): boolean;
  /** Calls that wait in a queue, the one that came first at the head. */
  waitingIn(queueId: string): Waits[];
  /** The call now waits in a queue, last or before all others. */
  join(queueId: string, call: CallState, atHead?: boolean): void;
  /** Looks again, at a moment from now on, whether somebody waiting can be put through. */
  serveSoon(queueId: string, ms: number): void;
  /** Adds to the call's trace, at the present moment. @param event made for this trace alone */
  say(call: CallState, event: Said): void;
  /** Sets a timer, void once the call has gone on to another phase. */
  after(call: CallState, ms: number, timer: TimerKind, rank: number, leg?: number): void;
  /** Starts a phase: timers of the one before are void. */
  begin<P extends Phase>(call: CallState, phase: P, ...own: Begins<P>): CallIn<P>;
  /** Phones that are on calls, held ones among them, with the calls' ids and whose they are. */
  onCall: Map<string, OnCall>;
  /** Phones that are being rung, with the call's id. */
  ringing: Map<string, string>;
  /** The call goes on to a step of its plan; null is past the last one. */
  enter(call: CallState, stepId: string | null): void;
  /** Somebody passed the call on, and nobody took it there: what was said to become of it then. */
  notTaken(call: CallState, how: CameBack): void;
  /** One of ours hangs up on a caller who is asked afterwards. @returns whether they are asked */
  askAfterwards(call: CallIn<'talking'>, end: End): boolean;
  /** A call that goes on, by its id. */
  callOf(callId: string): CallState | undefined;
  /** A call is placed at the present moment. */
  place(request: CallRequest): void;
  /** The call that waits in a slot. */
  parkedIn(slot: string): CallState | undefined;
  /** What is due in the present phase of one call is due in that of the other. @param legs what its legs are counted up by */
  handTimers(from: CallState, to: CallState, legs: number): void;
  /** Calls that go on and were placed about another. */
  callsAbout(callId: string): CallState[];
  /** The call is over for it went on in another, or is let go: the one it was about is left as it is. */
  endQuietly(call: CallState, outcome: Outcome): void;
  /** The mailbox that a call would come to if it arrived now and nobody answered, or null. */
  mailboxAhead(call: CallState): string | null;
  /** Something somebody did is no longer possible, or not allowed: nothing has changed. */
  refuse(call: CallState, phone: string, why: NotDone): void;
  /** The call is over. */
  end(call: CallState, by: 'caller' | 'called' | 'system', outcome: Outcome): void;
}

/** Calls in progress as they are stored. @template S what stands for a system: it, or where it is found */
export interface Snapshot<S = System> {
  now: number;
  seq: number;
  version: number;
  queue: Due[];
  calls: CallState[];
  /** Earlier versions of the system that calls in progress still go by. */
  systems: [number, S][];
  memory: Memory;
}
