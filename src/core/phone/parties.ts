/** Who is in a call, as a phone names and draws them. */
import {
  CALLER,
  hears,
  outsideNumber,
  partyOf,
  whoseName,
  type CallState,
  type End,
  type Hears,
} from '../calls';
import { writeNumber } from '../numbering';
import type { MeetsNow } from './meetings';
import { contactOf, type System } from '../system';

/** What of a call a phone is told. */
export type Told = Pick<
  CallState,
  | 'request'
  | 'from'
  | 'phase'
  | 'since'
  | 'until'
  | 'legs'
  | 'ends'
  | 'listening'
  | 'mailboxId'
  | 'passing'
  | 'parked'
  | 'waiting'
  | 'recorded'
  | 'numberId'
  | 'trace'
> & {
  /** They meet with others; absent where they do not. */
  meets?: MeetsNow | undefined;
};

/** One of those in a call, as a phone draws it. */
export interface Other {
  phone: string;
  name: string;
  /** The number, or which phone. */
  detail: string;
  /** It rings there, it talks, or it is held by us or on its own side. */
  is: 'rings' | 'talks' | 'held' | 'holds' | 'gone' | 'waits';
  hears: Hears | 'ringing';
  /** Since when it is so, epoch milliseconds. */
  since: number;
}

const endDetail = (end: Pick<End, 'phone'>, system: System): string => {
  const number = outsideNumber(end.phone);
  if (number) return writeNumber(number, system.business.country);
  return system.phones[end.phone]?.name ?? '';
};

/** Who calls, by the name of the contact where there is one. */
export function callerName(call: Told, system: System): { name: string; detail: string } {
  const { from } = call;
  if (from.kind === 'phone')
    return { name: whoseName(system, from.phoneId), detail: endDetail({ phone: from.phoneId }, system) };
  if (from.number === null) return { name: 'Hidden number', detail: '' };
  return outsideName(from.number, system);
}

function outsideName(e164: string, system: System): { name: string; detail: string } {
  const number = writeNumber(e164, system.business.country);
  const contact = contactOf(e164, system.contacts);
  return contact ? { name: contact.name, detail: number } : { name: number, detail: '' };
}

function nameOf(
  phone: string,
  personId: string | null,
  call: Told,
  system: System,
): { name: string; detail: string } {
  if (phone === CALLER) return callerName({ ...call, from: call.request.from }, system);
  const number = outsideNumber(phone);
  if (number) return outsideName(number, system);
  return { name: whoseName(system, phone, personId), detail: endDetail({ phone }, system) };
}

export function othersOf(call: Told, phoneId: string, system: System): Other[] {
  if (call.phase === 'talking')
    return call.ends
      .filter((e) => e.phone !== phoneId)
      .map((e): Other => {
        const heard = hears(e, call.ends);
        const is =
          e.gone !== undefined
            ? 'gone'
            : e.holds !== undefined
              ? 'holds'
              : heard === 'music'
                ? 'held'
                : 'talks';
        return {
          phone: e.phone,
          ...nameOf(e.phone, e.personId, call, system),
          is,
          hears: heard,
          since: e.gone ?? e.holds ?? call.since,
        };
      });
  const goes = partyOf(call.request.from, call.from);
  const caller: Other[] =
    goes === phoneId
      ? []
      : [{ phone: goes, ...callerName(call, system), is: 'waits', hears: 'ringing', since: call.since }];
  const rung = call.legs
    .filter((l) => l.state !== 'over' && l.phone !== phoneId)
    .map((l): Other => ({
      phone: l.phone,
      ...nameOf(l.phone, l.personId, call, system),
      is: 'rings',
      hears: 'ringing',
      since: call.since,
    }));
  // Several phones of one person are one ring to whoever waits for them.
  const people = new Map<string, Other>();
  for (const other of rung) {
    const known = people.get(other.name);
    if (known) known.detail = [known.detail, other.detail].filter(Boolean).join(' and ');
    else people.set(other.name, { ...other });
  }
  return [...caller, ...people.values()];
}
