/** The difference two systems make to callers, as sentences. */
import { sentence, type Trace } from '../calls';
import { addDays, daysInWords, localTime, momentOf, writeTime } from '../hours';
import type { NumberHeld, Standing, System } from '../system';
import { piecesOf, type Piece } from './pieces';

/** From a moment up to but without another, epoch milliseconds. */
type Span = [from: number, to: number];

export interface Difference {
  numberId: string;
  label: string;
  e164: string;
  /** "every day, all day", "Mon–Fri 08:00–17:00". */
  when: string;
  /** What an unanswered caller gets, or null where the number does not exist. */
  before: string | null;
  after: string | null;
  /** The traces behind the sentences, and a moment at which they hold (epoch milliseconds). */
  at: number;
  beforeTrace: Trace | null;
  afterTrace: Trace | null;
}

/** Calls that straddle a change by less than this are left out of the words; they follow from what is said. */
const STRADDLE_MS = 120_000;

/** So many days ahead what differs is looked for besides the coming week. */
const DAYS_AHEAD = 366;
/** So many dates are named one by one. */
const MOST_DATES = 4;

/**
 * What changes for unanswered callers later in the coming year, beyond the seven days that begin with the one `moment`
 * (epoch milliseconds) lies in: holidays, seasons, turns of a rota. What the week says already is not said again.
 */
export function laterDifferences(
  before: System,
  after: System,
  standing: Standing,
  moment: number,
): Difference[] {
  const zone = after.business.timeZone;
  const { date } = localTime(zone, moment);
  const from = momentOf(zone, addDays(date, 7), 0);
  const rest: Span = [from, momentOf(zone, addDays(date, DAYS_AHEAD), 0)];
  const said = new Set(
    differenceOf(before, after, standing, moment).map((d) => JSON.stringify([d.numberId, d.before, d.after])),
  );
  const ids = [...new Set([...Object.keys(before.numbers), ...Object.keys(after.numbers)])];
  return ids
    .flatMap((id) => ofNumber(before, after, standing, id, rest, (spans) => datesInWords(spans, zone)))
    .filter((d) => !said.has(JSON.stringify([d.numberId, d.before, d.after])));
}

/** The days some spans lie on: "Fri 25 Dec 2026", "Sat 15 May 2027 to Wed 15 Sept 2027". */
function datesInWords(spans: readonly Span[], zone: string): string {
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
    .map(({ from, to }) => (from === to ? dayInWords(from) : `${dayInWords(from)} to ${dayInWords(to)}`));
  const more = runs.length - words.length;
  return more > 0 ? `${words.join(', ')} and ${more} more times` : words.join(', ');
}

const DAY_WORDS = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});
const dayInWords = (date: string): string => DAY_WORDS.format(Date.parse(date)).replace(',', '');

/** What changes for unanswered callers in the seven days that begin with the one `moment` (epoch milliseconds) lies in. */
export function differenceOf(
  before: System,
  after: System,
  standing: Standing,
  moment: number,
): Difference[] {
  const zone = after.business.timeZone;
  const { date } = localTime(zone, moment);
  const week: Span = [momentOf(zone, date, 0), momentOf(zone, addDays(date, 7), 0)];
  const ids = [...new Set([...Object.keys(before.numbers), ...Object.keys(after.numbers)])];
  return ids.flatMap((id) => ofNumber(before, after, standing, id, week));
}

function ofNumber(
  before: System,
  after: System,
  standing: Standing,
  id: string,
  week: Span,
  inWords: (spans: readonly Span[]) => string = (spans) => spansInWords(spans, after.business.timeZone, week),
): Difference[] {
  const [was, is] = [before.numbers[id], after.numbers[id]];
  const number = (is ?? was)!;
  const pieces = (system: System, n: NumberHeld | undefined): Piece[] =>
    n ? piecesOf(system, standing, n, ...week) : [];
  const [old, young] = [pieces(before, was), pieces(after, is)];
  const cuts = [...new Set([...old, ...young].flatMap((p) => [p.from, p.to]))].sort((a, b) => a - b);
  const found = new Map<string, { spans: Span[]; first: Difference }>();
  for (const [i, start] of cuts.entries()) {
    const end = cuts[i + 1];
    if (end === undefined) continue;
    const [a, b] = [at(old, start), at(young, start)];
    const words = [a && sentence(a.trace, before), b && sentence(b.trace, after)] as const;
    if (words[0] === words[1]) continue;
    const key = JSON.stringify(words);
    const known = found.get(key);
    if (known) {
      const last = known.spans.at(-1)!;
      if (last[1] === start) last[1] = end;
      else known.spans.push([start, end]);
      continue;
    }
    const first: Difference = {
      numberId: id,
      label: number.label,
      e164: number.e164,
      when: '',
      before: words[0] ?? null,
      after: words[1] ?? null,
      at: start,
      beforeTrace: a?.trace ?? null,
      afterTrace: b?.trace ?? null,
    };
    found.set(key, { spans: [[start, end]], first });
  }
  return [...found.values()]
    .filter(({ spans }, _, all) => all.length === 1 || spans.some(([f, t]) => t - f >= STRADDLE_MS))
    .map(({ spans, first }) => ({ ...first, when: inWords(spans) }))
    .filter((d) => d.when !== '');
}

/** The piece a moment lies in. */
function at(pieces: readonly Piece[], t: number): Piece | undefined {
  let [low, high] = [0, pieces.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (pieces[middle]!.to <= t) low = middle + 1;
    else high = middle;
  }
  const found = pieces[low];
  return found && found.from <= t ? found : undefined;
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
