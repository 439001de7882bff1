/** Whether colleagues have time: what is known of their hours, absences and other meetings. */
import { localTime, periodAt } from '../hours';
import { zoneOf, type System } from '../system';
import type { Meeting } from './meeting';

/**
 * Why somebody has no time, in words; none is that nothing speaks against it.
 * @param from @param to epoch milliseconds @param except the meeting that is looked at itself
 */
export function whyNotFree(
  personId: string,
  system: System,
  meetings: readonly Meeting[],
  from: number,
  to: number,
  except?: string,
): string[] {
  const person = system.people[personId];
  if (!person) return [];
  const zone = zoneOf(person, system);
  const why: string[] = [];
  const [first, last] = [localTime(zone, from).date, localTime(zone, to - 1).date];
  if (person.away.some((a) => a.from <= last && a.to >= first)) why.push('away');
  const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
  if (hours && [from, to - 1].some((t) => periodAt(hours, zone, t) === null)) why.push('outside their hours');
  const other = meetings.find(
    (m) =>
      m.id !== except &&
      m.state === 'planned' &&
      m.from < to &&
      m.to > from &&
      m.guests.some((g) => g.personId === personId && g.answer !== 'declined'),
  );
  if (other) why.push(`in “${other.name}”`);
  return why;
}
