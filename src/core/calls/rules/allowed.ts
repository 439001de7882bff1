/** Whether a call may go out: who may call where, what may be spent, and what looks like fraud. */
import { localTime, periodAt } from '../../hours';
import { classOf } from '../../numbering';
import { ANY_CALLS_OUT, type CallsOut, type Rates, type Standing, type System } from '../../system';
import { rateOf } from './meter';
import type { Memory } from '../base/state';
import type { NotAllowed } from '../base/trace';

export interface Asks {
  system: System;
  standing: Standing;
  memory: Pick<Memory, 'spent' | 'abroad' | 'stopped'>;
  rates: Rates | null;
  /** Epoch milliseconds. */
  now: number;
}

const includes = (who: CallsOut['abroadFor'], personId: string | null): boolean =>
  who === 'everybody' || (personId !== null && who.includes(personId));

/** Why somebody may not call a number, or null. Emergency numbers never come here. */
export function whyNotOut(asks: Asks, personId: string | null, e164: string): NotAllowed | null {
  const { system } = asks;
  const rules = system.business.callsOut ?? ANY_CALLS_OUT;
  const { kind, country } = classOf(e164, system.business.country);
  if (kind === 'premium' && !includes(rules.premiumFor, personId)) return 'premium numbers';
  if (kind === 'abroad') {
    if (!includes(rules.abroadFor, personId)) return 'calls abroad';
    if (rules.countries !== 'all' && !rules.countries.includes(country ?? '')) return 'this country';
    if (isStopped(asks, country ?? '')) return 'it looks like fraud';
    if (looksLikeFraud(asks, rules, country ?? '')) return 'it looks like fraud';
  }
  const left = centsLeft(asks, personId);
  const rate = asks.rates ? rateOf(asks.rates, e164, system.business.country) : 0;
  if (rate > 0 && left.credit !== null && left.credit < rate) return 'the credit is used up';
  if (rate > 0 && left.day !== null && left.day < rate) return 'the limit of the day';
  return null;
}

/** Calls to a country were stopped, and nobody has allowed them again since. */
export function isStopped({ memory, standing }: Asks, country: string): boolean {
  const at = memory.stopped?.[country];
  return at !== undefined && !((standing.allowedAgain?.[country]?.at ?? -Infinity) >= at);
}

function looksLikeFraud(
  { system, standing, memory, now }: Asks,
  { guard }: CallsOut,
  country: string,
): boolean {
  if (!guard) return false;
  const hours = guard.hoursId ? system.hours[guard.hoursId] : undefined;
  const zone = system.business.timeZone;
  if (hours && periodAt(hours, zone, now, standing.overrides[hours.id]?.value) !== null) return false;
  const since = Math.max(now - guard.minutes * 60_000, standing.allowedAgain?.[country]?.at ?? -Infinity);
  const short = (memory.abroad ?? []).filter(
    (c) => c.country === country && c.at >= since && c.seconds < guard.seconds,
  );
  return short.length >= guard.calls;
}

/** Cents left of the business's credit and of what a person may spend today; null where there is no limit. */
export function centsLeft(
  { system, standing, memory, now }: Pick<Asks, 'system' | 'standing' | 'memory' | 'now'>,
  personId: string | null,
): { credit: number | null; day: number | null } {
  const { dailyCents } = system.business.callsOut ?? ANY_CALLS_OUT;
  const { date } = localTime(system.business.timeZone, now);
  const today = personId ? memory.spent?.people[personId] : undefined;
  const spentToday = today?.date === date ? today.cents : 0;
  const { credit } = standing;
  const spent = memory.spent && credit && memory.spent.since === credit.at ? memory.spent.cents : 0;
  return {
    credit: credit?.value == null ? null : credit.value - spent,
    day: dailyCents === null || personId === null ? null : dailyCents - spentToday,
  };
}

/** A call out is over: what it cost is counted, and calls abroad are kept in mind for an hour and more. */
export function countOut(
  { system, standing, memory, now }: Omit<Asks, 'rates'> & { memory: Memory },
  personId: string | null,
  cents: number,
  calls: readonly { number: string; seconds: number }[],
): void {
  const { date } = localTime(system.business.timeZone, now);
  if (cents) {
    const since = standing.credit?.at ?? 0;
    const before = memory.spent;
    const people = { ...before?.people };
    if (personId) {
      const today = people[personId];
      people[personId] = { date, cents: (today?.date === date ? today.cents : 0) + cents };
    }
    memory.spent = { since, cents: (before?.since === since ? before.cents : 0) + cents, people };
  }
  const { guard } = system.business.callsOut ?? ANY_CALLS_OUT;
  if (!guard) return;
  const abroad = calls.flatMap(({ number, seconds }) => {
    const { kind, country } = classOf(number, system.business.country);
    return kind === 'abroad' ? [{ at: now, country: country ?? '', seconds }] : [];
  });
  if (!abroad.length && !memory.abroad?.length) return;
  const oldest = now - guard.minutes * 60_000;
  memory.abroad = [...(memory.abroad ?? []), ...abroad].filter((c) => c.at >= oldest);
}
