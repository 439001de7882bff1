/** What an unanswered call to a number gets over a week, in words: one line for each different way. */
import { addDays, localTime, momentOf } from '../../hours';
import type { NumberHeld, Standing, System } from '../../system';
import { piecesOf } from '../pieces';
import { spansInWords } from '../spans';
import { waysInWords } from '../words';

export interface WayOfTheWeek {
  /** "Mon–Fri 08:00–12:00". */
  when: string;
  /** What an unanswered caller gets then. */
  words: string;
  /** Share of the week, 0 to 1. */
  share: number;
  now: boolean;
}

/** Ways that hold for less than this in all are left out: they straddle a change by the length of one call. */
const STRADDLE_MS = 300_000;

/** The ways of the seven days that begin with the one `moment` (epoch milliseconds) lies in, the present one first. */
export function weekInWords(
  system: System,
  standing: Standing,
  number: NumberHeld,
  moment: number,
): WayOfTheWeek[] {
  const zone = system.business.timeZone;
  const { date } = localTime(zone, moment);
  const week: [number, number] = [momentOf(zone, date, 0), momentOf(zone, addDays(date, 7), 0)];
  const ways = new Map<string, { spans: [number, number][]; ms: number; now: boolean }>();
  for (const piece of piecesOf(system, standing, number, ...week)) {
    const { from, to } = piece;
    const words = waysInWords(piece, system);
    const way = ways.get(words) ?? { spans: [], ms: 0, now: false };
    way.spans.push([from, to]);
    way.ms += to - from;
    way.now ||= from <= moment && moment < to;
    ways.set(words, way);
  }
  return [...ways]
    .filter(([, way]) => way.now || way.ms >= STRADDLE_MS)
    .sort(([, a], [, b]) => Number(b.now) - Number(a.now) || b.ms - a.ms)
    .map(([words, { spans, ms, now }]) => ({
      words,
      when: spansInWords(spans, zone, week),
      share: ms / (week[1] - week[0]),
      now,
    }));
}
