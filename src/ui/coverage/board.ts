/** What the coverage board shows: which numbers, over which time. */
import { endsWell, firstRung, piecesOf, secondsUntilRung, type Glance, type Piece } from '$core/coverage';
import { sentence } from '$core/calls';
import type { NumberHeld, Standing, System } from '$core/system';

export interface Filter {
  numberId: string;
  siteId: string;
  personId: string;
}
export const NO_FILTER: Filter = { numberId: '', siteId: '', personId: '' };

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
  const words = sentence(piece.trace, system);
  const base = { ...piece, ...firstRung(piece.trace, system), end: endsWell(piece.trace), words };
  if (!personId) return { ...base, rungAfter: undefined };
  const rungAfter = secondsUntilRung(piece.trace, personId);
  return rungAfter === null
    ? { ...base, kind: 'ended', label: '', rungAfter }
    : { ...base, kind: 'person', label: rungAfter ? `after ${rungAfter} s` : 'at once', rungAfter };
}

/** The numbers a filter leaves. With somebody looked for, only numbers whose calls can ring them. */
export const numbersFor = (system: System, filter: Filter): NumberHeld[] =>
  Object.values(system.numbers).filter(
    (n) => (!filter.numberId || n.id === filter.numberId) && (!filter.siteId || n.siteId === filter.siteId),
  );

export function rowsOf(system: System, standing: Standing, filter: Filter, from: number, to: number): Row[] {
  return numbersFor(system, filter)
    .map((number) => ({
      number,
      pieces: piecesOf(system, standing, number, from, to).map((p) => shownPiece(p, system, filter.personId)),
    }))
    .filter((row) => !filter.personId || row.pieces.some((p) => p.rungAfter != null));
}
