/** Where somebody's calls are sent on to: read as people write it, and refused where it can do no good. */
import { profileOf, readNumber, writeNumber } from '../numbering';
import { isThere, type FORWARD_FIELDS, type ForwardTarget, type System } from '../system';

export type TargetRead = { ok: true; target: ForwardTarget; note?: string } | { ok: false; message: string };

/**
 * Reads a forward to an extension or an outside number, in any way of writing it.
 * @param personId whose calls are sent on
 */
export function readTarget(typed: string, system: System, personId: string): TargetRead {
  const text = typed.trim();
  if (!text) return { ok: false, message: 'Type an extension or a telephone number.' };
  const digits = text.replace(/[\s()./-]/g, '');
  const inside = byExtension(digits, system);
  if (inside) return checked(inside, system, personId);
  const { country, outsideDigit } = system.business;
  if (isEmergency(digits, system))
    return { ok: false, message: `${digits} is an emergency number: calls are never sent on to it.` };
  const read = readNumber(text, country, outsideDigit);
  if (!read.ok)
    return /^\d{2,6}$/.test(digits)
      ? { ok: false, message: `Nobody has extension ${digits}, and it is no telephone number.` }
      : { ok: false, message: read.message };
  const { e164, type, strippedDigit } = read.number;
  if (type === 'PREMIUM_RATE')
    return {
      ok: false,
      message: `${writeNumber(e164, country)} is a premium-rate number: every call sent on to it would cost the business. Choose another.`,
    };
  const result = checked({ to: 'outside', number: e164 }, system, personId);
  return result.ok && strippedDigit
    ? { ...result, note: `${strippedDigit} for an outside line was left off: it is never stored.` }
    : result;
}

/** The person or group an extension belongs to, as a target. */
function byExtension(digits: string, system: System): ForwardTarget | undefined {
  const person = Object.values(system.people).find(
    (p) => p.extension === digits || p.further.some((f) => f.extension === digits),
  );
  if (person) return { to: 'person', personId: person.id };
  const group = Object.values(system.groups).find((g) => g.extension === digits);
  return group && { to: 'group', groupId: group.id };
}

function isEmergency(digits: string, { business }: System): boolean {
  return profileOf(business.country).emergency.some(
    (e) => digits === e || (business.outsideDigit !== '' && digits === business.outsideDigit + e),
  );
}

function checked(target: ForwardTarget, system: System, personId: string): TargetRead {
  const message = targetProblem(target, system, personId);
  return message ? { ok: false, message } : { ok: true, target };
}

/** Why calls of somebody cannot be sent on to a target, or undefined where they can. */
export function targetProblem(target: ForwardTarget, system: System, personId: string): string | undefined {
  const { business, people } = system;
  if (!isThere(target, system)) return 'That is no longer there.';
  if (target.to === 'person') {
    if (target.personId === personId) return 'That is yourself: the call would never leave you.';
    const circle = circleFrom(target.personId, personId, system);
    return (
      circle &&
      `That goes in a circle: ${[personId, ...circle].map((id) => people[id]?.name ?? '').join(' → ')}. None of your phones would ring.`
    );
  }
  if (target.to !== 'outside') return undefined;
  const held = Object.values(system.numbers).find((n) => n.e164 === target.number);
  if (held)
    return `That is your own ${held.label}: calls would come back to it. Choose the person or group behind it.`;
  if (isEmergency(target.number.slice(1), system)) return 'Calls are never sent on to an emergency number.';
  const read = readNumber(target.number, business.country);
  return read.ok && read.number.type === 'PREMIUM_RATE'
    ? 'That is a premium-rate number: every call sent on to it would cost the business.'
    : undefined;
}

/** The way from one person along what they always forward back to another, or undefined where it does not lead there. */
function circleFrom(from: string, back: string, system: System): string[] | undefined {
  const way: string[] = [];
  for (let at: string | undefined = from; at && !way.includes(at);) {
    way.push(at);
    if (at === back) return way;
    const always: ForwardTarget | null | undefined = system.people[at]?.reach.always;
    at = always?.to === 'person' ? always.personId : undefined;
  }
  return undefined;
}

/** A target in words: "Pia Lindqvist (203)", "the group Workshop crew", "(206) 555-0143". */
export function targetInWords(target: ForwardTarget, system: System): string {
  switch (target.to) {
    case 'person': {
      const person = system.people[target.personId];
      return person ? `${person.name} (${person.extension})` : 'somebody since removed';
    }
    case 'group':
      return `the group ${system.groups[target.groupId]?.name ?? 'since removed'}`;
    case 'outside':
      return writeNumber(target.number, system.business.country);
    case 'mailbox':
      return `the mailbox ${system.mailboxes[target.mailboxId]?.name ?? 'since removed'}`;
  }
}

/** The settings that send calls on, with when each does. */
export const FORWARDS: readonly {
  field: (typeof FORWARD_FIELDS)[number];
  words: string;
}[] = [
  { field: 'always', words: 'Always, before anything rings' },
  { field: 'onBusy', words: 'On a call' },
  { field: 'onDeclined', words: 'Declined' },
  { field: 'onUndisturbed', words: 'Not to be disturbed' },
  { field: 'onNotAnswered', words: 'Nobody answers' },
  { field: 'onUnreachable', words: 'No phone can ring' },
];
