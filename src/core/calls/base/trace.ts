/**
 * What comes out of the engine: an ordered list of what happened. Times are milliseconds from arrival; where one is anything
 * else its name says so.
 */
import type { ForwardTarget, Occasion, PassTarget, QueueWay, StarCode } from '../../system';
import type { Destination, Origin } from './request';
import type { Shown } from './shown';

/** Why a phone was not rung. */
export type NotRung =
  | 'do not disturb'
  | 'do not disturb on this phone'
  | 'switched off'
  | 'away'
  | 'quiet hours'
  | 'outside working hours'
  | 'not paired'
  | 'number not proved'
  | 'not registered'
  | 'outside the office'
  | 'on a call'
  | 'ringing for another call'
  | 'is calling'
  | 'has no phone'
  | 'not logged in'
  | 'after a call'
  | 'paused';

/** What keeps a call from going out. */
export type NotAllowed =
  | 'calls abroad'
  | 'this country'
  | 'premium numbers'
  | 'the limit of the day'
  | 'the credit is used up'
  | 'it looks like fraud';

/** How ringing one phone ended. */
export type LegEnd =
  | 'answered'
  | 'declined'
  | 'sent to voicemail'
  | 'declined elsewhere'
  | 'answered elsewhere'
  | 'not answered'
  | 'cancelled'
  | 'unreachable'
  | 'swallowed'
  /** An outside number that is engaged, or that nobody has. */
  | 'busy'
  | 'not in service'
  /** The phone rings on, for a call that took this one's place. */
  | 'handed on';

/** How a round of ringing ended without an answer. */
export type RingEnd = 'nobody answered' | 'nobody could be rung' | 'all on calls' | 'declined';

/** Why a call comes back to who had it. */
export type CameBack = RingEnd | 'not in service' | 'not fetched' | 'their phone was gone';

/** Why something that was done to a call came to nothing. */
export type NotDone =
  | 'it is over'
  | 'not in this call'
  | 'somebody was faster'
  | 'somebody is asked about it'
  | 'nobody was called about it'
  | 'more than two are in it'
  | 'eight are in it'
  | 'no slot is free'
  | 'no slots are set up'
  | 'nobody waits there'
  | 'they wait there already'
  | 'to yourself'
  | 'they are in it already'
  | 'an emergency number'
  | 'not in service'
  | 'nobody you share a group with is rung'
  | 'not your phone'
  | 'not your mailbox'
  | 'nobody leaves a message there'
  | 'you may not call there'
  | 'calls are not recorded here'
  | 'you may not record'
  | 'it is recorded already'
  | 'it is not recorded'
  | 'it is recorded by rule';

export type Outcome =
  | { kind: 'answered'; phone: string; personId: string | null }
  | { kind: 'message'; mailboxId: string; seconds: number }
  | { kind: 'no message'; mailboxId: string }
  | { kind: 'hung up'; during: 'prompt' | 'menu' | 'question' | 'wait' | 'ringing' | 'greeting' | 'message' }
  /** The caller asked to be called back instead of waiting. */
  | { kind: 'call back'; queueId: string }
  /** Somebody listened to a mailbox; null where they gave no PIN that was right. */
  | { kind: 'listened'; mailboxId: string | null }
  | { kind: 'swallowed'; phone: string }
  | { kind: 'dead end' }
  | { kind: 'ended'; how: 'plain' | 'busy' | 'message' }
  | { kind: 'nobody answered' }
  | { kind: 'not in service'; why: 'unknown number' | 'no plan' | 'nothing dialled' }
  /** The number is being ported: the provider it comes from still has it. */
  | { kind: 'not moved yet' }
  /** The caller is told that their call is not taken. */
  | { kind: 'refused'; why: 'blocked' | 'suspected' | 'hidden number' }
  /** Whoever called may not call there, or not now. */
  | { kind: 'not allowed'; why: NotAllowed }
  /** The number was given back; the carrier says so, and may name another. */
  | { kind: 'given back'; referTo: string | null }
  /** `refused` says why nothing was changed. */
  | { kind: 'feature'; code: string; does: StarCode['does']; to?: ForwardTarget; refused?: string }
  | { kind: 'too many redirects' }
  | { kind: 'emergency'; number: string }
  /** A call to an outside number that nobody took. */
  | { kind: 'outside'; number: string; how: 'not answered' | 'declined' | 'busy' | 'not in service' }
  /** The phone it was placed from rang first, and was not lifted: nobody was called. */
  | { kind: 'not lifted'; phone: string }
  /** It went on in another call: whoever it had reached is in that one now. */
  | { kind: 'handed on'; callId: string }
  /** What it was placed for was not possible. */
  | { kind: 'not done'; why: NotDone }
  /** `shows` is what the other side sees: null where it is hidden; not there where nothing is sent. */
  | { kind: 'went out'; number: string; shows?: Shown | null }
  /** They were in a meeting. */
  | { kind: 'met'; roomId: string }
  | { kind: 'not let in'; roomId: string; why: 'wrong PIN' | 'locked' | 'full' | 'no host' };

export type Happening =
  | { kind: 'arrived'; from: Origin; to: Destination; numberId: string | null; planId: string | null }
  | { kind: 'step'; planId: string; stepId: string }
  /** `holiday` is there where they are so because of a public holiday. */
  | { kind: 'hours'; hoursId: string | null; period: string | null; holiday?: true }
  /** Which branch a call takes by who calls; null is otherwise. */
  | { kind: 'caller'; stepId: string; branch: number | null }
  /** What chance, or whose turn it is, decided among the branches given. */
  | { kind: 'shared'; stepId: string; branch: number; among: number[] }
  /** Who chance says is rung next. */
  | { kind: 'drawn'; next: string; chose: number; among: number[] }
  | { kind: 'plan'; planId: string }
  | { kind: 'menu'; stepId: string; recordingId: string | null; time: number }
  /** What an outside phone that is rung sees; null is a hidden number. */
  | { kind: 'shown'; number: string | null }
  | { kind: 'key'; key: string }
  | { kind: 'wrong key'; keys: string }
  | { kind: 'no key' }
  | { kind: 'dialled'; extension: string; who: string }
  | { kind: 'spell a name' }
  | { kind: 'found by name'; personIds: string[] }
  /** `alike` here and below is what counts for whether two calls are alike, where the words hang on the moment. */
  | { kind: 'asked'; label: string; says: string; alike?: string }
  /** `value` is what it was read as: 1 to 5, or 1 for yes and 0 for no. */
  | { kind: 'noted'; label: string; text: string; value?: number; alike?: string }
  /** They are in a meeting, or wait for its host. */
  | { kind: 'meets'; roomId: string; as: 'host' | 'member'; is: 'waits' | 'in' }
  | { kind: 'muted'; on: boolean; by: 'self' | 'host' }
  | { kind: 'room locked'; roomId: string; on: boolean }
  /** The talk is over, and the caller is asked how it was. */
  | { kind: 'asked afterwards'; dialogueId: string }
  /** A time of a calendar is theirs; epoch milliseconds. `instead`: of an appointment that is given back with it. */
  | {
      kind: 'booked';
      id: string;
      calendarId: string;
      label: string;
      from: number;
      to: number;
      instead?: string;
    }
  /** An appointment is theirs no more. */
  | { kind: 'given back'; id: string; calendarId: string }
  /** Which branch a call takes by what was answered; null is past them. */
  | { kind: 'sorted'; stepId: string; branch: number | null }
  /** `unknown`: none of the own answers fits what was asked. */
  | { kind: 'told'; says: string; alike?: string; unknown?: true }
  | { kind: 'notified'; how: 'mail' | 'text' | 'hook' | 'note'; to: string; text: string }
  | { kind: 'queued'; queueId: string; position: number }
  | { kind: 'nobody free'; queueId: string; position: number }
  /** Nobody took it a moment ago; it is offered again, for others who came later wait. */
  | { kind: 'came first'; queueId: string }
  /** They missed so many offers in a row, and take no more of them until they say so. */
  | { kind: 'paused'; personId: string; queueId: string; missed: number }
  /** They would be next, and just let it ring out: somebody else is tried first. */
  | { kind: 'left for last'; personId: string }
  | { kind: 'comfort'; queueId: string; position: number }
  | { kind: 'left queue'; queueId: string; way: QueueWay | 'sent on'; waitedSeconds: number }
  /** Somebody who keeps an eye on the queue sent who waited there to where they are taken; null is not known who. */
  | { kind: 'sent on'; queueId: string; personId: string | null; to: PassTarget }
  | { kind: 'call back asked'; queueId: string }
  | { kind: 'prompt started'; recordingId: string }
  | { kind: 'prompt ended'; recordingId: string }
  | { kind: 'not rung'; phone: string | null; personId: string | null; why: NotRung }
  /** `sees` is what a linked phone shows that shows the number called. */
  | { kind: 'leg offered'; leg: number; phone: string; personId: string | null; sees?: string | null }
  | { kind: 'leg sounding'; leg: number; phone: string; personId: string | null }
  | { kind: 'leg asked to confirm'; leg: number; phone: string; personId: string | null }
  | { kind: 'leg ended'; leg: number; phone: string; personId: string | null; how: LegEnd }
  | { kind: 'ringing over'; how: RingEnd }
  | {
      kind: 'redirected';
      /** A person or, by a key pressed there, a mailbox. */
      from: string;
      to: ForwardTarget;
      why:
        | 'always'
        | 'busy'
        | 'declined'
        | 'not to be disturbed'
        | 'not answered'
        | 'unreachable'
        | 'away'
        | 'chosen'
        | 'hidden number'
        | 'key 0';
    }
  /** Somebody away has named who is rung in their place. */
  | { kind: 'stand-in'; personId: string; forId: string }
  | { kind: 'group'; groupId: string }
  /** Who a rota says is rung. */
  | { kind: 'on duty'; rotaId: string; personId: string | null }
  | { kind: 'forward skipped'; to: ForwardTarget; why: 'already in the chain' | 'no longer there' }
  | { kind: 'answered'; phone: string; personId: string | null }
  | {
      kind: 'greeting started';
      mailboxId: string;
      recordingId: string | null;
      /** What the step says. */
      occasion?: Occasion;
      /** The greeting made for an occasion; absent is the usual one. */
      greetingId?: string;
    }
  | { kind: 'tone'; mailboxId: string }
  /** What the system itself says to somebody who listens to a mailbox. */
  | { kind: 'says'; words: string }
  | { kind: 'pin'; right: boolean }
  /** A message is played, so many milliseconds later. */
  | { kind: 'plays'; messageId: string; afterMs: number }
  | { kind: 'marked'; messageId: string; as: 'heard' | 'binned' }
  | { kind: 'recording started'; mailboxId: string }
  | { kind: 'recorded'; mailboxId: string; seconds: number }
  | { kind: 'not kept'; mailboxId: string; seconds: number }
  | { kind: 'no mailbox'; stepId: string | null }
  | {
      kind: 'emergency';
      number: string;
      /**
       * Where help is sent: the address of the phone where it is used elsewhere, else that of its person's site, else that
       * of the number it shows; null is nowhere known.
       */
      place: { kind: 'phone' | 'site' | 'number'; id: string } | null;
      /** The phone is used elsewhere and says no address of its own: the place is the business's, and not where it is. */
      elsewhere?: true;
      /** The number help rings back; null where there is none. */
      callback: string | null;
      /** The site whose people are told. */
      siteId: string | null;
    }
  /** A number outside is called; `shows` is what it sees, null where that is hidden. */
  | { kind: 'goes out'; number: string; shows: Shown | null }
  /** All hear that the call is recorded, for so many milliseconds; null is words of the machine. */
  | { kind: 'record notice'; recordingId: string | null; ms: number }
  /** It is recorded from now on; `by` is null where that is a rule. */
  | { kind: 'record on'; by: string | null; personId: string | null; consent: 'one' | 'all' }
  | { kind: 'record paused'; phone: string; personId: string | null }
  | { kind: 'record again'; phone: string; personId: string | null }
  | { kind: 'record off'; phone: string; personId: string | null }
  /** Whoever was called hears it first, for so many milliseconds. */
  | { kind: 'announced'; phone: string; recordingId: string; ms: number }
  /** So many minutes can still be paid for; 0 ends the call. */
  | { kind: 'credit'; minutes: 0 | 1 | 2; phone: string }
  /** Many short calls to a country look like fraud: no more go there until somebody allows them. */
  | { kind: 'stopped'; country: string }
  /** A machine took it outside. */
  | { kind: 'machine'; phone: string }
  | { kind: 'held'; phone: string; personId: string | null }
  | { kind: 'hold reminder'; phone: string; personId: string | null }
  | { kind: 'taken back'; phone: string; personId: string | null }
  /** Whoever had the call has left it to somebody else, who may yet have to take it. */
  | {
      kind: 'passed on';
      by: string;
      personId: string | null;
      to: PassTarget;
      /** `ringing`: they had been called about it and it rings there already. */
      how: 'at once' | 'ringing' | 'after a word';
    }
  /** Nobody took it there: it rings at who passed it on. */
  | {
      kind: 'comes back';
      to: string;
      personId: string | null;
      why: CameBack;
    }
  /** Nor did they: it rings at the others who have the line it came by. */
  | { kind: 'on the line'; numberId: string }
  | {
      kind: 'joins';
      phone: string;
      personId: string | null;
      how: 'added' | 'after a word' | 'moved' | 'fetched' | 'from the line';
    }
  | { kind: 'leaves'; phone: string; personId: string | null }
  | { kind: 'parked'; slot: string; by: string; personId: string | null }
  | { kind: 'fetched'; slot: string; phone: string; personId: string | null }
  | { kind: 'picked up'; phone: string; personId: string | null }
  /** Whoever hears the mailbox listens while the message is left, or no longer. */
  | { kind: 'listens in' | 'listens no longer'; phone: string; personId: string | null }
  | { kind: 'keys sent'; phone: string; personId: string | null; count: number }
  | { kind: 'phone gone'; phone: string; personId: string | null }
  | { kind: 'phone there again'; phone: string; personId: string | null }
  /** Somebody did what was no longer possible, or may not be: nothing changed. */
  | { kind: 'not done'; phone: string | null; personId?: string | null; why: NotDone }
  | { kind: 'ended'; by: 'caller' | 'called' | 'system'; outcome: Outcome };

/** One thing that happened, `t` milliseconds after the call arrived. */
export type TraceEvent = { t: number } & Happening;
export type Trace = TraceEvent[];
/**
 * An event that is being said: `t` is filled in then. It stands there from the beginning, for a property added later has no
 * place in the object, and costs a month of calls a fifth of its time.
 */
export type Said = { t: 0 } & Happening;

/** How the call ended, or null while it lasts. */
export function outcomeOf(trace: Trace): { outcome: Outcome; t: number } | null {
  const last = trace.at(-1);
  return last?.kind === 'ended' ? { outcome: last.outcome, t: last.t } : null;
}

/** An outside number rung by a forward, written as a phone's name in a trace. */
export const outsidePhone = (e164: string): string => `outside:${e164}`;
/** The number behind such a name, or undefined for one of the system's phones. */
export const outsideNumber = (phone: string): string | undefined =>
  phone.startsWith('outside:') ? phone.slice(8) : undefined;

/** The last event of a kind, or undefined. */
export function lastOf<K extends TraceEvent['kind']>(
  trace: Trace,
  kind: K,
): Extract<TraceEvent, { kind: K }> | undefined {
  for (let i = trace.length - 1; i >= 0; i--) {
    const event = trace[i]!;
    if (event.kind === kind) return event as Extract<TraceEvent, { kind: K }>;
  }
  return undefined;
}
