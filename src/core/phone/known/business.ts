/** What a staff phone is told of the business it belongs to: no more than its person may see. */
import { ownsMailbox } from '../../calls';
import { may, mayLook } from '../../people';
import {
  accountId,
  accountsOn,
  asContact,
  allSteps,
  isLinked,
  withOwn,
  type Group,
  type Mailbox,
  type NumberHeld,
  type OwnContact,
  type Person,
  type Phone,
  type Plan,
  type Reach,
  type RingStep,
  type MeetingRoom,
  type Standing,
  type System,
  FORWARD_FIELDS,
} from '../../system';

/** A room without what lets somebody in. */
const roomKnown = (room: MeetingRoom): MeetingRoom => ({ ...room, pin: null, hostPin: null });

/** The business as a phone knows it: the document, and what stands over it. */
export interface Known {
  system: System;
  standing: Standing;
}

const NO_REACH: Reach = { always: null, steps: [], onBusy: null, onNotAnswered: null, onUnreachable: null };

const picked = <T>(record: Record<string, T> | undefined, ids: ReadonlySet<string>): Record<string, T> =>
  Object.fromEntries(Object.entries(record ?? {}).filter(([id]) => ids.has(id)));
const each = <T>(record: Record<string, T>, change: (item: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([id, item]) => [id, change(item)]));

const phonesWith = (system: System, phoneId: string, has: (p: Phone) => boolean): Set<string> =>
  new Set(
    Object.values(system.phones)
      .filter((p) => p.id === phoneId || has(p))
      .map((p) => p.id),
  );

/** The phones of whoever uses a phone, itself among them. */
export function ownPhones(system: System, phoneId: string): Set<string> {
  const me = system.phones[phoneId]?.personId;
  return phonesWith(system, phoneId, (p) => p.personId !== null && p.personId === me);
}

/** Their own phones, and those of others that have a key with their account. */
export function phonesRungFor(system: System, phoneId: string): Set<string> {
  const me = system.phones[phoneId]?.personId;
  return phonesWith(system, phoneId, (p) => !!me && accountsOn(p).includes(me));
}

/** Whether whoever uses a phone may see the whole system; of a phone nobody has, nothing is theirs. */
export function seesAll(system: System, phoneId: string): boolean {
  const person = system.people[system.phones[phoneId]?.personId ?? ''];
  return person !== undefined && may(person.role, 'see the system');
}

/**
 * What a phone is told of its business. Whoever may see the system gets all but secrets (passwords of accounts, PINs). Of
 * others, staff get what a directory says: no forwarding, absences, hours or addresses, no private number they may not
 * see, no plan's steps, no promises and no prices.
 */
export function knownTo(system: System, standing: Standing, phoneId: string): Known {
  const without: Standing = { ...standing, accounts: {}, pins: {} };
  const rooms = each(system.rooms, roomKnown);
  if (seesAll(system, phoneId)) return { system: { ...system, rooms }, standing: without };
  const me = system.phones[phoneId]?.personId ?? '';
  const own = ownPhones(system, phoneId);
  const rung = phonesRungFor(system, phoneId);
  const mine = new Set([me]);
  const hours = new Set([system.people[me]?.hoursId ?? '']);
  const set = withOwn(system, standing.own);
  return {
    system: {
      ...system,
      business: { ...system.business, invitation: { ...system.business.invitation, text: '' } },
      numbers: each(system.numbers, numberKnown),
      people: each(system.people, (p) => (p.id === me ? p : personKnown(p))),
      groups: each(system.groups, groupKnown),
      phones: each(system.phones, (p) => (own.has(p.id) ? p : phoneKnown(p, set, me))),
      hours: picked(system.hours, hours),
      rotas: {},
      plans: each(system.plans, planKnown),
      mailboxes: each(system.mailboxes, (m) => (ownsMailbox(system, m.id, me) ? m : mailboxKnown(m))),
      promises: {},
      followUps: {},
      dialogues: {},
      calendars: {},
      ownAnswers: {},
      buttons: {},
      rooms,
    },
    standing: {
      ...without,
      registrations: picked(standing.registrations, accountsOf(system, phoneId)),
      dnd: picked(standing.dnd, mine),
      resting: picked(standing.resting, rung),
      own: { people: picked(standing.own?.people, mine), phones: picked(standing.own?.phones, own) },
      proved: picked(standing.proved, own),
      intercepts: {},
      overrides: picked(standing.overrides, hours),
      logins: each(standing.logins, (by) => picked(by, mine)),
      pauses: picked(standing.pauses, mine),
      words: picked(standing.words, mine),
      shortcuts: picked(standing.shortcuts, mine),
      planned: null,
    },
  };
}

/** Their own contacts stand before those of the business: a number that both have is called as they call it. */
export function withOwnContacts(
  system: System,
  all: readonly (OwnContact & { personId: string })[],
  personId: string | null,
): System {
  const own = all.filter((c) => c.personId === personId);
  if (!own.length) return system;
  const contacts = Object.fromEntries(
    own.map(({ id, name, firm, numbers, emails, note }) => [
      id,
      asContact({ id, name, firm, numbers, emails, note }),
    ]),
  );
  return { ...system, contacts: { ...contacts, ...system.contacts } };
}

/** The registrations of somebody: every account on their own phones, and theirs on phones of others. */
function accountsOf(system: System, phoneId: string): Set<string> {
  const me = system.phones[phoneId]?.personId ?? null;
  const own = ownPhones(system, phoneId);
  return new Set(
    [...phonesRungFor(system, phoneId)].flatMap((id) => {
      const phone = system.phones[id]!;
      if (!own.has(id)) return me ? [accountId(phone, me)] : [];
      return [id, ...accountsOn(phone).map((personId) => accountId(phone, personId))];
    }),
  );
}

const numberKnown = (n: NumberHeld): NumberHeld => ({ ...n, notes: '', address: null, monthlyCents: 0 });

function personKnown(person: Person): Person {
  const { id, name, familyName, email, role, extension, further, siteId, mailboxId, mobileSeenBy } = person;
  return {
    ...{ id, name, familyName, email, role, extension, further, siteId, mailboxId, mobileSeenBy },
    reach: NO_REACH,
    hoursId: null,
    quiet: null,
    away: [],
    callWaiting: person.callWaiting,
  };
}

/** A number of somebody outside in a group is not told. */
const groupKnown = (group: Group): Group => ({
  ...group,
  members: group.members.filter((m) => m.kind !== 'outside'),
});

function phoneKnown(phone: Phone, system: System, me: string): Phone {
  const person = system.people[phone.personId ?? ''];
  const seen = isLinked(phone) && person !== undefined && mayLook(system, me, person);
  return { ...phone, number: seen ? phone.number : null, address: null, checkAgainOn: null };
}

/** Of a plan the steps that ring are told, for what a ringing phone shows, and whom a direct number rings. */
function planKnown(plan: Plan): Plan {
  const rings = [...allSteps(plan.steps)].filter((s): s is RingStep => s.kind === 'ring');
  return {
    ...plan,
    steps: rings.map((step, i) => {
      const [only, other] = step.targets;
      const direct = i === 0 && only?.kind === 'person' && !other;
      return { ...step, targets: direct ? step.targets : [] };
    }),
  };
}

const mailboxKnown = ({ textTo: _, ...mailbox }: Mailbox): Mailbox => ({
  ...mailbox,
  mailTo: [],
  greetingId: null,
  greetings: [],
  zero: null,
});

/**
 * Outside numbers that a phone may not see, although they are in the system: private ones of colleagues, where they
 * forward to, and those in groups and plans. E.164.
 */
export function unseenNumbers(system: System, standing: Standing, phoneId: string): Set<string> {
  const found = new Set<string>();
  if (seesAll(system, phoneId)) return found;
  const me = system.phones[phoneId]?.personId ?? '';
  const set = withOwn(system, standing.own);
  for (const phone of Object.values(set.phones)) {
    const person = set.people[phone.personId ?? ''];
    if (isLinked(phone) && phone.personId !== me && !(person && mayLook(set, me, person)))
      found.add(phone.number);
  }
  for (const { id, reach } of Object.values(set.people))
    for (const target of FORWARD_FIELDS.map((field) => reach[field]))
      if (id !== me && target?.to === 'outside') found.add(target.number);
  for (const { members } of Object.values(set.groups))
    for (const m of members) if (m.kind === 'outside') found.add(m.id);
  for (const { steps } of Object.values(set.plans))
    for (const step of allSteps(steps)) {
      if (step.kind === 'ring') for (const t of step.targets) if (t.kind === 'outside') found.add(t.id);
      if (step.kind === 'forward' && step.number) found.add(step.number);
    }
  // Whoever is in the list of contacts is known to all.
  for (const { numbers } of Object.values(set.contacts)) for (const n of numbers) found.delete(n);
  return found;
}
