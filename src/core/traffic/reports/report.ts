/** What a report is made of, whatever it asks; and the calls behind each figure. */
import { rowKey, type Row } from '../../story';
import type { Rates, System } from '../../system';
import type { Measure, Unit } from '../definitions';
import type { Figure } from '../figures';
import type { Judged, Rules } from '../judged';
import type { Span } from '../span';

export const QUESTIONS = [
  'how many',
  'missed',
  'waits',
  'who',
  'earns its place',
  'too few',
  'cost',
  'wants',
] as const;
export type ReportId = (typeof QUESTIONS)[number];

export interface Cell {
  value: number | null;
  unit: Unit;
  key: string | null;
}
export interface TableRow {
  name: string;
  cells: Cell[];
}
export interface Table {
  title: string;
  /** Of the first column. */
  of: string;
  heads: string[];
  rows: TableRow[];
  /** So many more rows are not shown. */
  more?: number;
  /** Said where there is no row. */
  none: string;
}
/** Hours of the week, Monday first: a value for each, null where there is none to say. */
export interface WeekMap {
  title: string;
  unit: Unit;
  values: (number | null)[];
  keys: (string | null)[];
}
export interface Series {
  name: string;
  values: (number | null)[];
  keys: (string | null)[];
}
export interface Chart {
  title: string;
  kind: 'lines' | 'bars';
  /** Bars lie on each other. */
  stacked: boolean;
  unit: Unit;
  labels: string[];
  series: Series[];
}
export interface Report {
  id: ReportId;
  figures: Figure[];
  chart: Chart | null;
  week: WeekMap | null;
  tables: Table[];
  /** What its figures say together, in words. */
  says?: string[];
  /** What is left out or cut short, in words. */
  left: string[];
}

/** What a report is worked out of. */
export interface Asked {
  /** From outside, over the span and narrowed. */
  calls: readonly Judged[];
  /** To outside and among ourselves, over the span and narrowed. */
  others: readonly Row[];
  span: Span;
  zone: string;
  system: System;
  rules: Rules;
  rates: Rates;
  /** What settled a call in vain, epoch milliseconds; undefined where nothing has. */
  settledAt(row: Row): number | undefined;
  /** Whether its number called again within so many days. */
  callsAgain(row: Row, days: number): boolean;
  /** The last moment the log knows of. */
  now: number;
  bins: Bins;
}

/** The calls behind figures. */
export class Bins {
  private rows = new Map<string, Row[]>();

  /** @returns the key, or null where nothing is behind it */
  of(key: string, rows: Iterable<Row>): string | null {
    const own = [...rows];
    const known = this.rows.get(key);
    if (known) this.rows.set(key, [...known, ...own]);
    else if (own.length) this.rows.set(key, own);
    return this.rows.has(key) ? key : null;
  }
  /** Each once, the newest first. */
  get(key: string): Row[] {
    const known = new Map((this.rows.get(key) ?? []).map((row) => [rowKey(row), row]));
    return [...known.values()].sort((a, b) => b.at - a.at);
  }
}

const rowsOf = (calls: readonly Judged[]): Row[] => calls.map((c) => c.row);
export const cell = (value: number | null, unit: Unit, key: string | null = null): Cell => ({
  value,
  unit,
  key,
});
/** A count of calls that leads to them. */
export const counted = (bins: Bins, key: string, calls: readonly Judged[]): Cell =>
  cell(calls.length, 'calls', bins.of(key, rowsOf(calls)));
/** A figure that counts calls. */
export const countFigure = (bins: Bins, measure: Measure, calls: readonly Judged[]): Figure => ({
  measure,
  value: calls.length,
  key: bins.of(measure, rowsOf(calls)),
});
/** A figure that is worked out of calls. */
export const figure = (measure: Measure, value: number | null, key: string | null = null): Figure => ({
  measure,
  value,
  key,
});
