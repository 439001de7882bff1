/** What there is to know about a kind of step to read a plan, without taking a call through it. */
import type { CallerTest, Plan, RingTarget, Step, System } from '../../system';
import { recordingSeconds } from '../spoken';
import type { Stop } from '../route';

/** What a step still lacks to do anything: a name for it, the title and the detail of a finding. */
export type Lack = [name: string, title: string, detail: string];

/**
 * What somebody has to be, to press, or to say by the label of what they are asked, to get into a branch. No keys at all, or
 * nothing to say: nobody can.
 */
export type Opener = { test: CallerTest } | { keys: string[] } | { says: Record<string, string> | null };

/** A stop at a step of a certain kind. */
export type StopAt<S extends Step> = Omit<Stop, 'step'> & { step: S };

/** How a kind of step is read. Whatever is absent, steps of this kind do not do. */
export interface StepKind<S extends Step> {
  /** What it is called; a line of a plan begins with it. */
  name: string;
  /** What it does, for whoever chooses a kind. */
  does: string;
  /** Its verb in the middle of a sentence: "then rings". */
  verb: string;
  /** What it does in this system, after its name or verb, without what comes after. */
  what: (step: S, system: System) => string;
  /** What else is said of it, on a second line; empty for nothing. */
  detail?: (step: S, system: System) => string;
  /** What opens a branch of it, in words. @param branch counts from 0 */
  opens?: (step: S, branch: number, system: System) => string;
  /** The same in the middle of a sentence; absent is as `opens`, in small letters. */
  opensInSentence?: (step: S, branch: number) => string;
  /** Seconds after which a call that nobody answers goes on. */
  seconds: (step: S, system: System) => number;
  /** Seconds until a call enters a branch of it; absent is at once. */
  secondsToBranch?: (step: S, system: System) => number;
  /**
   * The steps a call can go on to, null for past the last one. None where the call is recorded, sent to another plan or
   * ended there.
   */
  waysOn: (stop: StopAt<S>) => (string | null)[];
  /** What a call that goes on past it is said to be in a picture; null where every call takes a branch. */
  onward?: string | null;
  lacks: (step: S, plan: Plan, system: System) => Lack | undefined;
  /** Whom it rings. */
  rings?: (step: S) => readonly RingTarget[];
  /** An outside number that takes a call just by lifting: its own voicemail can. */
  liftedBy?: (step: S) => string | undefined;
  /** The plan it sends calls to. */
  sendsTo?: (step: S) => string | null;
  /** Callers may dial extensions there, or spell names. */
  dials?: (step: S) => { extensions: boolean; names: boolean };
  /** How often it asks somebody for keys who presses none. */
  asksForKeys?: (step: S) => number;
  /** Labels of what a caller is asked, under which the answers are kept; `help` is how a caller of a rehearsal answers. */
  asks?: (step: S) => readonly { label: string; help: string }[];
  /** How somebody gets into a branch, where that hangs on who calls or on what they press. */
  openedBy?: (step: S, branch: number, system: System) => Opener | undefined;
}

/** Names as a list: "A, B and C". */
export const list = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

export const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** A recording by its name. */
export const quoted = (id: string | null | undefined, { recordings }: System, none: string): string => {
  const found = id ? recordings[id] : undefined;
  return found ? `“${found.name}”` : none;
};

/** Seconds that a recording takes. */
export const secondsOf = (id: string | null | undefined, { recordings }: System): number =>
  id ? recordingSeconds(recordings[id]) : 0;

/** What a recording says and how long; empty where it takes no time. */
export function said(id: string | null | undefined, system: System): string {
  const recording = id ? system.recordings[id] : undefined;
  const length = secondsOf(id, system);
  return recording && length
    ? `${Math.round(length * 10) / 10} s · ${recording.text || 'no words beside it'}`
    : '';
}

/** Whether a recording has words that callers hear. */
export const isSaid = (id: string | null | undefined, { recordings }: System): boolean =>
  !!(id && recordings[id]?.text);

export const capital = (words: string): string => words[0]!.toUpperCase() + words.slice(1);

/** It does one thing and goes on. */
export const goesOn = ({ next }: { next: string | null }): (string | null)[] => [next];
