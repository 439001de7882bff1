/** Who is behind what is rung: phones of people, of those who stand in for them, and outside numbers. */
import { onDuty } from '../../hours';
import { flatTargets, type RingTarget } from '../../system';
import { standInFor } from '../rules/away';
import type { CallState, Offer, Run, Rung } from '../base/state';

/** Ring targets taken apart, as they are at this moment for this caller. */
export function rungNow(run: Run, call: CallState, targets: readonly RingTarget[]): readonly Rung[] {
  const { system, contacts, rung } = run.world(call);
  const known = rung.get(targets);
  if (known) return known;
  let always = true;
  const duty = (rotaId: string): string[] => {
    always = false;
    const rota = system.rotas[rotaId];
    const personId = rota ? onDuty(rota, system.business.timeZone, run.now) : null;
    run.say(call, { t: 0, kind: 'on duty', rotaId, personId });
    return personId ? [personId] : [];
  };
  const now = flatTargets(targets, system, duty).flatMap((t): Rung[] => {
    const none = { personId: null, phoneId: null, outside: null };
    if (t.kind === 'person') return [{ ...none, personId: t.id }];
    if (t.kind === 'phone') return [{ ...none, phoneId: t.id }];
    if (t.kind === 'outside') return [{ ...none, outside: t.id }];
    always = false;
    const { from } = call.request;
    const ownerId = from.kind === 'outside' && from.number ? contacts.get(from.number)?.ownerId : null;
    return ownerId && system.people[ownerId] ? [{ ...none, personId: ownerId }] : [];
  });
  if (always) rung.set(targets, now);
  return now;
}

/** What is offered to each of those rung. */
export function offersOf(run: Run, call: CallState, rung: readonly Rung[]): Offer[] {
  const world = run.world(call);
  return rung.map(({ personId: asked, phoneId, outside }) => {
    const phone = phoneId ? world.system.phones[phoneId] : undefined;
    const personId = asked && standInFor(asked, world.system, run.now);
    if (personId && personId !== asked) run.say(call, { t: 0, kind: 'stand-in', personId, forId: asked! });
    const phones = personId ? (world.phonesOf.get(personId) ?? []) : phone ? [phone] : [];
    return { personId, phones, outside };
  });
}

/** The same for those who are rung all at once. Where none of them is ever away it is worked out once. */
export function offersToAll(run: Run, call: CallState, rung: readonly Rung[]): readonly Offer[] {
  const { offers, system } = run.world(call);
  const known = offers.get(rung);
  if (known) return known;
  const made = offersOf(run, call, rung);
  if (!rung.some((r) => r.personId && system.people[r.personId]?.away.length)) offers.set(rung, made);
  return made;
}
