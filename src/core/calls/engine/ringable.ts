/** Which phones a call would ring at a moment, and why not the others: what "ready" and "reachable" mean everywhere. */
import { accountsOn, type Phone, type Standing, type System } from '../../system';
import { whyNot } from '../people/eligible';
import { CallEngine } from './engine';
import { NEW_CALLER } from '../base/request';
import { newCall } from '../base/state';
import type { NotRung } from '../base/trace';

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
