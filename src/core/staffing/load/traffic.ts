/** The traffic of a usual week: when callers come, how long they talk and wait, who lifts. From the log, or typed. */
import { mean } from 'd3-array';
import type { Spread } from '../../calls';
import { localTime } from '../../hours';
import type { Course, Log } from '../../story';
import type { System } from '../../system';
import { becameOf, momentsOf, USUAL_RULES, weekHour, type Span } from '../../traffic';

/** Quarter hours of the week, Monday from 0 on. */
export const QUARTERS = 672;

export interface Line {
  e164: string;
  /** Callers in each quarter hour of the week, in the mean. */
  rates: number[];
  /** Keys callers press one after the other, as often as they did; none is nobody. */
  keys: string[];
}

/** Lengths in seconds, by chance: values as they were, or a mean with exponential or log-normal spread. */
export type Lengths = Spread | { as: 'log-normal'; mean: number; deviation: number };

export interface Traffic {
  lines: Line[];
  /** How far a day as a whole lies from what is usual for its weekday: standard deviation over mean, 0 for not at all. */
  spread: number;
  talk: Lengths;
  /** In hours of the week in which enough talked to say, from 0 to 167. */
  talkAt: Record<number, Lengths>;
  /** Mean of an exponential patience in seconds from the first ringing or queueing on; null is for ever. */
  patience: number | null;
  /** How likely somebody who is rung lifts. */
  lifts: number;
  /** How long they take. */
  lift: Spread;
  /** What callers hear before anything rings, in seconds, in the mean. */
  before: number;
  /** Numbers that call, as often as they did; null is hidden. */
  callers: (string | null)[];
}

/** What was seen of patience. */
export interface Patience {
  /** In seconds; null where too few left to say. */
  mean: number | null;
  /** It is at least so long, where too few left. */
  atLeast: number;
  /** So many gave up, and so many were answered or led on before they did. */
  left: number;
  stayed: number;
  /** The share that a curve through what was seen (Kaplan and Meier) and the exponential one differ by at most. */
  misfit: number;
}

/** Under so many who left there is no estimate. */
const ENOUGH_LEFT = 10;
/** From so many talks in an hour of the week on, its callers talk as they did, and not as those of other hours. */
const ENOUGH_TALKS = 40;
/** More values of one kind are not kept: they are thinned evenly. */
const MOST_VALUES = 2000;

/**
 * Patience from those who gave up and those who did not: of exponential length, by the time all waited over the number who
 * gave up (the maximum-likelihood estimate of censored exponential lifetimes; B. Epstein and M. Sobel, "Life Testing", 1953).
 * @param waits in seconds, and whether they ended by giving up
 */
export function patienceOf(waits: readonly { seconds: number; left: boolean }[]): Patience {
  const left = waits.filter((w) => w.left).length;
  const all = waits.reduce((sum, w) => sum + w.seconds, 0);
  const expected = left ? all / left : null;
  return {
    mean: left >= ENOUGH_LEFT ? expected : null,
    atLeast: left ? all / (left + 1) : all,
    left,
    stayed: waits.length - left,
    misfit: left >= ENOUGH_LEFT ? misfitOf(waits, expected!) : 0,
  };
}

/**
 * The share still there after each moment at which somebody left (E. L. Kaplan and P. Meier, "Nonparametric Estimation from
 * Incomplete Observations", 1958), in order.
 */
export function stillThere(
  waits: readonly { seconds: number; left: boolean }[],
): { seconds: number; share: number }[] {
  const sorted = [...waits].sort((a, b) => a.seconds - b.seconds);
  const curve: { seconds: number; share: number }[] = [];
  let share = 1;
  for (let i = 0; i < sorted.length;) {
    const { seconds } = sorted[i]!;
    let [gone, left] = [0, 0];
    for (; i + gone < sorted.length && sorted[i + gone]!.seconds === seconds; gone++)
      if (sorted[i + gone]!.left) left++;
    if (left) {
      share *= 1 - left / (sorted.length - i);
      curve.push({ seconds, share });
    }
    i += gone;
  }
  return curve;
}
/** Beyond where a tenth of all is left there is too little to hold a curve against. */
function misfitOf(waits: readonly { seconds: number; left: boolean }[], expected: number): number {
  const sorted = waits.map((w) => w.seconds).sort((a, b) => a - b);
  const until = sorted[Math.floor(sorted.length * 0.9)]!;
  return stillThere(waits)
    .filter((p) => p.seconds <= until)
    .reduce((worst, p) => Math.max(worst, Math.abs(p.share - Math.exp(-p.seconds / expected))), 0);
}

/** What a model of traffic was made of, told beside it. */
export interface Seen {
  calls: number;
  days: number;
  patience: Patience;
}

const thinned = <T>(values: readonly T[]): T[] =>
  values.length <= MOST_VALUES
    ? [...values]
    : Array.from({ length: MOST_VALUES }, (_, i) => values[Math.floor((i * values.length) / MOST_VALUES)]!);
const seen = (values: readonly number[], otherwise: number): Spread =>
  values.length >= ENOUGH_LEFT
    ? { as: 'seen', sorted: thinned([...values].sort((a, b) => a - b)) }
    : { as: 'exponential', mean: otherwise };

/** Where the log says too little. Common practice, no source. */
export const USUAL = { talk: 180, lift: 6, patience: 120, lifts: 0.9 } as const;

/**
 * How likely somebody lifts, from calls of which so many let it ring to its end, and so many were rung when one of them
 * lifted: the value that makes what was seen likeliest, found by halving.
 */
export function liftsOf(calls: readonly Pick<Course, 'unlifted' | 'lifted'>[]): number | null {
  const rung = calls.filter((c) => c.unlifted + c.lifted > 0);
  if (rung.length < ENOUGH_LEFT) return null;
  // The slope of the logarithm of the likelihood, falling in p.
  const slope = (p: number) =>
    rung.reduce((sum, { unlifted, lifted: m }) => {
      const none = (1 - p) ** m;
      return sum - unlifted / (1 - p) + (m ? (m * (1 - p) ** (m - 1)) / (1 - none) : 0);
    }, 0);
  let [low, high] = [1e-6, 1 - 1e-6];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (slope(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The traffic of a span of the log. @param numberIds of these lines; empty is all of them
 * @returns null where nobody called
 */
export function trafficOf(
  log: Log,
  span: Span,
  system: System,
  numberIds: readonly string[] = [],
): { traffic: Traffic; seen: Seen } | null {
  const zone = system.business.timeZone;
  const [from, to] = momentsOf(span, zone);
  const existed = Array.from({ length: QUARTERS }, () => 0);
  for (let at = from; at < to; at += 900_000) existed[quarterOf(at, zone)]!++;
  const lines = new Map<string, Line>();
  const days = new Map<number, number>();
  const talks: number[] = [];
  const talksAt = new Map<number, number[]>();
  const lifting: number[] = [];
  const befores: number[] = [];
  const waits: { seconds: number; left: boolean }[] = [];
  const callers: (string | null)[] = [];
  const courses: Course[] = [];
  let calls = 0;
  for (const row of log.between(from, to)) {
    const { course, way, numberId, unwanted, outcome, other } = row.facts;
    const number = numberId ? system.numbers[numberId] : undefined;
    if (row.kind !== 'call' || way !== 'in' || !course || unwanted || !number) continue;
    if (numberIds.length && !numberIds.includes(number.id)) continue;
    calls++;
    let line = lines.get(number.id);
    if (!line) {
      line = { e164: number.e164, rates: Array.from({ length: QUARTERS }, () => 0), keys: [] };
      lines.set(number.id, line);
    }
    line.rates[quarterOf(row.at, zone)]!++;
    line.keys.push(course.keys.map(([, key]) => key).join(' '));
    callers.push(other);
    const { days: day } = localTime(zone, row.at);
    days.set(day, (days.get(day) ?? 0) + 1);
    courses.push(course);
    const became = becameOf(course, outcome, unwanted, USUAL_RULES);
    if (became === 'answered') {
      const talked = (course.ended - course.answered!) / 1000;
      const hour = weekHour(row.at, zone);
      talks.push(talked);
      talksAt.set(hour, [...(talksAt.get(hour) ?? []), talked]);
    }
    if (course.lift !== null) lifting.push(course.lift / 1000);
    if (course.rings !== null) {
      befores.push(course.rings / 1000);
      // Whoever hung up at once had no wait to lose patience in; whom the plan led on may have stayed longer.
      if (became !== 'gave up at once') {
        const end = course.answered ?? course.gaveUp ?? leftRinging(course);
        waits.push({ seconds: (end - course.rings) / 1000, left: became === 'gave up' });
      }
    }
  }
  if (!calls) return null;
  for (const line of lines.values()) {
    line.rates = line.rates.map((n, q) => (existed[q] ? n / existed[q]! : 0));
    line.keys = thinned(line.keys);
  }
  const patience = patienceOf(waits);
  return {
    traffic: {
      lines: [...lines.values()],
      spread: spreadOf(days, span, zone),
      talk: seen(talks, USUAL.talk),
      talkAt: Object.fromEntries(
        [...talksAt].flatMap(([hour, own]) =>
          own.length >= ENOUGH_TALKS ? [[hour, seen(own, USUAL.talk)] as const] : [],
        ),
      ),
      patience:
        patience.mean ?? (patience.left ? Math.max(patience.atLeast, USUAL.patience) : USUAL.patience),
      lifts: liftsOf(courses) ?? USUAL.lifts,
      lift: seen(lifting, USUAL.lift),
      before: mean(befores) ?? 0,
      callers: thinned(callers),
    },
    seen: { calls, days: days.size, patience },
  };
}

/** When ringing and waiting was over for whoever was led on, in milliseconds of the call. */
const leftRinging = ({ queued, ended, rings }: Course): number => {
  const last = queued.at(-1);
  return last ? last[2] : Math.min(ended, rings! + 60_000);
};

export function quarterOf(at: number, zone: string): number {
  const { day, minute } = localTime(zone, at);
  return (day - 1) * 96 + Math.floor(minute / 15);
}

/**
 * How far days as a whole lie from the mean of their weekday, beyond what chance alone does: for a Poisson count the variance
 * is the mean; what there is more is the day's own.
 */
function spreadOf(days: ReadonlyMap<number, number>, span: Span, zone: string): number {
  const byWeekday: number[][] = Array.from({ length: 7 }, () => []);
  const [from, to] = momentsOf(span, zone);
  const [first, last] = [localTime(zone, from).days, localTime(zone, to - 1).days];
  for (let day = first; day <= last; day++) byWeekday[(((day + 3) % 7) + 7) % 7]!.push(days.get(day) ?? 0);
  let [over, under] = [0, 0];
  for (const counts of byWeekday) {
    const m = mean(counts) ?? 0;
    if (counts.length < 3 || m < 5) continue;
    const variance = counts.reduce((sum, n) => sum + (n - m) ** 2, 0) / (counts.length - 1);
    over += variance - m;
    under += m * m;
  }
  return under > 0 ? Math.sqrt(Math.max(0, over / under)) : 0;
}
