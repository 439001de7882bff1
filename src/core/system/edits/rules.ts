/** What must hold true of a system, object by object and as a whole, however it came to be. */
import { checkExtension, ExtensionIndex } from '../../numbering/extensions';
import { knownProfile } from '../../numbering/profiles';
import { Network } from '../shape/primitives';
import type { Hours } from '../shape/hours';
import type { Step, StepOf } from '../shape/plans';
import { slotsOf, type System } from '../shape/schema';
import { answersForEver, circleOf } from '../follow-circles';
import { groupsWithin } from '../groups';
import { extensionsInUse } from '../namespace';
import { COLLECTIONS, goneFrom, type Kind } from './references';
import { allSteps } from '../steps';

/** What is wrong with an edit, and with which field of it. */
export interface Problem {
  field: string;
  message: string;
  /** Which command of the edit it is, from 0; absent where it is the edit as a whole. */
  command?: number;
}

export class Refused extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** What must hold true of an object of each kind after it was added or changed, whatever it points at. */
const LAWS: { [K in Kind]: (object: System[(typeof COLLECTIONS)[K]][string], system: System) => void } = {
  person: ({ id, away }) => {
    if (away.some((a) => a.standInId === id))
      throw new Refused('away', 'Nobody can stand in for themselves.');
  },
  number: ({ id, e164 }, { numbers }) => {
    const same = Object.values(numbers).find((n) => n.id !== id && n.e164 === e164);
    if (same) throw new Refused('e164', `You hold this number already, as "${same.label}".`);
  },
  site: ({ networks }) => {
    const wrong = networks.find((n) => !Network.safeParse(n).success);
    if (wrong !== undefined)
      throw new Refused(
        'networks',
        `“${wrong}” is not a network. Write it as 192.0.2.0/24 or 2001:db8::/32.`,
      );
  },
  phone: (phone) => {
    if (phone.keys.length && phone.kind !== 'desk')
      throw new Refused('keys', 'Only a desk phone holds several accounts.');
    if (hasTwice([phone.personId, ...phone.keys.map((k) => k.personId)]))
      throw new Refused('keys', 'This phone holds that account already.');
    const { personIds = [], numberIds = [] } = phone.lines ?? {};
    if (personIds.includes(phone.personId ?? '')) throw new Refused('lines', 'That is the phone’s own line.');
    if (hasTwice(personIds) || hasTwice(numberIds)) throw new Refused('lines', 'A line is there twice.');
    if (hasTwice(phone.codecs)) throw new Refused('codecs', 'A codec is there twice.');
    const linked = phone.kind === 'linked mobile' || phone.kind === 'linked landline';
    if (linked !== (phone.number !== null))
      throw new Refused(
        'number',
        linked ? 'A linked phone needs its number.' : 'Only a linked phone has an outside number.',
      );
  },
  group: (group, system) => {
    onlyName(system.groups, group.id, 'group');
    if (group.members.some((m) => m.kind === 'owner'))
      throw new Refused('members', 'A group has the same members whoever calls.');
    if (groupsWithin(system, group.id).has(group.id))
      throw new Refused('members', `${group.name} would be a part of itself.`);
  },
  queue: (queue, { queues }) => {
    onlyName(queues, queue.id, 'queue');
    if (hasTwice(queue.groupIds ?? [])) throw new Refused('groupIds', 'A group serves it twice.');
    if (hasTwice(queue.memberIds)) throw new Refused('memberIds', 'Somebody serves it twice.');
    if (queue.exitKey !== null && queue.exitKey === queue.callBackKey)
      throw new Refused('callBackKey', `Key ${queue.exitKey} leaves the queue already.`);
  },
  hours: checkHours,
  rota: () => undefined,
  recording: () => undefined,
  mailbox: () => undefined,
  plan: ({ steps }) => checkSteps(steps),
  contact: ({ id, numbers }, { contacts }) => {
    const other = Object.values(contacts).find(
      (c) => c.id !== id && c.numbers.some((n) => numbers.includes(n)),
    );
    if (other) throw new Refused('numbers', `${other.name} has this number already.`);
  },
  list: ({ id }, { lists }) => onlyName(lists, id, 'list'),
  shortcut: ({ id, code }, system) => {
    if (code === null) return;
    if (Object.values(system.shortcuts).some((s) => s.id !== id && s.code === code))
      throw new Refused('code', `${code} is another shortcut already.`);
    // What is dialled inside never gets in the way of help, an outside line or an extension.
    const wrong = checkExtension(code, new ExtensionIndex(extensionsInUse(system)), system.business);
    if (wrong) throw new Refused('code', wrong);
  },
  wording: ({ id }, { wordings }) => onlyName(wordings, id, 'ready-made answer'),
  'follow-up': (one, { followUps }) => {
    onlyName(followUps, one.id, 'follow-up');
    const circle = circleOf(one, Object.values(followUps));
    if (circle)
      throw new Refused(
        'then',
        circle.length === 1
          ? 'It would set itself off again and again.'
          : `${circle.join(', ')} would set each other off again and again.`,
      );
    if (answersForEver(one))
      throw new Refused(
        'pauseDays',
        'It would answer the answer to its own text, without end: name words that a text must have, or a pause of at least a day.',
      );
  },
  dialogue: (one, { dialogues }) => {
    onlyName(dialogues, one.id, 'dialogue');
    const asked = new Set<string>();
    for (const step of one.steps) {
      if (step.only && !asked.has(step.only.label.toLowerCase()))
        throw new Refused('steps', `“${step.only.label}” is not asked before that step.`);
      if (step.kind !== 'ask') continue;
      if (asked.has(step.label.toLowerCase()))
        throw new Refused('steps', `Two answers are called “${step.label}”.`);
      asked.add(step.label.toLowerCase());
    }
  },
  calendar: ({ id }, { calendars }) => onlyName(calendars, id, 'calendar'),
  'meeting room': ({ id }, { rooms }) => onlyName(rooms, id, 'room'),
  'call button': ({ id, offers }, { buttons }) => {
    onlyName(buttons, id, 'button');
    if (hasTwice(offers)) throw new Refused('offers', 'It offers something twice.');
  },
  'own answer': ({ id }, { ownAnswers }) => onlyName(ownAnswers, id, 'question'),
  promise: () => undefined,
};

const hasTwice = (items: readonly unknown[]): boolean => new Set(items).size < items.length;

/** Holds an object to the laws of its kind. @throws Refused */
export function check<K extends Kind>(system: System, kind: K, id: string): void {
  const objects = system[COLLECTIONS[kind]] as Record<string, System[(typeof COLLECTIONS)[K]][string]>;
  LAWS[kind](objects[id]!, system);
}

/**
 * Nothing of an object points at what is not there; looked at when all commands of an edit have run, so that two plans can
 * lead to each other. A promise may: what it expects of somebody who is gone is broken, and says so.
 */
export function checkReferences(system: System, kind: Kind, id: string): void {
  const gone = goneFrom(system, COLLECTIONS[kind], system[COLLECTIONS[kind]][id]);
  if (gone) throw new Refused(gone.field, gone.message);
}

/** Two of a kind with the same name could not be told apart. */
function onlyName(items: Record<string, { id: string; name: string }>, id: string, what: string): void {
  const name = items[id]!.name.toLowerCase();
  const same = Object.values(items).find((x) => x.id !== id && x.name.toLowerCase() === name);
  if (same) throw new Refused('name', `There is a ${what} “${same.name}” already.`);
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
  for (const slot of slotsOf(is)) {
    const other = [...owners.values()].find(
      (e) => e.extension.startsWith(slot) || slot.startsWith(e.extension),
    );
    if (!other) continue;
    const isNew = !slotsOf(was).includes(slot);
    throw new Refused(
      isNew ? 'park' : other.field,
      isNew
        ? `${slot} cannot be a slot: ${other.extension} belongs to ${other.who}.`
        : `${other.extension} is kept for parked calls.`,
    );
  }
  const index = new ExtensionIndex(inUse);
  const news = slotsOf(is).filter((slot) => all || !slotsOf(was).includes(slot));
  for (const slot of news) {
    const clash = checkExtension(slot, index, is, slot);
    if (clash) throw new Refused('park', clash);
  }
  if (!touched.length) return;
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

const twice = (names: readonly string[]) => names.find((n, i) => names.indexOf(n) !== i);
const noLaw = () => undefined;
function onlyWays({ branches }: { branches?: { way: string }[] | undefined }): void {
  const way = twice((branches ?? []).map((b) => b.way));
  if (way) throw new Refused('way', `There are two branches for “${way}”.`);
}

/** What must hold true of a step of each kind, whatever else there is. */
const STEP_LAWS: { [K in Step['kind']]: (step: StepOf<K>) => void } = {
  menu: ({ branches, nameKey, againKey, backKey }) => {
    const key = twice(branches.map((b) => b.key));
    if (key) throw new Refused('key', `Key ${key} is there twice.`);
    const own = { nameKey, againKey, backKey };
    for (const [field, is] of Object.entries(own)) {
      if (!is) continue;
      if (branches.some((b) => b.key === is)) throw new Refused(field, `Key ${is} has a branch already.`);
      if (Object.values(own).filter((other) => other === is).length > 1)
        throw new Refused(field, `Key ${is} does something else already.`);
    }
  },
  hours: ({ branches }) => {
    const period = twice(branches.map((b) => b.period));
    if (period) throw new Refused('period', `There are two branches for ${period}.`);
  },
  ring: onlyWays,
  queue: onlyWays,
  share: ({ how, branches }) => {
    if (how !== 'by shares' || !branches.length) return;
    const sum = branches.reduce((all, b) => all + b.share, 0);
    if (sum !== 100) throw new Refused('share', `The shares make ${sum} %, not 100 %.`);
  },
  play: noLaw,
  caller: noLaw,
  ask: ({ questions, branches = [], points = [] }) => {
    const asked = new Set<string>();
    for (const { label, only } of questions) {
      if (only && !asked.has(only.label.toLowerCase()))
        throw new Refused('questions', `“${only.label}” is not asked before “${label}”.`);
      if (asked.has(label.toLowerCase()))
        throw new Refused('questions', `Two answers are called “${label}”.`);
      asked.add(label.toLowerCase());
    }
    for (const { test } of [...branches, ...points])
      if (test.is !== 'points' && !asked.has(test.label.toLowerCase()))
        throw new Refused(
          'questions',
          `A branch or points go by “${test.label}”, which is not asked any more.`,
        );
  },
  voicemail: noLaw,
  forward: noLaw,
  goto: noLaw,
  meeting: noLaw,
  notify: noLaw,
  end: noLaw,
};
const checkStep = (step: Step): void => (STEP_LAWS[step.kind] as (step: Step) => void)(step);
