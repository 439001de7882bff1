/** What the caller is in the middle of: a menu, a wait, a question, a meeting. */
import type { Held } from '../../messages';

/** The caller is in a menu. */
export interface InMenu {
  /** How often it has been played. */
  tries: number;
  /** Keys pressed so far. */
  digits: string;
  /** What keys are read as: a choice, a name being spelt, or one of several people found. */
  mode: 'keys' | 'name' | 'choose';
  found: string[];
}

/** Where somebody is who listens by keypad. */
export interface DialIn {
  mailboxId: string | null;
  stage: 'extension' | 'pin' | 'menu' | 'message' | 'after' | 'goodbye';
  /** The PIN was right. */
  open: boolean;
  digits: string;
  /** How often the present menu was said, or a PIN was wrong. */
  times: number;
  wrong: number;
  /** What is listened to, and which of it. */
  list: Held[];
  index: number;
}

/** The caller waits in a queue. */
export interface Waiting {
  queueId: string;
  /** The step it was entered by, or null where its extension was dialled. */
  stepId: string | null;
  since: number;
  /** Marks the timers that belong to this wait. */
  token: number;
  /** Those who were rung and did not take it, since all were last tried. */
  tried: string[];
  /** It will be looked again by itself whether somebody is free. */
  looks: boolean;
  /** Moment at which it was last offered to somebody. */
  offered?: number;
}

/** The caller is being asked something. */
export interface Asking {
  index: number;
  part: 'question' | 'answer' | 'told';
  heard: string;
  /** How often it has been put; absent is once. */
  time?: number;
  /** Times that were offered, epoch milliseconds. */
  offers?: number[];
  /** The own answer of which it was asked back whether it is meant. */
  meant?: string;
  /** What is asked after what is told; absent is the next question. */
  next?: string;
}

/** Somebody comes to a meeting, or is in it. */
export interface InMeeting {
  roomId: string;
  /** A PIN or a name is waited for, the host is, or they are in. */
  stage: 'pin' | 'name' | 'waits' | 'in';
  as: 'host' | 'member';
  digits: string;
  wrong: number;
  /** The others do not hear them. */
  muted: boolean;
}
