/** What the coverage board shows: which numbers a choice leaves, and when somebody is rung. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../../demo/lantern-cove';
import { momentOf } from '../../hours';
import { NO_FILTER, numbersFor, rowsOf } from './lanes';

const AT = Date.UTC(2026, 10, 24, 18);
const whole = demonstration(AT);
const { system } = whole.draft;
const { standing } = whole.standing;
const LA = 'America/Los_Angeles';
const day = (date: string): [number, number] => [momentOf(LA, date, 0), momentOf(LA, date, 1440)];
const rows = (filter: Partial<typeof NO_FILTER>, date = '2026-11-24') =>
  rowsOf(system, standing, { ...NO_FILTER, ...filter }, ...day(date));

describe('the numbers that are shown', () => {
  it('are all of them, one, or those of a site', () => {
    expect(numbersFor(system, NO_FILTER)).toHaveLength(6);
    expect(numbersFor(system, { ...NO_FILTER, numberId: 'n-main' }).map((n) => n.label)).toEqual([
      'Main line',
    ]);
    expect(numbersFor(system, { ...NO_FILTER, siteId: 'store' }).map((n) => n.label)).toEqual([
      'Winter store',
    ]);
    expect(numbersFor(system, { ...NO_FILTER, siteId: 'store', numberId: 'n-main' })).toEqual([]);
  });
  it('with somebody looked for are those whose calls ring them that day', () => {
    expect(rows({ personId: 'ines' }).map((r) => r.number.label)).toEqual(['Main line']);
    expect(rows({ personId: 'rosa' }).map((r) => r.number.label)).toEqual([
      'Main line',
      'Rosa Delgado, direct',
    ]);
    // A holiday: the office rings nobody.
    expect(rows({ personId: 'ines' }, '2026-11-26')).toEqual([]);
  });
});

describe('a piece', () => {
  it('says who is rung first and where the call ends', () => {
    const [main] = rows({ numberId: 'n-main' });
    const night = main!.pieces[0]!;
    expect([night.kind, night.label, night.end]).toEqual(['message', 'Voicemail Front desk', 'message']);
    const open = main!.pieces.find((p) => p.kind === 'group')!;
    expect(open.label).toBe('Rosa, Idris and Ines');
    expect(open.words).toContain('rings Rosa Delgado');
    expect(open.rungAfter).toBeUndefined();
  });
  it('with somebody looked for says after how many seconds they are rung', () => {
    const [main] = rows({ numberId: 'n-main', personId: 'mei' });
    const rung = main!.pieces.filter((p) => p.rungAfter !== null);
    // Four seconds of welcome and eighteen of ringing the office; her desk phone sounds at once.
    expect([...new Set(rung.map((p) => p.label))]).toContain('after 22 s');
    expect(rung.every((p) => p.kind === 'person')).toBe(true);
    expect(main!.pieces.filter((p) => p.rungAfter === null).every((p) => p.label === '')).toBe(true);
  });
  it('tiles the day with the others, without gap or overlap', () => {
    const [from, to] = day('2026-11-24');
    for (const row of rows({})) {
      expect([row.pieces[0]!.from, row.pieces.at(-1)!.to]).toEqual([from, to]);
      for (let i = 1; i < row.pieces.length; i++) expect(row.pieces[i]!.from).toBe(row.pieces[i - 1]!.to);
    }
  });
});
