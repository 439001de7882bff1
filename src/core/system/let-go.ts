/** What a removed object leaves behind: it is taken out of everything that pointed at it. */
import type { RingTarget } from './people';
import type { System } from './schema';
import { allSteps } from './steps';

/** The collections of a system, by what commands call an object of each. */
export const COLLECTIONS = {
  site: 'sites',
  number: 'numbers',
  person: 'people',
  phone: 'phones',
  group: 'groups',
  hours: 'hours',
  recording: 'recordings',
  mailbox: 'mailboxes',
  plan: 'plans',
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
      for (const p of people) if (p.hoursId === id) p.hoursId = null;
    },
    mailbox: () => {
      for (const step of steps) if (step.kind === 'voicemail' && step.mailboxId === id) step.mailboxId = null;
      for (const p of Object.values(system.people)) if (p.mailboxId === id) p.mailboxId = null;
      dropForwards(system, (t) => t.to === 'mailbox' && t.mailboxId === id);
    },
    phone: () => {
      dropTargets('phone');
      for (const p of Object.values(system.people))
        for (const r of p.reach.steps) if (r.phoneIds) r.phoneIds = r.phoneIds.filter((x) => x !== id);
    },
    group: () => dropTargets('group'),
    person: () => {
      for (const phone of Object.values(system.phones)) {
        if (phone.personId !== id) continue;
        delete system.phones[phone.id];
        letGo(system, 'phone', phone.id);
      }
      for (const phone of Object.values(system.phones))
        phone.keys = phone.keys.filter((k) => k.personId !== id);
      for (const p of people) for (const a of p.away) if (a.standInId === id) a.standInId = null;
      dropTargets('person');
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
