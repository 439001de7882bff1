/** The order of the work from an empty business to one that is lived with: what is done, what is next, and why. */
import { allSteps, isLinked, type Standing, type System } from '../system';
import type { Finding } from '../findings';
import { addressProblems } from '../numbering';
import { staffOf } from './answers';

export const WORK = [
  'business',
  'sites',
  'number',
  'people',
  'phones',
  'hours',
  'holidays',
  'plan',
  'rota',
  'emergency',
  'rehearse',
  'in force',
  'invite',
  'pair',
  'first call',
  'copy',
] as const;
export type Task = (typeof WORK)[number];

/** What has to be known besides the system. */
export interface Around {
  system: System;
  standing: Standing;
  findings: readonly Finding[];
  /** Numbers in force that have a plan. */
  answered: number;
  /** Edits that callers do not get yet. */
  waiting: number;
  /** E-mail addresses that an invitation has been sent to. */
  invited: ReadonlySet<string>;
  /** Calls from outside there have been. */
  calls: number;
  /** Something was rehearsed, or promised. */
  rehearsed: boolean;
  /** There is a copy outside this browser, and it is not due to be made anew. */
  copied: boolean;
  /** The day in the zone of the business, ISO. */
  today: string;
  /** Tasks that somebody has said are not for this business. */
  aside: ReadonlySet<Task>;
}

export interface Entry {
  id: Task;
  name: string;
  /** Why it is part of the work. */
  why: string;
  stands: 'done' | 'open' | 'aside';
  /** How far it is. */
  says: string;
  href: string;
  /** It may be laid aside: not every business needs it. */
  optional: boolean;
}

const NOT_YET = 'Nothing yet.';
const some = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
const few = (names: readonly string[]): string =>
  names.length <= 3 ? names.join(', ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;

const NAMES: Readonly<Record<Task, readonly [name: string, why: string, href: string]>> = {
  business: [
    'About the business',
    'Its name is said to callers; its time zone decides when it is open.',
    '/begin/business',
  ],
  sites: ['Sites and their addresses', 'Help is sent to the address of a site.', '/numbers/sites'],
  number: [
    'Get a number',
    'What callers dial. An order takes a moment; bringing one over takes days.',
    '/numbers/get',
  ],
  people: ['People', 'Everybody who is rung has an extension and a mailbox.', '/people'],
  phones: ['Phones', 'A person without a phone cannot be rung.', '/phones'],
  hours: ['Opening hours', 'Plans branch by them.', '/hours'],
  holidays: ['Holidays', 'A holiday that nobody entered rings an empty office.', '/hours/year'],
  plan: ['An answering plan for each number', 'What happens to a call, step by step.', '/answering'],
  rota: ['Who is on call', 'Only where people take turns at night or at weekends.', '/hours/rotas'],
  emergency: ['Emergency addresses', 'Whoever dials for help is looked for there.', '/numbers/sites'],
  rehearse: [
    'Rehearse, and promise what must hold',
    'Hear each call before a caller does; a promise is checked before every change.',
    '/answering/rehearsal',
  ],
  'in force': ['Put it in force', 'Until then callers get what was in force before, or nothing.', '/changes'],
  invite: [
    'Invite people',
    'The mail brings the code that puts somebody on their phone.',
    '/phones/invitations',
  ],
  pair: ['Everybody has paired', 'A phone that is not paired does not ring.', '/phones'],
  'first call': [
    'The first real call',
    'Dial one of your numbers from an outside phone, and see it ring.',
    '/',
  ],
  copy: ['A copy outside this browser', 'What is only in this browser goes with it.', '/data'],
};
const OPTIONAL: ReadonlySet<Task> = new Set(['holidays', 'rota', 'copy']);

/** How far a task is. */
function standing(task: Task, a: Around): { done: boolean; says: string } {
  const { system } = a;
  const numbers = Object.values(system.numbers);
  const staff = staffOf(system).map((id) => system.people[id]!);
  switch (task) {
    case 'business':
      return {
        done: true,
        says: `${system.business.name}, ${system.business.timeZone.replaceAll('_', ' ')}`,
      };
    case 'sites': {
      const sites = Object.values(system.sites);
      const bare = sites.filter((s) => Object.keys(addressProblems(s.address)).length > 0);
      if (!sites.length) return { done: false, says: NOT_YET };
      return bare.length
        ? { done: false, says: `${few(bare.map((s) => s.name))}: the address is not complete.` }
        : { done: true, says: few(sites.map((s) => s.name)) };
    }
    case 'number':
      return { done: numbers.length > 0, says: numbers.length ? some(numbers.length, 'number') : NOT_YET };
    case 'people': {
      const silent = staff.filter((p) => !p.email);
      if (!staff.length) return { done: false, says: NOT_YET };
      return {
        done: silent.length === 0,
        says: silent.length
          ? `${some(staff.length, 'person', 'people')}; no e-mail address yet: ${few(silent.map((p) => p.name))}.`
          : some(staff.length, 'person', 'people'),
      };
    }
    case 'phones': {
      const owners = new Set(Object.values(system.phones).map((p) => p.personId));
      const without = staff.filter((p) => !owners.has(p.id));
      if (!staff.length) return { done: false, says: 'There are no people yet.' };
      return without.length
        ? { done: false, says: `No phone: ${few(without.map((p) => p.name))}.` }
        : { done: true, says: some(Object.keys(system.phones).length, 'phone') };
    }
    case 'hours': {
      const hours = Object.values(system.hours).filter((h) => h.weekly.length > 0);
      return { done: hours.length > 0, says: hours.length ? few(hours.map((h) => h.name)) : NOT_YET };
    }
    case 'holidays': {
      const days = Object.values(system.hours).flatMap((h) => h.exceptions ?? []);
      const coming = days.filter((e) => e.when.on === 'yearly' || lastOf(e.when) >= a.today);
      return {
        done: coming.length > 0,
        says: coming.length ? `${some(coming.length, 'exception')} to come` : NOT_YET,
      };
    }
    case 'plan': {
      const without = numbers.filter((n) => !n.planId || !system.plans[n.planId]?.steps.length);
      const plans = Object.values(system.plans).filter((p) => p.steps.length);
      if (!numbers.length)
        return {
          done: false,
          says: plans.length
            ? `${few(plans.map((p) => p.name))}: a number comes first.`
            : 'A number comes first.',
        };
      return without.length
        ? { done: false, says: `No plan: ${few(without.map((n) => n.label))}.` }
        : { done: true, says: some(plans.length, 'plan') };
    }
    case 'rota': {
      const rotas = Object.values(system.rotas).filter((r) => r.turns.length);
      return { done: rotas.length > 0, says: rotas.length ? few(rotas.map((r) => r.name)) : NOT_YET };
    }
    case 'emergency': {
      const wrong = a.findings.filter(
        (f) =>
          f.severity !== 'hint' &&
          /^(no-address|bad-address|bad-site|help-unknown|phone-address):/.test(f.id),
      );
      if (!numbers.length) return { done: false, says: 'A number comes first.' };
      return { done: wrong.length === 0, says: wrong[0]?.title ?? 'Every number has one.' };
    }
    case 'rehearse':
      return { done: a.rehearsed, says: a.rehearsed ? promised(system) : NOT_YET };
    case 'in force':
      return {
        done: a.answered > 0 && a.waiting === 0,
        says:
          a.waiting > 0
            ? `${some(a.waiting, 'edit waits', 'edits wait')} for it.`
            : a.answered
              ? 'Callers get what you see.'
              : NOT_YET,
      };
    case 'invite': {
      const waits = staff.filter(
        (p) => own(system, p.id).length && !isPaired(a, p.id) && !a.invited.has(p.email),
      );
      if (!staff.length) return { done: false, says: 'There are no people yet.' };
      return {
        done: waits.length === 0,
        says: waits.length ? `Not yet: ${few(waits.map((p) => p.name))}.` : 'Everybody is.',
      };
    }
    case 'pair': {
      const all = Object.values(system.phones).filter((p) => !isLinked(p));
      const paired = all.filter((p) => a.standing.registrations[p.id]);
      return {
        done: all.length > 0 && paired.length === all.length,
        says: `${paired.length} of ${some(all.length, 'phone')}`,
      };
    }
    case 'first call':
      return { done: a.calls > 0, says: a.calls ? some(a.calls, 'call') : NOT_YET };
    case 'copy':
      return { done: a.copied, says: a.copied ? 'There is one.' : 'None, or it is a week old.' };
  }
}
const promised = (system: System): string => {
  const n = Object.keys(system.promises).length;
  return n ? some(n, 'promise') : 'Rehearsed.';
};
const own = (system: System, personId: string) =>
  Object.values(system.phones).filter((p) => p.personId === personId && !isLinked(p));
const isPaired = (a: Around, personId: string): boolean =>
  own(a.system, personId).some((p) => a.standing.registrations[p.id]);
function lastOf(when: { on: string; dates?: string[]; to?: string }): string {
  return when.on === 'range' ? when.to! : ([...(when.dates ?? [])].sort().at(-1) ?? '');
}

/** Whether a plan of the business rings whoever is on duty. */
const ringsRota = (system: System): boolean =>
  Object.values(system.plans).some((plan) =>
    [...allSteps(plan.steps)].some((s) => s.kind === 'ring' && s.targets.some((t) => t.kind === 'rota')),
  );

/** The work in its order. What is optional and that nobody has begun can be laid aside; what a plan needs cannot. */
export const workOf = (around: Around): Entry[] =>
  WORK.map((id) => {
    const [name, why, href] = NAMES[id];
    const { done, says } = standing(id, around);
    const optional = OPTIONAL.has(id) && !(id === 'rota' && ringsRota(around.system));
    const stands = done ? 'done' : optional && around.aside.has(id) ? 'aside' : 'open';
    return { id, name, why, stands, says, href, optional };
  });

/** What to do next: the first that is open. */
export const nextOf = (work: readonly Entry[]): Entry | undefined => work.find((e) => e.stands === 'open');
