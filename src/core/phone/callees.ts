/** What somebody types to call: a name, an extension, a short code, a number in any form. What each would get, before it is dialled. */
import {
  addressOfHelp,
  asTarget,
  emergencyFrom,
  ending,
  helpFor,
  numbersToShow,
  passedTo,
  shownInWords,
  shownOn,
  whoCalls,
  rateOf,
  whyNotOut,
  type Destination,
  type Memory,
  type Trace,
} from '../calls';
import { addressLine, classOf, countryName, profileOf, sortDialled, writeNumber } from '../numbering';
import { directory } from '../people';
import {
  behindCode,
  contactOf,
  extensionsInUse,
  hasArrived,
  isLinked,
  slotsOf,
  type PassTarget,
  type Phone,
  type Rates,
  type Standing,
  type System,
} from '../system';

export interface Callee {
  key: string;
  name: string;
  /** The extension or number, and what it is. */
  detail: string;
  to: Destination;
  /** As somewhere to pass a call on to; null where it cannot be passed there. */
  target: PassTarget | null;
  /** Whose presence stands beside it. */
  personId: string | null;
  /** What is said before it is called: where help would be sent. */
  before?: string;
}

export type Found = { callees: Callee[]; more: number; problem: string };

/** A colleague, as somewhere to call or to pass a call on to. @param detail stands beside the name */
export const colleague = (personId: string, name: string, detail: string): Callee => ({
  key: `person ${personId}`,
  name,
  detail,
  to: { kind: 'target', target: { to: 'person', personId } },
  target: { to: 'person', personId },
  personId,
});

/** So many are offered; that there are more is said. */
const MOST_OFFERED = 8;

export interface Where {
  system: System;
  standing: Standing;
  phone: Phone;
  /** Epoch milliseconds. */
  now: number;
  /** What calls out cost, where that is known, and what has been spent. */
  rates?: Rates;
  spent?: Pick<Memory, 'spent' | 'abroad' | 'stopped'>;
}

/** @param what whether somebody is called, or a call is passed on to them: one may pass it to a mailbox, and not to help */
export function callees(typed: string, where: Where, what: 'call' | 'pass on'): Found {
  const text = typed.trim();
  if (!text) return { callees: [], more: 0, problem: '' };
  const dialled = /^[+\d*#(]/.test(text) ? byDigits(text, where, what) : undefined;
  const named = byName(text, where, what).filter((c) => c.key !== dialled?.callee?.key);
  const all = [...(dialled?.callee ? [dialled.callee] : []), ...named];
  return {
    callees: all.slice(0, MOST_OFFERED),
    more: Math.max(0, all.length - MOST_OFFERED),
    problem: all.length ? '' : (dialled?.problem ?? `Nobody is called “${text}”.`),
  };
}

const normal = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Diacritic}/gu, '')
    .toLowerCase();

/** Whether every word typed begins a word of the name. */
function fits(typed: string, name: string): boolean {
  const words = normal(name).split(/[\s-]+/);
  return normal(typed)
    .split(/\s+/)
    .every((part) => words.some((w) => w.startsWith(part)));
}

function byName(text: string, { system, phone }: Where, what: 'call' | 'pass on'): Callee[] {
  const target = (
    key: string,
    name: string,
    detail: string,
    to: PassTarget,
    personId: string | null = null,
  ) => ({
    key,
    name,
    detail,
    to: { kind: 'target' as const, target: to },
    target: to,
    personId,
  });
  const matches = (name: string, extension?: string | null): boolean =>
    fits(text, name) || (!!extension && extension.startsWith(text));
  const people = directory(system, phone.personId).flatMap((e): Callee[] => {
    if (e.id === phone.personId || !matches(e.name, e.extension)) return [];
    if (e.kind === 'group')
      return [target(`group ${e.id}`, e.name, join(e.extension, 'group'), { to: 'group', groupId: e.id })];
    return [colleague(e.id, e.name, join(e.extension, ...e.groups))];
  });
  const queues = Object.values(system.queues)
    .filter((q) => matches(q.name, q.extension))
    .map((q) => target(`queue ${q.id}`, q.name, join(q.extension, 'queue'), { to: 'queue', queueId: q.id }));
  const own = Object.values(system.phones)
    .filter((p) => p.personId === phone.personId && p.id !== phone.id && phone.personId && matches(p.name))
    .map((p) =>
      target(`phone ${p.id}`, `My ${p.name.toLowerCase()}`, 'phone', { to: 'phone', phoneId: p.id }),
    );
  const contacts = Object.values(system.contacts)
    .filter((c) => fits(text, c.name))
    .flatMap((c) =>
      c.numbers.map((number) =>
        target(`outside ${number}`, c.name, writeNumber(number, system.business.country), {
          to: 'outside',
          number,
        }),
      ),
    );
  const mailboxes =
    what === 'call'
      ? []
      : Object.values(system.mailboxes)
          .filter((m) => matches(m.name, m.extension))
          .map((m) =>
            target(`mailbox ${m.id}`, m.name, join(m.extension, 'leave it with the mailbox'), {
              to: 'mailbox',
              mailboxId: m.id,
            }),
          );
  const plans =
    what === 'call'
      ? []
      : Object.values(system.plans)
          .filter((p) => matches(p.name, p.extension))
          .map((p) =>
            target(`plan ${p.id}`, p.name, join(p.extension, 'plan'), { to: 'plan', planId: p.id }),
          );
  return [...people, ...queues, ...own, ...contacts, ...plans, ...mailboxes];
}

const join = (...parts: (string | null | undefined)[]): string => parts.filter(Boolean).join(' · ');

function byDigits(
  text: string,
  { system, standing, phone, now, rates, spent }: Where,
  what: 'call' | 'pass on',
): { callee?: Callee; problem?: string } {
  const typed = text.replace(/[\s().-]/g, '');
  const extensions = new Map(extensionsInUse(system).map((e) => [e.extension, e]));
  const short = extensions.has(typed) ? undefined : behindCode(typed, system, standing, phone.personId);
  const digits = short?.digits ?? typed;
  const emergency = emergencyFrom(system, standing, phone.personId, phone);
  const to: Destination = { kind: 'digits', digits };
  if (slotsOf(system.business).includes(digits))
    return what === 'pass on'
      ? { problem: `${digits} is a slot where calls wait: park the call instead.` }
      : {
          callee: {
            key: `slot ${digits}`,
            name: `Fetch from ${digits}`,
            detail: 'who waits there',
            to,
            target: null,
            personId: null,
          },
        };
  const got = sortDialled(digits, { ...system.business, emergency }, (e) => extensions.has(e));
  switch (got.kind) {
    case 'emergency': {
      if (what === 'pass on')
        return { problem: `Nobody is passed on to ${got.number}. Call it, and add the caller.` };
      const { place, elsewhere } = helpFor(system, standing, phone.personId, now, phone);
      const address = addressOfHelp(system, place);
      const before = !address
        ? 'No address is known for this phone: say where you are.'
        : elsewhere
          ? `Where this phone is is not known. Help is told the address of the business: ${addressLine(address)}. Say where you are.`
          : `Help is sent to ${addressLine(address)}.`;
      return {
        callee: {
          key: 'emergency',
          name: `Emergency call to ${got.number}`,
          detail: 'goes out at once',
          to,
          target: null,
          personId: null,
          before,
        },
      };
    }
    case 'extension': {
      const owner = extensions.get(got.extension)!;
      const target = asTarget(owner);
      return {
        callee: {
          key: `${owner.kind} ${owner.id}`,
          name: owner.who,
          detail: got.extension,
          to,
          target,
          personId: owner.kind === 'person' ? owner.id : null,
        },
      };
    }
    case 'service':
      return what === 'pass on'
        ? { problem: 'A call cannot be passed on to a service number.' }
        : {
            callee: {
              key: `service ${got.number}`,
              name: got.number,
              detail: 'service',
              to,
              target: null,
              personId: null,
            },
          };
    case 'feature':
      return what === 'pass on'
        ? { problem: 'That is a short code, and nobody to pass a call on to.' }
        : {
            callee: {
              key: `code ${got.code}`,
              name: got.code,
              detail: got.does,
              to,
              target: null,
              personId: null,
            },
          };
    case 'outside': {
      const why = notOut({ system, standing, phone, now, rates, spent }, got.e164);
      if (why) return { problem: why };
      const contact = contactOf(got.e164, system.contacts);
      const own = Object.values(system.numbers).find((n) => n.e164 === got.e164);
      const number = writeNumber(got.e164, system.business.country);
      return {
        callee: {
          key: `outside ${got.e164}`,
          name: contact?.name ?? own?.label ?? number,
          detail: contact ? number : own ? 'your own number' : 'outside number',
          to,
          target: { to: 'outside', number: got.e164 },
          personId: null,
          ...(own ? {} : costing(rates, got.e164, system)),
        },
      };
    }
    case 'nothing':
      return { problem: got.message };
  }
}

/** Why a number outside may not be called, in words; empty where it may. */
function notOut({ system, standing, phone, now, rates, spent }: Where, e164: string): string {
  const asks = { system, standing, memory: spent ?? {}, rates: rates ?? null, now };
  const why = whyNotOut(asks, phone.personId, e164);
  if (!why) return '';
  const words = ending({ kind: 'not allowed', why }, system).replace(/^not allowed: /, '');
  return `${words[0]!.toUpperCase()}${words.slice(1)}.`;
}

/** What a minute costs, where it is more than one at home. */
function costing(rates: Rates | undefined, e164: string, system: System): { before?: string } {
  const { country, currency } = {
    ...profileOf(system.business.country),
    ...classOf(e164, system.business.country),
  };
  const { kind } = classOf(e164, system.business.country);
  if (!rates || kind === 'inland' || kind === 'free') return {};
  const cents = rateOf(rates, e164, system.business.country);
  const price = new Intl.NumberFormat('en', { style: 'currency', currency }).format(cents / 100);
  return kind === 'premium'
    ? { before: `A premium number: ${price} a minute that has begun.` }
    : {
        before: `Abroad, to ${country ? countryName(country) : 'another country'}: ${price} a minute that has begun.`,
      };
}

/** A number a person may show on one call, in words, the usual one first. */
export interface Showing {
  /** What goes into the request of a call; undefined is as usual. */
  shows: string | undefined;
  words: string;
}

/** What the other side of an outside call may be shown, the usual first and nothing at all last. */
export function showings({ system, standing, phone, now }: Where): Showing[] {
  const isOurs = (e164: string) => hasArrived(standing, e164, now);
  const usual = shownOn(system, phone.personId, undefined, isOurs);
  const others = numbersToShow(system, phone.personId, isOurs).filter((n) => n.e164 !== usual?.e164);
  return [
    { shows: undefined, words: shownInWords(usual, system) },
    ...others.map((n) => ({
      shows: n.e164,
      words: shownInWords({ e164: n.e164, name: n.callerName || n.label }, system),
    })),
    ...(usual ? [{ shows: 'hidden', words: 'a hidden number' }] : []),
  ];
}

/** Phones of a person's own that a talk can be moved to, linked ones among them. */
export const phonesToMoveTo = (system: System, phone: Phone): Phone[] =>
  Object.values(system.phones)
    .filter((p) => p.id !== phone.id && phone.personId !== null && p.personId === phone.personId)
    .sort((a, b) => Number(isLinked(a)) - Number(isLinked(b)));

/** The colleague a call was placed to, by name or by their extension, or null. */
export function colleagueCalled(to: Destination, system: System): string | null {
  if (to.kind === 'target') return to.target.to === 'person' ? to.target.personId : null;
  if (to.kind !== 'digits') return null;
  const owner = extensionsInUse(system).find((e) => e.extension === to.digits);
  return owner?.kind === 'person' ? owner.id : null;
}

/** Who was called, by name: a colleague, a group, a contact, or the number as it is read. */
export function calledName(to: Destination, trace: Trace, system: System): string {
  const out = trace.find((e) => e.kind === 'goes out');
  if (out?.kind === 'goes out') return whoCalls(system, { kind: 'outside', number: out.number });
  if (to.kind === 'target') return passedTo(system, to.target);
  if (to.kind === 'number') return whoCalls(system, { kind: 'outside', number: to.e164 });
  return extensionsInUse(system).find((e) => e.extension === to.digits)?.who ?? to.digits;
}
