/** Everything that decides a call to a number and depends on the time: what it is, and when it can change. */
import { awayAt, everybodyAway, zoneOf } from '../calls';
import {
  addDays,
  boundaries,
  handovers,
  localTime,
  momentOf,
  nextClockChange,
  onDuty,
  periodAt,
} from '../hours';
import {
  allSteps,
  everybodyIn,
  flatTargets,
  type Hours,
  type Person,
  type Plan,
  type RingTarget,
  type Rota,
  type Standing,
  type System,
} from '../system';

/** What a call that begins in a plan can meet. */
export interface Reached {
  /** Hours its steps ask. */
  hours: Hours[];
  /** People whose phones do not ring at all times. */
  people: Person[];
  rotas: Rota[];
  /** Callers may dial extensions, some of which lead somewhere only until a day. */
  dials: boolean;
}

/** Everything a call can meet, by plan; worked out once for each version of a system. */
const known = new WeakMap<System, Map<string, Reached>>();

export function reachedFrom(system: System, planId: string): Reached {
  let plans = known.get(system);
  if (!plans) known.set(system, (plans = new Map()));
  let reached = plans.get(planId);
  if (!reached) plans.set(planId, (reached = find(system, planId)));
  return reached;
}

function find(system: System, planId: string): Reached {
  const plans = plansFrom(system, planId);
  const steps = plans.flatMap((p) => [...allSteps(p.steps)]);
  const dials = steps.some((s) => s.kind === 'menu' && (s.dialExtension || s.nameKey !== null));
  const targets: RingTarget[] = steps.flatMap((s) => (s.kind === 'ring' ? s.targets : []));
  const queues = steps.flatMap((s) =>
    s.kind === 'queue' && s.queueId ? (system.queues[s.queueId] ?? []) : [],
  );
  const rotaIds = new Set(rotasIn(targets, system));
  const people = new Set([
    ...peopleBehind(targets, system),
    ...queues.flatMap((q) => q.memberIds),
    ...[...rotaIds].flatMap((id) => everybodyIn(system.rotas[id])),
  ]);
  for (const id of [...people])
    for (const { standInId } of system.people[id]?.away ?? []) if (standInId) people.add(standInId);
  // Where one of them sends calls on to a person, it can be anybody.
  const anybody = dials || [...people].some((id) => forwards(system.people[id]));
  const everyone = anybody
    ? Object.values(system.people)
    : [...people].flatMap((id) => system.people[id] ?? []);
  const hoursIds = new Set(steps.flatMap((s) => (s.kind === 'hours' && s.hoursId ? [s.hoursId] : [])));
  return {
    hours: [...hoursIds].flatMap((id) => system.hours[id] ?? []),
    people: everyone.filter((p) => p.away.length || p.quiet || p.hoursId),
    rotas: dials ? Object.values(system.rotas) : [...rotaIds].flatMap((id) => system.rotas[id] ?? []),
    dials,
  };
}

/** A plan and those it can send calls to; all that can be dialled, where callers may dial. */
export function plansFrom(system: System, planId: string): Plan[] {
  const found = new Map<string, Plan>();
  const add = (id: string | null) => {
    const plan = id ? system.plans[id] : undefined;
    if (!plan || found.has(plan.id)) return;
    found.set(plan.id, plan);
    for (const step of allSteps(plan.steps)) {
      if (step.kind === 'goto') add(step.planId);
      if (step.kind === 'menu' && step.dialExtension)
        for (const p of Object.values(system.plans)) if (p.extension) add(p.id);
    }
  };
  add(planId);
  return [...found.values()];
}

function rotasIn(targets: readonly RingTarget[], system: System, seen = new Set<string>()): string[] {
  return targets.flatMap((t) => {
    if (t.kind === 'rota') return [t.id];
    if (t.kind !== 'group' || seen.has(t.id)) return [];
    seen.add(t.id);
    return rotasIn(system.groups[t.id]?.members ?? [], system, seen);
  });
}

function peopleBehind(targets: readonly RingTarget[], system: System): string[] {
  // Whoever looks after a caller can be anybody somebody outside has been given to.
  const owners = targets.some((t) => t.kind === 'owner')
    ? Object.values(system.contacts).flatMap((c) => c.ownerId ?? [])
    : [];
  const own = flatTargets(targets, system).flatMap((t) =>
    t.kind === 'person' ? [t.id] : t.kind === 'phone' ? (system.phones[t.id]?.personId ?? []) : [],
  );
  return [...own, ...owners];
}

const forwards = (person: Person | undefined): boolean =>
  [person?.reach.always, person?.reach.onBusy, person?.reach.onNotAnswered, person?.reach.onUnreachable].some(
    (t) => t?.to === 'person',
  );

/** Something a call can ask when it reaches a step or a phone: a set of hours, or who can be rung. */
export interface Source {
  /** Moments at which its answer can change. Ascending, without repeats. */
  changes: number[];
  /** Its answer at a moment, as text: two moments with the same text treat a call that asks then alike. */
  stateAt: (at: number) => string;
}

/** The source that says which greetings play. */
export const GREETINGS = ' greetings';

/** The source that says who can be rung. */
export const PEOPLE = '';

/**
 * Everything a call can ask, by the id of the hours it asks, or PEOPLE.
 * @param from @param to epoch milliseconds between which changes are wanted; `to` is not included
 */
export function sourcesOf(
  reached: Reached,
  system: System,
  standing: Standing,
  from: number,
  to: number,
): Map<string, Source> {
  const zone = system.business.timeZone;
  const sources = new Map<string, Source>();
  for (const hours of reached.hours) {
    const override = standing.overrides[hours.id]?.value;
    sources.set(hours.id, {
      changes: boundaries(hours, zone, from, to, override),
      stateAt: (at) => periodAt(hours, zone, at, override) ?? '',
    });
  }
  sources.set(PEOPLE, {
    changes: peopleChanges(reached, system, standing, from, to),
    stateAt: (at) => peopleAt(reached, system, standing, at),
  });
  const greetings = greetingsOver(system, from, to);
  if (greetings) sources.set(GREETINGS, greetings);
  return sources;
}

/** Greetings that play from a day or until one, or while people are away; undefined where there is none. */
function greetingsOver(system: System, from: number, to: number): Source | undefined {
  const zone = system.business.timeZone;
  const mailboxes = Object.values(system.mailboxes).filter((m) =>
    m.greetings?.some((g) => g.when.on === 'dates' || g.when.on === 'away'),
  );
  if (!mailboxes.length) return undefined;
  const dated = mailboxes.flatMap((m) =>
    (m.greetings ?? []).flatMap(({ when }) => (when.on === 'dates' ? [when] : [])),
  );
  const owners = mailboxes.flatMap((m) => m.ownerIds.flatMap((id) => system.people[id] ?? []));
  const days = (own: string, first: string, last: string) => [
    momentOf(own, first, 0),
    momentOf(own, addDays(last, 1), 0),
  ];
  const changes = [
    ...dated.flatMap((d) => days(zone, d.from, d.to)),
    ...owners.flatMap((p) => p.away.flatMap((a) => days(zoneOf(p, system), a.from, a.to))),
  ];
  return {
    changes: [...new Set(changes)].filter((t) => t >= from && t < to).sort((a, b) => a - b),
    stateAt: (at) => {
      const { date } = localTime(zone, at);
      return JSON.stringify([
        dated.map((d) => d.from <= date && date <= d.to),
        mailboxes.map((m) => everybodyAway(m, system, at)),
      ]);
    },
  };
}

function peopleChanges(
  reached: Reached,
  system: System,
  standing: Standing,
  from: number,
  to: number,
): number[] {
  const found = new Set<number>();
  const zone = system.business.timeZone;
  const add = (moments: readonly number[]) => {
    for (const t of moments) if (t >= from && t < to) found.add(t);
  };
  for (const rota of reached.rotas) add(handovers(rota, zone, from, to));
  for (const person of reached.people) add(personChanges(person, system, standing, from, to));
  if (reached.dials)
    for (const { further } of Object.values(system.people))
      for (const { until } of further) if (until) add([momentOf(zone, addDays(until, 1), 0)]);
  return [...found].sort((a, b) => a - b);
}

function personChanges(
  person: Person,
  system: System,
  standing: Standing,
  from: number,
  to: number,
): number[] {
  const zone = zoneOf(person, system);
  const changes = person.away.flatMap((a) => [
    momentOf(zone, a.from, 0),
    momentOf(zone, addDays(a.to, 1), 0),
  ]);
  const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
  if (hours) changes.push(...boundaries(hours, zone, from, to, standing.overrides[hours.id]?.value));
  if (person.quiet) {
    const last = localTime(zone, to).date;
    for (let date = localTime(zone, from).date; date <= last; date = addDays(date, 1))
      for (const minute of [person.quiet.from, person.quiet.to])
        for (const which of ['compatible', 'later'] as const)
          changes.push(momentOf(zone, date, minute, which));
    for (let at = nextClockChange(zone, from); at < to; at = nextClockChange(zone, at)) changes.push(at);
  }
  return changes;
}

function peopleAt(reached: Reached, system: System, standing: Standing, at: number): string {
  const zone = system.business.timeZone;
  const parts: unknown[] = [];
  for (const rota of reached.rotas) parts.push(onDuty(rota, zone, at));
  for (const person of reached.people) {
    const own = zoneOf(person, system);
    const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
    const away = awayAt(person, own, at);
    parts.push(
      away ? (away.standInId ?? true) : false,
      hours ? periodAt(hours, own, at, standing.overrides[hours.id]?.value) !== null : true,
      person.quiet ? isQuiet(person.quiet, localTime(own, at).minute) : false,
    );
  }
  if (reached.dials) {
    const { date } = localTime(zone, at);
    for (const { further } of Object.values(system.people))
      for (const { until } of further) if (until) parts.push(until < date);
  }
  return parts.length ? JSON.stringify(parts) : '';
}

const isQuiet = ({ from, to }: { from: number; to: number }, minute: number): boolean =>
  from <= to ? minute >= from && minute < to : minute >= from || minute < to;
