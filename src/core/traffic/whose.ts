/** Whose figures somebody may see. */
import { may } from '../people';
import { servingOf, type System } from '../system';

/**
 * Whoever sees the system sees everybody's; a member of staff their own, and those of the queues they lead.
 * @param personId null is whoever runs the system @returns null for everybody's
 */
export function whoseFigures(system: System, personId: string | null): ReadonlySet<string> | null {
  const person = personId === null ? undefined : system.people[personId];
  if (personId === null || (person && may(person.role, 'see the system'))) return null;
  const led = Object.values(system.queues).filter((q) => q.leadId === personId);
  return new Set([personId, ...led.flatMap((q) => servingOf(system, q.id))]);
}
