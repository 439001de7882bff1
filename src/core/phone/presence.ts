/** What somebody is doing now, worked out and not typed, for colleagues who would call them. */
import { awayAt, CALLER, isQuiet, ringableNow, type CallState, type Ringable } from '../calls';
import { localTime, periodAt } from '../hours';
import { isOn, wordOf, zoneOf, type Person, type Phone, type Standing, type System } from '../system';

/** What of a call presence goes by. */
export type Going = Pick<CallState, 'phase' | 'ends' | 'from' | 'legs'>;

/** Names of RFC 4480's activities stand beside each in `ACTIVITY`. */
export type Doing =
  | 'talking'
  | 'ringing'
  | 'finishing'
  | 'away'
  | 'not to be disturbed'
  | 'out of hours'
  | 'no phone on'
  | 'free';

export interface Presence {
  is: Doing;
  /** The last day of being away, ISO. */
  until?: string;
  /** Who stands in meanwhile. */
  standIn?: string;
  /** What they say of themselves. */
  word?: string;
}

export interface Around {
  system: System;
  standing: Standing;
  /** Calls that go on now. */
  calls: readonly Going[];
  /** Epoch milliseconds. */
  now: number;
  /** Which phones would ring, by person, where that is known of all already. */
  rings?: ReadonlyMap<string, readonly Ringable[]>;
  /** People who are left alone for a while after a call. */
  finishing?: ReadonlySet<string>;
}

/** Whether a call is one that a phone of these takes part in, held or not, or that it places. */
const takesPart = ({ phase, ends, from }: Going, own: ReadonlySet<string>): boolean =>
  ends.some((e) => e.phone !== CALLER && own.has(e.phone)) ||
  (phase !== 'over' && phase !== 'talking' && from.kind === 'phone' && own.has(from.phoneId));

/**
 * The first that holds, in this order: talking, ringing, finishing, away, not to be disturbed (quiet hours included), out of
 * hours, no phone on (a linked phone counts as on), free.
 * @param phones of the person
 */
export function presenceOf(person: Person, phones: readonly Phone[], around: Around): Presence {
  const word = wordOf(around.standing.words?.[person.id], around.now);
  return { ...workedOut(person, phones, around), ...(word ? { word } : {}) };
}

function workedOut(person: Person, phones: readonly Phone[], around: Around): Presence {
  const { system, standing, calls, now, finishing } = around;
  const own = new Set(phones.map((p) => p.id));
  if (calls.some((c) => takesPart(c, own))) return { is: 'talking' };
  if (calls.some((c) => c.legs.some((l) => l.state !== 'over' && own.has(l.phone)))) return { is: 'ringing' };
  if (finishing?.has(person.id)) return { is: 'finishing' };
  const zone = zoneOf(person, system);
  const away = awayAt(person, zone, now);
  if (away) {
    const standIn = away.standInId ? system.people[away.standInId]?.name : undefined;
    return { is: 'away', until: away.to, ...(standIn ? { standIn } : {}) };
  }
  const quiet = person.quiet && !person.quiet.phoneIds?.length && isQuiet(person.quiet, localTime(zone, now));
  if (isOn(standing.dnd[person.id], now) || quiet) return { is: 'not to be disturbed' };
  const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
  if (hours && periodAt(hours, zone, now, standing.overrides[hours.id]?.value) === null)
    return { is: 'out of hours' };
  const rings = (around.rings ?? ringableNow(system, standing, [person.id], now)).get(person.id) ?? [];
  return { is: rings.some((r) => r.why === null) ? 'free' : 'no phone on' };
}

/** What everybody is doing apart from calls, by person; of what goes on all the time it is worked out once. */
export function presencesApart(around: Omit<Around, 'calls'>): Record<string, Presence> {
  const { system } = around;
  const phones = new Map<string, Phone[]>();
  for (const phone of Object.values(system.phones)) {
    const personId = phone.personId ?? '';
    const own = phones.get(personId);
    if (own) own.push(phone);
    else phones.set(personId, [phone]);
  }
  const rings = ringableNow(system, around.standing, Object.keys(system.people), around.now);
  return Object.fromEntries(
    Object.values(system.people).map((p) => [
      p.id,
      presenceOf(p, phones.get(p.id) ?? [], { ...around, rings, calls: [] }),
    ]),
  );
}

/** The same with the calls that go on: whoever talks or is rung does nothing else. */
export function presencesIn(
  apart: Readonly<Record<string, Presence>>,
  calls: readonly Going[],
  { phones }: Pick<System, 'phones'>,
): Record<string, Presence> {
  const all: Record<string, Presence> = { ...apart };
  const set = (phone: string, is: 'talking' | 'ringing') => {
    const personId = phones[phone]?.personId;
    if (personId && all[personId] && all[personId].is !== 'talking')
      all[personId] = { is, ...(all[personId].word ? { word: all[personId].word } : {}) };
  };
  for (const { phase, ends, from, legs } of calls) {
    for (const e of ends) if (e.phone !== CALLER) set(e.phone, 'talking');
    if (phase !== 'over' && phase !== 'talking' && from.kind === 'phone') set(from.phoneId, 'talking');
    for (const l of legs) if (l.state !== 'over') set(l.phone, 'ringing');
  }
  return all;
}

/** The activity of RFC 4480 that a presence is, or null where that document has none that fits (names from memory). */
export const ACTIVITY: Record<Doing, string | null> = {
  talking: 'on-the-phone',
  // In PIDF ringing is a state of a dialog (RFC 4235, early), and no activity.
  ringing: null,
  finishing: 'busy',
  away: 'away',
  'not to be disturbed': 'busy',
  'out of hours': 'away',
  'no phone on': null,
  free: null,
};

/** In words: "away until Fri 27 Nov 2026; Pia stands in". @param day writes a date */
export function presenceInWords(presence: Presence, day: (date: string) => string): string {
  const own = presence.word ? ` · “${presence.word}”` : '';
  switch (presence.is) {
    case 'talking':
      return `on a call${own}`;
    case 'away':
      return `away until ${day(presence.until ?? '')}${presence.standIn ? `; ${presence.standIn} stands in` : ''}${own}`;
    case 'ringing':
    case 'finishing':
    case 'not to be disturbed':
    case 'out of hours':
    case 'no phone on':
    case 'free':
      return presence.is + own;
  }
}
