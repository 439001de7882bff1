/** The whole log in memory, by days: what answers questions, whatever its length. It belongs into a worker. */
import { bisectRight } from 'd3-array';
import type { System } from '../../system';
import { digitsIn, tester, wordsIn, type Question } from '../question';
import { settledBy, settlingOf, type Settled, type Settling } from '../settled';
import { Day } from './day';
import { rowKey, type Row } from './rows';

const DAY_MS = 86_400_000;
/** The day in UTC that a moment lies in, counted from 1970: what rows are stored by. @param at epoch milliseconds */
export const dayOf = (at: number): number => Math.floor(at / DAY_MS);

/** What there is with a number. */
interface OfNumber {
  rows: Row[];
  /** The first moment. */
  at: number;
  /** When it called, in order; made when it is first asked for. */
  called?: number[];
}

export class Log {
  private days = new Map<number, Day>();
  private known = new Map<string, Row>();
  /** The newest day first; null where a day came. */
  private order: number[] | null = null;
  /** By number; null after a change. */
  private numbers: Map<string, OfNumber> | null = null;
  private settlingNow: Settling | null = null;
  /** Days that differ from what is stored of them. */
  readonly dirty = new Set<number>();

  /** How many entries there are. */
  get size(): number {
    return this.known.size;
  }
  has(key: string): boolean {
    return this.known.has(key);
  }
  row(key: string): Row | undefined {
    return this.known.get(key);
  }

  /** A row comes, or takes the place of the one of its kind and id. */
  put(row: Row): void {
    const key = rowKey(row);
    const before = this.known.get(key);
    if (before && dayOf(before.at) !== dayOf(row.at)) this.drop(key);
    this.known.set(key, row);
    this.day(dayOf(row.at)).put(row);
    this.changed(dayOf(row.at));
  }
  /** A day as it was stored, which has not been there before. */
  fill(day: number, rows: readonly Row[]): void {
    for (const row of rows) this.known.set(rowKey(row), row);
    this.day(day).fill(rows);
    this.numbers = this.settlingNow = null;
  }
  drop(key: string): void {
    const row = this.known.get(key);
    if (!row) return;
    this.known.delete(key);
    this.days.get(dayOf(row.at))?.drop(key);
    this.changed(dayOf(row.at));
  }
  clear(): void {
    this.days.clear();
    this.known.clear();
    this.dirty.clear();
    this.order = this.numbers = this.settlingNow = null;
  }
  private changed(day: number): void {
    this.dirty.add(day);
    this.numbers = this.settlingNow = null;
  }
  private day(n: number): Day {
    let day = this.days.get(n);
    if (!day) {
      this.days.set(n, (day = new Day()));
      this.order = null;
    }
    return day;
  }

  /** The rows of a day as they are stored, the newest first. */
  rowsOf(day: number): readonly Row[] {
    return this.days.get(day)?.order() ?? [];
  }
  /** All of them, the newest first. */
  *rows(): Generator<Row> {
    for (const n of this.newestFirst()) yield* this.rowsOf(n);
  }
  private newestFirst(): readonly number[] {
    return (this.order ??= [...this.days.keys()].sort((a, b) => b - a));
  }

  /** Those from one moment up to another, epoch milliseconds. */
  *between(from: number, to: number): Generator<Row> {
    for (const n of this.newestFirst())
      if (n >= dayOf(from) && n <= dayOf(to))
        for (const row of this.rowsOf(n)) if (row.at >= from && row.at < to) yield row;
  }

  /** What has settled calls in vain. */
  get settling(): Settling {
    return (this.settlingNow ??= settlingOf(this.known.values()));
  }
  settledBy(row: Row): Settled | undefined {
    return settledBy(row, this.settling);
  }

  /** The first moment a number stood in the log, epoch milliseconds. @param number E.164 */
  firstOf(number: string): number | undefined {
    return this.byNumber().get(number)?.at;
  }
  /** When a number called next after a moment; undefined where it did not. @param number E.164 */
  calledAfter(number: string, at: number): number | undefined {
    const own = this.byNumber().get(number);
    if (!own) return undefined;
    own.called ??= own.rows
      .flatMap((r) => (r.kind === 'call' && r.facts.way === 'in' ? [r.at] : []))
      .sort((a, b) => a - b);
    return own.called[bisectRight(own.called, at)];
  }
  private byNumber(): Map<string, OfNumber> {
    if (this.numbers) return this.numbers;
    this.numbers = new Map();
    for (const row of this.known.values()) {
      const { other } = row.facts;
      if (other === null) continue;
      const all = this.numbers.get(other);
      if (all) {
        all.rows.push(row);
        all.at = Math.min(all.at, row.at);
      } else this.numbers.set(other, { rows: [row], at: row.at });
    }
    return this.numbers;
  }

  /** Everything with a number, in no order. @param number E.164 */
  of(number: string): readonly Row[] {
    return this.byNumber().get(number)?.rows ?? [];
  }
  /** Everything with some numbers, the newest first. @param numbers E.164 */
  with(numbers: readonly string[]): Row[] {
    const known = this.byNumber();
    const all = [...new Set(numbers)].flatMap((n) => known.get(n)?.rows ?? []);
    return all.sort((a, b) => b.at - a.at);
  }

  /**
   * Looks for what a question asks, from the newest day on. Gives what a day has, also where it is nothing: whoever asks may stop
   * or do something else in between.
   * @param system what people, contacts and lines are called
   * @param day the moments a day begins and the one after it does, epoch milliseconds
   */
  *find(
    question: Question,
    system: System,
    day: (iso: string) => readonly [from: number, to: number],
  ): Generator<Row[], void> {
    const words = wordsIn(question);
    const digits = digitsIn(question.text);
    const passes = tester(question, this.settling, day, system);
    const from = question.from ? dayOf(day(question.from)[0]) : -Infinity;
    const to = question.to ? dayOf(day(question.to)[1]) : Infinity;
    for (const n of this.newestFirst()) {
      if (n < from || n > to) continue;
      const there = this.days.get(n)!;
      const marks = there.having(words, digits, system);
      yield there.order().filter((row, i) => (!marks || marks[i] === 1) && passes(row));
    }
  }
}
