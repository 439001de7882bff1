/** Hours of the week in which people are too few, and how many more it takes, in words. */
import { DAY_NAMES } from '../../hours';
import type { Estimate } from '../intervals';
import { countOf, ratioOf, type Hours } from './answers';
import type { Week } from './run';

/** What is aimed at. */
export interface Goal {
  /** At most this share of those offered is missed. */
  missed: number;
}
export const USUAL_GOAL: Goal = { missed: 0.2 };

/** Hours of one day that follow each other. */
export interface Window {
  /** ISO day of the week, 1 Monday to 7 Sunday. */
  day: number;
  from: number;
  /** Not part of it. */
  to: number;
}
export const hoursOf = ({ day, from, to }: Window): Hours =>
  Array.from({ length: to - from }, (_, i) => (day - 1) * 24 + from + i);
export const ALL_HOURS: Hours = Array.from({ length: 168 }, (_, i) => i);

/** Hours with fewer callers a week are no reason to have somebody more. Common practice, no source. */
const FEWEST_CALLERS = 4;

/**
 * When more are missed than is aimed at, beyond what chance makes of it; those in which most are first.
 * @returns nothing of fewer than two weeks
 */
export function tooFewAt(weeks: readonly Week[], goal: Goal): Window[] {
  const windows: Window[] = [];
  for (let hour = 0; hour < 168; hour++) {
    const [day, at] = [Math.floor(hour / 24) + 1, hour % 24];
    const offered = countOf(weeks, 'offered', [hour]);
    const missed = ratioOf(weeks, 'missed', 'offered', [hour]);
    if (!offered || !missed || offered.mean < FEWEST_CALLERS || missed.low <= goal.missed) continue;
    const last = windows.at(-1);
    if (last?.day === day && last.to === at) last.to++;
    else windows.push({ day, from: at, to: at + 1 });
  }
  const lost = (w: Window) => {
    const hours = hoursOf(w);
    return (
      (countOf(weeks, 'missed', hours)?.mean ?? 0) -
      goal.missed * (countOf(weeks, 'offered', hours)?.mean ?? 0)
    );
  };
  return windows.sort((a, b) => lost(b) - lost(a));
}

/** "Tuesdays 9 to 11". */
const LONG = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];
export const windowInWords = ({ day, from, to }: Window): string =>
  `${LONG[day - 1] ?? DAY_NAMES[day - 1]} ${from} to ${to}`;

/** The step that most of those missed in some hours came by first; undefined where nobody was missed. */
export function deskOf(weeks: readonly Week[], hours: Hours): string | undefined {
  const sums = new Map<string, number>();
  for (const week of weeks)
    for (const [stepId, missed] of Object.entries(week.missedBy))
      sums.set(stepId, (sums.get(stepId) ?? 0) + hours.reduce((sum, h) => sum + (missed[h] ?? 0), 0));
  const [most] = [...sums].filter(([, n]) => n > 0).sort(([, a], [, b]) => b - a);
  return most?.[0];
}

/** "26.9 % (± 1.8)". */
export const shareInWords = ({ mean, low, high }: Estimate): string =>
  `${(Math.max(0, mean) * 100).toFixed(mean < 0.1 ? 1 : 0)} % (± ${(((high - low) / 2) * 100).toFixed(1)})`;

/** One run with so many more people at a desk. */
export interface Tried {
  people: number;
  weeks: readonly Week[];
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
const numberInWords = (n: number): string => NUMBERS[n] ?? String(n);

/**
 * What it comes to in a window, in words.
 * @param desk what the desk is called @param tried with one more, two more and so on, as far as was tried
 */
export function windowSaid(
  window: Window,
  base: readonly Week[],
  tried: readonly Tried[],
  goal: Goal,
  desk: string,
): { short: number | null; words: string } {
  const hours = hoursOf(window);
  const now = ratioOf(base, 'missed', 'offered', hours);
  if (!now) return { short: null, words: '' };
  const results = tried.flatMap(({ people, weeks }) => {
    const missed = ratioOf(weeks, 'missed', 'offered', hours);
    return missed ? [{ people, missed }] : [];
  });
  const enough = results.find((r) => r.missed.mean <= goal.missed);
  const last = enough ?? results.at(-1);
  const when = windowInWords(window);
  const begins = `${when} ${shareInWords(now)} of those who call are missed.`;
  if (!last) return { short: null, words: begins };
  const more = `${numberInWords(last.people)} more at ${desk}`;
  const aim = `${Math.round(goal.missed * 100)} %`;
  return enough
    ? {
        short: enough.people,
        words: `${when} you are ${numberInWords(enough.people)} ${enough.people === 1 ? 'person' : 'people'} short: ${more} ${enough.people === 1 ? 'takes' : 'take'} missed calls from ${shareInWords(now)} to ${shareInWords(last.missed)}.`,
      }
    : {
        short: null,
        words: `${begins} Even ${more} ${last.people === 1 ? 'leaves' : 'leave'} ${shareInWords(last.missed)}: people alone do not bring it to ${aim}.`,
      };
}
