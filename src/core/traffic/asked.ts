/** What reports are worked out of, taken from the log. */
import type { Log, Row } from '../story';
import type { Rates, System } from '../system';
import { judged, passes, type Filter, type Judged, type Rules } from './judged';
import { Bins, type Asked } from './reports';
import { momentsOf, type Span } from './span';

export interface Wanted {
  span: Span;
  filter: Filter;
  rules: Rules;
  /** To whose calls it is narrowed whatever is asked; null is everybody's. */
  people: ReadonlySet<string> | null;
}
const DAY_MS = 86_400_000;

/** @param now the last moment the log knows of, epoch milliseconds */
export function asked(log: Log, wanted: Wanted, system: System, rates: Rates, now: number): Asked {
  const { span, filter, rules, people } = wanted;
  const zone = system.business.timeZone;
  const [from, to] = momentsOf(span, zone);
  const is = passes(filter, system, zone, (number) => log.firstOf(number), people);
  const calls: Judged[] = [];
  const others: Row[] = [];
  for (const row of log.between(from, to)) {
    if (row.kind !== 'call' || !is(row)) continue;
    const call = judged(row, rules, zone);
    if (call) calls.push(call);
    else if (row.facts.way !== 'in') others.push(row);
  }
  return {
    calls,
    others,
    span,
    zone,
    system,
    rules,
    rates,
    now,
    settledAt: (row) => log.settledBy(row)?.at,
    callsAgain: ({ at, facts }, days) => {
      const next = facts.other === null ? undefined : log.calledAfter(facts.other, at);
      return next !== undefined && next <= at + days * DAY_MS;
    },
    bins: new Bins(),
  };
}
