/** Phones as they stand now; those that were paired on; or as if everybody had paired as well. */
export type Supposing = 'as now' | 'all on' | 'all paired';

/**
 * What a window knows of its business and can do in it, whether it is a page of the administration, with all of it in
 * storage at hand, or a staff phone, which knows what its exchange tells it.
 */
import type { Trace } from '$core/calls';
import type { Differing } from '$core/coverage';
import type { MessageChange } from '$core/messages';
import type { NumberHeld, OwnValues, Setting, Standing, System } from '$core/system';
import type { MessageKnown } from '$exchange';
import type { CallRecord, FileKept, Sent, TextRecord, ThreadRecord } from '$workspace';
import type { ThreadChange } from '$core/story';
import type { WishEntered } from '$core/texting';
import type { TextingRequest } from '$standins/carrier/approval';
import type { Back } from './acts-done';
import type { Notice } from './notice';

export interface Here {
  readonly id: string;
  /** Bench time, epoch milliseconds; and to the minute. */
  readonly now: number;
  readonly minute: number;
  readonly zone: string;
  /** The day in the business's time zone, ISO. */
  readonly today: string;
  /** The business as it is shown: the draft, or what a phone is told. */
  readonly system: System;
  /** What calls go by. */
  readonly inForce: System;
  /** What people’s own settings stand over. */
  readonly settable: System;
  readonly standing: Standing;
  readonly messages: readonly MessageKnown[];
  readonly log: readonly CallRecord[];
  readonly texting: Texting;
  /** Whoever works here, by id; null is whoever runs the system and is nobody in it. */
  readonly me: string | null;
  /** Whose a contact is that is made here. */
  readonly contactsAre: 'the business’s' | 'your own';
  /** A number as the people of this business read it. */
  number(e164: string, system?: System): string;
  /** Notes something that undo takes back in its turn, and says it. */
  did(words: string, back: Back): () => void;
  sayDone(notice: Omit<Notice, 'id' | 'undo'>, back: Back): void;
  readonly deeds: Deeds;
}

/** Texts with people outside, as far as whoever works here sees them. */
export interface Texting {
  texts: readonly TextRecord[];
  threads: readonly ThreadRecord[];
  wishes: readonly WishEntered[];
  /** For the approval to text. */
  requests: readonly TextingRequest[];
  /** Numbers of ours that carry texts and that one may text from. */
  lines: readonly NumberHeld[];
  /** How many older texts there are than this window knows. */
  older: number;
}
export type TextWords = Pick<TextRecord, 'from' | 'to' | 'text' | 'files' | 'sendAt'>;

/** What is done or worked out where the data is. */
export interface Deeds {
  /** Settings that hold at once. @returns the newer ones that stayed as they are */
  set(words: string, settings: Setting[], by: string): Promise<{ what: string; by: string }[]>;
  /** A call to somebody if nobody does anything. @param values of theirs to be tried @param supposing what is taken for granted of phones */
  ifCalled(personId: string, values: OwnValues | null, supposing: Supposing): Promise<Trace>;
  /** What somebody's settings do to callers; see `withTried` and `withoutTheirs`. @returns null when asked again meanwhile */
  effect(personId: string, values: OwnValues | null): Promise<Differing | null>;
  /** Nothing more is wanted of what is being worked out. */
  stop(): void;
  changeMessages(ids: readonly string[], to: MessageChange, words?: string): Promise<Back>;
  /** Calls that were answered by calling or texting back. */
  markCalls(ids: readonly string[], answeredAt: number): Promise<Back>;
  /** µ-law samples of a recording, by its hash. */
  recordingSound(hash: string): Promise<Uint8Array | undefined>;
  /** A channel of a recorded call. */
  callSound(callId: string, hash: string): Promise<Uint8Array | undefined>;
  /** A recording of a call goes for good. @throws with why, in words */
  deleteRecording(callId: string, at: number): Promise<void>;
  /** The sound of a message as a URL, or null. */
  messageSound(message: MessageKnown): Promise<string | null>;
  text(words: TextWords): Promise<Sent>;
  /** A text that was to go later does not. @returns takes it back; null where it has gone already */
  callOff(textId: string): Promise<Back | null>;
  /** @returns takes it back; or why it was not done */
  changeThread(
    between: { ours: string; theirs: string },
    change: ThreadChange,
  ): Promise<{ ok: true; back: Back } | { ok: false; message: string }>;
  /** A stop that was spoken, or that somebody may be texted again. @returns what is wrong, if anything */
  enterWish(number: string, does: WishEntered['does']): Promise<string | undefined>;
  /** A number becomes a contact: the business's, or of whoever's phone this is. @returns what is wrong, if anything */
  keepContact(name: string, number: string): Promise<string | undefined>;
  /** Stores a file that is to go with a text. @throws with why, in words */
  keepFile(name: string, bytes: Uint8Array): Promise<FileKept>;
  /** The bytes of a file of a text; undefined where it is not there. */
  fileBytes(hash: string): Promise<Uint8Array<ArrayBuffer> | undefined>;
  /** Calls a number from a phone: that rings first, unless it is this window. @returns whether the call went out, and what came of it */
  call(phoneId: string, number: string): Promise<{ out: boolean; words: string }>;
}
