/** What a number that has been bought becomes. */
import { newNumber } from './defaults';
import type { NumberHeld, System } from './shape/schema';

/** A number as somebody sells it. */
export type Bought = Pick<NumberHeld, 'e164' | 'country' | 'kind' | 'place' | 'monthlyCents' | 'currency'>;

/** The one plan that does something and that no number has: written before there was a number, it waits for the first. */
function waitingPlan({ plans, numbers }: System): string | null {
  const used = Object.values(numbers).some((n) => n.planId);
  const waiting = Object.values(plans).filter((p) => p.steps.length > 0);
  return !used && waiting.length === 1 ? waiting[0]!.id : null;
}

/**
 * Numbers as they come into a system: the first of a business is its main line, which has the plan that waits for it, later
 * ones are departments; all belong to the only site where there is just one.
 */
export function takenIn(system: System, offers: readonly Bought[], freshId: () => string): NumberHeld[] {
  const sites = Object.keys(system.sites);
  const held = Object.keys(system.numbers).length;
  return offers.map(({ e164, country, kind, place, monthlyCents, currency }, i) => {
    const nth = held + i + 1;
    return newNumber({
      id: freshId(),
      e164,
      country,
      kind,
      place,
      monthlyCents,
      currency,
      label: nth === 1 ? 'Main line' : `Number ${nth}`,
      use: nth === 1 ? 'main' : 'department',
      siteId: sites.length === 1 ? sites[0]! : null,
      planId: nth === 1 ? waitingPlan(system) : null,
    });
  });
}
