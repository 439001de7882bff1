/**
 * The system: one document that says what every caller gets. Draft and in force are two snapshots of it.
 * Every shape is a Zod schema, so that a click, a file and a stored record pass the same gate.
 */
import { VoiceServer } from './voice-servers';
import { z } from 'zod';
import { StarCode } from '../../numbering/star-codes';
import { CallRecording } from './call-recording';
import { CallsOut } from './calls-out';
import { Keeping } from './keeping';
import { Contact, ContactList } from './contacts';
import { RecordsLink } from '../records-link';
import { Shortcut } from './shortcuts';
import { Wording } from './wordings';
import { OwnAnswer } from './asking';
import { CallButton } from './buttons';
import { MeetingRoom } from './rooms';
import { BookingCalendar } from './calendars';
import { Dialogue } from './dialogues';
import { ByItself, FollowUp } from './follow-ups';
import { Hours, Rota } from './hours';
import { ForwardTarget, Group, Person, Phone } from './people';
import { CivicAddress, Site } from './places';
import { Plan } from './plans';
import { CLOCKS, CountryCode, DATE_ORDERS, E164, Extension, Id, name, text, TimeZone } from './primitives';
import { Promised } from './promises';
import { Queue } from './queues';
import { Greeting } from './greetings';
import { Recording, Respelling, Voice } from './recordings';

export { StarCode, StarFeature } from '../../numbering/star-codes';

/** Version of the stored and exported shape. Raised whenever a migration is needed. */
export const SYSTEM_VERSION = 8;

/** Extensions kept for something to come: nobody is given one of them by proposal. */
export const ReservedExtensions = z
  .object({ from: Extension, to: Extension, note: text(60).min(1, 'Say what they are kept for.') })
  .refine(
    (r) => r.from.length === r.to.length && r.from <= r.to,
    'From and to have the same number of digits, and from is not after to.',
  );

/** What the letter that invites somebody says; what stands in braces is filled in. */
export const InvitationWording = z.object({
  subject: text(200).min(1, 'Write a subject.'),
  text: text(4000)
    .min(1, 'Write what the mail says.')
    .refine((t) => t.includes('{link}') || (t.includes('{number}') && t.includes('{code}')), {
      message: 'Nobody could pair with this: it needs {link}, or both {number} and {code}.',
    }),
  /** Days for which the code in it is good. */
  days: z
    .number('Type a number of days.')
    .int('Whole days only.')
    .min(1, 'At least 1 day.')
    .max(30, 'At most 30 days.'),
});

/** Calls of callers on the block list, and calls the network suspects. */
export const Unwanted = z.object({
  blocked: z.enum(['refused', 'mailbox', 'as anybody']),
  suspected: z.enum(['refused', 'mailbox', 'as anybody']),
  /** Where those to be sent to a mailbox go; their messages lie in its spam folder. */
  mailboxId: Id.nullable(),
});

/** What holds until somebody says otherwise. */
export const usualUnwanted = (): Unwanted => ({
  blocked: 'refused',
  suspected: 'as anybody',
  mailboxId: null,
});

/** Extensions in which a call waits until somebody dials them. */
export const ParkSlots = z
  .object({ from: Extension, to: Extension })
  .refine(
    (r) => r.from.length === r.to.length && r.from <= r.to,
    'From and to have the same number of digits, and from is not after to.',
  )
  .refine((r) => Number(r.to) - Number(r.from) < 20, 'At most 20 slots.');

/** The slots of a business, the lowest first; none where it has none. */
export const slotsOf = ({ park }: Pick<Business, 'park'>): string[] =>
  park
    ? Array.from({ length: Number(park.to) - Number(park.from) + 1 }, (_, i) =>
        String(Number(park.from) + i).padStart(park.from.length, '0'),
      )
    : [];

export const Business = z.object({
  name,
  country: CountryCode,
  timeZone: TimeZone,
  /** How times and dates are written; absent is as people of the country are used to. */
  clock: z.enum(CLOCKS).optional(),
  dates: z.enum(DATE_ORDERS).optional(),
  /** What holds for all that happens by itself; absent is as usual. */
  byItself: ByItself.optional(),
  /** How long what was dealt with is kept; absent is for ever. */
  keeping: Keeping.optional(),
  /** Where records about those who call are kept elsewhere; see `recordsOf`. */
  recordsLink: RecordsLink.optional(),
  extensionLength: z.number().int().min(2).max(6),
  /** Digit people dial first for an outside line; never stored in a number. */
  outsideDigit: z.enum(['', '0', '9']),
  defaultCallerId: E164.nullable(),
  starCodes: z.array(StarCode).max(30),
  reserved: z.array(ReservedExtensions).max(50),
  /** Seconds a desk phone waits for another digit where what was dialled could be the whole. */
  digitSeconds: z.number().int().min(2).max(15),
  invitation: InvitationWording,
  /** How the machine speaks where a recording does not say; absent is by the country, as fast as usual. */
  voice: Voice.optional(),
  /** What becomes of calls nobody wants, where the plan of a number does not treat them itself; absent is as below. */
  unwanted: Unwanted.optional(),
  /** Words the machine says wrongly. */
  respellings: z.array(Respelling).max(200).optional(),
  /** Where calls are parked; absent is nowhere. */
  park: ParkSlots.optional(),
  /** Who may call where outside; absent is everybody everywhere. */
  callsOut: CallsOut.optional(),
  /** Recording of calls; absent is never. */
  recording: CallRecording.optional(),
  /** What those who are held hear; absent or null is a piece of its own. */
  holdMusicId: Id.nullable().optional(),
  /** They hear nothing at all instead; absent is that they do. */
  holdSilent: z.boolean().optional(),
  /** By which voice finds its way between networks; absent or none is that it stays within one. */
  voiceServers: z.array(VoiceServer).max(8, 'At most eight servers.').optional(),
});

export const NumberHeld = z.object({
  id: Id,
  e164: E164,
  country: CountryCode,
  label: name,
  kind: z.enum(['geographic', 'toll-free', 'mobile']),
  place: text(80),
  /** What callers know it as. */
  use: z.enum(['main', 'direct', 'department', '24-hour', 'shared']),
  siteId: Id.nullable(),
  planId: Id.nullable(),
  /** What its callers hear while they are held; absent or null is what the business has. */
  holdMusicId: Id.nullable().optional(),
  /** They hear nothing at all instead; absent is that they do. */
  holdSilent: z.boolean().optional(),
  /** The dialogue whose questions callers who stay are asked once we have hung up; absent or null is none. */
  afterwardsId: Id.nullable().optional(),
  /** The mailbox that its faxes come to; absent or null is that it takes none. */
  faxMailboxId: Id.nullable().optional(),
  /** Said first to whoever is called with it shown; absent or null is nothing. */
  announceId: Id.nullable().optional(),
  /** Who may show it on calls they make. */
  callerIdFor: z.union([z.literal('everybody'), z.array(Id).max(200)]),
  /** Name sent with it on calls made; 15 characters is what North American networks carry (from memory). */
  callerName: text(15),
  notes: text(500),
  /** Emergency address of its own, where the site's is not right for it. */
  address: CivicAddress.nullable(),
  /** Price a month in cents of the carrier's currency. */
  monthlyCents: z.number().int().min(0),
  currency: z.string().regex(/^[A-Z]{3}$/),
});

export const Mailbox = z.object({
  id: Id,
  name,
  /** Dialled inside: whoever hears it listens, anybody else leaves a message. Absent or null is none. */
  extension: Extension.nullable().optional(),
  ownerIds: z.array(Id).max(50),
  /** The usual greeting. */
  greetingId: Id.nullable(),
  /** Greetings that play in its place; of several that fit, `greetingAt` says which plays. */
  greetings: z.array(Greeting).max(30).optional(),
  /** Longest message in seconds. */
  longest: z.number().int().min(10).max(600),
  /** Messages are mailed to the owners, and to these addresses. */
  mailTo: z.array(z.email()).max(10),
  /** Days messages are kept; absent is until somebody deletes them. */
  /** Seconds of silence after which a message ends by itself; absent is the usual, null never. */
  silence: z
    .number()
    .int()
    .min(2, 'At least 2 seconds.')
    .max(60, 'At most 60 seconds.')
    .nullable()
    .optional(),
  /** No tone before the message; absent is a tone. */
  noTone: z.boolean().optional(),
  /** Where a caller goes who presses 0 while the greeting plays. */
  zero: ForwardTarget.nullable().optional(),
  /** What mails carry besides the facts; absent is both. */
  mail: z.object({ sound: z.boolean(), transcript: z.boolean() }).optional(),
  /** Numbers that are told of a new message by text. */
  textTo: z.array(E164).max(10).optional(),
  keepDays: z.number().int().min(1, 'At least 1 day.').max(3650, 'At most 3,650 days.').nullable().optional(),
});

export const System = z.object({
  business: Business,
  sites: z.record(Id, Site),
  numbers: z.record(Id, NumberHeld),
  people: z.record(Id, Person),
  groups: z.record(Id, Group),
  phones: z.record(Id, Phone),
  queues: z.record(Id, Queue),
  hours: z.record(Id, Hours),
  rotas: z.record(Id, Rota),
  plans: z.record(Id, Plan),
  mailboxes: z.record(Id, Mailbox),
  recordings: z.record(Id, Recording),
  contacts: z.record(Id, Contact),
  lists: z.record(Id, ContactList),
  shortcuts: z.record(Id, Shortcut),
  wordings: z.record(Id, Wording),
  followUps: z.record(Id, FollowUp),
  dialogues: z.record(Id, Dialogue),
  calendars: z.record(Id, BookingCalendar),
  ownAnswers: z.record(Id, OwnAnswer),
  buttons: z.record(Id, CallButton),
  rooms: z.record(Id, MeetingRoom),
  promises: z.record(Id, Promised),
});

export type Unwanted = z.infer<typeof Unwanted>;
export type InvitationWording = z.infer<typeof InvitationWording>;
export type Business = z.infer<typeof Business>;
export type ReservedExtensions = z.infer<typeof ReservedExtensions>;
export type NumberHeld = z.infer<typeof NumberHeld>;
export type Mailbox = z.infer<typeof Mailbox>;
export type System = z.infer<typeof System>;
