/** What is stored, record by record. Nothing is read from storage or a file without passing these. */
import { z } from 'zod';
import { CallRequest, snapshotRecord, TraceRecord } from '../../core/calls';
import {
  E164,
  Id,
  NumberHeld,
  OwnContact,
  OwnContactId,
  Standing,
  System,
  SYSTEM_VERSION,
} from '../../core/system';
import { CarrierBook } from '../../standins/carrier/carrier';
import { Run } from '../../core/dialogues';
import { Booking } from '../../core/booking';
import { Meeting } from '../../core/meetings';
import { CallList, Entry } from '../../core/call-lists';
import { Kept, Task } from '../../core/followups';
import { Round } from '../../core/rounds';
import { Port } from '../../standins/carrier/porting';
import { TextingRequest } from '../../standins/carrier/approval';
import { Fax } from '../../standins/carrier/faxing';
import { TextFiles, TextMessage } from '../../standins/carrier/texting';
import { Proof } from '../../standins/proof/proof';
import { Invitation } from '../../standins/registrar/pairing';

export const BusinessRecord = z.object({
  id: Id,
  kind: z.enum(['demonstration', 'own']),
  createdAt: z.number(),
});

const Patches = z.array(
  z.object({
    op: z.enum(['replace', 'remove', 'add']),
    path: z.array(z.union([z.string(), z.number()])),
    value: z.unknown().optional(),
    before: z.string().nullable().optional(),
  }),
);

/** Name, as it was then, of whoever did something; absent where they run the system and are nobody in it. */
const By = z.string().optional();

/** One edit as it stands in the history of a draft. */
export const EditRecord = z.object({
  businessId: Id,
  /** Counts up within the business; undone edits are those above the draft's `done`. */
  seq: z.number().int().min(1),
  at: z.number(),
  words: z.string(),
  by: By,
  mergeKey: z.string().optional(),
  patches: Patches,
  inverse: Patches,
});

/** The draft, with how far its history has been done and how much of it is in force. */
export const DraftRecord = z.object({
  businessId: Id,
  version: z.literal(SYSTEM_VERSION),
  /** A new one with every step: two drafts are the same when theirs are. */
  revision: z.string(),
  done: z.number().int().min(0),
  /** `done` when the draft was last put in force. */
  inForceAt: z.number().int().min(0),
  system: System,
});

/**
 * What was done to a draft since the whole of it was stored: an edit is then a few hundred bytes to store, not the whole
 * system. It is folded into the draft when nothing has been done for a while.
 */
export const HeadRecord = z.object({
  businessId: Id,
  /** Revision of the stored draft that the patches go on. */
  base: z.string(),
  revision: z.string(),
  done: z.number().int().min(0),
  patches: Patches,
});

/** A system that is or was in force. */
export const VersionRecord = z.object({
  businessId: Id,
  version: z.literal(SYSTEM_VERSION),
  n: z.number().int().min(0),
  at: z.number(),
  /** Who put it in force. */
  by: By,
  words: z.array(z.string()),
  system: System,
});

export const StandingRecord = z.object({ businessId: Id, standing: Standing });

/** What goes on between a business and the carrier, besides buying numbers. */
export const DealingsRecord = z.object({
  businessId: Id,
  ports: z.array(Port),
  texting: z.array(TextingRequest),
  proofs: z.array(Proof),
  /** Numbers that were given back, as they were, and until when they can be brought back. */
  released: z.array(
    z.object({ number: NumberHeld, at: z.number(), until: z.number(), referTo: E164.nullable() }),
  ),
  /** What callers to a number are told once its giving back is in force: another number to call. */
  referrals: z.record(E164, E164),
  /** Whom nobody may text as a person of ours entered it, and who may be texted again. */
  wishes: z
    .array(
      z.object({ number: E164, at: z.number(), does: z.enum(['stop', 'lift']), by: z.string().max(120) }),
    )
    .optional(),
  /** Whom nobody is to call from any list: since when, and who wrote it down. */
  never: z.array(z.object({ number: E164, at: z.number(), by: z.string().max(120) })).optional(),
  /** What web hooks are signed with. */
  hookSecret: z.string().max(200).optional(),
  /** What was deleted for good, or hidden: when, by whom or by which rule, and how much; not with whom it was. */
  forgotten: z
    .array(
      z.object({
        at: z.number(),
        by: z.string().max(120),
        entries: z.number().int().min(0),
        hidden: z.boolean().optional(),
      }),
    )
    .optional(),
});

export const TextRecord = TextMessage.safeExtend({ businessId: Id });

/** What ours do about a conversation by text, besides writing: who sees to it, and that it is done with. */
export const ThreadRecord = z.object({
  /** The two numbers, ours first; see `conversationKey`. */
  id: z.string().min(1).max(80),
  businessId: Id,
  /** When something was done last, epoch milliseconds. */
  at: z.number(),
  /** Who has it. */
  assignedTo: Id.optional(),
  /** Since when nothing is to be done; what is written later opens it again. */
  closedAt: z.number().optional(),
});

/** A conversation of colleagues; see `CircleKept`. */
export const CircleRecord = z.object({
  id: z.string().min(1).max(4000),
  businessId: Id,
  at: z.number(),
  memberIds: z.array(Id).max(50, 'At most 50 people.'),
  groupId: Id.optional(),
  name: z.string().trim().max(60).optional(),
  seen: z.record(Id, z.number()),
});
/** What a colleague wrote in one. */
export const WordsRecord = z
  .object({
    id: Id,
    businessId: Id,
    circleId: z.string().min(1).max(4000),
    at: z.number(),
    by: Id,
    text: z.string().trim().max(4000, 'This is longer than 4,000 letters.'),
    files: TextFiles.optional(),
    about: z
      .object({
        is: z.enum(['call', 'message', 'contact']),
        id: Id,
        words: z.string().trim().min(1).max(200),
      })
      .optional(),
  })
  .refine(({ text, files, about }) => text !== '' || !!files?.length || !!about, {
    path: ['text'],
    message: 'Write something.',
  });

export const FaxRecord = Fax.extend({
  businessId: Id,
  /** The mailbox it came to. */
  mailboxId: Id.optional(),
  /** How its pages are turned to be read, in degrees. */
  turned: z.union([z.literal(90), z.literal(180), z.literal(270)]).optional(),
  seen: z.boolean().optional(),
  assignedTo: Id.optional(),
  note: z.string().max(2000).optional(),
  /** When somebody said that it is done. */
  answeredAt: z.number().optional(),
  folder: z.enum(['archive', 'bin']).optional(),
});

/** What a follow-up does. */
export const ErrandRecord = Kept.extend({ businessId: Id });
export const TaskRecord = Task.extend({ businessId: Id });
/** A round of texts to many. */
export const RoundRecord = Round.extend({ businessId: Id });
/** A list of people to call, and those on it. */
export const CallListRecord = CallList.extend({ businessId: Id });
export const EntryRecord = Entry.extend({ businessId: Id });
/** An appointment. */
export const BookingRecord = Booking.extend({ businessId: Id });
/** A meeting that is planned. */
export const MeetingRecord = Meeting.extend({ businessId: Id });
const Key = z
  .string()
  .regex(/^[\w-]+$/)
  .max(200);
/**
 * What phones on other machines go by: the keys of this business's exchange, once; and each device that asked to be a phone.
 * Keys are base64url (RFC 4648 §5); the private one is PKCS #8 (RFC 8410).
 */
export const DeviceRecord = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('exchange'),
    id: Id,
    businessId: Id,
    /** When they were made, epoch milliseconds. */
    at: z.number(),
    publicKey: Key,
    privateKey: Key,
    /** Whoever knows it answers for this business at a relay. */
    token: Key,
  }),
  z.object({
    is: z.literal('device'),
    id: Id,
    businessId: Id,
    /** When it asked, epoch milliseconds. */
    at: z.number(),
    phoneId: Id,
    /** The invitation whose link it has. */
    invitationId: Id,
    publicKey: Key,
    /** What it says it is: a browser and a system, a name that somebody gave it. */
    name: z.string().max(80),
    kind: z.string().max(120),
    version: z.string().max(40),
    /** It waits until somebody says that it is theirs; is their phone; is not until that is said anew; is shut out for good. */
    state: z.enum(['asks', 'paired', 'suspended', 'shut out']),
    /** Why it is suspended, in words. */
    why: z.string().max(300).optional(),
    /** When it was connected last, epoch milliseconds; null is never since it is paired. */
    seenAt: z.number().nullable(),
  }),
]);

/** A dialogue by text with somebody. */
export const RunRecord = Run.extend({ businessId: Id });

/** A contact of one person only. */
export const OwnContactRecord = OwnContact.extend({
  id: OwnContactId,
  businessId: Id,
  /** Whose it is. */
  personId: Id,
  /** When it was written last, epoch milliseconds. */
  at: z.number(),
});

export const MailRecord = z.object({
  id: Id,
  businessId: Id,
  at: z.number(),
  to: z.string(),
  subject: z.string(),
  /** The message as sent: RFC 5322. */
  raw: z.string(),
});

/** A recording as a data URL: sound, and nothing else (RFC 2397). */
export const SoundUrl = z
  .string()
  .max(20_000_000)
  .refine(
    (url) => /^data:audio\/[\w.+-]+(;[\w-]+=[\w.,"-]+)*;base64,[A-Za-z0-9+/]*={0,2}$/.test(url),
    'The sound is not one.',
  );

/** The samples of a sound, G.711 µ-law at 8 kHz, by the hash that recordings name. */
export const SoundRecord = z.object({
  businessId: Id,
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  ulaw: z.base64().max(8_000_000),
  /** When it was put here, in real time; what is new may not be named yet. */
  storedAt: z.number().optional(),
});

const Hash = z.string().regex(/^[0-9a-f]{64}$/);
/** A picture or paper that something names by the hash of its bytes. */
export const FileRecord = z.object({
  businessId: Id,
  hash: Hash,
  base64: z.base64().max(20_000_000),
  /** When it was put here, in real time; what is new may not be named yet. */
  storedAt: z.number().optional(),
});

/** A recording of a call, by the hashes of its channels. */
export const CallSoundKept = z.object({
  /** The phone it was made on. */
  phone: Id,
  at: z.number(),
  seconds: z.number(),
  ours: Hash,
  theirs: Hash,
  consent: z.enum(['one', 'all']),
  /** Somebody's, by id, or a rule's where that is null. */
  by: Id.nullable(),
  /** It was longer than may be kept. */
  cut: z.boolean().optional(),
  /** What was typed meanwhile: all that is in words of a talk. */
  said: z
    .array(z.object({ by: z.string().max(200), text: z.string().max(500) }))
    .max(500)
    .optional(),
  /** When it goes by itself, epoch milliseconds; null is never. */
  until: z.number().nullable(),
});
export type CallSoundKept = z.infer<typeof CallSoundKept>;

/** What one of ours wrote down to a call or message, by name; empty is whoever runs the system. */
export const Remark = z.object({
  at: z.number(),
  by: z.string().max(80),
  text: z.string().min(1).max(2000),
});
export const MOST_REMARKS = 200;
const Remarks = z.array(Remark).max(MOST_REMARKS);

/** What is written to a call besides what happened. */
export const Beside = z.object({
  /** What those who talked wrote down. */
  note: z.string().max(2000).optional(),
  /** Its sound where it was recorded, each part in two channels. */
  recordings: z.array(CallSoundKept).max(50).optional(),
  /** Recordings that were deleted for good: when, and by whom. */
  deleted: z
    .array(z.object({ recordedAt: z.number(), seconds: z.number(), at: z.number(), by: z.string().max(80) }))
    .optional(),
  /** How it sounded where it was heard, by phone: the rating of the E-model (G.107), 0 to 100. */
  quality: z.record(Id, z.number().min(0).max(100)).optional(),
});
export type Beside = z.infer<typeof Beside>;

export const CallRecord = z.object({
  id: Id,
  businessId: Id,
  at: z.number(),
  request: CallRequest,
  trace: TraceRecord,
  words: z.string(),
  /** When somebody called back, or said that it is done. */
  answeredAt: z.number().optional(),
  /** Who is to see to it. */
  assignedTo: Id.optional(),
  remarks: Remarks.optional(),
  /** Words it is found and counted by. */
  tags: z.array(z.string().min(1).max(30)).max(30).optional(),
  ...Beside.shape,
});

export const MessageRecord = z.object({
  id: Id,
  businessId: Id,
  mailboxId: Id,
  at: z.number(),
  from: z.string(),
  fromNumber: z.string().nullable(),
  seconds: z.number(),
  said: z.string().max(5000),
  /** A recording as a data URL, or null where the words were typed. */
  sound: SoundUrl.nullable(),
  heard: z.boolean(),
  /** What the caller said and pressed before; absent where there was nothing. */
  notes: z.array(z.object({ label: z.string(), text: z.string() })).optional(),
  /** What a colleague wrote to it. */
  note: z.string().max(2000).optional(),
  remarks: Remarks.optional(),
  /** Who is to see to it. */
  assignedTo: Id.optional(),
  /** Where it lies; absent is the inbox. */
  folder: z.enum(['archive', 'bin', 'spam']).optional(),
  /** When somebody called or texted back, or said that it is done. */
  answeredAt: z.number().optional(),
  binnedAt: z.number().optional(),
});

/** What a caller says after the tone: typed words, or a recording as a data URL. */
export const Said = z.object({ text: z.string().max(5000), sound: SoundUrl.nullable() });
export type Said = z.infer<typeof Said>;

/** Calls in progress, so that another window can take them up, with what their callers have said so far. */
/** The system a call in progress goes by: a version that was put in force; as it stood there, in what was stored before. */
const StoredSystem = z.union([z.strictObject({ inForce: z.number().int().min(0) }), System]);
export const ExchangeRecord = z.object({
  businessId: Id,
  snapshot: snapshotRecord(StoredSystem),
  /** By call. Absent in what was stored before it was kept. */
  said: z.array(z.tuple([Id, Said])).optional(),
  /** What is written to calls that go on, by call. */
  beside: z.array(z.tuple([Id, Beside])).optional(),
  /** How many events of a call have been looked at for letters to send, by call. */
  notified: z.array(z.tuple([Id, z.number().int().min(0)])).optional(),
});
export type ExchangeRecord = z.infer<typeof ExchangeRecord>;

/** A record that could not be read, as it lay there. */
export const Aside = z.object({
  id: z.string(),
  businessId: z.string(),
  at: z.number(),
  store: z.enum([
    'drafts',
    'heads',
    'edits',
    'versions',
    'standing',
    'dealings',
    'invitations',
    'mail',
    'messages',
    'calls',
    'texts',
    'threads',
    'ownContacts',
    'circles',
    'words',
    'faxes',
    'errands',
    'tasks',
    'runs',
    'rounds',
    'callLists',
    'listed',
    'bookings',
    'meetings',
    'devices',
    'exchange',
    'carrier',
    'settings',
  ]),
  why: z.string(),
  raw: z.unknown(),
});
export type Aside = z.infer<typeof Aside>;

/** Where copies outside the browser go, and when the last one went there; by business. */
export interface CopyPlace {
  /** A file that was chosen once and is written by itself; null where the browser has none of that. */
  file: FileSystemFileHandle | null;
  /** Epoch milliseconds of real time. */
  at: number | null;
  /** The state of the business by then; see `revisionOf`. */
  revision: string;
}

export type BusinessRecord = z.infer<typeof BusinessRecord>;
export type EditRecord = z.infer<typeof EditRecord>;
export type HeadRecord = z.infer<typeof HeadRecord>;
export type DraftRecord = z.infer<typeof DraftRecord>;
export type VersionRecord = z.infer<typeof VersionRecord>;
export type StandingRecord = z.infer<typeof StandingRecord>;
export type DealingsRecord = z.infer<typeof DealingsRecord>;
export type MailRecord = z.infer<typeof MailRecord>;
export type SoundRecord = z.infer<typeof SoundRecord>;
export type FileRecord = z.infer<typeof FileRecord>;
export type TextRecord = z.infer<typeof TextRecord>;
export type FaxRecord = z.infer<typeof FaxRecord>;
export type ErrandRecord = z.infer<typeof ErrandRecord>;
export type RoundRecord = z.infer<typeof RoundRecord>;
export type CallListRecord = z.infer<typeof CallListRecord>;
export type EntryRecord = z.infer<typeof EntryRecord>;
export type BookingRecord = z.infer<typeof BookingRecord>;
export type MeetingRecord = z.infer<typeof MeetingRecord>;
export type DeviceRecord = z.infer<typeof DeviceRecord>;
/** A phone on another machine. */
export type Device = Extract<DeviceRecord, { is: 'device' }>;
/** What the exchange of a business is known by. */
export type ExchangeKeys = Extract<DeviceRecord, { is: 'exchange' }>;
export type RunRecord = z.infer<typeof RunRecord>;
export type TaskRecord = z.infer<typeof TaskRecord>;
export type CircleRecord = z.infer<typeof CircleRecord>;
export type WordsRecord = z.infer<typeof WordsRecord>;
export type OwnContactRecord = z.infer<typeof OwnContactRecord>;
export type ThreadRecord = z.infer<typeof ThreadRecord>;
export type CallRecord = z.infer<typeof CallRecord>;
export type MessageRecord = z.infer<typeof MessageRecord>;
export { CarrierBook, Invitation };

export const noDealings = (businessId: string): DealingsRecord => ({
  businessId,
  ports: [],
  texting: [],
  proofs: [],
  released: [],
  referrals: {},
});
