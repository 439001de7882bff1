/** What the coverage board shows over some days: which numbers, and for each of them who is rung first and where calls end. */
import { outcomeOf } from '../../calls';
import { once } from '../../once';
import type { NumberHeld, Standing, System } from '../../system';
import { callersOf, type Caller, type Callers } from '../callers';
import { firstOf, worstEnd, type Glance } from '../first';
import { piecesOf, type Piece } from '../pieces';
import { waysInWords } from '../words';
import { secondsUntilRung, secondsUntilVoicemail } from './reach';

export interface Filter {
  numberId: string;
  siteId: string;
  personId: string;
  /** Who calls: see `callersOf`. */
  callerId: string;
}
export const NO_FILTER: Filter = { numberId: '', siteId: '', personId: '', callerId: '' };

/** A piece as it is shown. */
export interface Shown {
  /** Epoch milliseconds; `to` is not part of it. */
  from: number;
  to: number;
  kind: Glance;
  label: string;
  /** The worst that can come of it. */
  end: Glance;
  words: string;
  /** Seconds until the person looked for is rung; null where they are not. Undefined where nobody is looked for. */
  rungAfter: number | null | undefined;
  /** Who is rung first, whoever is looked for. */
  first: string;
  /** Seconds until voicemail; null where a call comes to none. */
  voicemailAfter: number | null;
  /** How the call ends, as a spreadsheet has it; empty where it does not. */
  ends: string;
}
/** The numbers of a board, and what their calls get. */
export interface Row {
  number: NumberHeld;
  pieces: Shown[];
}

/** A piece at a glance: with a person looked for, when they are rung. */
export function glanceOf(
  piece: Piece,
  system: System,
  personId: string,
): Pick<Shown, 'kind' | 'label' | 'rungAfter'> {
  if (!personId) return { ...firstOf(piece, system), rungAfter: undefined };
  const seconds = piece.ways.flatMap((way) => secondsUntilRung(way, personId) ?? []);
  const rungAfter = seconds.length ? Math.min(...seconds) : null;
  if (rungAfter === null) return { kind: 'ended', label: '', rungAfter };
  const label = rungAfter ? `after ${rungAfter} s` : 'at once';
  const always = seconds.length === piece.ways.length && new Set(seconds).size === 1;
  return { kind: 'person', label: always ? label : `${label} at best`, rungAfter };
}

/** What pieces in which calls go the same ways have in common. */
function shownOf(piece: Piece, system: System, personId: string): Omit<Shown, 'from' | 'to'> {
  return {
    ...glanceOf(piece, system, personId),
    end: worstEnd(piece),
    words: waysInWords(piece, system),
    first: firstOf(piece, system).label,
    voicemailAfter: secondsUntilVoicemail(piece.trace),
    ends: outcomeOf(piece.trace)?.outcome.kind ?? '',
  };
}

const plans = once((_: System) => new Map<string | null, Callers>());
/** Everybody who calls a number: whom its plan, the people and the business treat in a way of their own. */
function callersTo(system: System, number: NumberHeld): Callers {
  const known = plans(system);
  let found = known.get(number.planId);
  if (!found) known.set(number.planId, (found = callersOf(system, number)));
  return found;
}

/** Everybody who calls the numbers shown and is treated in a way of their own, each once. */
export function callersFor(system: System, filter: Filter): Callers {
  const all = numbersFor(system, { ...filter, callerId: '' }).map((n) => callersTo(system, n));
  const callers = new Map<string, Caller>(all.flatMap((c) => c.callers).map((c) => [c.id, c]));
  return { callers: [...callers.values()], left: all.reduce((sum, c) => sum + c.left, 0) };
}

/** The caller a filter asks for, as one of those who call a number; undefined where nobody does so. */
export const callerOn = (system: System, number: NumberHeld, { callerId }: Filter): Caller | undefined =>
  callersTo(system, number).callers.find((c) => c.id === callerId);

/** The numbers a filter leaves. With somebody looked for, only numbers whose calls can ring them. */
export const numbersFor = (system: System, filter: Filter): NumberHeld[] =>
  Object.values(system.numbers).filter(
    (n) =>
      (!filter.numberId || n.id === filter.numberId) &&
      (!filter.siteId || n.siteId === filter.siteId) &&
      (!filter.callerId || callerOn(system, n, filter)),
  );

/** @param from @param to epoch milliseconds @param system as people have set it */
export function rowsOf(system: System, standing: Standing, filter: Filter, from: number, to: number): Row[] {
  return numbersFor(system, filter)
    .map((number): Row => {
      const pieces = piecesOf(system, standing, number, from, to, callerOn(system, number, filter)?.callAt);
      const known = new Map<Piece['ways'], Omit<Shown, 'from' | 'to'>>();
      return {
        number,
        pieces: pieces.map((piece) => {
          let shown = known.get(piece.ways);
          if (!shown) known.set(piece.ways, (shown = shownOf(piece, system, filter.personId)));
          return { from: piece.from, to: piece.to, ...shown };
        }),
      };
    })
    .filter((row) => !filter.personId || row.pieces.some((p) => p.rungAfter != null));
}

/** Rows for a spreadsheet, the first with the names of the columns. @param written a moment as it is to be read */
export const tableOf = (rows: readonly Row[], written: (at: number) => string): string[][] => [
  ['number', 'label', 'from', 'to', 'rung first', 'seconds until voicemail', 'ends', 'what happens'],
  ...rows.flatMap(({ number, pieces }) =>
    pieces.map((p) => [
      number.e164,
      number.label,
      written(p.from),
      written(p.to),
      p.first,
      String(p.voicemailAfter ?? ''),
      p.ends,
      p.words,
    ]),
  ),
];
