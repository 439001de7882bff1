/**
 * The system: one document that says what every caller gets. Draft and in force are two snapshots of it.
 * Every shape is a Zod schema, so that a click, a file and a stored record pass the same gate.
 */
import { z } from 'zod';

/** Version of the stored and exported shape. Raised whenever a migration is needed. */
export const SYSTEM_VERSION = 2;

const text = (max: number) => z.string().trim().max(max);
const name = text(80).min(1, 'Give it a name.');

export const Id = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[a-zA-Z0-9_-]+$/);
/** E.164: "+" and at most 15 digits, the first of them not 0 (ITU-T E.164). */
export const E164 = z.string().regex(/^\+[1-9]\d{1,14}$/, 'A number is stored as + and up to 15 digits.');
export const CountryCode = z.string().regex(/^[A-Z]{2}$/, 'A country is two capital letters (ISO 3166-1).');
export const Extension = z.string().regex(/^\d{2,6}$/, 'An extension is 2 to 6 digits.');
/** Seconds somebody is rung: 1 s to 10 min. */
export const RingSeconds = z
  .number('Type a number of seconds.')
  .int('Whole seconds only.')
  .min(1, 'At least 1 second.')
  .max(600, 'At most 600 seconds (10 minutes).');

/** Zones asked about before: making a formatter to find out takes longer than everything else of a check. */
const zones = new Map<string, boolean>();
function isTimeZone(zone: string): boolean {
  let known = zones.get(zone);
  if (known === undefined) {
    try {
      new Intl.DateTimeFormat('en', { timeZone: zone });
      known = true;
    } catch {
      known = false;
    }
    if (zones.size < 1000) zones.set(zone, known);
  }
  return known;
}
export const TimeZone = z.string().refine(isTimeZone, 'Not a time zone of the IANA list.');

/** Addresses of one network: 192.0.2.0/24 or 2001:db8::/32 (CIDR notation, RFC 4632 and RFC 4291). */
export const Network = z.union([z.cidrv4(), z.cidrv6()]);

/** What a code that begins with a star does on a phone of this system. */
export const StarFeature = z.enum([
  'hide caller ID',
  'show caller ID',
  'forwarding on',
  'forwarding off',
  'do not disturb on',
  'do not disturb off',
  'voicemail',
]);
export const StarCode = z.object({
  code: z.string().regex(/^\*\d{1,3}$/, 'A star code is * and 1 to 3 digits, such as *67.'),
  does: StarFeature,
});

/** Extensions kept for something to come: nobody is given one of them by proposal. */
export const ReservedExtensions = z
  .object({ from: Extension, to: Extension, note: text(60).min(1, 'Say what they are kept for.') })
  .refine(
    (r) => r.from.length === r.to.length && r.from <= r.to,
    'From and to have the same number of digits, and from is not after to.',
  );

export const Business = z.object({
  name,
  country: CountryCode,
  timeZone: TimeZone,
  extensionLength: z.number().int().min(2).max(6),
  /** Digit people dial first for an outside line; never stored in a number. */
  outsideDigit: z.enum(['', '0', '9']),
  defaultCallerId: E164.nullable(),
  starCodes: z.array(StarCode).max(30),
  reserved: z.array(ReservedExtensions).max(50),
  /** Seconds a desk phone waits for another digit where what was dialled could be the whole. */
  digitSeconds: z.number().int().min(2).max(15),
});

/**
 * Civic address; parts named as in RFC 4119 and RFC 5139: country, A1 state or region, A3 city, RD street, HNO house
 * number, UNIT, BLD building, FLR floor, ROOM, LOC other help in finding it, NAM occupant, PC postal code.
 */
export const CivicAddress = z.object({
  country: CountryCode,
  A1: text(60),
  A3: text(60),
  RD: text(80),
  HNO: text(12),
  PC: text(12),
  UNIT: text(20),
  BLD: text(60),
  FLR: text(20),
  ROOM: text(40),
  LOC: text(120),
  NAM: text(80),
});

export const Site = z.object({
  id: Id,
  name,
  timeZone: TimeZone,
  address: CivicAddress,
  /** The number an emergency service rings back; null for the number the call came from. */
  callback: E164.nullable(),
  /** Networks that count as "in the office", as address ranges (CIDR notation, RFC 4632 and RFC 4291). */
  networks: z.array(text(49)).max(20),
  /** Who is told when somebody here calls the emergency number (47 CFR §9.16). */
  notify: z.object({
    personIds: z.array(Id).max(20),
    mailTo: z.array(z.email('That is not an e-mail address.')).max(10),
  }),
  /** Day on which somebody should look whether the address is still right. */
  checkAgainOn: z.iso.date().nullable(),
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

/** Where a person's own forwarding sends a call. */
export const ForwardTarget = z.discriminatedUnion('to', [
  z.object({ to: z.literal('person'), personId: Id }),
  z.object({ to: z.literal('outside'), number: E164 }),
  z.object({ to: z.literal('mailbox'), mailboxId: Id }),
]);

/** The ordered list of ways one person is reached, when they are rung as a person. */
export const Reach = z.object({
  always: ForwardTarget.nullable(),
  steps: z.array(z.object({ phoneIds: z.array(Id).nullable(), seconds: RingSeconds })).max(10),
  onBusy: ForwardTarget.nullable(),
  onNotAnswered: ForwardTarget.nullable(),
  onUnreachable: ForwardTarget.nullable(),
});

export const Person = z.object({
  id: Id,
  name,
  /** Empty until it is known. */
  email: text(120).refine(
    (t) => t === '' || z.email().safeParse(t).success,
    'That is not an e-mail address, such as rosa@yard.example.',
  ),
  role: z.enum(['owner', 'administrator', 'staff']),
  extension: Extension,
  siteId: Id.nullable(),
  mailboxId: Id.nullable(),
  reach: Reach,
  /** Daily span, minutes of the local day, in which none of their phones may ring. */
  quiet: z
    .object({ from: z.number().int().min(0).max(1439), to: z.number().int().min(0).max(1439) })
    .nullable(),
  /** Spans of dates (ISO, both included) in which they are away. */
  away: z.array(z.object({ from: z.iso.date(), to: z.iso.date() })).max(50),
  /** A second call may ring while they are talking. */
  callWaiting: z.boolean(),
});

export const PhoneKind = z.enum([
  'browser',
  'computer',
  'mobile app',
  'desk',
  'linked mobile',
  'linked landline',
]);

export const Phone = z.object({
  id: Id,
  name,
  kind: PhoneKind,
  personId: Id.nullable(),
  outsideOffice: z.boolean(),
  /** Seconds from the offer until it sounds; null takes the kind's usual delay. */
  alertDelay: z.number().int().min(0).max(30).nullable(),
  /** Linked phones only: the outside number that is dialled. */
  number: E164.nullable(),
  /** Linked phones only: after so many seconds the phone's own voicemail takes the call; null for none. */
  ownVoicemailAfter: z.number().int().min(1).max(120).nullable(),
  /** Linked phones only: whoever answers presses 1 to take the call. */
  confirmByKey: z.boolean(),
  /** Where it is used outside the office, for emergency calls; null is the site of its person. */
  address: CivicAddress.nullable(),
  /** Day on which somebody should look whether that address is still right. */
  checkAgainOn: z.iso.date().nullable(),
});

export const PeriodOfWeek = z
  .object({
    /** ISO day of the week, 1 Monday to 7 Sunday. */
    day: z.number().int().min(1).max(7),
    /** Minutes of the local day; `to` up to 1440, which is midnight at its end. */
    from: z.number().int().min(0).max(1439),
    to: z.number().int().min(1).max(1440),
    kind: text(30).min(1),
  })
  .refine((p) => p.to > p.from, 'A period ends after it starts.');

export const Hours = z.object({
  id: Id,
  name,
  timeZone: TimeZone.nullable(),
  weekly: z.array(PeriodOfWeek).max(100),
});

export const Recording = z.object({ id: Id, name, text: text(2000) });

export const Mailbox = z.object({
  id: Id,
  name,
  ownerIds: z.array(Id).max(50),
  greetingId: Id.nullable(),
  /** Longest message in seconds. */
  longest: z.number().int().min(10).max(600),
  /** Messages are mailed to the owners, and to these addresses. */
  mailTo: z.array(z.email()).max(10),
});

export const RingTarget = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('person'), id: Id }),
  z.object({ kind: z.literal('phone'), id: Id }),
]);

const PlayStep = z.object({ id: Id, kind: z.literal('play'), recordingId: Id.nullable() });
const RingStep = z.object({
  id: Id,
  kind: z.literal('ring'),
  targets: z.array(RingTarget).max(50),
  pattern: z.enum(['together', 'in order']),
  /** Together: for so long in all. In order: for so long each. */
  seconds: RingSeconds,
  /** A single person's own forwarding is followed; otherwise it is left alone. */
  followReach: z.boolean(),
});
const VoicemailStep = z.object({ id: Id, kind: z.literal('voicemail'), mailboxId: Id.nullable() });
const EndStep = z.object({ id: Id, kind: z.literal('end'), how: z.enum(['plain', 'busy']) });
const HoursStep = z.object({
  id: Id,
  kind: z.literal('hours'),
  hoursId: Id.nullable(),
  get branches() {
    return z.array(z.object({ period: text(30).min(1), steps: z.array(Step) })).max(12);
  },
  get otherwise() {
    return z.array(Step);
  },
});

/** One line of a plan. A branch that runs out goes on with the step after the one it belongs to. */
export const Step = z.discriminatedUnion('kind', [PlayStep, HoursStep, RingStep, VoicemailStep, EndStep]);

export const Plan = z.object({ id: Id, name, steps: z.array(Step).max(100) });

export const System = z.object({
  business: Business,
  sites: z.record(Id, Site),
  numbers: z.record(Id, NumberHeld),
  people: z.record(Id, Person),
  phones: z.record(Id, Phone),
  hours: z.record(Id, Hours),
  plans: z.record(Id, Plan),
  mailboxes: z.record(Id, Mailbox),
  recordings: z.record(Id, Recording),
});

export type Business = z.infer<typeof Business>;
export type StarCode = z.infer<typeof StarCode>;
export type ReservedExtensions = z.infer<typeof ReservedExtensions>;
export type CivicAddress = z.infer<typeof CivicAddress>;
export type Site = z.infer<typeof Site>;
export type NumberHeld = z.infer<typeof NumberHeld>;
export type ForwardTarget = z.infer<typeof ForwardTarget>;
export type Reach = z.infer<typeof Reach>;
export type Person = z.infer<typeof Person>;
export type PhoneKind = z.infer<typeof PhoneKind>;
export type Phone = z.infer<typeof Phone>;
export type PeriodOfWeek = z.infer<typeof PeriodOfWeek>;
export type Hours = z.infer<typeof Hours>;
export type Recording = z.infer<typeof Recording>;
export type Mailbox = z.infer<typeof Mailbox>;
export type RingTarget = z.infer<typeof RingTarget>;
export type PlayStep = z.infer<typeof PlayStep>;
export type RingStep = z.infer<typeof RingStep>;
export type VoicemailStep = z.infer<typeof VoicemailStep>;
export type EndStep = z.infer<typeof EndStep>;
export type Step = z.infer<typeof Step>;
export type HoursStep = Extract<Step, { kind: 'hours' }>;
export type Plan = z.infer<typeof Plan>;
export type System = z.infer<typeof System>;
