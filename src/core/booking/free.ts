/** Which times of a calendar are free. All is reckoned in elapsed minutes: an hour that comes twice is two hours. */
import { addDays, boundaries, localTime, momentOf, periodAt } from '../hours';
import type { BookingCalendar, Hours } from '../system';

const MINUTE_MS = 60_000;

/** A span of time, epoch milliseconds; its end is not part of it. */
export interface Span {
  from: number;
  to: number;
}

/** When hours are open between two moments, whatever the kind of period. @param zone of the business */
export function openings(hours: Hours, zone: string, from: number, to: number): Span[] {
  const spans: Span[] = [];
  const edges = [from, ...boundaries(hours, zone, from + 1, to), to];
  for (let i = 0; i + 1 < edges.length; i++) {
    const [a, b] = [edges[i]!, edges[i + 1]!];
    if (periodAt(hours, zone, a) === null) continue;
    const last = spans.at(-1);
    if (last?.to === a) last.to = b;
    else spans.push({ from: a, to: b });
  }
  return spans;
}

const DAY_MS = 24 * 60 * MINUTE_MS;
/** What is open for longer than a day opens anew each midnight, for times to begin from. */
function daily({ from, to }: Span, zone: string): Span[] {
  if (to - from <= DAY_MS) return [{ from, to }];
  const cuts: Span[] = [];
  let start = from;
  for (let date = addDays(localTime(zone, from).date, 1); start < to; date = addDays(date, 1)) {
    const end = Math.min(to, momentOf(zone, date, 0));
    cuts.push({ from: start, to: end });
    start = end;
  }
  return cuts;
}

/** The most of some spans that there are at one moment of another. */
export function mostAtOnce(spans: readonly Span[], within: Span): number {
  const edges = spans
    .filter((s) => s.from < within.to && s.to > within.from)
    .flatMap((s) => [[Math.max(s.from, within.from), 1] as const, [Math.min(s.to, within.to), -1] as const])
    // What ends at a moment makes room for what begins there.
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  let [now, most] = [0, 0];
  for (const [, change] of edges) most = Math.max(most, (now += change));
  return most;
}

export interface Asked {
  calendar: BookingCalendar;
  hours: Hours;
  /** Of the business. */
  zone: string;
  /** What is taken, in any order. */
  taken: readonly Span[];
  /** Epoch milliseconds. */
  now: number;
}

/** So much is looked at in one go. */
const WINDOW_MS = 14 * DAY_MS;

/**
 * The free times of a span: from each opening on every length and gap, as long as it ends before closing; never where as many
 * as fit are taken, each with its gap before and after it; not before now and the lead, nor after the horizon.
 * @param from @param to epoch milliseconds @param most so many at the most @returns when each begins, in order
 */
export function freeTimes(
  { calendar, hours, zone, taken, now }: Asked,
  from: number,
  to: number,
  most = Infinity,
): number[] {
  const { minutes, gapMinutes, atOnce, leadMinutes, horizonDays } = calendar;
  const length = minutes * MINUTE_MS;
  const gap = gapMinutes * MINUTE_MS;
  const first = Math.max(from, now + leadMinutes * MINUTE_MS);
  const last = Math.min(to, now + horizonDays * DAY_MS);
  if (first >= last) return [];
  const wide = taken
    .map((t): Span => ({ from: t.from - gap, to: t.to + gap }))
    .filter((t) => t.to > first && t.from < last + length)
    .sort((a, b) => a.from - b.from);
  const found: number[] = [];
  for (let begin = first; begin < last; begin += WINDOW_MS) {
    const end = Math.min(begin + WINDOW_MS, last);
    // Seen from two days before to two days after, whatever is open for up to a day is seen whole.
    const spans = openings(hours, zone, begin - 2 * DAY_MS, end + 2 * DAY_MS).flatMap((open) =>
      daily(open, hours.timeZone ?? zone),
    );
    for (const open of spans)
      for (let start = open.from; start + length <= open.to && start < end; start += length + gap) {
        if (start < begin) continue;
        if (mostAtOnce(wide, { from: start, to: start + length }) >= atOnce) continue;
        found.push(start);
        if (found.length >= most) return found;
      }
  }
  return found;
}

/** Whether a time is one of the free ones: what was offered may have gone meanwhile. */
export const isFree = (asked: Asked, at: number): boolean => freeTimes(asked, at, at + 1).includes(at);
