/** What the coverage board shows: which numbers, over which time. */
import {
  callersOf,
  firstOf,
  piecesOf,
  secondsUntilRung,
  waysInWords,
  worstEnd,
  type Caller,
  type Callers,
  type Glance,
  type Piece,
} from '$core/coverage';
import type { NumberHeld, Standing, System } from '$core/system';

export interface Filter {
  numberId: string;
  siteId: string;
  personId: string;
  /** Who calls: see `callersOf`. */
  callerId: string;
}
export const NO_FILTER: Filter = { numberId: '', siteId: '', personId: '', callerId: '' };

export interface Shown extends Piece {
  kind: Glance;
  label: string;
  end: Glance;
  words: string;
  /** Seconds until the person looked for is rung; null where they are not. Undefined where nobody is looked for. */
  rungAfter: number | null | undefined;
}
export interface Row {
  number: NumberHeld;
  pieces: Shown[];
}

/** A piece as it is shown: with the person looked for, when they are rung. */
export function shownPiece(piece: Piece, system: System, personId: string): Shown {
  const words = waysInWords(piece, system);
  const base = { ...piece, ...firstOf(piece, system), end: worstEnd(piece), words };
  if (!personId) return { ...base, rungAfter: undefined };
  const seconds = piece.ways.flatMap((way) => secondsUntilRung(way, personId) ?? []);
  const rungAfter = seconds.length ? Math.min(...seconds) : null;
  if (rungAfter === null) return { ...base, kind: 'ended', label: '', rungAfter };
  const label = rungAfter ? `after ${rungAfter} s` : 'at once';
  const always = seconds.length === piece.ways.length && new Set(seconds).size === 1;
  return { ...base, kind: 'person', label: always ? label : `${label} at best`, rungAfter };
}

/** Everybody who calls the numbers shown and is treated in a way of their own, each once. */
export function callersFor(system: System, filter: Filter): Callers {
  const all = numbersFor(system, { ...filter, callerId: '' }).map((n) => callersOf(system, n));
  const callers = new Map<string, Caller>(all.flatMap((c) => c.callers).map((c) => [c.id, c]));
  return { callers: [...callers.values()], left: all.reduce((sum, c) => sum + c.left, 0) };
}

/** The numbers a filter leaves. With somebody looked for, only numbers whose calls can ring them. */
export const numbersFor = (system: System, filter: Filter): NumberHeld[] =>
  Object.values(system.numbers).filter(
    (n) =>
      (!filter.numberId || n.id === filter.numberId) &&
      (!filter.siteId || n.siteId === filter.siteId) &&
      (!filter.callerId || callersOf(system, n).callers.some((c) => c.id === filter.callerId)),
  );

export function rowsOf(system: System, standing: Standing, filter: Filter, from: number, to: number): Row[] {
  return numbersFor(system, filter)
    .map((number) => {
      const caller = callersOf(system, number).callers.find((c) => c.id === filter.callerId);
      const pieces = piecesOf(system, standing, number, from, to, caller?.callAt);
      return { number, pieces: pieces.map((p) => shownPiece(p, system, filter.personId)) };
    })
    .filter((row) => !filter.personId || row.pieces.some((p) => p.rungAfter != null));
}
