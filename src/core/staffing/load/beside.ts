/** What the formulas say of hours that were run, and why they need not agree. */
import type { Estimate } from '../intervals';
import { queueOfTheImpatient, queueOfThePatient, type Service } from '../formulas';
import { countOf, ratioOf, type Hours } from './answers';
import type { Week } from './run';
import { lengthBy } from './week';
import type { Desk } from './variants';
import type { Lengths, Traffic } from './traffic';

export interface Beside {
  /** Callers an hour, and the mean of their talks in seconds. */
  perHour: number;
  talk: number;
  people: number;
  /** Erlang A, or C where nobody loses patience. */
  formula: 'Erlang A' | 'Erlang C';
  service: Service;
  /** What was run: the share who gave up, and the mean wait of all. */
  gaveUp: Estimate;
  waited: Estimate;
  agrees: boolean;
  /** What the formula does not know. */
  but: string[];
}

export const meanOfLengths = (lengths: Lengths): number =>
  lengths.as === 'seen'
    ? Array.from({ length: 201 }, (_, i) => lengthBy(lengths, i / 201)).reduce((sum, v) => sum + v, 0) / 201
    : lengths.mean;

/** @returns null where nobody called in these hours, or nobody is rung */
export function formulaBeside(
  weeks: readonly Week[],
  hours: Hours,
  traffic: Traffic,
  desk: Desk,
): Beside | null {
  const offered = countOf(weeks, 'offered', hours);
  const gaveUp = ratioOf(weeks, 'gaveUp', 'offered', hours);
  const waited = ratioOf(weeks, 'waited', 'offered', hours);
  const people = desk.personIds.length;
  if (!offered || !gaveUp || !waited || !people || offered.mean <= 0) return null;
  const perHour = offered.mean / hours.length;
  const talk =
    hours.reduce((sum, h) => sum + meanOfLengths(traffic.talkAt[h] ?? traffic.talk), 0) / hours.length;
  const rate = perHour / 3600;
  const service =
    traffic.patience === null
      ? queueOfThePatient(rate, talk, people)
      : queueOfTheImpatient(rate, talk, traffic.patience, people);
  const holds = (e: Estimate, value: number) => value >= e.low && value <= e.high;
  const lift = meanOfLengths(traffic.lift);
  return {
    perHour,
    talk,
    people,
    formula: traffic.patience === null ? 'Erlang C' : 'Erlang A',
    service,
    gaveUp,
    waited,
    agrees: holds(gaveUp, service.givesUp) && holds(waited, service.meanWait),
    but: [
      ...(traffic.lifts < 0.99
        ? [`whoever is free lifts, while ${Math.round(traffic.lifts * 100)} % of those rung do`]
        : []),
      ...(lift > 1 ? [`they lift at once, while it takes them ${lift.toFixed(0)} s in the mean`] : []),
      ...(desk.queueId === null
        ? ['callers wait in a queue, while here it rings and then goes on in the plan']
        : []),
      ...(traffic.spread > 0.02 ? ['every day is like the other, while days differ as a whole'] : []),
      ...(traffic.lines.length > 1
        ? ['people have nothing else to answer, while other lines ring them too']
        : []),
    ],
  };
}
