/** Lists of people to call: who is next, what follows, and that nobody is called twice however many work on it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import { momentOf } from '../hours';
import { whereaboutsOf } from '../numbering';
import { readReceivers } from '../rounds';
import {
  closedBecause,
  ended,
  entriesOf,
  neverCalled,
  nextOf,
  tallyOf,
  TAKEN_MS,
  usualOutcomes,
  type CallList,
  type Entry,
} from '.';

const system = demoSystem();
const zone = system.business.timeZone;
const at = (hour: number, day = '2026-11-24') => momentOf(zone, day, hour * 60);
const TEN = at(10);
const list: CallList = {
  id: 'l',
  at: TEN,
  name: 'Spring',
  selling: false,
  registry: null,
  script: '',
  outcomes: usualOutcomes(),
  rests: false,
};
const sight = (now: number, never: string[] = []) => ({
  now,
  where: (number: string) => whereaboutsOf(number, 'US', zone),
  never: new Set(never),
});
const entries = (...numbers: string[]): Entry[] =>
  entriesOf('l', readReceivers(numbers.join('\n'), system).receivers, new Set(), system).entries;
const outcome = (id: string) => list.outcomes.find((o) => o.id === id)!;
const end = (e: Entry, id: string, now = TEN) =>
  ended(e, outcome(id), { by: 'Mei', note: '', at: now, zone });

describe('a list', () => {
  it('has nobody twice, none of ours, and leaves out whom nobody is to call', () => {
    const linked = Object.values(system.phones).find((p) => p.number)!.number!;
    const read = readReceivers(
      [
        'number,name,boat',
        '206 555 0101,Ada,Sloop',
        '(206) 555-0101,Again,',
        `${linked},Dov,`,
        '206 555 0102,Bo,',
        'x,Cy,',
      ].join('\n'),
      system,
    ).receivers;
    const { entries: made, not } = entriesOf('l', read, new Set(['+12065550102']), system);
    expect(made.map((e) => [e.name, e.state, e.why])).toEqual([
      ['Ada', 'waits', undefined],
      ['Bo', 'left out', 'They want no calls.'],
    ]);
    expect(made[0]!.fields).toEqual({ boat: 'Sloop' });
    expect(not.map((n) => n.n)).toEqual([1, 1, 1]);
  });
  it('for selling waits until it was held against the registry, and for no longer than 31 days after it', () => {
    const selling = { ...list, selling: true };
    expect(closedBecause(selling, '2026-11-24')).toContain('registry');
    const held = { ...selling, registry: { on: '2026-10-24', how: 'at their site' } };
    expect(closedBecause(held, '2026-11-24')).toBe('');
    expect(closedBecause(held, '2026-11-25')).toContain('more than 31 days ago');
    expect(closedBecause({ ...list, rests: true }, '2026-11-24')).toBe('The list rests.');
    expect(closedBecause(list, '2026-11-24')).toBe('');
  });
});

describe('the next', () => {
  it('is the first that nobody has; whoever has one keeps it; one left alone for half an hour is free again', () => {
    const [a, b] = entries('206 555 0101', '206 555 0102') as [Entry, Entry];
    const taken: Entry = { ...a, state: 'taken', takenBy: 'Mei', takenAt: TEN };
    expect(nextOf([taken, b], 'Rosa', sight(TEN))).toMatchObject({ entry: { number: b.number } });
    expect(nextOf([taken, b], 'Mei', sight(TEN))).toMatchObject({ entry: { number: a.number } });
    expect(nextOf([taken], 'Rosa', sight(TEN + TAKEN_MS))).toEqual({ is: 'with others' });
    expect(nextOf([taken], 'Rosa', sight(TEN + TAKEN_MS + 1))).toMatchObject({ entry: { number: a.number } });
  });
  it('is nobody at night where they are (47 CFR 64.1200(c)(1)), and says when', () => {
    const [seattle, newYork] = entries('206 555 0101', '212 555 0102') as [Entry, Entry];
    expect(nextOf([seattle, newYork], 'Mei', sight(at(7)))).toMatchObject({
      entry: { number: newYork.number },
    });
    expect(nextOf([seattle, newYork], 'Mei', sight(at(19)))).toMatchObject({
      entry: { number: seattle.number },
    });
    expect(nextOf([seattle], 'Mei', sight(at(22)))).toEqual({ is: 'later', at: at(8, '2026-11-25') });
  });
  it('is whoever was to be called again before the others, once it is time', () => {
    const [a, b] = entries('206 555 0101', '206 555 0102') as [Entry, Entry];
    const again = end(a, 'not-there').entry;
    expect(again.from).toBe(at(10, '2026-11-25'));
    expect(nextOf([again, b], 'Mei', sight(TEN))).toMatchObject({ entry: { number: b.number } });
    expect(nextOf([again, b], 'Mei', sight(at(10, '2026-11-25')))).toMatchObject({
      entry: { number: a.number },
    });
    expect(nextOf([again], 'Mei', sight(TEN))).toEqual({ is: 'later', at: at(10, '2026-11-25') });
  });
  it('is never somebody who said elsewhere that they want no calls', () => {
    const [a] = entries('206 555 0101') as [Entry];
    expect(nextOf([a], 'Mei', sight(TEN, [a.number]))).toEqual({ is: 'over' });
  });
});

it('a call again by the clock of the day on which the clocks change', () => {
  const [a] = entries('206 555 0101') as [Entry];
  // 8 March 2026: the night is an hour shorter.
  const before = momentOf(zone, '2026-03-07', 600);
  expect(end(a, 'not-there', before).entry.from).toBe(momentOf(zone, '2026-03-08', 600));
  expect(momentOf(zone, '2026-03-08', 600) - before).toBe(23 * 3_600_000);
});

it('what follows is as the outcome says', () => {
  const [a] = entries('206 555 0101') as [Entry];
  expect(end(a, 'reached')).toMatchObject({ entry: { state: 'done' }, never: false, task: null });
  expect(end(a, 'never')).toMatchObject({ entry: { state: 'never' }, never: true });
  expect(end(a, 'wants').task).toEqual({ text: 'Wants something of us: +12065550101', by: '2026-11-25' });
  const { by, who, called, left } = tallyOf([end(a, 'reached').entry, ...entries('206 555 0102')], list);
  expect([by[0]!.n, who, called, left]).toEqual([1, [{ name: 'Mei', n: 1 }], 1, 1]);
});

it('worked by three in any order, each waiting for the others’ writes, nobody is called twice in a round', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(fc.constantFrom('Mei', 'Rosa', 'Idris'), fc.constantFrom('reached', 'wants', 'never')),
        { maxLength: 40 },
      ),
      (turns) => {
        let all = entries(...Array.from({ length: 12 }, (_, i) => `206 555 01${String(i + 10)}`));
        const called: string[] = [];
        let now = TEN;
        for (const [who, how] of turns) {
          now += 1000;
          const next = nextOf(all, who, sight(now));
          if (next.is !== 'somebody') continue;
          const mine = next.entry;
          if (mine.state === 'waits') {
            all = all.map((e) => (e === mine ? { ...e, state: 'taken', takenBy: who, takenAt: now } : e));
            continue;
          }
          called.push(mine.number);
          const came = ended(mine, outcome(how), { by: who, note: '', at: now, zone });
          all = all.map((e) => (e === mine ? came.entry : e));
        }
        expect(new Set(called).size).toBe(called.length);
      },
    ),
  );
});

it('whoever wants no calls is kept for five years (47 CFR 64.1200(d)(6)), and no longer', () => {
  const wrote = [{ number: '+12065550101', at: at(10, '2021-11-24') }];
  expect(neverCalled(wrote, at(10, '2026-11-24')).size).toBe(1);
  expect(neverCalled(wrote, at(11, '2026-11-24')).size).toBe(0);
  expect(neverCalled(undefined, TEN).size).toBe(0);
});
