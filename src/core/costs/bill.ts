/** The bill: what a system costs a month, line by line. */
import { profileOf } from '../numbering';
import type { NumberHeld, Standing, System } from '../system';
import type { Trace } from '../calls';
import { estimated, logged, type Tariff, type Used } from './costs';

/** A sum in one currency, in cents. */
export interface Sum {
  cents: number;
  currency: string;
}
/** Minutes of a number in a month. */
export interface Minutes {
  number: NumberHeld;
  used: Used;
}
export type BillLine = Sum &
  (
    | { what: 'number'; number: NumberHeld }
    | { what: 'people'; people: number; each: number }
    | { what: 'tollFree' | 'forwarded'; minutes: readonly Minutes[]; perMinute: number }
  );

/** What is billed whatever is called: numbers and people. */
export const fixedLines = (system: System, tariff: Tariff): BillLine[] => {
  const people = Object.keys(system.people).length;
  return [
    ...Object.values(system.numbers).map((number): BillLine => ({
      what: 'number',
      number,
      cents: number.monthlyCents,
      currency: number.currency,
    })),
    {
      what: 'people',
      people,
      each: tariff.person,
      cents: people * tariff.person,
      currency: profileOf(system.business.country).currency,
    },
  ];
};

/** The whole bill of a month. @param minutes of each number, as estimated or logged */
export function billOf(system: System, tariff: Tariff, minutes: readonly Minutes[]): BillLine[] {
  const { currency } = profileOf(system.business.country);
  const line = (what: 'tollFree' | 'forwarded', perMinute: number): BillLine => ({
    what,
    minutes: minutes.filter((m) => m.used[what] >= SHOWN_FROM),
    perMinute,
    // As they are shown: whole minutes of each number, so that the line can be checked by hand.
    cents: Math.round(minutes.reduce((sum, m) => sum + Math.round(m.used[what]), 0) * perMinute),
    currency,
  });
  return [
    ...fixedLines(system, tariff),
    line('tollFree', tariff.tollFreeMinute),
    line('forwarded', tariff.forwardedMinute),
  ];
}
/** Fewer minutes of a number than this are not named; they are counted. */
const SHOWN_FROM = 0.5;

/** What lines come to, a sum for each currency in the order they come. */
export function totals(lines: readonly Sum[]): Sum[] {
  const sums = new Map<string, number>();
  for (const { cents, currency } of lines) sums.set(currency, (sums.get(currency) ?? 0) + cents);
  return [...sums].map(([currency, cents]) => ({ cents, currency }));
}

/** The log counts from so many calls on, over the last so many days. Common practice, no source. */
export const LOG_CALLS = 10;
export const LOG_DAYS = 30;
const DAY_MS = 86_400_000;

/** A call of the log. */
interface Logged {
  at: number;
  request: { to: { kind: string; e164?: string } };
  trace: Trace;
}

/**
 * Minutes a month of each number: from the log where that has enough calls, else from rehearsals.
 * @returns the minutes, whether they are of the log, and how many calls in how many days that has
 * @param log the oldest first @param week its first and last moment, epoch milliseconds, from today's midnight on
 * @param assumed calls a week and minutes of talk, where the log says too little
 */
export function minutesOf(
  system: System,
  standing: Standing,
  log: readonly Logged[],
  week: readonly [number, number],
  assumed: { calls: number; talk: number },
): { minutes: Minutes[]; fromLog: boolean; calls: number; days: number } {
  const recent = log.filter((c) => c.at > week[0] - LOG_DAYS * DAY_MS);
  const fromLog = recent.length >= LOG_CALLS;
  const days = recent.length ? Math.ceil((week[0] + DAY_MS - recent[0]!.at) / DAY_MS) : LOG_DAYS;
  const minutes = Object.values(system.numbers).map((number): Minutes => {
    if (!fromLog)
      return { number, used: estimated(system, standing, number, assumed.calls, assumed.talk, week) };
    const own = recent.filter((c) => c.request.to.kind === 'number' && c.request.to.e164 === number.e164);
    return {
      number,
      used: logged(
        system,
        number,
        own.map((c) => c.trace),
        days,
      ),
    };
  });
  return { minutes, fromLog, calls: recent.length, days };
}
