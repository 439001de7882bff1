/**
 * What the window of a staff phone and the exchange say to each other: the phone knows of its business what it is told, and
 * asks for the rest. Each phone has a channel of its own, so that nobody hears what another is told.
 */
import type { Trace } from '../../core/calls';
import type { Differing } from '../../core/coverage';
import type { CallsKnown, Known, MeetingKnown, PhoneRequest, TextsKnown } from '../../core/phone';
import type { Rates, Settled } from '../../core/system';
import type { ClockSetting } from '../../standins/clock/clock';
import type { TextingRequest } from '../../standins/carrier/approval';
import type {
  CallRecord,
  CircleRecord,
  FaxRecord,
  FileKept,
  MessageRecord,
  Sent,
  TextRecord,
  ThreadChanged,
  ThreadRecord,
  WordsRecord,
} from '../../workspace';
import type { LiveCall } from '../protocol';

/** A window that opens says so here; nothing else is said. */
export const KNOCKS = 'upper-line:phones';
export const phoneChannel = (businessId: string, phoneId: string): string =>
  `upper-line:phone:${businessId}:${phoneId}`;

export interface Knock {
  businessId: string;
  phoneId: string;
}

/** A message of a mailbox, without its sound: that is asked for when somebody listens. */
export type MessageKnown = MessageRecord & { soundThere?: boolean };

/** What the phone is told, each part whole whenever something of it changes. */
export interface Parts {
  business: Known & {
    /** Its person and itself are in force, and not only in the draft. */
    inForce: boolean;
    clock: ClockSetting;
    /** What calls out cost. */
    rates: Rates;
  };
  calls: CallsKnown<LiveCall>;
  messages: { messages: MessageKnown[]; log: CallRecord[]; faxes: FaxRecord[] };
  /** Meetings its person is asked to, the next first. */
  meetings: MeetingKnown[];
  circles: { circles: CircleRecord[]; words: WordsRecord[]; older: number };
  texting: TextsKnown<TextRecord, ThreadRecord> & { requests: readonly TextingRequest[] };
}

export type ToPhone =
  | { [P in keyof Parts]: { kind: 'told'; part: P; is: Parts[P] } }[keyof Parts]
  /** The business is not in this browser, or cannot be read. */
  | { kind: 'none'; words: string }
  /** @param refused why not, or null */
  | { kind: 'answer'; id: string; answer: unknown; refused: string | null };

export interface FromPhone {
  id: string;
  request: PhoneRequest;
}

/** What comes back of each request. */
export interface Answers {
  act: null;
  set: Settled['stayed'];
  'if called': Trace;
  effect: Differing;
  'change messages': null;
  'change faxes': null;
  note: null;
  recorded: null;
  'delete recording': null;
  'call sound': Uint8Array | null;
  quality: null;
  /** What stays because somebody else was faster, in words, or nothing. */
  'take back': string | null;
  text: Sent;
  /** Whether it had not gone yet; it can be taken back. */
  'call off text': boolean;
  /** It can be taken back. */
  conversation: { ok: true } | Exclude<ThreadChanged, { ok: true }>;
  /** What is wrong, or null. */
  wish: string | null;
  write: { ok: true; circleId: string } | { ok: false; message: string; field?: string };
  seen: null;
  /** What is wrong, or null. */
  'own contact': string | null;
  /** It can be taken back. */
  'drop own contact': null;
  'keep file': FileKept;
  file: Uint8Array<ArrayBuffer> | null;
  /** µ-law samples of a recording, a data URL of a message; null where it is not there. */
  sound: Uint8Array | string | null;
  /** What is wrong with it, or null. */
  address: string | null;
  be: null;
  'sign out': null;
}
