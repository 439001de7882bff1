/** What must hold true of a system, object by object and as a whole, however it came to be. */
import { checkExtension, ExtensionIndex } from '../numbering/extensions';
import { knownProfile } from '../numbering/profiles';
import { Network } from './primitives';
import type { Hours } from './hours';
import type { RingTarget } from './people';
import type { Step } from './plans';
import type { System } from './schema';
import { groupsWithin } from './groups';
import { COLLECTIONS, type Kind } from './let-go';
import { extensionsInUse } from './namespace';
import { goneFrom } from './references';
import { allSteps } from './steps';

/** What is wrong with an edit, and with which field of it. */
export interface Problem {
  field: string;
  message: string;
  /** Which command of the edit it is, from 0; absent where it is the edit as a whole. */
  command?: number;
}

type Collection = Record<string, { id: string }>;

export class Refused extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** What must hold true of an object after it was added or changed. */
export function check(system: System, kind: Kind, id: string): void {
  const mustExist = (collection: Collection, ref: string | null, field: string, what: string) => {
    if (ref !== null && !collection[ref]) throw new Refused(field, `There is no such ${what}.`);
  };
  if (kind === 'person') {
    const person = system.people[id]!;
    mustExist(system.sites, person.siteId, 'siteId', 'site');
    mustExist(system.mailboxes, person.mailboxId, 'mailboxId', 'mailbox');
    mustExist(system.hours, person.hoursId, 'hoursId', 'set of hours');
    for (const { standInId } of person.away) {
      mustExist(system.people, standInId, 'away', 'person');
      if (standInId === id) throw new Refused('away', 'Nobody can stand in for themselves.');
    }
  } else if (kind === 'number') {
    const number = system.numbers[id]!;
    const same = Object.values(system.numbers).find((n) => n.id !== id && n.e164 === number.e164);
    if (same) throw new Refused('e164', `You hold this number already, as "${same.label}".`);
    mustExist(system.plans, number.planId, 'planId', 'plan');
    mustExist(system.sites, number.siteId, 'siteId', 'site');
    if (number.callerIdFor !== 'everybody')
      for (const person of number.callerIdFor) mustExist(system.people, person, 'callerIdFor', 'person');
  } else if (kind === 'site') {
    const site = system.sites[id]!;
    const wrong = site.networks.find((n) => !Network.safeParse(n).success);
    if (wrong !== undefined)
      throw new Refused(
        'networks',
        `“${wrong}” is not a network. Write it as 192.0.2.0/24 or 2001:db8::/32.`,
      );
    for (const person of site.notify.personIds) mustExist(system.people, person, 'notify', 'person');
  } else if (kind === 'phone') {
    const phone = system.phones[id]!;
    mustExist(system.people, phone.personId, 'personId', 'person');
    if (phone.keys.length && phone.kind !== 'desk')
      throw new Refused('keys', 'Only a desk phone holds several accounts.');
    const accounts = [phone.personId, ...phone.keys.map((k) => k.personId)];
    for (const k of phone.keys) mustExist(system.people, k.personId, 'keys', 'person');
    if (new Set(accounts).size < accounts.length)
      throw new Refused('keys', 'This phone holds that account already.');
    if (new Set(phone.codecs).size < phone.codecs.length)
      throw new Refused('codecs', 'A codec is there twice.');
    const linked = phone.kind === 'linked mobile' || phone.kind === 'linked landline';
    if (linked !== (phone.number !== null))
      throw new Refused(
        'number',
        linked ? 'A linked phone needs its number.' : 'Only a linked phone has an outside number.',
      );
  } else if (kind === 'group') {
    const group = system.groups[id]!;
    onlyName(system.groups, id, 'group');
    checkTargets(system, group.members, 'members');
    if (group.members.some((m) => m.kind === 'owner'))
      throw new Refused('members', 'A group has the same members whoever calls.');
    if (groupsWithin(system, id).has(id))
      throw new Refused('members', `${group.name} would be a part of itself.`);
  } else if (kind === 'queue') {
    const queue = system.queues[id]!;
    onlyName(system.queues, id, 'queue');
    for (const member of queue.memberIds) mustExist(system.people, member, 'memberIds', 'person');
    if (new Set(queue.memberIds).size < queue.memberIds.length)
      throw new Refused('memberIds', 'Somebody serves it twice.');
    mustExist(system.recordings, queue.holdMusicId, 'holdMusicId', 'recording');
    mustExist(system.recordings, queue.comfort?.recordingId ?? null, 'comfort', 'recording');
    if (queue.exitKey !== null && queue.exitKey === queue.callBackKey)
      throw new Refused('callBackKey', `Key ${queue.exitKey} leaves the queue already.`);
  } else if (kind === 'hours') checkHours(system.hours[id]!);
  else if (kind === 'rota') {
    const rota = system.rotas[id]!;
    for (const person of [...rota.turns, ...rota.swaps.map((s) => s.personId)])
      mustExist(system.people, person, 'turns', 'person');
  } else if (kind === 'contact') {
    const contact = system.contacts[id]!;
    mustExist(system.people, contact.ownerId, 'ownerId', 'person');
    for (const list of contact.listIds) mustExist(system.lists, list, 'listIds', 'list');
    const other = Object.values(system.contacts).find(
      (c) => c.id !== id && c.numbers.some((n) => contact.numbers.includes(n)),
    );
    if (other) throw new Refused('numbers', `${other.name} has this number already.`);
  } else if (kind === 'list') onlyName(system.lists, id, 'list');
  else if (kind === 'promise') {
    const promised = system.promises[id]!;
    mustExist(system.numbers, promised.numberId, 'numberId', 'number');
    if (promised.when.on === 'hours') mustExist(system.hours, promised.when.hoursId, 'when', 'set of hours');
  } else if (kind === 'mailbox') {
    const mailbox = system.mailboxes[id]!;
    for (const owner of mailbox.ownerIds) mustExist(system.people, owner, 'ownerIds', 'person');
    mustExist(system.recordings, mailbox.greetingId, 'greetingId', 'recording');
    for (const { recordingId, when } of mailbox.greetings ?? []) {
      mustExist(system.recordings, recordingId, 'greetings', 'recording');
      if (when.on === 'list') mustExist(system.lists, when.listId, 'greetings', 'list');
    }
  } else if (kind === 'plan') {
    checkSteps(system.plans[id]!.steps);
  }
}

/**
 * Nothing of an object points at what is not there; looked at when all commands of an edit have run, so that two plans can
 * lead to each other. A promise may: what it expects of somebody who is gone is broken, and says so.
 */
export function checkReferences(system: System, kind: Kind, id: string): void {
  const gone = kind === 'promise' ? undefined : goneFrom(system, system[COLLECTIONS[kind]][id]);
  if (gone) throw new Refused(gone.field, gone.message);
}

/** Two of a kind with the same name could not be told apart. */
function onlyName(items: Record<string, { id: string; name: string }>, id: string, what: string): void {
  const name = items[id]!.name.toLowerCase();
  const same = Object.values(items).find((x) => x.id !== id && x.name.toLowerCase() === name);
  if (same) throw new Refused('name', `There is a ${what} “${same.name}” already.`);
}

function checkTargets(system: System, targets: readonly RingTarget[], field: string): void {
  const { people, phones, groups, rotas } = system;
  const collections = { person: people, phone: phones, group: groups, rota: rotas };
  for (const t of targets) {
    if (t.kind === 'outside' || t.kind === 'owner') continue;
    if (!collections[t.kind][t.id]) throw new Refused(field, `There is no such ${t.kind}.`);
  }
}

function checkHours(hours: Hours): void {
  const clash = overlapOf(hours.weekly);
  if (clash) throw new Refused('weekly', 'Two periods of the same day overlap.');
  const names = new Set<string>();
  for (const { id, name, times } of hours.exceptions ?? []) {
    if (names.has(id)) throw new Refused('exceptions', 'Two exceptions have the same id.');
    names.add(id);
    // A time for any day and one for a certain day can meet.
    const spread = times.flatMap((t) =>
      t.day === null ? [1, 2, 3, 4, 5, 6, 7].map((day) => ({ ...t, day })) : [{ ...t, day: t.day }],
    );
    if (overlapOf(spread)) throw new Refused('exceptions', `Two times of “${name}” overlap.`);
  }
}

function overlapOf(periods: readonly { day: number; from: number; to: number }[]): boolean {
  const byDay = [...periods].sort((a, b) => a.day - b.day || a.from - b.from);
  return byDay.some((p, i) => i > 0 && byDay[i - 1]!.day === p.day && byDay[i - 1]!.to > p.from);
}

export function checkBusiness({ business }: System): void {
  if (!knownProfile(business.country))
    throw new Refused(
      'country',
      `There is no profile of the country ${business.country} yet: what summons help there, and how numbers are dialled, is not known.`,
    );
  const codes = business.starCodes.map((s) => s.code);
  const twice = codes.find((c, i) => codes.indexOf(c) !== i);
  if (twice) throw new Refused('starCodes', `${twice} is there twice.`);
  for (const code of codes) {
    const longer = codes.find((c) => c !== code && c.startsWith(code));
    if (longer)
      throw new Refused(
        'starCodes',
        `${code} is the beginning of ${longer}: a phone could not tell them apart.`,
      );
  }
}

/** Somebody stays who owns the business: nobody else could give roles again. */
export function checkOwners(before: System, after: System): void {
  const owners = (system: System) => Object.values(system.people).filter((p) => p.role === 'owner');
  const [was] = owners(before);
  if (was && !owners(after).length)
    throw new Refused(
      'role',
      `${was.name} is the last owner: make somebody else an owner first, or nobody could give roles.`,
    );
}

/** No two people have the same e-mail address; looked at when all commands of an edit have run. */
export function checkEmails(before: System, after: System): void {
  const people = Object.values(after.people);
  const owners = new Map<string, System['people'][string]>();
  const touched = (p: System['people'][string]) => before.people[p.id]?.email !== p.email;
  for (const p of people) {
    if (!p.email) continue;
    const email = p.email.toLowerCase();
    const other = owners.get(email);
    // What stood there before both were touched is told as the owner.
    if (other && (touched(p) || touched(other)))
      throw new Refused('email', `${(touched(p) ? other : p).name} has this e-mail address already.`);
    owners.set(email, p);
  }
}

/**
 * Extensions are looked at when all commands of an edit have run, so that renumbering can pass through clashes.
 * Only what the edit touched is looked at, unless the dialling habits changed.
 */
export function checkExtensions(before: System, after: System): void {
  const [was, is] = [before.business, after.business];
  const all = was.outsideDigit !== is.outsideDigit || was.country !== is.country;
  const known = all ? undefined : new Set(extensionsInUse(before).map((e) => `${e.extension} ${e.id}`));
  const inUse = extensionsInUse(after);
  const touched = inUse.filter((e) => !known?.has(`${e.extension} ${e.id}`));
  const owners = new Map<string, (typeof inUse)[number]>();
  for (const e of inUse) {
    const other = owners.get(e.extension);
    if (other) {
      // Whose it was before is told as the owner.
      const [mine, theirs] = touched.includes(other) && !touched.includes(e) ? [other, e] : [e, other];
      throw new Refused(mine.field, `${e.extension} belongs to ${theirs.who}.`);
    }
    owners.set(e.extension, e);
  }
  if (!touched.length) return;
  const index = new ExtensionIndex(inUse);
  for (const { extension, field } of touched) {
    const clash = checkExtension(extension, index, is, extension);
    if (clash) throw new Refused(field, clash);
  }
}

export function checkSteps(steps: readonly Step[]): void {
  const seen = new Set<string>();
  for (const step of allSteps(steps)) {
    if (seen.has(step.id)) throw new Refused('id', 'Two steps of a plan have the same id.');
    seen.add(step.id);
    checkStep(step);
  }
}

/** What must hold true of one step, whatever else there is. */
function checkStep(step: Step): void {
  const twice = (names: readonly string[]) => names.find((n, i) => names.indexOf(n) !== i);
  if (step.kind === 'menu') {
    const key = twice(step.branches.map((b) => b.key));
    if (key) throw new Refused('key', `Key ${key} is there twice.`);
    if (step.nameKey !== null && step.branches.some((b) => b.key === step.nameKey))
      throw new Refused('nameKey', `Key ${step.nameKey} has a branch already.`);
  } else if (step.kind === 'hours') {
    const period = twice(step.branches.map((b) => b.period));
    if (period) throw new Refused('period', `There are two branches for ${period}.`);
  } else if (step.kind === 'ring' || step.kind === 'queue') {
    const way = twice((step.branches ?? []).map((b) => b.way));
    if (way) throw new Refused('way', `There are two branches for “${way}”.`);
  } else if (step.kind === 'share' && step.how === 'by shares' && step.branches.length) {
    const sum = step.branches.reduce((all, b) => all + b.share, 0);
    if (sum !== 100) throw new Refused('share', `The shares make ${sum} %, not 100 %.`);
  }
}
