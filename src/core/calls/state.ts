/** A call in progress, as plain data: it can be stored, sent to another window and taken up there. */
import type { System } from '../system';
import type { CallRequest } from './request';
import type { Happening, Trace } from './trace';
import type { Standing } from '../system';
import type { World } from './world';

export interface Leg {
  /** Counts from 1 within the call. */
  n: number;
  phone: string;
  personId: string | null;
  state: 'offered' | 'sounding' | 'confirming' | 'over';
  confirmByKey: boolean;
}

/** Where a call goes on when ringing came to nothing. */
export type Onward =
  { kind: 'step'; stepId: string | null } | { kind: 'own mailbox'; personId: string } | { kind: 'nobody' };

/** Ringing one person by their own rules. */
export interface PersonRing {
  personId: string;
  /** Which step of their reach is rung. */
  index: number;
  rung: boolean;
  sawBusy: boolean;
  /** Moment at which the plan's patience ends, or null. */
  until: number | null;
}

/** What the caller is in the middle of. */
export type Phase = 'waiting' | 'prompt' | 'ringing' | 'talking' | 'greeting' | 'tone' | 'message' | 'over';

export interface CallState {
  request: CallRequest;
  /** Which version of the system the call arrived under; it keeps it to its end. */
  version: number;
  phase: Phase;
  /** Raised with every phase; timers of an earlier phase are void. */
  turn: number;
  numberId: string | null;
  planId: string | null;
  stepId: string | null;
  legs: Leg[];
  legCount: number;
  /** Ring targets that are still to come when rung one after the other. */
  queue: { personId: string | null; phoneId: string | null }[];
  /** Milliseconds each of them is rung. */
  roundMs: number;
  person: PersonRing | null;
  onward: Onward;
  redirects: number;
  /** People and outside numbers the call has been sent to. */
  chain: string[];
  /** Moment at which the present phase began. */
  since: number;
  /** Moment at which the present ringing, prompt or recording ends by itself, or null. */
  until: number | null;
  talkingOn: string | null;
  mailboxId: string | null;
  trace: Trace;
}

/** Human actions come before what phones do by themselves, and both before time-outs of the same millisecond. */
export const RANK = { human: 0, phone: 1, timeout: 2 } as const;

/** What people do to calls while they happen. */
export type Action =
  | { kind: 'place'; request: CallRequest }
  | { kind: 'answer'; callId: string; phone: string }
  | { kind: 'decline'; callId: string; phone: string }
  | { kind: 'hang up'; callId: string; by: 'caller' | 'called' };

export type TimerKind =
  | 'sound'
  | 'unreachable'
  | 'own voicemail'
  | 'answer'
  | 'confirmed'
  | 'decline'
  | 'time out'
  | 'give up'
  | 'talked';

export interface Due {
  t: number;
  rank: number;
  seq: number;
  what:
    | { kind: 'action'; action: Action }
    | { kind: 'timer'; timer: TimerKind; callId: string; turn: number; leg: number };
}

/** What the parts of the engine need of it. */
export interface Run {
  now: number;
  standing: Standing;
  world(call: CallState): World;
  /** Adds to the call's trace, at the present moment. */
  say(call: CallState, happening: Happening): void;
  /** Sets a timer, void once the call has gone on to another phase. */
  after(call: CallState, ms: number, timer: TimerKind, rank: number, leg?: number): void;
  /** Starts a phase: timers of the one before are void. */
  begin(call: CallState, phase: Phase): void;
  /** Phones that are on a call, with the call's id and whose call it is. */
  onCall: Map<string, { callId: string; personId: string | null }>;
  /** Phones that are being rung, with the call's id. */
  ringing: Map<string, string>;
}

export interface Snapshot {
  now: number;
  seq: number;
  version: number;
  queue: Due[];
  calls: CallState[];
  /** Earlier versions of the system that calls in progress still go by. */
  systems: [number, System][];
}
