/** Whether a phone can be rung, and if not, why. */
import { localTime } from '../hours';
import { isLinked, isProved, type Person, type Phone } from '../system';
import type { Act } from './request';
import type { CallState, Run } from './state';
import type { NotRung } from './trace';

/** What the call's behaviour has this phone do, or undefined in a real call. */
export function actOf(call: CallState, phone: string, personId: string | null): Act | undefined {
  const behaviour = call.request.behaviour;
  if (!behaviour) return undefined;
  return (
    behaviour.phones[phone] ?? (personId ? behaviour.people[personId] : undefined) ?? behaviour.otherwise
  );
}

/** Why a phone is not rung, or null when it is. Reasons somebody chose come before those that befell them. */
export function whyNot(run: Run, call: CallState, phone: Phone): NotRung | null {
  const world = run.world(call);
  const person = phone.personId ? world.system.people[phone.personId] : undefined;
  if (person) {
    const own = whyNotPerson(run, call, person);
    if (own) return own;
  }
  const act = actOf(call, phone.id, phone.personId);
  if (!isLinked(phone)) {
    const registration = run.standing.registrations[phone.id];
    if (!registration) return 'not paired';
    if (!registration.online || act?.does === 'is switched off') return 'not registered';
    if (registration.outside && !phone.outsideOffice) return 'outside the office';
  } else if (!isProved(run.standing, phone)) return 'number not proved';
  else if (act?.does === 'is switched off') return 'not registered';
  if (act?.does === 'is on a call') return 'on a call';
  return whyBusy(run, call, phone, person);
}

function whyNotPerson(run: Run, call: CallState, person: Person): NotRung | null {
  if (run.standing.dnd[person.id]?.value) return 'do not disturb';
  if (person.away.length === 0 && !person.quiet) return null;
  const { system } = run.world(call);
  const zone = (person.siteId && system.sites[person.siteId]?.timeZone) || system.business.timeZone;
  const local = localTime(zone, run.now);
  if (person.away.length) {
    const today = local.date;
    if (person.away.some((span) => span.from <= today && today <= span.to)) return 'away';
  }
  if (person.quiet) {
    const { from, to } = person.quiet;
    const quiet =
      from <= to ? local.minute >= from && local.minute < to : local.minute >= from || local.minute < to;
    if (quiet) return 'quiet hours';
  }
  return null;
}

/**
 * A person who talks on one of their phones is on a call on all of them, unless they have call waiting;
 * a phone that rings for one call is not offered a second one.
 */
function whyBusy(run: Run, call: CallState, phone: Phone, person: Person | undefined): NotRung | null {
  const id = call.request.id;
  if (run.onCall.get(phone.id) === id) return 'is calling';
  if (person?.callWaiting) return null;
  const phones = person ? (run.world(call).phonesOf.get(person.id) ?? [phone]) : [phone];
  if (phones.some((p) => run.onCall.has(p.id))) return 'on a call';
  const ringingFor = run.ringing.get(phone.id);
  return ringingFor !== undefined && ringingFor !== id ? 'ringing for another call' : null;
}
