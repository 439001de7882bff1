/** What phones and people are called when a call is put in words. */
import { writeNumber } from '../../numbering';
import type { ForwardTarget, PassTarget, System } from '../../system';
import { CALLER } from './talk';
import type { CallRequest } from './request';
import { outsideNumber } from './trace';

/**
 * "Rosa Delgado" for a person's phone, the phone's own name for a shared one, the number for an outside one.
 * @param personId for whom it is rung, where the phone holds several accounts
 */
export function whoseName(system: System, phone: string, personId?: string | null): string {
  const outside = outsideNumber(phone);
  if (outside) return writeNumber(outside, system.business.country);
  const found = system.phones[phone];
  const owner = personId ?? found?.personId;
  return (owner && system.people[owner]?.name) || found?.name || 'a removed phone';
}

/** Who calls, as whoever is called reads it: the number, or the colleague. */
export const whoCalls = (system: System, from: CallRequest['from']): string =>
  from.kind === 'phone'
    ? whoseName(system, from.phoneId)
    : from.number
      ? writeNumber(from.number, system.business.country)
      : 'Hidden number';

/** "Rosa Delgado · Desk phone", where two phones of one person must be told apart. */
export function phoneName(system: System, phone: string, personId?: string | null): string {
  const found = system.phones[phone];
  const id = personId ?? found?.personId;
  const owner = id && found ? system.people[id] : undefined;
  if (!owner) return whoseName(system, phone, personId);
  const host = id === found!.personId ? undefined : whoseName(system, phone);
  return `${owner.name} · ${found!.name}${host ? ` of ${host}` : ''}`;
}

/** One of those rung, as `idOf` has them: a person, a phone or an outside number. */
export const rungName = (system: System, id: string): string =>
  system.people[id]?.name ?? system.phones[id]?.name ?? writeNumber(id, system.business.country);

/** What a call is sent on to. */
export function sentOnTo(system: System, target: ForwardTarget): string {
  switch (target.to) {
    case 'person':
      return system.people[target.personId]?.name ?? 'somebody removed';
    case 'group':
      return system.groups[target.groupId]?.name ?? 'a removed group';
    case 'mailbox':
      return `mailbox ${mailboxName(system, target.mailboxId)}`;
    case 'outside':
      return writeNumber(target.number, system.business.country);
  }
}

/** Who or what a call is passed on to. */
export function passedTo(system: System, target: PassTarget): string {
  switch (target.to) {
    case 'queue':
      return queueName(system, target.queueId);
    case 'plan':
      return system.plans[target.planId]?.name ?? 'a removed plan';
    case 'phone':
      return target.phoneId ? phoneName(system, target.phoneId) : 'somebody';
    default:
      return sentOnTo(system, target);
  }
}

/** One of those in a talk: "Rosa Delgado · Desk phone", the number, or "the caller". */
export const endName = (system: System, end: { phone: string; personId: string | null }): string =>
  end.phone === CALLER ? 'the caller' : phoneName(system, end.phone, end.personId);

/** ", showing (360) 555-0142" of a linked phone that shows the number called; empty where it shows the caller. */
export const showingInWords = (sees: string | null | undefined, { business }: System): string =>
  sees === undefined ? '' : `, showing ${sees ? writeNumber(sees, business.country) : 'a hidden number'}`;

export const mailboxName = (system: System, id: string): string =>
  system.mailboxes[id]?.name ?? 'a removed mailbox';

export const calendarName = (system: System, id: string): string =>
  system.calendars[id]?.name ?? 'a removed calendar';
export const roomName = (system: System, id: string): string => system.rooms[id]?.name ?? 'a removed room';
export const queueName = (system: System, id: string): string => system.queues[id]?.name ?? 'a removed queue';

/** "Rosa, Idris and Pia". */
export const listed = (names: readonly string[], last: 'and' | 'or' = 'and'): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} ${last} ${names.at(-1)}`;
