/** Which phones a call would ring at a moment, and why not the others: what "ready" and "reachable" mean everywhere. */
import {
  accountId,
  accountsOn,
  isLinked,
  registeredAt,
  type Phone,
  type Standing,
  type System,
} from '../../system';
import { whyNot } from '../people/eligible';
import { CallEngine } from './engine';
import { NEW_CALLER } from '../base/request';
import { newCall } from '../base/state';
import type { NotRung, Trace } from '../base/trace';

export interface Ringable {
  phone: Phone;
  /** Why it would not ring, or null where it would. */
  why: NotRung | null;
}

/**
 * The phones of people, as a call of somebody new would find them that begins now and finds nobody else calling.
 * @param now epoch milliseconds @returns by person, for those asked for
 */
export function ringableNow(
  system: System,
  standing: Standing,
  personIds: readonly string[],
  now: number,
): Map<string, Ringable[]> {
  const engine = new CallEngine(system, standing);
  engine.now = now;
  const call = newCall(
    {
      id: 'now',
      at: now,
      from: { kind: 'outside', number: NEW_CALLER },
      to: { kind: 'digits', digits: '' },
      behaviour: null,
    },
    0,
    now,
  );
  const wanted = new Map<string, Ringable[]>(personIds.map((id) => [id, []]));
  for (const phone of Object.values(system.phones))
    for (const personId of accountsOn(phone))
      wanted.get(personId)?.push({ phone, why: whyNot(engine, call, phone, personId) });
  return wanted;
}

/** A phone that a rehearsal supposes to be on and that is not. */
export interface Supposed {
  phone: Phone;
  personId: string | null;
  is: 'off' | 'without network';
}

/**
 * Phones that a rehearsed call rings because they are supposed to be on, and that a real one would not reach now.
 * @param standing as it is, not as rehearsals take it @param now epoch milliseconds
 */
export function supposedOn(trace: Trace, system: System, standing: Standing, now: number): Supposed[] {
  const seen = new Map<string, Supposed>();
  for (const e of trace) {
    const phone = e.kind === 'leg offered' ? system.phones[e.phone] : undefined;
    if (e.kind !== 'leg offered' || !phone || isLinked(phone)) continue;
    const account = accountId(phone, e.personId);
    const registration = standing.registrations[account];
    if (!registration) continue;
    const { registered, reached } = registeredAt(registration, phone.kind, standing.accounts[account], now);
    if (!registered || !reached)
      seen.set(phone.id, { phone, personId: e.personId, is: registered ? 'without network' : 'off' });
  }
  return [...seen.values()];
}
