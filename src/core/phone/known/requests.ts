/** What a staff phone may ask of its exchange, and who may ask what. Each kind is here or does not compile. */
import { ownsMailbox, type Action } from '../../calls';
import type { MessageChange } from '../../messages';
import type { About, FaxChange, ThreadChange } from '../../story';
import type { CivicAddress, OwnContact, OwnValues, Setting, System } from '../../system';
import { ownPhones, seesAll } from './business';
import { textLines } from './texts';

export type PhoneRequest =
  /** Something is done to a call. */
  | { do: 'act'; action: Action }
  /** Settings that hold at once. @param at when they were made, epoch milliseconds; null is now */
  | { do: 'set'; settings: Setting[]; by: string; at: number | null }
  /**
   * What happens to a call to the extension of whoever uses the phone, if nobody does anything.
   * @param values settings to be tried, or null @param supposed every paired phone is taken to be on
   */
  | { do: 'if called'; values: OwnValues | null; supposed: boolean }
  /** What their settings do to callers of the business: those to be tried, or null for what they have set against nothing. */
  | { do: 'effect'; values: OwnValues | null }
  | { do: 'change messages'; ids: string[]; to: MessageChange }
  /** The sound of a call as it was recorded on this phone, in two channels of µ-law. */
  | {
      do: 'recorded';
      callId: string;
      at: number;
      seconds: number;
      ours: Uint8Array;
      theirs: Uint8Array;
      cut: boolean;
      /** What was typed meanwhile, by names of ends. */
      said: { from: string; text: string }[];
    }
  /** A recording of a call goes for good. */
  | { do: 'delete recording'; callId: string; at: number }
  /** A note to a call, live or over; empty takes it away. */
  | { do: 'note'; callId: string; text: string }
  /** How a call sounded here: the rating of the E-model, 0 to 100. */
  | { do: 'quality'; callId: string; rating: number }
  /** Takes back what a request of this phone did to messages or conversations. */
  | { do: 'take back'; of: string }
  /** @param sendAt it goes only then, epoch milliseconds */
  | {
      do: 'text';
      from: string;
      to: string;
      text: string;
      files?: { hash: string; name: string; type: string; size: number }[];
      sendAt?: number;
    }
  /** One that was to go later does not. */
  | { do: 'call off text'; id: string }
  | { do: 'conversation'; ours: string; theirs: string; change: ThreadChange }
  /** A stop that was spoken, or that somebody may be texted again. */
  | { do: 'wish'; number: string; does: 'stop' | 'lift' }
  /** What is done to faxes of one's own mailboxes. */
  | { do: 'change faxes'; ids: string[]; to: FaxChange }
  /** Words to colleagues: into a conversation, or one that begins with them. */
  | {
      do: 'write';
      to: { circleId: string } | { with: string[]; name?: string } | { groupId: string };
      text: string;
      files?: { hash: string; name: string; type: string; size: number }[];
      about?: About;
    }
  /** What was written in a conversation has been seen, up to a moment. */
  | { do: 'seen'; circleId: string; at: number }
  /** A contact of one's own, which nobody else sees: put down anew or changed; or it goes. */
  | { do: 'own contact'; contact: OwnContact }
  | { do: 'drop own contact'; id: string }
  /** A file that is to go with a text, and the bytes of one that came or went. */
  | { do: 'keep file'; name: string; bytes: Uint8Array }
  | { do: 'file'; hash: string }
  /** The sound of a recording, by its hash, of a message, by its id, or of a channel of a recorded call, by its hash. */
  | { do: 'sound'; of: 'recording' | 'message'; id: string }
  | { do: 'call sound'; callId: string; hash: string }
  /** Where the phone is used. */
  | { do: 'address'; address: CivicAddress }
  /** The bench: where the phone that the window plays is, and how. */
  | { do: 'be'; address?: string; condition?: 'in reach' | 'no network' }
  | { do: 'sign out' };

/** What is looked up to judge a request. */
export interface Asked {
  system: System;
  phoneId: string;
  /** The mailbox a message or fax lies in. */
  mailboxOf(messageId: string): string | undefined;
  /** Whether a file stands in a conversation of colleagues that the phone's person is in, or is a contact's picture. */
  isShownFile(hash: string): boolean;
  /** Who is in a conversation of colleagues, or undefined where there is none. */
  membersOf(circleId: string): readonly string[] | undefined;
  /** Whose an own contact is; undefined where there is none. */
  ownerOf(contactId: string): string | undefined;
  /** The numbers of ours with which a text is, or a file went or came. */
  linesOf(what: { textId: string } | { hash: string }): readonly string[];
  /** Whether a call, live or over, is one of this phone's person. */
  isOwnCall(callId: string): boolean;
  /** Who had a recording of a call made; null is a rule, undefined that there is none. */
  recordedBy(callId: string, at: number): string | null | undefined;
  /** The phone that goes the way of a call, or nothing where that is nobody's of ours. */
  phoneCalling(callId: string): string | undefined;
}

/** Why a phone may not ask something, in words; empty where it may. */
export function mayAsk(request: PhoneRequest, asked: Asked): string {
  const { system, phoneId, mailboxOf, phoneCalling, isOwnCall, recordedBy, linesOf, ownerOf, membersOf } =
    asked;
  if (!system.phones[phoneId]) return 'This phone has been removed.';
  const own = ownPhones(system, phoneId);
  const me = system.phones[phoneId].personId;
  const all = seesAll(system, phoneId);
  const onlyIf = (may: boolean, words: string): string => (may ? '' : words);
  switch (request.do) {
    case 'act':
      return onlyIf(mayAct(request.action, own, phoneCalling), 'That is not a phone of yours.');
    case 'set':
      return onlyIf(
        all || request.settings.every((s) => isOwnSetting(s, me, own)),
        'That is set by whoever it is about.',
      );
    case 'change faxes':
    case 'change messages':
      return onlyIf(
        all || request.ids.every((id) => me && ownsMailbox(system, mailboxOf(id) ?? '', me)),
        'That message is not in a mailbox of yours.',
      );
    case 'sound': {
      const mailboxId = request.of === 'message' ? mailboxOf(request.id) : undefined;
      // What is recorded for callers is no secret; a message is.
      return onlyIf(
        request.of === 'recording' || all || (!!me && !!mailboxId && ownsMailbox(system, mailboxId, me)),
        'That message is not in a mailbox of yours.',
      );
    }
    case 'note':
    case 'quality':
    case 'recorded':
    case 'call sound':
      return onlyIf(all || isOwnCall(request.callId), 'That is not a call of yours.');
    // What is recorded by rule is the business's.
    case 'delete recording':
      return onlyIf(
        all || (me !== null && recordedBy(request.callId, request.at) === me),
        'Only who had it recorded, or whoever runs the system, deletes it.',
      );
    case 'if called':
    case 'effect':
      return onlyIf(me !== null, 'This phone is nobody’s.');
    case 'text':
      return onlyIf(textLines(system, phoneId).has(request.from), 'That number is not yours to text from.');
    case 'conversation':
      return onlyIf(textLines(system, phoneId).has(request.ours), 'That conversation is not yours.');
    case 'call off text':
    case 'file': {
      const lines = textLines(system, phoneId);
      const what = request.do === 'file' ? { hash: request.hash } : { textId: request.id };
      return onlyIf(
        linesOf(what).some((line) => lines.has(line)) ||
          (request.do === 'file' && asked.isShownFile(request.hash)),
        'That conversation is not yours.',
      );
    }
    case 'own contact':
    case 'drop own contact': {
      const owner = ownerOf(request.do === 'own contact' ? request.contact.id : request.id);
      return onlyIf(
        me !== null && (owner === me || (owner === undefined && request.do === 'own contact')),
        'That contact is not yours.',
      );
    }
    case 'write': {
      const { to } = request;
      if (me === null) return 'This phone is nobody’s.';
      if ('circleId' in to)
        return onlyIf(membersOf(to.circleId)?.includes(me) ?? false, 'You are not in that conversation.');
      if ('groupId' in to)
        return onlyIf(
          system.groups[to.groupId]?.members.some((m) => m.kind === 'person' && m.id === me) ?? false,
          'You are not in that group.',
        );
      return onlyIf(
        to.with.every((id) => system.people[id]),
        'Somebody of those is not here any more.',
      );
    }
    case 'seen':
      return onlyIf(
        me !== null && (membersOf(request.circleId)?.includes(me) ?? false),
        'You are not in that conversation.',
      );
    case 'keep file':
      return onlyIf(me !== null, 'This phone is nobody’s.');
    case 'wish':
      return onlyIf(textLines(system, phoneId).size > 0, 'No number is yours to text from.');
    case 'take back':
    case 'address':
    case 'be':
    case 'sign out':
      return '';
  }
}

function mayAct(
  action: Action,
  own: ReadonlySet<string>,
  phoneCalling: (callId: string) => string | undefined,
): boolean {
  switch (action.kind) {
    case 'place': {
      const { from } = action.request;
      return from.kind === 'phone' && own.has(from.phoneId);
    }
    case 'press':
    case 'say':
    case 'silent':
      return own.has(phoneCalling(action.callId) ?? '');
    case 'hang up':
      return own.has(action.phone ?? phoneCalling(action.callId) ?? '');
    // What the network says is no phone's to say, nor is it what becomes of those it does not see. The host of a meeting has keys.
    case 'outside':
    case 'send on':
    case 'gone':
    case 'there again':
    case 'in a meeting':
      return false;
    case 'answer':
    case 'decline':
    case 'to mailbox':
    case 'hold':
    case 'take back':
    case 'pass on':
    case 'join':
    case 'back to':
    case 'all together':
    case 'park':
    case 'pick up':
    case 'take over':
    case 'listen in':
    case 'listen no longer':
    case 'record':
    case 'stop recording':
    case 'pause recording':
    case 'ring when free':
    case 'no longer wanted':
    case 'send keys':
      return own.has(action.phone);
  }
}

function isOwnSetting(setting: Setting, me: string | null, own: ReadonlySet<string>): boolean {
  switch (setting.kind) {
    case 'person':
    case 'do not disturb':
    case 'logged in':
    case 'paused':
    case 'own word':
    case 'own shortcuts':
      return setting.personId === me;
    case 'phone':
    case 'resting':
      return own.has(setting.phoneId);
    // Money is whoever's who runs the system.
    case 'credit':
    case 'allowed again':
      return false;
    // The list is everybody's.
    case 'blocked':
      return true;
  }
}
