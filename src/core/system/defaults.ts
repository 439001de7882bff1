import { usualCallsOut } from './shape/calls-out';
import type { CallButton } from './shape/buttons';
import type { MeetingRoom } from './shape/rooms';
import { profileOf } from '../numbering/profiles';
import type { Codec, Group, Person, Phone, PhoneKind, Reach } from './shape/people';
import type { CivicAddress, Site } from './shape/places';
import type { Hours, Rota } from './shape/hours';
import type { Plan } from './shape/plans';
import type { Queue } from './shape/queues';
import type { Recording } from './shape/recordings';
import type { Business, InvitationWording, Mailbox, NumberHeld, System } from './shape/schema';

/** Seconds a person is rung before their voicemail: three rings in North America, six in Britain. Common practice, no source. */
export const USUAL_RING_SECONDS = 18;

/**
 * Seconds from the moment a phone is offered a call until it sounds, by kind of phone.
 * Common practice, no source: an outside mobile starts about two rings after a desk phone.
 */
export const ALERT_DELAY: Record<PhoneKind, number> = {
  desk: 0,
  browser: 1,
  computer: 1,
  'mobile app': 2,
  'linked mobile': 6,
  'linked landline': 3,
};

/** What a phone of each kind is called unless it is named. */
export const PHONE_NAMES: Record<PhoneKind, string> = {
  browser: 'Browser softphone',
  computer: 'Computer softphone',
  'mobile app': 'Mobile app',
  desk: 'Desk phone',
  'linked mobile': 'Own mobile',
  'linked landline': 'Own landline',
};

/** Wide speech first, then what every phone knows. Common practice, no source. */
const USUAL_CODECS: readonly Codec[] = ['opus', 'G722', 'PCMU', 'PCMA'];

/** Whether the phone is somebody's own outside line rather than one of this system's. */
export const isLinked = (phone: Phone): phone is Phone & { number: string } =>
  (phone.kind === 'linked mobile' || phone.kind === 'linked landline') && phone.number !== null;

/** Seconds until this phone sounds after it is offered a call. */
export const alertDelay = (phone: Phone): number => phone.alertDelay ?? ALERT_DELAY[phone.kind];

/** All phones together for the usual time, then the caller goes on. */
export const usualReach = (): Reach => ({
  always: null,
  steps: [{ phoneIds: null, seconds: USUAL_RING_SECONDS }],
  onBusy: null,
  onNotAnswered: null,
  onUnreachable: null,
});

/** A person with the usual settings; give at least id, name and extension. */
export const newPerson = (given: Pick<Person, 'id' | 'name' | 'extension'> & Partial<Person>): Person => ({
  familyName: '',
  email: '',
  role: 'staff',
  further: [],
  siteId: null,
  mailboxId: null,
  reach: usualReach(),
  hoursId: null,
  quiet: null,
  away: [],
  callWaiting: false,
  mobileSeenBy: 'their groups',
  ...given,
});

/** A phone with the usual settings; give at least id, name and kind. */
export const newPhone = (given: Pick<Phone, 'id' | 'name' | 'kind'> & Partial<Phone>): Phone => ({
  personId: null,
  label: '',
  keys: [],
  outsideOffice: false,
  alertDelay: null,
  number: null,
  ownVoicemailAfter: given.kind === 'linked mobile' ? 25 : null,
  confirmByKey: given.kind === 'linked mobile',
  address: null,
  checkAgainOn: null,
  transport: 'tls',
  codecs: [...USUAL_CODECS],
  ...given,
});

/** A group with the usual settings. */
export const newGroup = (given: Pick<Group, 'id' | 'name'> & Partial<Group>): Group => ({
  extension: null,
  members: [],
  pattern: 'together',
  seconds: USUAL_RING_SECONDS,
  ...given,
});

/** A queue with the usual settings. The numbers are common practice, no source. */
export const newQueue = (given: Pick<Queue, 'id' | 'name'> & Partial<Queue>): Queue => ({
  extension: null,
  memberIds: [],
  pattern: 'longest idle',
  seconds: USUAL_RING_SECONDS,
  limit: 10,
  longestWait: 300,
  holdMusicId: null,
  comfort: null,
  exitKey: null,
  callBackKey: null,
  wrapUp: 15,
  pauseAfter: 2,
  leadId: null,
  ...given,
});

/** Hours that are closed all week until times are given. */
export const newHours = (given: Pick<Hours, 'id' | 'name'> & Partial<Hours>): Hours => ({
  timeZone: null,
  weekly: [],
  ...given,
});

/** A plan without steps. */
export const newPlan = (given: Pick<Plan, 'id' | 'name'> & Partial<Plan>): Plan => ({ steps: [], ...given });

/** A rota of weekly turns that change on Monday mornings. @param from day the first turn begins, ISO */
export const newRota = (given: Pick<Rota, 'id' | 'name' | 'from'> & Partial<Rota>): Rota => ({
  timeZone: null,
  handover: 480,
  days: 7,
  turns: [],
  swaps: [],
  ...given,
});

/** A mailbox with the usual settings. */
export const newMailbox = (given: Pick<Mailbox, 'id' | 'name'> & Partial<Mailbox>): Mailbox => ({
  ownerIds: [],
  greetingId: null,
  longest: 180,
  mailTo: [],
  ...given,
});

/** A civic address; the parts not given are empty. */
export const civicAddress = (given: Pick<CivicAddress, 'country'> & Partial<CivicAddress>): CivicAddress => ({
  A1: '',
  A3: '',
  RD: '',
  HNO: '',
  PC: '',
  UNIT: '',
  BLD: '',
  FLR: '',
  ROOM: '',
  LOC: '',
  NAM: '',
  ...given,
});

/** A site with the usual settings. */
export const newSite = (given: Pick<Site, 'id' | 'name' | 'timeZone' | 'address'> & Partial<Site>): Site => ({
  callback: null,
  networks: [],
  notify: { personIds: [], mailTo: [] },
  checkAgainOn: null,
  ...given,
});

/** A number with the usual settings; give at least what the carrier says of it, an id and a label. */
export const newNumber = (
  given: Pick<
    NumberHeld,
    'id' | 'e164' | 'country' | 'label' | 'kind' | 'place' | 'monthlyCents' | 'currency'
  > &
    Partial<NumberHeld>,
): NumberHeld => ({
  use: 'department',
  siteId: null,
  planId: null,
  callerIdFor: 'everybody',
  callerName: '',
  notes: '',
  address: null,
  ...given,
});

/** Seconds a phone waits for another digit. The critical timer of RFC 3435 §3.2.2.3 is 4 s (from memory). */
export const USUAL_DIGIT_SECONDS = 4;

/** Days for which the code of an invitation is good. */
export const USUAL_INVITATION_DAYS = 7;

/** What the letter that invites somebody says until somebody writes it anew. */
export const usualInvitation = (): InvitationWording => ({
  subject: 'Your phone at {business}: extension {extension}',
  text: `Hello {name},

you have extension {extension} on the phone system of {business}. This mail puts you on your {phone}.

Open {link}

Or, on a phone that asks for them: the business number {number} and the code {code}.
The picture in this mail can be read by a camera; the file is for phones that take one.

The code works once, until {until}. If it has run out, ask for a new mail.`,
  days: USUAL_INVITATION_DAYS,
});

/** A business with the habits of its country. */
export const newBusiness = (
  given: Pick<Business, 'name' | 'country' | 'timeZone'> & Partial<Business>,
): Business => ({
  extensionLength: 3,
  outsideDigit: '',
  defaultCallerId: null,
  starCodes: profileOf(given.country).starCodes.map((s) => ({ ...s })),
  reserved: [],
  digitSeconds: USUAL_DIGIT_SECONDS,
  invitation: usualInvitation(),
  callsOut: usualCallsOut(),
  ...given,
});

/** A system that holds nothing but its business. */
export const emptySystem = (business: Business): System => ({
  business,
  sites: {},
  numbers: {},
  people: {},
  groups: {},
  phones: {},
  queues: {},
  hours: {},
  rotas: {},
  plans: {},
  mailboxes: {},
  recordings: {},
  contacts: {},
  lists: {},
  shortcuts: {},
  wordings: {},
  followUps: {},
  dialogues: {},
  calendars: {},
  ownAnswers: {},
  buttons: {},
  rooms: {},
  promises: {},
});

/** What somebody hears who is held or waits: a recording, a piece that is made by code, or nothing. */
export type HoldSound = { is: 'recording'; recording: Recording } | { is: 'made' } | { is: 'silence' };

/** Where a hold sound is chosen. */
export interface HoldChoice {
  holdMusicId?: string | null | undefined;
  holdSilent?: boolean | undefined;
}

/** What is chosen at one place; null where nothing is. */
export function holdSoundOf(
  { holdMusicId, holdSilent }: HoldChoice,
  { recordings }: Pick<System, 'recordings'>,
): HoldSound | null {
  if (holdSilent) return { is: 'silence' };
  const recording = recordings[holdMusicId ?? ''];
  return recording ? { is: 'recording', recording } : null;
}

/** What is heard on a call: of the queue it waits in, else of the number it came by, else of the business, else a piece made by code. */
export function holdSoundFor(
  system: System,
  numberId: string | null,
  queueId: string | null = null,
): HoldSound {
  const places = [system.queues[queueId ?? ''], system.numbers[numberId ?? ''], system.business];
  for (const place of places) {
    const sound = place && holdSoundOf(place, system);
    if (sound) return sound;
  }
  return { is: 'made' };
}

/** A call button as somebody would most likely want it. */
export const newButton = (
  given: Pick<CallButton, 'id' | 'name'>,
  { numbers, hours }: System,
): CallButton => ({
  says: 'Call us',
  numberId: (Object.values(numbers).find((n) => n.use === 'main') ?? Object.values(numbers)[0])?.id ?? null,
  offers: ['call', 'call back'],
  hoursId: Object.keys(hours)[0] ?? null,
  calendarId: null,
  personId: null,
  closed: 'We are closed just now. Leave a message, or let us call you back.',
  look: { background: '#1a4f63', ink: '#ffffff', corner: 6, size: 'usual' },
  ...given,
});

/** A meeting room as somebody would most likely want it; its PINs are to be chosen. */
export const newRoom = (given: Pick<MeetingRoom, 'id' | 'name'>): MeetingRoom => ({
  pin: null,
  hostPin: null,
  hostId: null,
  waits: true,
  asksName: false,
  most: 20,
  ...given,
});
