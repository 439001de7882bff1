/** What somebody is doing now, in words, for colleagues who look them up. */
import { awayAt, ringableNow } from '$core/calls';
import { isOn, zoneOf, type Person, type Phone, type Standing, type System } from '$core/system';
import type { LiveCall } from '$exchange';
import { dateText } from '../format';

export interface Presence {
  kind: 'free' | 'busy' | 'away' | 'off';
  words: string;
}

/** @param phones of the person @param calls going on now @param now bench time, epoch milliseconds */
export function presenceOf(
  person: Person,
  phones: readonly Phone[],
  {
    system,
    standing,
    calls,
    now,
  }: { system: System; standing: Standing; calls: readonly LiveCall[]; now: number },
): Presence {
  const own = new Set(phones.map((p) => p.id));
  const talks = calls.some(
    (c) =>
      c.ends.some((e) => own.has(e.phone)) ||
      (c.phase !== 'over' && c.from.kind === 'phone' && own.has(c.from.phoneId)),
  );
  if (talks) return { kind: 'busy', words: 'on a call' };
  if (isOn(standing.dnd[person.id], now)) return { kind: 'busy', words: 'do not disturb' };
  const away = awayAt(person, zoneOf(person, system), now);
  if (away) {
    const standIn = system.people[away.standInId ?? '']?.name;
    return {
      kind: 'away',
      words: `away until ${dateText(away.to)}${standIn ? `; ${standIn} stands in` : ''}`,
    };
  }
  const found = ringableNow(system, standing, [person.id], now).get(person.id)!;
  if (found.some((r) => r.why === null)) return { kind: 'free', words: 'free' };
  const [first] = found;
  if (!first) return { kind: 'off', words: 'no phone' };
  const why = found.every((r) => r.why === first.why) ? first.why : null;
  return {
    kind: 'off',
    words: why === 'quiet hours' || why === 'outside working hours' ? why : 'no phone on',
  };
}
