/** People, their phones, and the groups they are rung in. */
import { z } from 'zod';
import { CivicAddress } from './places';
import { E164, Extension, Id, name, RingSeconds, text } from './primitives';

/** Where a person's own forwarding sends a call. */
export const ForwardTarget = z.discriminatedUnion('to', [
  z.object({ to: z.literal('person'), personId: Id }),
  z.object({ to: z.literal('group'), groupId: Id }),
  z.object({ to: z.literal('outside'), number: E164 }),
  z.object({ to: z.literal('mailbox'), mailboxId: Id }),
]);

/** Where a call is passed on to by somebody who talks with the caller, or called by choosing it in place of digits. */
export const PassTarget = z.discriminatedUnion('to', [
  ...ForwardTarget.options,
  z.object({ to: z.literal('queue'), queueId: Id }),
  z.object({ to: z.literal('plan'), planId: Id }),
  /** One phone, by itself. */
  z.object({ to: z.literal('phone'), phoneId: Id }),
]);

/** What becomes of a call that is passed on and that nobody takes there. */
export const IfNobody = z.discriminatedUnion('then', [
  z.object({ then: z.literal('back') }),
  z.object({ then: z.literal('their voicemail') }),
  z.object({ then: z.literal('another'), to: PassTarget }),
]);

/** When a person's own forwarding takes a call. */
export const FORWARD_FIELDS = [
  'always',
  'onBusy',
  'onDeclined',
  'onUndisturbed',
  'onNotAnswered',
  'onUnreachable',
] as const;

/** The ordered list of ways one person is reached, when they are rung as a person. */
export const Reach = z.object({
  always: ForwardTarget.nullable(),
  /** Until when `always` holds, epoch milliseconds; absent or null is until somebody ends it. */
  alwaysUntil: z.number().nullable().optional(),
  steps: z.array(z.object({ phoneIds: z.array(Id).nullable(), seconds: RingSeconds })).max(10),
  /** All phones that could ring are on calls. */
  onBusy: ForwardTarget.nullable(),
  /** Somebody declines, or is not to be disturbed; absent or null is as when busy. */
  onDeclined: ForwardTarget.nullable().optional(),
  onUndisturbed: ForwardTarget.nullable().optional(),
  onNotAnswered: ForwardTarget.nullable(),
  onUnreachable: ForwardTarget.nullable(),
});

/** Who gets through while somebody is not to be disturbed, or has quiet hours. */
export const Exceptions = z.object({
  /** Colleagues. */
  personIds: z.array(Id).max(50),
  /** Callers on a list. */
  listIds: z.array(Id).max(20),
  /** Every contact. */
  contacts: z.boolean(),
  /** Whoever calls a second time shortly after the first. */
  again: z.boolean(),
});

/** Who says their name before somebody's phones ring: of callers from outside, nobody, those who are no contact, or all. */
export const Screening = z.enum(['nobody', 'strangers', 'everybody']);
/** What callers who hide their number get of somebody. */
export const HiddenCallers = z.enum(['ring', 'mailbox', 'refused']);
/** Whose number a linked phone shows: the caller's, or the one that was called, which says that it is a call for work. */
export const ShownTo = z.enum(['caller', 'number called']);

/** When phones may not ring: a span of every day, in minutes of the local day, and whole days of the week. */
export const Quiet = z.object({
  from: z.number().int().min(0).max(1439),
  /** The same as `from` is no span. */
  to: z.number().int().min(0).max(1439),
  /** ISO days of the week, 1 Monday to 7 Sunday, that are quiet from midnight to midnight. */
  wholeDays: z.array(z.number().int().min(1).max(7)).max(7).optional(),
  /** Absent or null is all of them. */
  phoneIds: z.array(Id).max(20).nullable().optional(),
});

/** Empty until it is known. */
const Email = text(120).refine(
  (t) => t === '' || z.email().safeParse(t).success,
  'That is not an e-mail address, such as rosa@yard.example.',
);

export const Role = z.enum(['owner', 'administrator', 'staff', 'shared room']);

/** A span of dates (ISO, both included) in which somebody is away, with who is rung in their place. */
export const Away = z
  .object({ from: z.iso.date(), to: z.iso.date(), standInId: Id.nullable() })
  .refine((a) => a.from <= a.to, 'It ends before it begins.');

/** An extension that leads to somebody besides their own: for a role, or for a time after a colleague has left. */
export const FurtherExtension = z.object({
  extension: Extension,
  /** Last day on which it leads there, ISO; null for good. */
  until: z.iso.date().nullable(),
  note: text(60),
});

/** Somebody who can be rung: a person, or a room that a shared phone serves. */
export const Person = z.object({
  id: Id,
  name,
  /** The name lists sort by; empty takes the last word of the name. */
  familyName: text(80),
  email: Email,
  role: Role,
  extension: Extension,
  further: z.array(FurtherExtension).max(10),
  siteId: Id.nullable(),
  mailboxId: Id.nullable(),
  reach: Reach,
  /** Hours outside which none of their phones may ring; null for none. */
  hoursId: Id.nullable(),
  quiet: Quiet.nullable(),
  /** Absent is nobody. */
  exceptions: Exceptions.optional(),
  /** Absent is nobody. */
  screening: Screening.optional(),
  /** Absent is that they ring. */
  hidden: HiddenCallers.optional(),
  away: z.array(Away).max(50),
  /** A second call may ring while they are talking. */
  callWaiting: z.boolean(),
  /** Who sees the number of their linked phones in the directory. */
  mobileSeenBy: z.enum(['everybody', 'their groups', 'administrators']),
});

export const PhoneKind = z.enum([
  'browser',
  'computer',
  'mobile app',
  'desk',
  'linked mobile',
  'linked landline',
]);

/** How a phone talks to the server (RFC 3261 §18; TLS carries the password and the call set-up unread). */
export const Transport = z.enum(['tls', 'tcp', 'udp']);
/** Codecs by their media subtype names (IANA registry of RTP payload formats). */
export const Codec = z.enum(['opus', 'G722', 'PCMU', 'PCMA']);

export const Phone = z.object({
  id: Id,
  name,
  kind: PhoneKind,
  /** Whose account its first key holds. */
  personId: Id.nullable(),
  /** What its first key is labelled; empty takes the extension. */
  label: text(20),
  /** Desk phones only: accounts of others on its further keys. */
  keys: z.array(z.object({ personId: Id, label: text(20) })).max(11),
  /** Lines that stand on it without ringing it: of people, and of numbers. */
  lines: z.object({ personIds: z.array(Id).max(20), numberIds: z.array(Id).max(20) }).optional(),
  outsideOffice: z.boolean(),
  /** Seconds from the offer until it sounds; null takes the kind's usual delay. */
  alertDelay: z.number().int().min(0).max(30).nullable(),
  /** Linked phones only: the outside number that is dialled. */
  number: E164.nullable(),
  /** Linked phones only: after so many seconds the phone's own voicemail takes the call; null for none. */
  ownVoicemailAfter: z.number().int().min(1).max(120).nullable(),
  /** Linked phones only: whoever answers presses 1 to take the call. */
  confirmByKey: z.boolean(),
  /** Linked phones only; absent is the caller. */
  shows: ShownTo.optional(),
  /** Where it is used outside the office, for emergency calls; null is the site of its person. */
  address: CivicAddress.nullable(),
  /** Day on which somebody should look whether that address is still right. */
  checkAgainOn: z.iso.date().nullable(),
  transport: Transport,
  /** Offered in this order. */
  codecs: z.array(Codec).min(1, 'A phone needs a codec.').max(4),
});

/** One of those a ring step or a group rings. */
export const RingTarget = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('person'), id: Id }),
  z.object({ kind: z.literal('phone'), id: Id }),
  z.object({ kind: z.literal('group'), id: Id }),
  /** Whoever is on duty. */
  z.object({ kind: z.literal('rota'), id: Id }),
  /** An outside number, which is its id. */
  z.object({ kind: z.literal('outside'), id: E164 }),
  /** Whoever on staff looks after the caller, where the caller is a contact of somebody. */
  z.object({ kind: z.literal('owner'), id: z.literal('owner') }),
]);

/**
 * How several are rung: all at once, or one after the other: in the order given, in turn from the one after the last rung,
 * whoever has been idle longest first, whoever took fewest calls today first, or by chance with weights.
 */
export const Pattern = z.enum([
  'together',
  'in order',
  'in turn',
  'longest idle',
  'fewest calls',
  'by weight',
]);

/** Weights of those rung by chance, by the id of the target; absent is 1. */
export const Weights = z.record(z.string(), z.number().int().min(0).max(100));

/** Several who are rung together or in turn; it can be dialled where it has an extension. */
export const Group = z.object({
  id: Id,
  name,
  extension: Extension.nullable(),
  members: z.array(RingTarget).max(200),
  /** How dialling its extension rings them. A plan that rings it says so itself. */
  pattern: Pattern,
  weights: Weights.optional(),
  seconds: RingSeconds,
});

export type ForwardTarget = z.infer<typeof ForwardTarget>;
export type IfNobody = z.infer<typeof IfNobody>;
export type PassTarget = z.infer<typeof PassTarget>;
export type Exceptions = z.infer<typeof Exceptions>;
export type Screening = z.infer<typeof Screening>;
export type HiddenCallers = z.infer<typeof HiddenCallers>;
export type ShownTo = z.infer<typeof ShownTo>;
export type Quiet = z.infer<typeof Quiet>;
export type Reach = z.infer<typeof Reach>;
export type Role = z.infer<typeof Role>;
export type Away = z.infer<typeof Away>;
export type FurtherExtension = z.infer<typeof FurtherExtension>;
export type Person = z.infer<typeof Person>;
export type PhoneKind = z.infer<typeof PhoneKind>;
export type Transport = z.infer<typeof Transport>;
export type Codec = z.infer<typeof Codec>;
export type Phone = z.infer<typeof Phone>;
export type RingTarget = z.infer<typeof RingTarget>;
export type Group = z.infer<typeof Group>;
export type Pattern = z.infer<typeof Pattern>;
export type Weights = z.infer<typeof Weights>;
