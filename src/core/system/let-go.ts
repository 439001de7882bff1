/** What a removed object leaves behind: it is taken out of everything that pointed at it. */
import type { RingTarget } from './people';
import type { Promised } from './promises';
import type { System } from './schema';
import { allSteps } from './steps';

/** The collections of a system, by what commands call an object of each. */
export const COLLECTIONS = {
  site: 'sites',
  number: 'numbers',
  person: 'people',
  phone: 'phones',
  group: 'groups',
  queue: 'queues',
  hours: 'hours',
  rota: 'rotas',
  recording: 'recordings',
  mailbox: 'mailboxes',
  plan: 'plans',
  contact: 'contacts',
  list: 'lists',
  promise: 'promises',
} as const;
export type Kind = keyof typeof COLLECTIONS;

/** Takes a removed object out of everything that pointed at it; what is left with a hole becomes a finding. */
export function letGo(system: System, kind: Kind, id: string): void {
  const steps = Object.values(system.plans).flatMap((plan) => [...allSteps(plan.steps)]);
  const people = Object.values(system.people);
  const dropTargets = (kind: RingTarget['kind']) => {
    const others = (t: RingTarget) => t.kind !== kind || t.id !== id;
    for (const step of steps) if (step.kind === 'ring') step.targets = step.targets.filter(others);
    for (const group of Object.values(system.groups)) group.members = group.members.filter(others);
  };
  const each = {
    site: () => {
      for (const x of [...Object.values(system.numbers), ...Object.values(system.people)])
        if (x.siteId === id) x.siteId = null;
    },
    plan: () => {
      for (const n of Object.values(system.numbers)) if (n.planId === id) n.planId = null;
      for (const step of steps) if (step.kind === 'goto' && step.planId === id) step.planId = null;
    },
    number: () => {
      const held = new Set(Object.values(system.numbers).map((n) => n.e164));
      const { business } = system;
      dropPromises(system, (p) => p.numberId === id);
      if (business.defaultCallerId && !held.has(business.defaultCallerId)) business.defaultCallerId = null;
      for (const s of Object.values(system.sites)) if (s.callback && !held.has(s.callback)) s.callback = null;
    },
    recording: () => {
      for (const step of steps) if ('recordingId' in step && step.recordingId === id) step.recordingId = null;
      for (const q of Object.values(system.queues)) {
        if (q.holdMusicId === id) q.holdMusicId = null;
        if (q.comfort?.recordingId === id) q.comfort = null;
      }
      dropPromises(system, (p) => p.expects.every((e) => e.is === 'hears' && e.recordingId === id));
      for (const m of Object.values(system.mailboxes)) {
        if (m.greetingId === id) m.greetingId = null;
        for (const g of m.greetings ?? []) if (g.recordingId === id) g.recordingId = null;
      }
    },
    hours: () => {
      for (const step of steps) if (step.kind === 'hours' && step.hoursId === id) step.hoursId = null;
      for (const p of people) if (p.hoursId === id) p.hoursId = null;
      dropPromises(system, (p) => p.when.on === 'hours' && p.when.hoursId === id);
    },
    rota: () => dropTargets('rota'),
    queue: () => {
      for (const step of steps) if (step.kind === 'queue' && step.queueId === id) step.queueId = null;
    },
    contact: () => undefined,
    promise: () => undefined,
    list: () => {
      for (const m of Object.values(system.mailboxes))
        if (m.greetings)
          m.greetings = m.greetings.filter((g) => g.when.on !== 'list' || g.when.listId !== id);
      for (const c of Object.values(system.contacts)) c.listIds = c.listIds.filter((x) => x !== id);
      for (const p of people)
        if (p.exceptions) p.exceptions.listIds = p.exceptions.listIds.filter((x) => x !== id);
      for (const step of steps)
        if (step.kind === 'caller')
          step.branches = step.branches.filter((b) => b.test.is !== 'listed' || b.test.listId !== id);
    },
    mailbox: () => {
      for (const step of steps) if (step.kind === 'voicemail' && step.mailboxId === id) step.mailboxId = null;
      for (const p of Object.values(system.people)) if (p.mailboxId === id) p.mailboxId = null;
      dropForwards(system, (t) => t.to === 'mailbox' && t.mailboxId === id);
      if (system.business.unwanted?.mailboxId === id) system.business.unwanted.mailboxId = null;
    },
    phone: () => {
      dropTargets('phone');
      for (const p of Object.values(system.people)) {
        for (const r of p.reach.steps) if (r.phoneIds) r.phoneIds = r.phoneIds.filter((x) => x !== id);
        if (p.quiet?.phoneIds) p.quiet.phoneIds = p.quiet.phoneIds.filter((x) => x !== id);
      }
    },
    group: () => {
      dropTargets('group');
      dropForwards(system, (t) => t.to === 'group' && t.groupId === id);
    },
    person: () => {
      for (const phone of Object.values(system.phones)) {
        if (phone.personId !== id) continue;
        delete system.phones[phone.id];
        letGo(system, 'phone', phone.id);
      }
      for (const phone of Object.values(system.phones))
        phone.keys = phone.keys.filter((k) => k.personId !== id);
      for (const p of people) {
        for (const a of p.away) if (a.standInId === id) a.standInId = null;
        if (p.exceptions) p.exceptions.personIds = p.exceptions.personIds.filter((x) => x !== id);
      }
      dropTargets('person');
      for (const rota of Object.values(system.rotas)) {
        rota.turns = rota.turns.map((x) => (x === id ? null : x));
        for (const swap of rota.swaps) if (swap.personId === id) swap.personId = null;
      }
      for (const q of Object.values(system.queues)) q.memberIds = q.memberIds.filter((x) => x !== id);
      for (const c of Object.values(system.contacts)) if (c.ownerId === id) c.ownerId = null;
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
  for (const mailbox of Object.values(system.mailboxes))
    if (mailbox.zero && points(mailbox.zero)) mailbox.zero = null;
}

/** A promise about what is no longer there cannot be kept or broken. */
function dropPromises(system: System, isAbout: (promised: Promised) => boolean) {
  for (const promised of Object.values(system.promises))
    if (isAbout(promised)) delete system.promises[promised.id];
}
