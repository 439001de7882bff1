/** The difference two systems make to callers, as sentences. */
import { noticed, type Noticed, type Trace } from '../calls';
import { addDays, localTime, momentOf } from '../hours';
import { withOwn, type NumberHeld, type Standing, type System } from '../system';
import { callersOf, type Caller } from './callers';
import { piecesOf, unansweredCall, type Piece } from './pieces';
import { reachesTheSame } from './same';
import { datesInWords, spansInWords, STRADDLE_MS, type Span } from './spans';
import { touchedBetween } from './touched';
import { leftInWords, waysInWords } from './words';

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
  const zone = after.business.timeZone;
  const { date } = localTime(zone, moment);
  const week: Span = [momentOf(zone, date, 0), momentOf(zone, addDays(date, 7), 0)];
  return between([before, standing], [after, standing], week, (spans) => spansInWords(spans, zone, week));
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

/** What changes for unanswered callers in the coming year. @param moment epoch milliseconds */
export function differencesOf(
  before: System,
  after: System,
  standing: Standing,
  moment: number,
): Differences {
  const zone = after.business.timeZone;
  const { date } = localTime(zone, moment);
  const from = momentOf(zone, addDays(date, 7), 0);
  const rest: Span = [from, momentOf(zone, addDays(date, DAYS_AHEAD), 0)];
  const key = (d: Difference) => JSON.stringify([d.numberId, d.caller, d.before, d.after]);
  const week = differenceOf(before, after, standing, moment);
  const said = new Set(week.found.map(key));
  const all = between([before, standing], [after, standing], rest, (spans) => datesInWords(spans, zone));
  return {
    week: week.found,
    later: all.found.filter((d) => !said.has(key(d))),
    left: [...new Set([...week.left, ...all.left])],
  };
}

type InWords = (spans: readonly Span[]) => string;

/**
 * What a change of standing settings does to unanswered callers in the seven days that begin with the one `moment` lies
 * in: somebody's forwarding, do not disturb, a phone switched off.
 */
export function effectOf(system: System, before: Standing, after: Standing, moment: number): Differing {
  const zone = system.business.timeZone;
  const { date } = localTime(zone, moment);
  const week: Span = [Math.max(moment, momentOf(zone, date, 0)), momentOf(zone, addDays(date, 7), 0)];
  return between([system, before], [system, after], week, (spans) => spansInWords(spans, zone, week));
}

function between(
  [documentBefore, standingBefore]: readonly [System, Standing],
  [documentAfter, standingAfter]: readonly [System, Standing],
  span: Span,
  inWords: InWords,
): Differing {
  const before = withOwn(documentBefore, standingBefore.own);
  const after = withOwn(documentAfter, standingAfter.own);
  const alike = standingBefore === standingAfter || sameSwitches(standingBefore, standingAfter);
  const ids = [...new Set([...Object.keys(before.numbers), ...Object.keys(after.numbers)])];
  const touched = touchedBetween(before, after);
  const left = new Set<string>();
  const found = ids.flatMap((id) => {
    const [was, is] = [before.numbers[id], after.numbers[id]];
    if (was && is && alike && reachesTheSame(before, was, after, is)) return [];
    const both = [was && callersOf(before, was, touched), is && callersOf(after, is, touched)];
    const callers = new Map(both.flatMap((c) => c?.callers ?? []).map((c) => [c.id, c]));
    const missing = Math.max(...both.map((c) => c?.left ?? 0));
    if (missing)
      left.add(
        `${(is ?? was)!.label}: ${callers.size} callers were looked at, those an edit touches before others; at least ${missing} more were not.`,
      );
    const sides = [
      new Side(before, standingBefore, was, span),
      new Side(after, standingAfter, is, span),
    ] as const;
    return [...callers.values()].flatMap((caller) => ofCaller(sides, caller, (is ?? was)!, inWords, left));
  });
  return { found, left: [...left] };
}

/** Whether nothing is switched differently that is not part of the systems as people have set them. */
const sameSwitches = (a: Standing, b: Standing): boolean =>
  (['dnd', 'resting', 'blocked', 'overrides', 'logins', 'pauses', 'proved'] as const).every(
    (part) => a[part] === b[part] || JSON.stringify(a[part]) === JSON.stringify(b[part]),
  );

/** One of the two systems, as the callers of a number meet it. */
class Side {
  private pieces = new Map<string, Piece[]>();
  private lists = new Map<Trace, Noticed[]>();
  private texts = new Map<readonly Trace[], Map<readonly unknown[], string>>();
  constructor(
    readonly system: System,
    private standing: Standing,
    private number: NumberHeld | undefined,
    private span: Span,
  ) {}

  of({ id, callAt }: Pick<Caller, 'id' | 'callAt'>): Piece[] {
    let found = this.pieces.get(id);
    if (!found) {
      found = this.number ? piecesOf(this.system, this.standing, this.number, ...this.span, callAt) : [];
      this.pieces.set(id, found);
    }
    return found;
  }

  /**
   * What is noticed of the calls of a piece, every way. Given what is noticed of somebody new at that time, only from
   * where the call parts from theirs, counted from there: what comes before is told with theirs.
   */
  noticed(piece: Piece | undefined, usual?: Piece): string {
    if (!piece) return '';
    // Pieces in which calls go the same ways share them: a year has hundreds.
    const beside = usual?.trace ?? piece.ways;
    let known = this.texts.get(piece.ways);
    if (!known) this.texts.set(piece.ways, (known = new Map()));
    let text = known.get(beside);
    if (text === undefined) known.set(beside, (text = this.written(piece, usual)));
    return text;
  }

  private written(piece: Piece, usual: Piece | undefined): string {
    const theirs = usual && this.list(usual.trace);
    const ways = piece.ways.map((way) => {
      const own = this.list(way);
      const parts = theirs ? own.findIndex((n, i) => !alike(n, theirs[i])) : 0;
      if (parts < 0) return '';
      const from = theirs ? own[parts]!.t : 0;
      return JSON.stringify(own.slice(parts).map((n) => [n.t - from, n.what]));
    });
    return ways.sort().join();
  }

  list(trace: Trace): Noticed[] {
    let found = this.lists.get(trace);
    if (!found) this.lists.set(trace, (found = noticed(trace, this.system)));
    return found;
  }
}

const alike = (a: Noticed | undefined, b: Noticed | undefined): boolean =>
  a?.t === b?.t && a?.what === b?.what;

function ofCaller(
  [old, young]: readonly [Side, Side],
  caller: Caller,
  number: NumberHeld,
  inWords: InWords,
  left: Set<string>,
): Difference[] {
  const [mine, theirs] = [old.of(caller), young.of(caller)];
  const isUsual = caller.id === '';
  const usual = isUsual ? undefined : ([old.of(USUAL), young.of(USUAL)] as const);
  const all = [mine, theirs, ...(usual ?? [])].flat();
  const cuts = [...new Set(all.flatMap((p) => [p.from, p.to]))].sort((a, b) => a - b);
  const found = new Map<string, { spans: Span[]; first: Difference }>();
  for (const [i, start] of cuts.entries()) {
    const end = cuts[i + 1];
    if (end === undefined) continue;
    const [a, b] = [at(mine, start), at(theirs, start)];
    const unfollowed = Math.max(a?.left ?? 0, b?.left ?? 0);
    if (unfollowed)
      left.add(`${[number.label, caller.words].filter(Boolean).join(', ')}: ${leftInWords(unfollowed)}`);
    if (old.noticed(a) === young.noticed(b)) continue;
    if (usual && old.noticed(a, at(usual[0], start)) === young.noticed(b, at(usual[1], start))) continue;
    const words = inSentences(old, a, young, b);
    const key = JSON.stringify(words);
    const known = found.get(key);
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
      before: words[0],
      after: words[1],
      at: start,
      beforeTrace: a?.trace ?? null,
      afterTrace: b?.trace ?? null,
    };
    found.set(key, { spans: [[start, end]], first });
  }
  const told = [...found.values()];
  const long = told.filter(({ spans }) => spans.some(([f, t]) => t - f >= STRADDLE_MS));
  return (long.length ? long : told)
    .map(({ spans, first }) => ({ ...first, when: inWords(spans) }))
    .filter((d) => d.when !== '');
}

const USUAL = { id: '', callAt: unansweredCall };

/** What a caller gets on either side; where the sentences differ in times at most, with the first thing that is another. */
function inSentences(
  old: Side,
  a: Piece | undefined,
  young: Side,
  b: Piece | undefined,
): [string | null, string | null] {
  const was = a ? waysInWords(a, old.system) : null;
  const is = b ? waysInWords(b, young.system) : null;
  if (!a || !b || withoutTimes(was!) !== withoutTimes(is!)) return [was, is];
  for (const [i, way] of a.ways.entries()) {
    const [mine, theirs] = [old.list(way), b.ways[i] ? young.list(b.ways[i]) : []];
    const n = mine.findIndex((x, j) => x.what !== theirs[j]?.what);
    if (n >= 0 || theirs.length > mine.length) {
      const at = n < 0 ? mine.length : n;
      return [withDetail(was!, mine[at]), withDetail(is!, theirs[at])];
    }
  }
  if (was !== is) return [was, is];
  // Alike but for when something happens that the sentence does not tell.
  const [mine, theirs] = [old.list(a.trace), young.list(b.trace)];
  const n = mine.findIndex((x, j) => !alike(x, theirs[j]));
  return [withDetail(was!, mine[n]), withDetail(is!, theirs[n])];
}

const withoutTimes = (words: string): string => words.replace(/\d+(\.\d+)? s\b/g, '');

const withDetail = (words: string, n: Noticed | undefined): string =>
  n ? `${words} At ${Math.round(n.t / 100) / 10} s: ${n.words}.` : words;

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
