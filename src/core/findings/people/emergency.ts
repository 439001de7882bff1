/** Checks of what happens when somebody calls for help: is it sent to the right door, and who is told? */
import { peopleRung } from '../../changes';
import { addDays, dateInWords } from '../../hours';
import { emergencyAnywhere, listed } from '../../calls';
import { addressProblems, dialClashes, hidesService, knownProfile, profileOf } from '../../numbering';
import { extensionsInUse, isLinked, type NumberHeld, type System } from '../../system';
import type { Check, Finding } from '../finding';

const YEAR_DAYS = 365;

/** The site of those whom its calls ring first, or the only one there is. */
function siteFix({ id, label, planId }: NumberHeld, system: System): Pick<Finding, 'fix'> {
  const theirs = (planId ? peopleRung(system, planId) : []).flatMap((p) => system.people[p]?.siteId ?? []);
  const all = Object.keys(system.sites);
  const site = system.sites[theirs[0] ?? (all.length === 1 ? all[0]! : '')];
  if (!site) return {};
  return {
    fix: {
      label: `It is at ${site.name}`,
      edit: {
        words: `${label} is at the site ${site.name}`,
        commands: [{ do: 'number.set', id, change: { siteId: site.id } }],
      },
    },
  };
}

/** Every number has an address of its own or of its site. */
export const emergencyAddresses: Check = ({ system }) =>
  Object.values(system.numbers).flatMap((number): Finding[] => {
    const address = number.address ?? (number.siteId ? system.sites[number.siteId]?.address : undefined);
    const place = { kind: 'number' as const, id: number.id };
    if (!address)
      return [
        {
          id: `no-address:${number.id}`,
          severity: 'warning',
          place,
          title: `${number.label} has no emergency address`,
          detail: 'An emergency call from it sends help nowhere. Give it a site with a street address.',
          ...siteFix(number, system),
        },
      ];
    const missing = number.address ? Object.values(addressProblems(number.address)) : [];
    return missing.length
      ? [
          {
            id: `bad-address:${number.id}`,
            severity: 'warning',
            place,
            title: `The emergency address of ${number.label} is not complete`,
            detail: missing.join(' '),
          },
        ]
      : [];
  });

/** Every site has a whole address that somebody looked at lately, and people who are told. */
export const sites: Check = ({ system, today }) =>
  Object.values(system.sites).flatMap((site): Finding[] => {
    const place = { kind: 'site' as const, id: site.id };
    const found: Finding[] = [];
    const missing = Object.values(addressProblems(site.address));
    if (missing.length)
      found.push({
        id: `bad-site:${site.id}`,
        severity: 'warning',
        place,
        title: `The address of ${site.name} is not complete`,
        detail: missing.join(' '),
      });
    if (site.checkAgainOn !== null && site.checkAgainOn <= today)
      found.push({
        id: `still-right:${site.id}`,
        severity: 'hint',
        place,
        title: `Is the address of ${site.name} still right?`,
        detail: `Somebody wanted to look again on ${dateInWords(site.checkAgainOn)}. Help is sent there.`,
        fix: {
          label: 'It is right, ask again in a year',
          edit: {
            words: `The address of ${site.name} is still right`,
            commands: [{ do: 'site.set', id: site.id, change: { checkAgainOn: addDays(today, YEAR_DAYS) } }],
          },
        },
      });
    if (!knownProfile(site.address.country))
      found.push({
        id: `help-unknown:${site.id}`,
        severity: 'warning',
        place,
        title: `What summons help at ${site.name} is not known`,
        detail: `There is no profile of ${site.address.country} yet: from there only ${emergencyHere(system)} is put through as an emergency call.`,
      });
    const told = site.notify.personIds.length + site.notify.mailTo.length;
    const inUse = Object.values(system.people).some((p) => p.siteId === site.id);
    if (!told && inUse)
      found.push({
        id: `nobody-told:${site.id}`,
        severity: 'hint',
        place,
        title: `Nobody at ${site.name} is told of emergency calls`,
        detail: `When somebody there calls ${(knownProfile(site.address.country) ?? profileOf(system.business.country)).emergency[0]}, a colleague should know and meet the help at the door.`,
      });
    return found;
  });

/** Phones that stand elsewhere say where; so do mobile apps, whose call goes out through the business and not by the mobile. */
export const phonesElsewhere: Check = ({ system, standing, today }) =>
  Object.values(system.phones).flatMap((phone): Finding[] => {
    if (isLinked(phone)) return [];
    const owner = (phone.personId && system.people[phone.personId]?.name) || 'Nobody';
    const place = { kind: 'phone' as const, id: phone.id };
    const title = `${owner}: where is the ${phone.name.toLowerCase()}?`;
    if (standing.registrations[phone.id]?.outside && !phone.address)
      return [
        {
          id: `phone-address:${phone.id}`,
          severity: 'warning',
          place,
          title,
          detail:
            'It is used outside the office and says no address of its own: help is told the address of the business, and that the place of the phone is not known.',
        },
      ];
    return phone.address && phone.checkAgainOn !== null && phone.checkAgainOn <= today
      ? [
          {
            id: `phone-still-right:${phone.id}`,
            severity: 'hint',
            place,
            title,
            detail: `Somebody wanted to look again on ${dateInWords(phone.checkAgainOn)} whether its address is right.`,
          },
        ]
      : [];
  });

const emergencyHere = (system: System): string =>
  listed(knownProfile(system.business.country)?.emergency ?? []);

/** Extensions that cannot be dialled from a site because they are, or begin with, what summons help in its country. */
export const hiddenByHelp: Check = ({ system }) =>
  extensionsInUse(system).flatMap(({ extension, who, id, kind, field }): Finding[] => {
    const number = emergencyAnywhere(system).find((e) => extension.startsWith(e) || e.startsWith(extension));
    return number === undefined || field === 'further'
      ? []
      : [
          {
            id: `hidden-by-help:${id}`,
            severity: 'warning',
            place: { kind, id },
            title: `Extension ${extension} gets in the way of ${number}`,
            detail: `${number} summons help where one of your sites or phones is: from there ${who} is not reached by it, or help only after a wait. Give it another extension.`,
          },
        ];
  });

/** Outside calls that an emergency number cuts off, and services that an extension hides. */
export const dialling: Check = ({ system }) => [
  ...cutOff(system),
  ...Object.values(system.people)
    .filter((p) => hidesService(p.extension, system.business))
    .map((p): Finding => ({
      id: `hides-service:${p.id}`,
      severity: 'hint',
      place: { kind: 'person', id: p.id },
      title: `Extension ${p.extension} hides the service ${p.extension}`,
      detail: `Whoever dials it gets ${p.name}. Give them another one, or let people dial a digit first for an outside line.`,
    })),
];

const cutOff = (system: System): Finding[] =>
  dialClashes(system.business).map((detail, i) => ({
    id: `dial-clash:${i}`,
    severity: 'warning',
    place: { kind: 'dialling' },
    title: 'Some outside numbers cannot be dialled by hand',
    detail,
  }));
