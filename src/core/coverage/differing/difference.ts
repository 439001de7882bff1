/** The difference two systems make to callers, as sentences. */
import type { Trace } from '../../calls';
import { addDays, localTime, momentOf } from '../../hours';
import { withOwn, type NumberHeld, type Standing, type System } from '../../system';
import type { Caller, Touched } from '../callers';
import { unansweredCall, type Piece } from '../pieces';
import { reachesTheSame } from './same';
import { inSentences, Side } from './side';
import { datesInWords, spansInWords, STRADDLE_MS, type Span } from '../spans';
import { touchedBetween } from './touched';
import { leftInWords } from '../words';

export interface Difference {
  numberId: string;
  label: string;
  e164: string;
  /** "pressing 1", "on the list Suppliers"; empty for somebody new who presses nothing. */
  caller: string;
  /** "at all hours", "Mon–Fri 08:00–17:00". */
  when: string;
  /** What an unanswered caller gets, or null where the number does not exist. */
  before: string | null;
  after: string | null;
  /** The traces behind the sentences, and a moment at which they hold (epoch milliseconds). */
  at: number;
  beforeTrace: Trace | null;
  afterTrace: Trace | null;
}

/** What is found when two systems are compared. */
export interface Differing {
  found: Difference[];
  /** What was not looked at, in sentences; empty where everything was. */
  left: string[];
}

/** So many days ahead what differs is looked for besides the coming week. */
const DAYS_AHEAD = 366;

/** What changes for unanswered callers in the seven days that begin with the one `moment` (epoch milliseconds) lies in. */
export function differenceOf(before: System, after: System, standing: Standing, moment: number): Differing {
  const week = weekFrom(moment, after.business.timeZone);
  const all = [...between([before, standing], [after, standing], [week])];
  return { found: all.flatMap((one) => one.found[0]!), left: leftIn(all) };
}

/** What changes for callers over a year. */
export interface Differences {
  /** In the seven days that begin with the one of the moment. */
  week: Difference[];
  /** Beyond them: holidays, seasons, turns of a rota. What the week says already is not said again. */
  later: Difference[];
  /** What was not looked at, in sentences. */
  left: string[];
}

/** How far a comparison has come. */
interface Looked {
  /** Numbers that have been looked at, of so many. */
  numbers: number;
  of: number;
}

/** What was found up to some number. */
export type DifferencesSoFar = Looked & Differences;

/**
 * What changes for unanswered callers in the coming year, number by number: each step gives what was found up to there, and
 * the last one all of it. @param moment epoch milliseconds
 */
export function* differing(
  before: System,
  after: System,
  standing: Standing,
  moment: number,
): Generator<DifferencesSoFar, void> {
  const zone = after.business.timeZone;
  const { date } = localTime(zone, moment);
  const week = weekFrom(moment, zone);
  const rest: Period = {
    span: [week.span[1], momentOf(zone, addDays(date, DAYS_AHEAD), 0)],
    inWords: (spans) => datesInWords(spans, zone),
  };
  const key = (d: Difference) => JSON.stringify([d.numberId, d.caller, d.before, d.after]);
  const so: Differences = { week: [], later: [], left: [] };
  for (const { numbers, of, found, left } of between([before, standing], [after, standing], [week, rest])) {
    const said = new Set(found[0]!.map(key));
    so.week.push(...found[0]!);
    so.later.push(...found[1]!.filter((d) => !said.has(key(d))));
    so.left.push(...left.filter((words) => !so.left.includes(words)));
    yield { ...so, numbers, of };
  }
}

/** What changes for unanswered callers in the coming year. @param moment epoch milliseconds */
export function differencesOf(
  before: System,
  after: System,
  standing: Standing,
  moment: number,
): Differences {
  let all: Differences = { week: [], later: [], left: [] };
  for (const { week, later, left } of differing(before, after, standing, moment)) all = { week, later, left };
  return all;
}

/**
 * What a change of standing settings does to unanswered callers in the seven days that begin with the one `moment` lies
 * in: somebody's forwarding, do not disturb, a phone switched off.
 */
export function effectOf(system: System, before: Standing, after: Standing, moment: number): Differing {
  const zone = system.business.timeZone;
  // What is switched now changes nothing of the hours before.
  const span: Span = [moment, weekFrom(moment, zone).span[1]];
  const week: Period = { span, inWords: (spans) => spansInWords(spans, zone, span) };
  const all = [...between([system, before], [system, after], [week])];
  return { found: all.flatMap((one) => one.found[0]!), left: leftIn(all) };
}

/** A stretch of what is compared, and how times in it are told. */
interface Period {
  span: Span;
  inWords: (spans: readonly Span[]) => string;
}

function weekFrom(moment: number, zone: string): Period {
  const { date } = localTime(zone, moment);
  const span: Span = [momentOf(zone, date, 0), momentOf(zone, addDays(date, 7), 0)];
  return { span, inWords: (spans) => spansInWords(spans, zone, span) };
}

/** What differs for one number, by period. */
interface OfNumber extends Looked {
  found: Difference[][];
  left: readonly string[];
}

const leftIn = (all: readonly OfNumber[]): string[] => [...new Set(all.flatMap((one) => one.left))];

/** @param periods one after the other, without gaps */
function* between(
  [documentBefore, standingBefore]: readonly [System, Standing],
  [documentAfter, standingAfter]: readonly [System, Standing],
  periods: readonly Period[],
): Generator<OfNumber, void> {
  const before = withOwn(documentBefore, standingBefore.own);
  const after = withOwn(documentAfter, standingAfter.own);
  const alike = standingBefore === standingAfter || sameSwitches(standingBefore, standingAfter);
  const ids = [...new Set([...Object.keys(before.numbers), ...Object.keys(after.numbers)])];
  const touched = touchedBetween(before, after);
  const known = new Map<string, OfCallers>();
  const span: Span = [periods[0]!.span[0], periods.at(-1)!.span[1]];
  for (const [i, id] of ids.entries()) {
    const [was, is] = [before.numbers[id], after.numbers[id]];
    const looked: Looked = { numbers: i + 1, of: ids.length };
    if (was && is && alike && reachesTheSame(before, was, after, is)) {
      yield { ...looked, found: periods.map(() => []), left: [] };
      continue;
    }
    const number = (is ?? was)!;
    const sides: Sides = [
      new Side(before, standingBefore, was, span),
      new Side(after, standingAfter, is, span),
    ];
    const likeness = sides.map((side) => side.likeness());
    const key = likeness.includes(null) ? id : likeness.join('\n');
    const found = known.get(key);
    const differing = found ? again(found, sides, number) : ofNumber(sides, number, touched, periods);
    if (!found) known.set(key, differing);
    const all = differing.callers;
    yield {
      ...looked,
      found: periods.map((_, p) => all.flatMap(({ found }) => found[p]!)),
      left: [
        ...new Set(
          differing.left.map(
            ({ caller, words }) => `${[number.label, caller].filter(Boolean).join(', ')}: ${words}`,
          ),
        ),
      ],
    };
  }
}

/** Something that was not looked at. */
interface Left {
  /** In words; empty for all of them, and for somebody new who presses nothing. */
  caller: string;
  words: string;
}

/** What differs for the callers of a number. */
interface OfCallers {
  callers: { caller: Caller; found: Difference[][] }[];
  /** What was not looked at, and for which caller. */
  left: readonly Left[];
}

function ofNumber(sides: Sides, number: NumberHeld, touched: Touched, periods: readonly Period[]): OfCallers {
  const both = sides.map((side) => side.callers(touched));
  const callers = new Map(both.flatMap((c) => c?.callers ?? []).map((c) => [c.id, c]));
  const missing = Math.max(...both.map((c) => c?.left ?? 0));
  const left: Left[] = [];
  if (missing)
    left.push({
      caller: '',
      words: `${callers.size} callers were looked at, those an edit touches before others; at least ${missing} more were not.`,
    });
  return {
    callers: [...callers.values()].map((caller) => ({
      caller,
      found: ofCaller(sides, caller, number, periods, left),
    })),
    left,
  };
}

/** What was found for a number, for another whose calls go alike: the sentences may name the number, so they are said anew. */
function again({ callers, left }: OfCallers, sides: Sides, number: NumberHeld): OfCallers {
  const { id: numberId, label, e164 } = number;
  return {
    callers: callers.map(({ caller, found }) => ({
      caller,
      found: found.map((differences) =>
        differences.map((d) => {
          const [a, b] = sides.map((side) => side.at(caller, d.at));
          const [before, after] = inSentences(sides[0], a, sides[1], b);
          const traces = { beforeTrace: a?.trace ?? null, afterTrace: b?.trace ?? null };
          return { ...d, numberId, label, e164, before, after, ...traces };
        }),
      ),
    })),
    left,
  };
}

/** Whether nothing is switched differently that is not part of the systems as people have set them. */
const sameSwitches = (a: Standing, b: Standing): boolean =>
  (['dnd', 'resting', 'blocked', 'overrides', 'logins', 'pauses', 'proved'] as const).every(
    (part) => a[part] === b[part] || JSON.stringify(a[part]) === JSON.stringify(b[part]),
  );

/** The older, and the younger. */
type Sides = readonly [Side, Side];
/** What a caller gets on either side, in sentences; null where it is the same. */
type Verdict = readonly [before: string | null, after: string | null] | null;

/** @returns what differs for a caller, by period */
function ofCaller(
  sides: Sides,
  caller: Caller,
  number: NumberHeld,
  periods: readonly Period[],
  left: Left[],
): Difference[][] {
  const [old, young] = sides;
  const own = [old.of(caller), young.of(caller)];
  // Somebody new who presses nothing is told of first: of the others, only where they get something else than those.
  const usual = caller.id === '' ? [] : [old.of(USUAL), young.of(USUAL)];
  const cuts = new Set(periods.flatMap(({ span }) => span));
  for (const pieces of [...own, ...usual]) for (const p of pieces) cuts.add(p.from).add(p.to);
  const moments = [...cuts].sort((a, b) => a - b);
  const [mine, theirs, mineUsual, theirsUsual] = [...own, ...usual].map(inOrder);
  const verdicts = new Map<string, Verdict>();
  const found = periods.map(() => new Map<Verdict, { spans: Span[]; first: Difference }>());
  const told = new Map<string, Verdict>();
  let period = 0;
  for (const [i, start] of moments.entries()) {
    const end = moments[i + 1];
    if (end === undefined) break;
    while (start >= periods[period]!.span[1]) period++;
    const [a, b] = [mine!(start), theirs!(start)];
    const beside = [mineUsual?.(start), theirsUsual?.(start)] as const;
    const key = `${old.nameOf(a)} ${young.nameOf(b)} ${old.nameOf(beside[0])} ${young.nameOf(beside[1])}`;
    let verdict = verdicts.get(key);
    if (verdict === undefined) {
      const unfollowed = Math.max(a?.left ?? 0, b?.left ?? 0);
      if (unfollowed) left.push({ caller: caller.words, words: leftInWords(unfollowed) });
      const words = verdictOn(sides, a, b, usual.length ? beside : undefined);
      // The same words are told once, however many ways come to them.
      const text = JSON.stringify(words);
      verdict = words && (told.get(text) ?? words);
      told.set(text, verdict);
      verdicts.set(key, verdict);
    }
    if (!verdict) continue;
    const known = found[period]!.get(verdict);
    if (known) {
      const last = known.spans.at(-1)!;
      if (last[1] === start) last[1] = end;
      else known.spans.push([start, end]);
      continue;
    }
    const first: Difference = {
      numberId: number.id,
      label: number.label,
      e164: number.e164,
      caller: caller.words,
      when: '',
      before: verdict[0],
      after: verdict[1],
      at: start,
      beforeTrace: a?.trace ?? null,
      afterTrace: b?.trace ?? null,
    };
    found[period]!.set(verdict, { spans: [[start, end]], first });
  }
  return found.map((of, p) => {
    const told = [...of.values()];
    const long = told.filter(({ spans }) => spans.some(([f, t]) => t - f >= STRADDLE_MS));
    return (long.length ? long : told)
      .map(({ spans, first }) => ({ ...first, when: periods[p]!.inWords(spans) }))
      .filter((d) => d.when !== '');
  });
}

const USUAL = { id: '', callAt: unansweredCall };

/** @param beside what somebody new who presses nothing gets on either side; undefined where the caller is that */
function verdictOn(
  [old, young]: Sides,
  a: Piece | undefined,
  b: Piece | undefined,
  beside: readonly [Piece | undefined, Piece | undefined] | undefined,
): Verdict {
  if (old.noticed(a) === young.noticed(b)) return null;
  if (beside && old.noticed(a, beside[0]) === young.noticed(b, beside[1])) return null;
  return inSentences(old, a, young, b);
}

/** The piece a moment lies in, for moments that are asked in ascending order. */
function inOrder(pieces: readonly Piece[]): (moment: number) => Piece | undefined {
  let i = 0;
  return (moment) => {
    while (i < pieces.length && pieces[i]!.to <= moment) i++;
    const piece = pieces[i];
    return piece && piece.from <= moment ? piece : undefined;
  };
}
