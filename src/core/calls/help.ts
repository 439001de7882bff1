/** What an emergency service is told when one of the system's phones calls it. */
import { hasArrived, type Phone, type Standing, type System } from '../system';
import { numberShownBy } from './shown';
import type { Happening } from './trace';

export type Help = Pick<Extract<Happening, { kind: 'emergency' }>, 'place' | 'callback' | 'siteId'>;

/**
 * The location in force for a phone, the number to ring back, and the site whose people are told. A phone used elsewhere
 * gives its own address; else that of its person's site; else the address kept for the number that its calls show.
 * @param now epoch milliseconds @param phone the one called from; without it, any in the office
 */
export function helpFor(
  system: System,
  standing: Standing,
  personId: string | null,
  now: number,
  phone?: Phone,
): Help {
  const siteId = (personId && system.people[personId]?.siteId) || null;
  const shown = numberShownBy(system, personId, (e164) => hasArrived(standing, e164, now));
  const site = siteId ? system.sites[siteId] : undefined;
  const away = phone?.address && standing.registrations[phone.id]?.outside;
  return {
    place: away
      ? { kind: 'phone', id: phone.id }
      : site
        ? { kind: 'site', id: site.id }
        : shown?.address
          ? { kind: 'number', id: shown.id }
          : null,
    callback: site?.callback ?? shown?.e164 ?? null,
    siteId: site?.id ?? null,
  };
}

/** The address help is sent to, or undefined where none is known. */
export function addressOfHelp(system: System, place: Help['place']) {
  if (!place) return undefined;
  const { phones, sites, numbers } = system;
  return (
    { phone: phones[place.id]?.address, site: sites[place.id]?.address, number: numbers[place.id]?.address }[
      place.kind
    ] ?? undefined
  );
}
