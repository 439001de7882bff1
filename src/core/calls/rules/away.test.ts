import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import {
  flatTargets,
  groupsWithin,
  newGroup,
  zoneOf,
  type Command,
  type RingTarget,
  type System,
} from '../../system';
import { awayAt, standInFor } from '..';

const LA = 'America/Los_Angeles';
const away = (id: string, from: string, to: string, standInId: string | null): Command => ({
  do: 'person.set',
  id,
  change: { away: [{ from, to, standInId }] },
});
const at = (date: string, minute: number) => momentOf(LA, date, minute);

describe('somebody away', () => {
  const system = edited(yard(), [away('rosa', '2026-11-24', '2026-11-25', 'idris')]);
  it('is so from the first midnight to the last, in the time of their site', () => {
    const rosa = system.people.rosa!;
    const is = (moment: number) => awayAt(rosa, zoneOf(rosa, system), moment) !== undefined;
    expect(is(at('2026-11-24', 0) - 1)).toBe(false);
    expect(is(at('2026-11-24', 0))).toBe(true);
    expect(is(at('2026-11-26', 0) - 1)).toBe(true);
    expect(is(at('2026-11-26', 0))).toBe(false);
  });
  it('is replaced by the one they named, and by nobody’s stand-in', () => {
    const noon = at('2026-11-24', 720);
    expect(standInFor('rosa', system, noon)).toBe('idris');
    expect(standInFor('pia', system, noon)).toBe('pia');
    const both = edited(system, [away('idris', '2026-11-24', '2026-11-24', 'pia')]);
    expect(standInFor('rosa', both, noon)).toBe('rosa');
    expect(standInFor('rosa', both, at('2026-11-25', 720))).toBe('idris');
  });
  it('goes by the zone of the site where there is one', () => {
    const moved = edited(system, [{ do: 'site.set', id: 'yard', change: { timeZone: 'Asia/Tokyo' } }]);
    const rosa = moved.people.rosa!;
    expect(zoneOf(rosa, moved)).toBe('Asia/Tokyo');
    expect(awayAt(rosa, 'Asia/Tokyo', momentOf('Asia/Tokyo', '2026-11-24', 0))).toBeDefined();
  });
});

describe('groups taken apart', () => {
  const person = (id: string): RingTarget => ({ kind: 'person', id });
  const group = (id: string, members: RingTarget[]): Command => ({
    do: 'group.add',
    value: newGroup({ id, name: id, members }),
  });
  const system: System = edited(yard(), [
    group('inner', [person('pia'), { kind: 'phone', id: 'rosa-desk' }]),
    group('outer', [person('rosa'), { kind: 'group', id: 'inner' }, person('pia')]),
    group('empty', []),
  ]);
  const ids = (targets: RingTarget[]) => flatTargets(targets, system).map((t) => t.id);

  it('give each member once, in the order they come', () => {
    expect(ids([{ kind: 'group', id: 'outer' }])).toEqual(['rosa', 'pia', 'rosa-desk']);
    expect(ids([person('pia'), { kind: 'group', id: 'outer' }])).toEqual(['pia', 'rosa', 'rosa-desk']);
    expect(
      ids([
        { kind: 'group', id: 'empty' },
        { kind: 'group', id: 'gone' },
      ]),
    ).toEqual([]);
  });
  it('say what is in them at any depth', () => {
    expect([...groupsWithin(system, 'outer')]).toEqual(['inner']);
    expect([...groupsWithin(system, 'inner')]).toEqual([]);
  });
});
