/** Whether somebody's phone is ready for calls, and what is in the way when it is not. */
import { awayAt, ringableNow, type NotRung } from '../calls';
import { periodAt } from '../hours';
import { isOn, zoneOf, type Person, type Phone, type Standing, type System } from '../system';

export interface Hurdle {
  /** What is in the way. */
  words: string;
  /** What to do about it. */
  todo: string;
  /** It keeps the phone from being ready; otherwise it is only good to know. */
  stops: boolean;
}

export interface Device {
  microphone: 'granted' | 'denied' | 'prompt';
  notifications: 'granted' | 'denied' | 'default';
  /** This window holds the phone: no other has it open. */
  here: boolean;
}

/** What is in the way of ringing, by why the engine would not ring, with what to do about it. */
const STOPS: Record<NotRung, [words: string, todo: string]> = {
  'do not disturb': ['Do not disturb is on', 'Switch it off to be rung.'],
  'do not disturb on this phone': ['This phone is not to be disturbed', 'Switch that off to be rung here.'],
  'switched off': ['This phone is switched off', 'Switch it on to be rung here.'],
  away: ['You are away today', 'Your page says until when.'],
  'quiet hours': ['These are your quiet hours', 'How you are reached says until when.'],
  'outside working hours': ['It is outside your working hours', 'Your hours say when you are rung.'],
  'not paired': ['This phone is not paired', 'Pair it again with a code.'],
  'number not proved': ['Its number is not proved', 'Prove it on your page.'],
  'not registered': ['It is not signed on', 'Look at its network.'],
  'outside the office': [
    'You are outside the office, where this phone may not ring',
    'Use it in the office.',
  ],
  'on a call': ['You are on a call', 'You are rung again afterwards.'],
  'ringing for another call': ['It rings for another call', 'You are rung again afterwards.'],
  'is calling': ['It is calling', 'You are rung again afterwards.'],
  'has no phone': ['You have no phone', 'Ask whoever does the phones.'],
  'not logged in': ['You are not logged in', 'Log in to be rung.'],
  'after a call': ['You have just ended a call', 'You are rung again shortly.'],
  paused: ['You take no calls of queues for a while', 'Go on to be rung.'],
};

/**
 * Everything that keeps this phone from ringing or its person from talking, gravest first; empty when it is ready.
 * @param inForce the system calls go by @param now bench time, epoch milliseconds
 */
export function hurdles(
  person: Person,
  phone: Phone,
  inForce: System,
  standing: Standing,
  device: Device,
  now: number,
): Hurdle[] {
  const found: Hurdle[] = [];
  const add = (words: string, todo: string, stops = true) => void found.push({ words, todo, stops });
  const registration = standing.registrations[phone.id];
  const forced = inForce.people[person.id];
  const forcedPhone = inForce.phones[phone.id];
  if (!device.here) add('This phone is open in another window', 'Close the other window.');
  else if (!registration?.online) add('It is still signing on', 'A moment.');
  if (!forced || !forcedPhone)
    add('You are not in force yet', 'Whoever does the phones must put you in force; then calls reach you.');
  if (registration?.outside && !(forcedPhone ?? phone).outsideOffice)
    add(
      'You are outside the office, where this phone may not ring',
      'Ask whoever does the phones to allow it outside, or use it in the office.',
    );
  if (isOn(standing.dnd[person.id], now)) add('Do not disturb is on', 'Switch it off to be rung.');
  else if (isOn(standing.resting?.[phone.id], now))
    add('This phone is not to be disturbed', 'Switch that off to be rung here.');
  if (forced) {
    const zone = zoneOf(forced, inForce);
    const hours = forced.hoursId ? inForce.hours[forced.hoursId] : undefined;
    if (awayAt(forced, zone, now)) add('You are away today', 'Your page says until when.');
    else if (hours && periodAt(hours, zone, now, standing.overrides[hours.id]?.value) === null)
      add('It is outside your working hours', `${hours.name} say when you are rung.`);
  }
  const own = ringableNow(inForce, standing, [person.id], now).get(person.id)!;
  const why = own.find((r) => r.phone.id === phone.id)?.why;
  // Whatever else keeps a call from ringing it: ready is said only of a phone that a call would ring.
  if (why && !found.some((h) => h.stops)) add(...STOPS[why]);
  if (device.microphone !== 'granted')
    add(
      device.microphone === 'denied'
        ? 'The browser refuses the microphone'
        : 'The microphone is not allowed yet',
      device.microphone === 'denied'
        ? 'Allow it in the browser’s settings for this page: without it nobody hears you.'
        : 'Allow it, or nobody hears you.',
    );
  if (device.notifications === 'denied')
    add('The browser refuses notifications', 'Calls ring in this window only: keep it in sight.', false);
  return found;
}

/** A reason for which one may well serve a queue: it passes by itself. */
const PASSES: readonly NotRung[] = ['on a call', 'ringing for another call', 'is calling', 'after a call'];

/**
 * What is missing before calls of a queue can ring somebody: nothing where one of their phones would ring now, or talks.
 * Otherwise why not, in the order in which it is to be mended, each said once.
 */
export function missingToServe(
  system: System,
  standing: Standing,
  personId: string,
  now: number,
): { why: NotRung; words: string; todo: string }[] {
  const phones = ringableNow(system, standing, [personId], now).get(personId) ?? [];
  if (!phones.length)
    return [{ why: 'has no phone', words: STOPS['has no phone'][0], todo: STOPS['has no phone'][1] }];
  if (phones.some((p) => p.why === null || PASSES.includes(p.why))) return [];
  // What holds for the person stands before what holds for a phone, and each phone off is one and the same.
  const order = Object.keys(STOPS) as NotRung[];
  const found = new Map(phones.map((p) => [p.why!, p.phone]));
  return [...found]
    .sort(([a], [b]) => order.indexOf(b) - order.indexOf(a))
    .map(([why]) => ({ why, words: STOPS[why][0], todo: STOPS[why][1] }))
    .reverse();
}

/** Whether nothing of somebody's is on: no phone of theirs is paired and registered. */
export function isOff(system: System, standing: Standing, personId: string, now: number): boolean {
  const phones = ringableNow(system, standing, [personId], now).get(personId) ?? [];
  return phones.every((p) => p.why === 'not registered' || p.why === 'not paired');
}
