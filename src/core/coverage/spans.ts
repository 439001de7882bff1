/** Stretches of time in words. */
import { addDays, dateInWords, daysInWords, localTime, writeTime } from '../hours';

/** From a moment up to but without another, epoch milliseconds. */
export type Span = [from: number, to: number];

/** Calls that straddle a change by less than this are left out of the words; they follow from what is said. */
export const STRADDLE_MS = 120_000;
/** So many dates are named one by one. */
const MOST_DATES = 4;

/** The days some spans lie on: "Fri 25 Dec 2026", "Sat 15 May 2027 to Wed 15 Sept 2027". */
export function datesInWords(spans: readonly Span[], zone: string): string {
  const runs: { from: string; to: string }[] = [];
  for (const [from, to] of spans) {
    if (to - from <= 2 * STRADDLE_MS) continue;
    // A call that straddles midnight by seconds does not make a day.
    const [first, last] = [localTime(zone, from + STRADDLE_MS).date, localTime(zone, to - STRADDLE_MS).date];
    const run = runs.at(-1);
    if (run && first <= addDays(run.to, 1)) run.to = last > run.to ? last : run.to;
    else runs.push({ from: first, to: last });
  }
  const words = runs
    .slice(0, MOST_DATES)
    .map(({ from, to }) => (from === to ? dateInWords(from) : `${dateInWords(from)} to ${dateInWords(to)}`));
  const more = runs.length - words.length;
  return more > 0 ? `${words.join(', ')} and ${more} more times` : words.join(', ');
}

/** Spans of one week in words, repeated days joined: "Mon–Fri 08:00–17:00". @param spans epoch milliseconds */
export function spansInWords(spans: readonly Span[], zone: string, week: Span): string {
  if (spans.length === 1 && spans[0]![0] === week[0] && spans[0]![1] === week[1]) return 'at all hours';
  const times = new Map<number, string[]>();
  for (const [from, to] of spans)
    for (const { day, text } of splitAtMidnight(from, to, zone))
      times.set(day, [...(times.get(day) ?? []), text]);
  const days = new Map<string, number[]>();
  for (const [day, texts] of times) {
    const text = texts.join(' and ');
    days.set(text, [...(days.get(text) ?? []), day]);
  }
  return [...days].map(([text, list]) => `${daysInWords(list)} ${text}`).join(', ');
}

function splitAtMidnight(from: number, to: number, zone: string): { day: number; text: string }[] {
  const parts: { day: number; text: string }[] = [];
  for (let start = from; start < to;) {
    const local = localTime(zone, start);
    const midnight = start + (1440 - local.minute) * 60_000;
    const end = Math.min(to, midnight);
    if (end - start >= STRADDLE_MS || to - from < STRADDLE_MS) {
      const last = local.minute + (end - start) / 60_000;
      const text =
        local.minute < 0.01 && last > 1439.9 ? 'all day' : `${roundTime(local.minute)}–${roundTime(last)}`;
      parts.push({ day: local.day, text });
    }
    start = end;
  }
  return parts;
}

/** To the minute: a call that straddles closing time by seconds does not make a new span. */
const roundTime = (minute: number): string => writeTime(Math.round(minute));
