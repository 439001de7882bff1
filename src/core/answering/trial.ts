/** A plan that no number has, tried as if one had it. */
import { numbersOf, profileOf } from '../numbering';
import { newNumber, type NumberHeld, type System } from '../system';

const TRIAL = 'number-to-come';

/**
 * The system with a number that has a plan: one of those kept for fiction, which is only looked at and never called or stored.
 * @param label what it is called
 */
export function withTrialNumber(
  system: System,
  planId: string,
  label: string,
): { system: System; number: NumberHeld } {
  const { country } = system.business;
  const taken = new Set(Object.values(system.numbers).map((n) => n.e164));
  const kept = [country, 'US'].flatMap((c) => profileOf(c).fiction.flatMap(numbersOf));
  const number = newNumber({
    id: TRIAL,
    e164: kept.find((e164) => !taken.has(e164)) ?? kept[0]!,
    country,
    kind: 'geographic',
    place: '',
    monthlyCents: 0,
    currency: profileOf(country).currency,
    label,
    planId,
  });
  return { number, system: { ...system, numbers: { ...system.numbers, [TRIAL]: number } } };
}
