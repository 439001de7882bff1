/** What calls out have cost: by whom and where to, of the log, and what is left of the credit. */
import { costOf, metered, rateOf, whoCalls, type CallRequest, type Trace } from '../calls';
import { classOf, countryName } from '../numbering';
import type { Rates, Standing, System } from '../system';

interface Logged {
  at: number;
  request: Pick<CallRequest, 'from'>;
  trace: Trace;
}
export interface SpentBy {
  /** A person, or the country called. */
  name: string;
  calls: number;
  minutes: number;
  cents: number;
}
export interface Spent {
  cents: number;
  /** Of the credit, in cents; null where there is none. */
  left: number | null;
  people: SpentBy[];
  places: SpentBy[];
}

/** @param from the first moment that counts, epoch milliseconds; with credit what it has come to since it was put up counts for that */
export function spentOn(
  log: readonly Logged[],
  system: System,
  standing: Pick<Standing, 'credit'>,
  rates: Rates,
  from: number,
): Spent {
  const home = system.business.country;
  const people = new Map<string, SpentBy>();
  const places = new Map<string, SpentBy>();
  const add = (to: Map<string, SpentBy>, name: string, seconds: number, cents: number) => {
    const known = to.get(name) ?? { name, calls: 0, minutes: 0, cents: 0 };
    const minutes = known.minutes + Math.ceil(seconds / 60);
    to.set(name, { name, calls: known.calls + 1, minutes, cents: known.cents + cents });
  };
  let cents = 0;
  let ofCredit = 0;
  for (const { at, request, trace } of log) {
    const cost = costOf(trace, rates, home);
    if (standing.credit && at >= standing.credit.at) ofCredit += cost;
    if (at < from) continue;
    cents += cost;
    for (const { number, seconds } of metered(trace)) {
      const one = Math.ceil(seconds / 60) * rateOf(rates, number, home);
      const { kind, country } = classOf(number, home);
      add(people, whoCalls(system, request.from), seconds, one);
      add(
        places,
        kind === 'premium' ? 'premium numbers' : country ? countryName(country) : 'another country',
        seconds,
        one,
      );
    }
  }
  const dearest = (by: Map<string, SpentBy>) => [...by.values()].sort((a, b) => b.cents - a.cents);
  const credit = standing.credit?.value ?? null;
  return {
    cents,
    left: credit === null ? null : Math.max(0, credit - ofCredit),
    people: dearest(people),
    places: dearest(places),
  };
}
