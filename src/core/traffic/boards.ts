/** Boards of one's own: figures that somebody wants to see together, and have mailed on Mondays. */
import { z } from 'zod';
import { addDays, dayNumber, localTime, weekdayOf } from '../hours';
import { Id } from '../system';
import { MEASURES } from './definitions';
import { EVERYTHING, type Filter } from './judged';
import { NAMED_SPANS } from './named-spans';
import { QUESTIONS } from './reports/report';

/** What of a report a tile shows. */
export const SHOWS = ['figure', 'chart', 'week', 'table'] as const;

export const Tile = z.object({
  id: Id,
  of: z.enum(QUESTIONS),
  show: z.enum(SHOWS),
  /** Of a figure. */
  measure: z.enum(MEASURES).nullable(),
  span: z.enum(NAMED_SPANS),
  /** Of one line; '' is all of them. */
  numberId: z.union([Id, z.literal('')]),
});
export type Tile = z.infer<typeof Tile>;

/** More tiles nobody takes in. */
export const MOST_TILES = 24;
export const MOST_BOARDS = 20;

export const Board = z.object({
  id: Id,
  name: z.string().trim().min(1, 'Give it a name.').max(60),
  tiles: z.array(Tile).max(MOST_TILES),
  /** Addresses it is mailed to on Mondays; none is nobody. */
  mailTo: z.array(z.email('That is no address.').max(200)).max(20),
  /** The Monday it was mailed for last, ISO; null where it never was. */
  mailed: z.iso.date().nullable(),
});
export type Board = z.infer<typeof Board>;
export const Boards = z.array(Board).max(MOST_BOARDS);
export type Boards = z.infer<typeof Boards>;

export const filterOf = ({ numberId }: Pick<Tile, 'numberId'>): Filter => ({ ...EVERYTHING, numberId });

/** On Mondays from this hour on. */
const MAIL_HOUR = 7;
/**
 * The Monday a board is to be mailed for now: this week's, from seven on, where it was not yet.
 * @param now epoch milliseconds @returns ISO date, or null
 */
export function mailDue(board: Board, zone: string, now: number): string | null {
  if (!board.mailTo.length || !board.tiles.length) return null;
  const { date, day, minute } = localTime(zone, now);
  const monday = addDays(date, 1 - weekdayOf(dayNumber(date)));
  if (day === 1 && minute < MAIL_HOUR * 60) return null;
  return board.mailed !== null && board.mailed >= monday ? null : monday;
}

/** A tile moves to another place. @param to counts from 0 */
export function movedTile(tiles: readonly Tile[], id: string, to: number): Tile[] {
  const from = tiles.findIndex((t) => t.id === id);
  if (from < 0) return [...tiles];
  const rest = tiles.filter((t) => t.id !== id);
  const at = Math.max(0, Math.min(rest.length, to));
  return [...rest.slice(0, at), tiles[from]!, ...rest.slice(at)];
}
