/** Everything that decides a call to a number and depends on the time: what it is, and when it can change. */
import { plansFrom, readingOf } from '../answering';
import { awayAt, everybodyAway, isQuiet } from '../calls';
import {
  addDays,
  boundaries,
  handovers,
  isHoliday,
  localTime,
  momentOf,
  nextClockChange,
  onDuty,
  periodAt,
} from '../hours';
import { once } from '../once';
import {
  accountsOn,
  allSteps,
  everybodyIn,
  flatTargets,
  isOn,
  pointersIn,
  zoneOf,
  type Hours,
  type Kind,
  type Person,
  type Phone,
  type RingTarget,
  type Rota,
  type Standing,
  type StampedSwitch,
  type System,
  servingOf,
  alwaysAt,
  FORWARD_FIELDS,
} from '../system';

/** What a call that begins in a plan can meet. */
export interface Reached {
  /** Hours its steps ask. */
  hours: Hours[];
  /** Everybody it can ring. */
  people: Person[];
  /** Their phones. */
  phones: Phone[];
  rotas: Rota[];
  /** Callers may dial extensions, some of which lead somewhere only until a day. */
  dials: boolean;
}

/** Everything a call can meet, by plan; worked out once for each version of a system. */
const known = once((_: System) => new Map<string, Reached>());

export function reachedFrom(system: System, planId: string): Reached {
  const plans = known(system);
  let reached = plans.get(planId);
  if (!reached) plans.set(planId, (reached = find(system, planId)));
  return reached;
}

function find(system: System, planId: string): Reached {
  const plans = plansFrom(system, planId);
  const steps = plans.flatMap((p) => [...allSteps(p.steps)]);
  const dials = steps.some((s) => {
    const dialled = readingOf(s).dials?.(s);
    return dialled?.extensions || dialled?.names;
  });
  const targets: RingTarget[] = steps.flatMap((s) => [...(readingOf(s).rings?.(s) ?? [])]);
  const meant = <T>(items: Record<string, T>, kind: Kind): T[] => {
    const pointers = plans.flatMap((plan) => [...pointersIn('plans', plan, kind)]);
    return [...new Set(pointers.filter((p) => p.to === kind).map((p) => p.id))].flatMap(
      (id) => items[id] ?? [],
    );
  };
  const queues = meant(system.queues, 'queue');
  const rotaIds = new Set(rotasIn(targets, system));
  const people = new Set([
    ...peopleBehind(targets, system),
    ...queues.flatMap((q) => servingOf(system, q.id)),
    ...[...rotaIds].flatMap((id) => everybodyIn(system.rotas[id])),
  ]);
  for (const id of [...people])
    for (const { standInId } of system.people[id]?.away ?? []) if (standInId) people.add(standInId);
  // Where one of them sends calls on to a person, it can be anybody.
  const anybody = dials || [...people].some((id) => forwards(system.people[id]));
  const everyone = anybody
    ? Object.values(system.people)
    : [...people].flatMap((id) => system.people[id] ?? []);
  const ids = new Set<string | null>([null, ...everyone.map((p) => p.id)]);
  return {
    hours: meant(system.hours, 'hours'),
    people: everyone,
    phones: Object.values(system.phones).filter((p) => accountsOn(p).some((id) => ids.has(id))),
    rotas: dials ? Object.values(system.rotas) : [...rotaIds].flatMap((id) => system.rotas[id] ?? []),
    dials,
  };
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
  FORWARD_FIELDS.map((field) => person?.reach[field]).some((t) => t?.to === 'person' || t?.to === 'group');

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
      // A holiday closes for a reason of its own, which greetings say.
      stateAt: (at) =>
        `${periodAt(hours, zone, at, override) ?? ''}${isHoliday(hours, zone, at, override) ? ' holiday' : ''}`,
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
  for (const person of reached.people)
    if (variesIn(person)) add(personChanges(person, system, standing, from, to));
  add(switchedOff(reached, standing).flatMap(({ until }) => until ?? []));
  if (reached.dials)
    for (const { further } of Object.values(system.people))
      for (const { until } of further) if (until) add([momentOf(zone, addDays(until, 1), 0)]);
  return [...found].sort((a, b) => a - b);
}

/** Whether somebody's phones do not ring at all times. */
const variesIn = (p: Person): boolean =>
  p.away.length > 0 ||
  p.quiet !== null ||
  p.hoursId !== null ||
  (p.reach.always && p.reach.alwaysUntil) != null;

/** Do not disturb and phones switched off that turn themselves on again. */
const switchedOff = (reached: Reached, { dnd, resting }: Standing): StampedSwitch[] =>
  [...reached.people.map((p) => dnd[p.id]), ...reached.phones.map((p) => resting?.[p.id])].filter(
    (s) => s !== undefined && s.value && s.until != null,
  ) as StampedSwitch[];

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
  if (person.reach.always && person.reach.alwaysUntil) changes.push(person.reach.alwaysUntil);
  const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
  if (hours) changes.push(...boundaries(hours, zone, from, to, standing.overrides[hours.id]?.value));
  if (person.quiet) {
    const { from: quietFrom, to: quietTo, wholeDays } = person.quiet;
    const minutes = [quietFrom, quietTo, ...(wholeDays?.length ? [0] : [])];
    const last = localTime(zone, to).date;
    for (let date = localTime(zone, from).date; date <= last; date = addDays(date, 1))
      for (const minute of minutes)
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
  parts.push(...switchedOff(reached, standing).map((s) => isOn(s, at)));
  for (const person of reached.people) {
    if (!variesIn(person)) continue;
    const own = zoneOf(person, system);
    const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
    const away = awayAt(person, own, at);
    parts.push(
      away ? (away.standInId ?? true) : false,
      hours ? periodAt(hours, own, at, standing.overrides[hours.id]?.value) !== null : true,
      person.quiet ? isQuiet(person.quiet, localTime(own, at)) : false,
      alwaysAt(person.reach, at) !== null,
    );
  }
  if (reached.dials) {
    const { date } = localTime(zone, at);
    for (const { further } of Object.values(system.people))
      for (const { until } of further) if (until) parts.push(until < date);
  }
  return parts.length ? JSON.stringify(parts) : '';
}
