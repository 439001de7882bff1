/** Applying an edit: all of it or nothing, with the patches that undo it. */
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import { checkExtension, ExtensionIndex } from '../numbering/extensions';
import { Edit, type Command } from './commands';
import { Network, type Step, type System } from './schema';
import { allSteps, listAt, whereIs } from './steps';

enablePatches();

/** What is wrong with an edit, and with which field of it. */
export interface Problem {
  field: string;
  message: string;
}
export type Applied =
  { ok: true; system: System; patches: Patch[]; inverse: Patch[] } | { ok: false; problems: Problem[] };

class Refused extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/**
 * Applies an edit to a system.
 * @returns the new system (the old one is untouched) with patches both ways, or what is wrong with the edit.
 */
export function applyEdit(system: System, edit: Edit): Applied {
  const parsed = Edit.safeParse(edit);
  if (!parsed.success) {
    const problems = parsed.error.issues.map((issue) => ({
      field: String(issue.path.filter((p) => typeof p === 'string').at(-1) ?? ''),
      message: issue.message,
    }));
    return { ok: false, problems };
  }
  try {
    const [next, patches, inverse] = produceWithPatches(system, (draft) => {
      for (const command of parsed.data.commands) run(draft as System, command);
    });
    if (next.people !== system.people || next.business !== system.business) checkExtensions(system, next);
    return { ok: true, system: next, patches, inverse };
  } catch (error) {
    if (error instanceof Refused)
      return { ok: false, problems: [{ field: error.field, message: error.message }] };
    throw error;
  }
}

/** Puts patches (an edit's, or their inverse) onto a system. */
export const patchSystem = (system: System, patches: Patch[]): System => applyPatches(system, patches);

const COLLECTIONS = {
  site: 'sites',
  number: 'numbers',
  person: 'people',
  phone: 'phones',
  hours: 'hours',
  recording: 'recordings',
  mailbox: 'mailboxes',
  plan: 'plans',
} as const;
type Kind = keyof typeof COLLECTIONS;
type Collection = Record<string, { id: string }>;

function run(system: System, command: Command): void {
  if (command.do === 'business.set') {
    Object.assign(system.business, command.change);
    return checkBusiness(system);
  }
  if ('planId' in command) return runStep(system, command);
  const kind = command.do.split('.')[0] as Kind;
  const items = system[COLLECTIONS[kind]] as Collection;
  if ('value' in command) {
    if (items[command.value.id]) throw new Refused('id', 'That is there already.');
    items[command.value.id] = command.value;
    check(system, kind, command.value.id);
  } else if ('change' in command) {
    const item = items[command.id] ?? gone(kind);
    Object.assign(item, command.change);
    check(system, kind, command.id);
  } else {
    if (!items[command.id]) gone(kind);
    delete items[command.id];
    letGo(system, kind, command.id);
  }
}

function gone(kind: string): never {
  throw new Refused('id', `That ${kind} is no longer there.`);
}

/** What must hold true of an object after it was added or changed. */
function check(system: System, kind: Kind, id: string): void {
  const mustExist = (collection: Collection, ref: string | null, field: string, what: string) => {
    if (ref !== null && !collection[ref]) throw new Refused(field, `There is no such ${what}.`);
  };
  if (kind === 'person') {
    const person = system.people[id]!;
    const same = Object.values(system.people).find(
      (p) => p.id !== id && p.email !== '' && p.email.toLowerCase() === person.email.toLowerCase(),
    );
    if (same) throw new Refused('email', `${same.name} has this e-mail address already.`);
    mustExist(system.sites, person.siteId, 'siteId', 'site');
    mustExist(system.mailboxes, person.mailboxId, 'mailboxId', 'mailbox');
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
    const linked = phone.kind === 'linked mobile' || phone.kind === 'linked landline';
    if (linked !== (phone.number !== null))
      throw new Refused(
        'number',
        linked ? 'A linked phone needs its number.' : 'Only a linked phone has an outside number.',
      );
  } else if (kind === 'hours') {
    const byDay = [...system.hours[id]!.weekly].sort((a, b) => a.day - b.day || a.from - b.from);
    for (const [i, period] of byDay.entries()) {
      const before = byDay[i - 1];
      if (before && before.day === period.day && before.to > period.from)
        throw new Refused('weekly', 'Two periods of the same day overlap.');
    }
  } else if (kind === 'mailbox') {
    const mailbox = system.mailboxes[id]!;
    for (const owner of mailbox.ownerIds) mustExist(system.people, owner, 'ownerIds', 'person');
    mustExist(system.recordings, mailbox.greetingId, 'greetingId', 'recording');
  } else if (kind === 'plan') {
    checkSteps(system.plans[id]!.steps);
  }
}

function checkBusiness({ business }: System): void {
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

/**
 * Extensions are looked at when all commands of an edit have run, so that renumbering can pass through clashes.
 * Only what the edit touched is looked at, unless the dialling habits changed.
 */
function checkExtensions(before: System, after: System): void {
  const people = Object.values(after.people);
  const [was, is] = [before.business, after.business];
  const all = was.outsideDigit !== is.outsideDigit || was.country !== is.country;
  const touched = people.filter((p) => all || before.people[p.id]?.extension !== p.extension);
  if (!touched.length) return;
  const owners = new Map<string, string>();
  for (const p of people) {
    const other = owners.get(p.extension);
    if (other !== undefined) throw new Refused('extension', `${p.extension} belongs to ${other}.`);
    owners.set(p.extension, p.name);
  }
  for (const { extension, name } of touched) {
    owners.delete(extension);
    const others = new ExtensionIndex([...owners].map(([e, who]) => ({ extension: e, who })));
    const clash = checkExtension(extension, others, is);
    if (clash) throw new Refused('extension', clash);
    owners.set(extension, name);
  }
}

/** Takes a removed object out of everything that pointed at it; what is left with a hole becomes a finding. */
function letGo(system: System, kind: Kind, id: string): void {
  const steps = Object.values(system.plans).flatMap((plan) => [...allSteps(plan.steps)]);
  const each = {
    site: () => {
      for (const x of [...Object.values(system.numbers), ...Object.values(system.people)])
        if (x.siteId === id) x.siteId = null;
    },
    plan: () => {
      for (const n of Object.values(system.numbers)) if (n.planId === id) n.planId = null;
    },
    number: () => {
      const held = new Set(Object.values(system.numbers).map((n) => n.e164));
      const { business } = system;
      if (business.defaultCallerId && !held.has(business.defaultCallerId)) business.defaultCallerId = null;
      for (const s of Object.values(system.sites)) if (s.callback && !held.has(s.callback)) s.callback = null;
    },
    recording: () => {
      for (const step of steps) if (step.kind === 'play' && step.recordingId === id) step.recordingId = null;
      for (const m of Object.values(system.mailboxes)) if (m.greetingId === id) m.greetingId = null;
    },
    hours: () => {
      for (const step of steps) if (step.kind === 'hours' && step.hoursId === id) step.hoursId = null;
    },
    mailbox: () => {
      for (const step of steps) if (step.kind === 'voicemail' && step.mailboxId === id) step.mailboxId = null;
      for (const p of Object.values(system.people)) if (p.mailboxId === id) p.mailboxId = null;
      dropForwards(system, (t) => t.to === 'mailbox' && t.mailboxId === id);
    },
    phone: () => {
      for (const step of steps)
        if (step.kind === 'ring')
          step.targets = step.targets.filter((t) => t.kind !== 'phone' || t.id !== id);
      for (const p of Object.values(system.people))
        for (const r of p.reach.steps) if (r.phoneIds) r.phoneIds = r.phoneIds.filter((x) => x !== id);
    },
    person: () => {
      for (const phone of Object.values(system.phones)) {
        if (phone.personId !== id) continue;
        delete system.phones[phone.id];
        letGo(system, 'phone', phone.id);
      }
      for (const step of steps)
        if (step.kind === 'ring')
          step.targets = step.targets.filter((t) => t.kind !== 'person' || t.id !== id);
      for (const m of Object.values(system.mailboxes)) m.ownerIds = m.ownerIds.filter((x) => x !== id);
      for (const n of Object.values(system.numbers))
        if (n.callerIdFor !== 'everybody') n.callerIdFor = n.callerIdFor.filter((x) => x !== id);
      for (const s of Object.values(system.sites))
        s.notify.personIds = s.notify.personIds.filter((x) => x !== id);
      dropForwards(system, (t) => t.to === 'person' && t.personId === id);
    },
  } satisfies Record<Kind, () => void>;
  each[kind]();
}

function dropForwards(
  system: System,
  points: (t: NonNullable<System['people'][string]['reach']['always']>) => boolean,
) {
  for (const { reach } of Object.values(system.people))
    for (const key of ['always', 'onBusy', 'onNotAnswered', 'onUnreachable'] as const) {
      const target = reach[key];
      if (target && points(target)) reach[key] = null;
    }
}

function checkSteps(steps: readonly Step[]): void {
  const seen = new Set<string>();
  for (const step of allSteps(steps)) {
    if (seen.has(step.id)) throw new Refused('id', 'Two steps of a plan have the same id.');
    seen.add(step.id);
  }
}

function runStep(system: System, command: Extract<Command, { planId: string }>): void {
  const plan = system.plans[command.planId] ?? gone('plan');
  const at = (stepId: string) => whereIs(plan.steps, stepId) ?? gone('step');
  if (command.do === 'step.add') {
    const list = listAt(plan.steps, command.place) ?? gone('branch');
    list.splice(Math.min(command.index, list.length), 0, command.step);
  } else if (command.do === 'step.set') {
    const { list, index } = at(command.step.id);
    list[index] = command.step;
  } else if (command.do === 'step.remove') {
    const { list, index } = at(command.stepId);
    list.splice(index, 1);
  } else {
    const { list, index } = at(command.stepId);
    const [step] = list.splice(index, 1) as [Step];
    if (command.place && [...allSteps([step])].some((s) => s.id === command.place!.parentId))
      throw new Refused('place', 'A step cannot move into its own branch.');
    const target = listAt(plan.steps, command.place) ?? gone('branch');
    target.splice(Math.min(command.index, target.length), 0, step);
  }
  checkSteps(plan.steps);
}
