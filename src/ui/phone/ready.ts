/** Whether somebody's phone is ready for calls, and what is in the way when it is not. */
import { awayAt } from '$core/calls';
import { periodAt } from '$core/hours';
import { isOn, zoneOf, type Person, type Phone, type Standing, type System } from '$core/system';

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
    else if (hours && periodAt(hours, zone, now) === null)
      add('It is outside your working hours', `${hours.name} say when you are rung.`);
  }
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
