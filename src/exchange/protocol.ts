/** What windows and the live switch say to each other over one BroadcastChannel. */
import type { Action, CallState } from '../core/calls';
import type { Told } from '../core/phone';
import type { Said } from '../workspace';

export const CHANNEL = 'upper-line:exchange';
/** Held by the one worker that runs the switch. */
export const SWITCH_LOCK = 'upper-line:exchange';
/** Held by a softphone's window as long as it is open: this is its registration being alive. */
export const phoneLock = (businessId: string, phoneId: string): string =>
  `upper-line:phone:${businessId}:${phoneId}`;
/** Held by the window of whoever calls from outside. */
export const callerLock = (callId: string): string => `upper-line:caller:${callId}`;

/** Held by a window that is an outside phone with this number, of whatever business it calls. */
export const outsideLock = (number: string): string => `upper-line:outside:${number}`;

export type ToSwitch =
  | { kind: 'act'; id: string; businessId: string; action: Action }
  | { kind: 'say'; id: string; businessId: string; callId: string; said: Said }
  | { kind: 'ask'; businessId: string };

/** A call as windows see it. */
export type LiveCall = Told & {
  /** The one person it is for while it rings, or null. */ calledPerson: string | null;
  /** What was written to it. */ note?: string | undefined;
} & Pick<CallState, 'mailboxId'>;

export type FromSwitch =
  | { kind: 'done'; id: string }
  /** All calls of a business; one that is over is in the list once. */
  | { kind: 'calls'; businessId: string; calls: LiveCall[] }
  /** Something of a business could not be stored or gone on with; said again each time it is tried. Null is that all is well. */
  | { kind: 'trouble'; businessId: string; words: string | null };
