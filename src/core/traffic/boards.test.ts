/** Boards of one's own: when they are mailed, and how tiles move. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { momentOf } from '../hours';
import { Board, mailDue, movedTile, NAMED_SPANS, Span, spanOf, type Tile } from '.';

const ZONE = 'America/Los_Angeles';
const at = (date: string, hour: number, minute = 0) => momentOf(ZONE, date, hour * 60 + minute);
const tile = (id: string): Tile => ({
  id,
  of: 'how many',
  show: 'figure',
  measure: 'offered',
  span: 'last week',
  numberId: '',
});
const board = (more: Partial<Board> = {}): Board => ({
  id: 'b',
  name: 'Mornings',
  tiles: [tile('t')],
  mailTo: ['rosa@lanterncove.example'],
  mailed: null,
  ...more,
});

it('is mailed on Mondays from seven on, once, and later where nobody was there', () => {
  // 23 November 2026 is a Monday.
  expect(mailDue(board(), ZONE, at('2026-11-23', 6, 59))).toBeNull();
  expect(mailDue(board(), ZONE, at('2026-11-23', 7))).toBe('2026-11-23');
  expect(mailDue(board({ mailed: '2026-11-23' }), ZONE, at('2026-11-23', 9))).toBeNull();
  expect(mailDue(board({ mailed: '2026-11-16' }), ZONE, at('2026-11-25', 3))).toBe('2026-11-23');
  expect(mailDue(board({ mailed: '2026-11-23' }), ZONE, at('2026-11-30', 7))).toBe('2026-11-30');
  expect(mailDue(board({ mailTo: [] }), ZONE, at('2026-11-23', 9))).toBeNull();
  expect(mailDue(board({ tiles: [] }), ZONE, at('2026-11-23', 9))).toBeNull();
});

it('keeps its tiles however they are moved', () => {
  fc.assert(
    fc.property(fc.nat(8), fc.nat(8), fc.integer({ min: -3, max: 12 }), (n, which, to) => {
      const tiles = Array.from({ length: n + 1 }, (_, i) => tile(`t${i}`));
      const id = `t${which % (n + 1)}`;
      const moved = movedTile(tiles, id, to);
      expect(moved.map((t) => t.id).sort()).toEqual(tiles.map((t) => t.id).sort());
      expect(moved.findIndex((t) => t.id === id)).toBe(Math.max(0, Math.min(n, to)));
    }),
  );
  expect(movedTile([tile('a')], 'gone', 0)).toEqual([tile('a')]);
});

it('spans that people name are spans, on every day of some years', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 4000 }), fc.constantFrom(...NAMED_SPANS), (day, name) => {
      const today = new Date(Date.UTC(2020, 0, 1 + day)).toISOString().slice(0, 10);
      const span = spanOf(name, today);
      expect(Span.safeParse(span).success).toBe(true);
      expect(span.to <= today).toBe(true);
    }),
  );
  expect(spanOf('last week', '2026-11-24')).toEqual({ from: '2026-11-16', to: '2026-11-22' });
  expect(spanOf('last month', '2026-03-31')).toEqual({ from: '2026-02-01', to: '2026-02-28' });
});

it('what is no address, no name or no tile is not taken', () => {
  expect(Board.safeParse(board({ mailTo: ['rosa'] })).success).toBe(false);
  expect(Board.safeParse(board({ name: '  ' })).error?.issues[0]?.message).toBe('Give it a name.');
  expect(Board.safeParse({ ...board(), tiles: [{ ...tile('t'), of: 'weather' }] }).success).toBe(false);
});
