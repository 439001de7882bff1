/** The moments at which anything that decides a call to a number can change. */
import { addDays, boundaries, localTime, momentOf, nextClockChange } from '../hours';
import { zoneOf } from '../calls';
import { allSteps, flatTargets, type NumberHeld, type Plan, type System } from '../system';

/**
 * Ascending, without repeats: starts and ends of hours, quiet hours and absences that a call to this number can meet,
 * and changes of the clocks. @param from @param to epoch milliseconds; `to` is not included
 */
export function changesFor(system: System, number: NumberHeld, from: number, to: number): number[] {
  const plan = number.planId ? system.plans[number.planId] : undefined;
  if (!plan) return [];
  const found = new Set<number>();
  for (const step of allSteps(plan.steps)) {
    const hours = step.kind === 'hours' && step.hoursId ? system.hours[step.hoursId] : undefined;
    if (hours) for (const t of boundaries(hours, system.business.timeZone, from, to)) found.add(t);
  }
  for (const id of peopleReached(system, plan))
    for (const t of personChanges(system, id, from, to)) found.add(t);
  return [...found].sort((a, b) => a - b);
}

/** Everybody a plan can ring. Where one of them forwards to a person, it can be anybody. */
function peopleReached(system: System, plan: Plan): Iterable<string> {
  const people = new Set<string>();
  for (const step of allSteps(plan.steps)) {
    if (step.kind !== 'ring') continue;
    for (const t of flatTargets(step.targets, system)) {
      const personId = t.kind === 'person' ? t.id : system.phones[t.id]?.personId;
      if (personId) people.add(personId);
    }
  }
  for (const id of [...people])
    for (const { standInId } of system.people[id]?.away ?? []) if (standInId) people.add(standInId);
  const forwards = (id: string): boolean => {
    const reach = system.people[id]?.reach;
    return [reach?.always, reach?.onBusy, reach?.onNotAnswered, reach?.onUnreachable].some(
      (t) => t?.to === 'person',
    );
  };
  return [...people].some(forwards) ? Object.keys(system.people) : people;
}

function personChanges(system: System, id: string, from: number, to: number): number[] {
  const person = system.people[id];
  if (!person || (!person.quiet && !person.away.length && !person.hoursId)) return [];
  const zone = zoneOf(person, system);
  const changes = person.away.flatMap((a) => [
    momentOf(zone, a.from, 0),
    momentOf(zone, addDays(a.to, 1), 0),
  ]);
  const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
  if (hours) for (const t of boundaries(hours, zone, from, to)) changes.push(t);
  if (person.quiet) {
    const last = localTime(zone, to).date;
    for (let date = localTime(zone, from).date; date <= last; date = addDays(date, 1))
      for (const minute of [person.quiet.from, person.quiet.to])
        for (const which of ['compatible', 'later'] as const)
          changes.push(momentOf(zone, date, minute, which));
    for (let at = nextClockChange(zone, from); at < to; at = nextClockChange(zone, at)) changes.push(at);
  }
  return changes.filter((t) => t >= from && t < to);
}
