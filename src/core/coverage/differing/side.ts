/** One of two systems that are compared, as the callers of a number meet it. */
import { noticed, type Noticed, type Trace } from '../../calls';
import { asPaired, type NumberHeld, type Standing, type System } from '../../system';
import { likenessOf } from '../alike';
import { callersOf, type Caller, type Callers, type Touched } from '../callers';
import { piecesOf, type Piece } from '../pieces';
import type { Span } from '../spans';
import { waysOf } from '../ways';
import { waysInWords } from '../words';

export class Side {
  private pieces = new Map<string, readonly Piece[]>();
  private lists = new Map<Trace, Noticed[]>();
  private texts = new Map<readonly Trace[], Map<readonly unknown[], string>>();
  private named = new Map<readonly Trace[], number>();
  /** @param number undefined where the system has no such number @param span what is compared, epoch milliseconds */
  constructor(
    readonly system: System,
    private standing: Standing,
    private number: NumberHeld | undefined,
    private span: Span,
  ) {}

  /** The same text where the callers of two numbers get the same; null where it is not known that they do. */
  likeness(): string | null {
    return this.number ? likenessOf(this.system, this.standing, this.number) : 'no number';
  }

  /** Those who call the number; undefined where there is none. */
  callers(touched: Touched): Callers | undefined {
    return this.number && callersOf(this.system, this.number, touched);
  }

  of({ id, callAt }: Pick<Caller, 'id' | 'callAt'>): readonly Piece[] {
    let found = this.pieces.get(id);
    if (!found) {
      found = this.number ? piecesOf(this.system, this.standing, this.number, ...this.span, callAt) : [];
      this.pieces.set(id, found);
    }
    return found;
  }

  /** What a caller gets at one moment. */
  at({ callAt }: Pick<Caller, 'callAt'>, moment: number): Piece | undefined {
    if (!this.number) return undefined;
    const { traces, left } = waysOf(this.system, asPaired(this.standing), callAt(this.number, moment));
    return { from: moment, to: moment, trace: traces[0]!, ways: traces, left };
  }

  /** The same number for pieces in which calls go the same ways; 0 where there is none. A year has hundreds of them. */
  nameOf(piece: Piece | undefined): number {
    if (!piece) return 0;
    let name = this.named.get(piece.ways);
    if (name === undefined) this.named.set(piece.ways, (name = this.named.size + 1));
    return name;
  }

  /**
   * What is noticed of the calls of a piece, every way. Given what is noticed of somebody new at that time, only from
   * where the call parts from theirs, counted from there: what comes before is told with theirs.
   */
  noticed(piece: Piece | undefined, usual?: Piece): string {
    if (!piece) return '';
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

/** What a caller gets on either side; where the sentences differ in times at most, with the first thing that is another. */
export function inSentences(
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
