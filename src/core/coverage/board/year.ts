/** A year of numbers, day by day: how much of each day every kind of answer has. */
import { momentOfDay } from '../../hours';
import type { NumberHeld, Standing, System } from '../../system';
import { likenessOf } from '../alike';
import { worstEnd, type Glance } from '../first';
import { piecesOf, type Piece } from '../pieces';
import { callerOn, glanceOf, numbersFor, type Filter } from './lanes';

export interface Day {
  /** Share of the day by kind, 0 to 1, in the order in which they are drawn. */
  parts: { kind: Glance; share: number }[];
  /** For more than a few minutes of it nobody answers and no mailbox does. */
  bad: boolean;
}
export interface Year {
  number: NumberHeld;
  days: Day[];
}

/** The kinds of answer, the best first. */
export const GLANCES: readonly Glance[] = ['person', 'group', 'outside', 'message', 'ended', 'nobody'];
/** Less than this is the length of one call around a change of hours. */
const BAD_MS = 300_000;

/**
 * Year after year of the numbers a filter leaves.
 * @param first the first day, as `localTime` counts them @param count so many days are wanted
 * @param system as people have set it
 */
export function* yearsOf(
  system: System,
  standing: Standing,
  filter: Filter,
  first: number,
  count: number,
): Generator<Year, void> {
  const zone = system.business.timeZone;
  const midnights = Array.from({ length: count + 1 }, (_, i) => momentOfDay(zone, first + i, 0));
  /** Of numbers whose calls go alike. */
  const known = new Map<string, Day[]>();
  for (const number of numbersFor(system, filter)) {
    const likeness = likenessOf(system, standing, number) ?? ` ${number.id}`;
    let days = known.get(likeness);
    if (!days) {
      const callAt = callerOn(system, number, filter)?.callAt;
      const pieces = piecesOf(system, standing, number, midnights[0]!, midnights[count]!, callAt);
      days = daysOf(pieces, midnights, (piece) => glanceOf(piece, system, filter.personId).kind);
      known.set(likeness, days);
    }
    yield { number, days };
  }
}

function daysOf(
  pieces: readonly Piece[],
  midnights: readonly number[],
  kindOf: (piece: Piece) => Glance,
): Day[] {
  const known = new Map<Piece['ways'], { kind: Glance; bad: boolean }>();
  let at = 0;
  return midnights.slice(0, -1).map((from, i) => {
    const to = midnights[i + 1]!;
    const sums = new Map<Glance, number>();
    let bad = false;
    while (pieces[at] && pieces[at]!.to <= from) at++;
    for (let j = at; pieces[j] && pieces[j]!.from < to; j++) {
      const piece = pieces[j]!;
      let way = known.get(piece.ways);
      if (!way) known.set(piece.ways, (way = { kind: kindOf(piece), bad: worstEnd(piece) === 'nobody' }));
      const ms = Math.min(to, piece.to) - Math.max(from, piece.from);
      sums.set(way.kind, (sums.get(way.kind) ?? 0) + ms);
      bad ||= way.bad && ms > BAD_MS;
    }
    const parts = GLANCES.flatMap((kind) => {
      const ms = sums.get(kind);
      return ms ? [{ kind, share: ms / (to - from) }] : [];
    });
    return { parts, bad };
  });
}
