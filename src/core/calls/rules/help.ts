/** What an emergency service is told when one of the system's phones calls it. */
import { addressLine, addressProblems, knownProfile } from '../../numbering';
import { once } from '../../once';
import { hasArrived, isLinked, type Phone, type Site, type Standing, type System } from '../../system';
import { numberShownBy } from '../base/shown';
import type { Happening } from '../base/trace';

export type Help = Pick<
  Extract<Happening, { kind: 'emergency' }>,
  'place' | 'callback' | 'siteId' | 'elsewhere'
>;

/** Whether a phone is somewhere else than at its site. */
const isElsewhere = (standing: Standing, phone: Phone | undefined): boolean =>
  phone !== undefined && standing.registrations[phone.id]?.outside === true;

/**
 * The location in force for a phone, the number to ring back, and the site whose people are told. A phone used elsewhere
 * gives its own address; where it has none, that of its person's site is given as the business's and not as its own. Else it
 * is the site's, else the address kept for the number that its calls show.
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
  const elsewhere = isElsewhere(standing, phone);
  return {
    place:
      elsewhere && phone!.address
        ? { kind: 'phone', id: phone!.id }
        : site
          ? { kind: 'site', id: site.id }
          : shown?.address
            ? { kind: 'number', id: shown.id }
            : null,
    callback: site?.callback ?? shown?.e164 ?? null,
    siteId: site?.id ?? null,
    ...(elsewhere && !phone!.address ? { elsewhere: true as const } : {}),
  };
}

/**
 * Numbers that summon help from a phone: those of the country where it is (its own address where it is used elsewhere, else
 * its person's site), and those of the business's country, which people know by heart.
 */
export function emergencyFrom(
  system: System,
  standing: Standing,
  personId: string | null,
  phone?: Phone,
): string[] {
  const site = (personId && system.sites[system.people[personId]?.siteId ?? '']) || undefined;
  const there = isElsewhere(standing, phone) ? phone!.address?.country : undefined;
  const countries = [there ?? site?.address.country ?? system.business.country, system.business.country];
  return [...new Set(countries.flatMap((c) => knownProfile(c)?.emergency ?? []))];
}

/** Sites from which other numbers summon help besides those of the business's country, with just those. */
export function emergencyOfSites(system: System): { site: Site; numbers: string[] }[] {
  const usual = knownProfile(system.business.country)?.emergency ?? [];
  return Object.values(system.sites).flatMap((site) => {
    const own = knownProfile(site.address.country)?.emergency ?? [];
    const numbers = own.filter((n) => !usual.includes(n));
    return numbers.length ? [{ site, numbers }] : [];
  });
}

/** Numbers that summon help from any phone of the system: what its dial plan sends out at once. */
export const emergencyAnywhere = once((system: System): readonly string[] => [
  ...new Set(
    [
      system.business.country,
      ...Object.values(system.sites).map((s) => s.address.country),
      ...Object.values(system.phones).flatMap((p) => p.address?.country ?? []),
    ].flatMap((c) => knownProfile(c)?.emergency ?? []),
  ),
]);

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

/** What help gets from one phone. */
export interface HelpFromPhone {
  phone: Phone;
  personId: string | null;
  /** What is dialled for it. */
  numbers: string[];
  help: Help;
  /** The address that is sent, in one line; empty where none is known. */
  address: string;
  /** Why help might not find whoever calls, in sentences; empty where it would. */
  doubts: string[];
}

/** Whether anybody of a site is told of a call for help (47 CFR §9.16). */
const isTold = (siteId: string | null, { sites }: System): boolean => {
  const notify = siteId ? sites[siteId]?.notify : undefined;
  return notify !== undefined && notify.personIds.length + notify.mailTo.length > 0;
};

/** What help would get from every phone that calls through the system; linked phones call by their own provider. */
export const helpTable = (system: System, standing: Standing, now: number): HelpFromPhone[] =>
  Object.values(system.phones)
    .filter((phone) => !isLinked(phone))
    .map((phone) => {
      const { personId } = phone;
      const help = helpFor(system, standing, personId, now, phone);
      const address = addressOfHelp(system, help.place);
      const numbers = emergencyFrom(system, standing, personId, phone);
      const doubts = [
        ...(numbers.length ? [] : ['What summons help where it is is not known.']),
        ...(help.elsewhere
          ? ['It is used elsewhere and says no address: help is told that its place is not known.']
          : address
            ? Object.values(addressProblems(address))
            : ['No address is known: help is sent nowhere.']),
        ...(help.callback ? [] : ['They cannot ring back.']),
        ...(isTold(help.siteId, system) ? [] : ['Nobody is told.']),
      ];
      return { phone, personId, numbers, help, address: address ? addressLine(address) : '', doubts };
    });
