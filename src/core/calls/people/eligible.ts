/** Whether a phone can be rung, and if not, why. */
import { localTime, periodAt, type LocalTime } from '../../hours';
import {
  accountId,
  isInReach,
  isLinked,
  isOn,
  isProved,
  registeredAt,
  zoneOf,
  type Person,
  type Phone,
  type Quiet,
  type Standing,
} from '../../system';
import { awayAt } from '../rules/away';
import { liftsByChance } from '../rules/chance';
import { getsThrough } from '../rules/exceptions';
import type { Act } from '../base/request';
import type { CallState, Run } from '../base/state';
import type { Plain } from '../base/world';
import { outsideNumber, type NotRung } from '../base/trace';

/** What the call's behaviour has this phone do, or undefined in a real call. */
export function actOf(call: CallState, phone: string, personId: string | null): Act | undefined {
  const { behaviour, lifting, seed } = call.request;
  if (lifting)
    return outsideNumber(phone) === undefined
      ? liftsByChance(lifting, seed ?? 0, personId ?? phone)
      : undefined;
  if (!behaviour) return undefined;
  return (
    behaviour.phones[phone] ?? (personId ? behaviour.people[personId] : undefined) ?? behaviour.otherwise
  );
}

/** Why a phone is not rung, or null when it is. Reasons somebody chose come before those that befell them. */
export function whyNot(run: Run, call: CallState, phone: Phone, personId: string | null): NotRung | null {
  const plain = plainOf(run, call, phone, personId);
  const person = plain ? plain.person : personOf(run, call, personId);
  if (!plain?.is) {
    const why = whyNotNow(run, call, phone, personId, person);
    if (why) return why;
  }
  // By chance everybody has their phone on and is on no other call.
  const act = call.request.lifting ? undefined : actOf(call, phone.id, personId);
  if (act?.does === 'is switched off') return 'not registered';
  if (act?.does === 'is on a call' && !call.how.ringBusy) return 'on a call';
  return whyBusy(run, call, phone, person);
}

const personOf = (run: Run, call: CallState, personId: string | null): Person | undefined =>
  personId ? run.world(call).system.people[personId] : undefined;

/**
 * Whether nothing that people have set and phones have told ever keeps a phone from being rung, for any caller at any moment.
 * So it is with most, and calls ask about each of them: it is worked out once for each state of the standing.
 */
export const isPlain = (run: Run, call: CallState, phone: Phone, personId: string | null): boolean =>
  plainOf(run, call, phone, personId)?.is ?? false;

/** @returns nothing where it rings for somebody whose it is not */
function plainOf(run: Run, call: CallState, phone: Phone, personId: string | null): Plain | undefined {
  if (personId !== phone.personId) return undefined;
  const { plain } = run.world(call);
  const { standing } = run;
  let known = plain.get(phone);
  if (known?.standing !== standing) {
    const person = personOf(run, call, personId);
    plain.set(phone, (known = { standing, person, is: isPlainly(standing, person, phone) }));
  }
  return known;
}

function isPlainly(standing: Standing, person: Person | undefined, phone: Phone): boolean {
  const registration = standing.registrations[phone.id];
  if (isLinked(phone) || !registration || standing.resting?.[phone.id]) return false;
  if (!isInReach(registration, standing.accounts[phone.id])) return false;
  if (registration.outside && !phone.outsideOffice) return false;
  return !person || !(standing.dnd[person.id] || person.away.length || person.hoursId || person.quiet);
}

/** Why a phone cannot be rung at this moment by this caller, of what was set and what phones have told. */
function whyNotNow(
  run: Run,
  call: CallState,
  phone: Phone,
  personId: string | null,
  person: Person | undefined,
): NotRung | null {
  if (person) {
    const own = whyNotPerson(run, call, person, phone);
    if (own) return own;
  }
  if (isOn(run.standing.resting?.[phone.id], run.now)) {
    if (isLinked(phone)) return 'switched off';
    if (!person || !getsThrough(run, call, person)) return 'do not disturb on this phone';
  }
  if (isLinked(phone)) return isProved(run.standing, phone) ? null : 'number not proved';
  const account = accountId(phone, personId);
  const registration = run.standing.registrations[account];
  if (!registration) return 'not paired';
  const known = run.standing.accounts[account];
  if (!isInReach(registration, known) && !registeredAt(registration, phone.kind, known, run.now).registered)
    return 'not registered';
  return registration.outside && !phone.outsideOffice ? 'outside the office' : null;
}

/** Whether a local time is within quiet hours, which may go over midnight. */
export const isQuiet = (
  { from, to, wholeDays }: Quiet,
  { day, minute }: Pick<LocalTime, 'day' | 'minute'>,
): boolean =>
  (wholeDays?.includes(day) ?? false) ||
  (from <= to ? minute >= from && minute < to : minute >= from || minute < to);

/** Whether somebody is not to be disturbed by this call. */
export const undisturbed = (run: Run, call: CallState, person: Person): boolean =>
  isOn(run.standing.dnd[person.id], run.now) && !getsThrough(run, call, person);

function whyNotPerson(run: Run, call: CallState, person: Person, phone: Phone): NotRung | null {
  if (undisturbed(run, call, person)) return 'do not disturb';
  const { system } = run.world(call);
  const zone = zoneOf(person, system);
  if (awayAt(person, zone, run.now)) return 'away';
  const hours = person.hoursId ? system.hours[person.hoursId] : undefined;
  if (hours && periodAt(hours, zone, run.now, run.standing.overrides[hours.id]?.value) === null)
    return 'outside working hours';
  if (person.quiet && (person.quiet.phoneIds?.includes(phone.id) ?? true)) {
    const quiet = isQuiet(person.quiet, localTime(zone, run.now));
    if (quiet && !getsThrough(run, call, person)) return 'quiet hours';
  }
  return null;
}

/**
 * A person who talks on one of their phones is on a call on all of them; with call waiting the phone they talk on knocks,
 * and the others stay silent. A phone that rings for one call is not offered a second one.
 */
function whyBusy(run: Run, call: CallState, phone: Phone, person: Person | undefined): NotRung | null {
  const id = call.request.id;
  // Whoever is in the call already, or in the one this one is about, is not rung for it.
  const about = call.request.about?.callId;
  const calls = run.onCall.get(phone.id)?.callIds;
  if (calls && (calls.includes(id) || (about !== undefined && calls.includes(about)))) return 'is calling';
  if (call.how.ringBusy) return null;
  if (calls) return person?.callWaiting ? null : 'on a call';
  if (person && talksOnAny(run, call, person.id)) return 'on a call';
  if (person?.callWaiting) return null;
  const ringingFor = run.ringing.get(phone.id);
  return ringingFor !== undefined && ringingFor !== id ? 'ringing for another call' : null;
}

/** Whether somebody talks on one of their phones. */
function talksOnAny(run: Run, call: CallState, personId: string): boolean {
  if (run.onCall.size)
    for (const { id } of run.world(call).phonesOf.get(personId) ?? [])
      if (run.onCall.get(id)?.personId === personId) return true;
  return false;
}
