/** Who is away at a moment, and who is rung in their place. */
import { localTime } from '../../hours';
import { zoneOf, type Away, type Person, type System } from '../../system';

/** The absence somebody is in at a moment (epoch milliseconds), by the dates of their zone. */
export function awayAt(person: Person, zone: string, now: number): Away | undefined {
  if (!person.away.length) return undefined;
  const { date } = localTime(zone, now);
  return person.away.find((span) => span.from <= date && date <= span.to);
}

/**
 * Who is rung for somebody: themselves; while they are away whoever they named, unless that one is away too. Nobody's
 * stand-in has a stand-in.
 */
export function standInFor(personId: string, system: System, now: number): string {
  const person = system.people[personId];
  if (!person?.away.length) return personId;
  const span = awayAt(person, zoneOf(person, system), now);
  const standIn = span?.standInId ? system.people[span.standInId] : undefined;
  return standIn && !awayAt(standIn, zoneOf(standIn, system), now) ? standIn.id : personId;
}
