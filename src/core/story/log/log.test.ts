/** The log by days finds what going through it row by row finds, whatever came, changed and went. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../../demo/lantern-cove';
import { momentOf } from '../../hours';
import { pastOf } from '../../../standins/past/past';
import { ANY, says, tester, VIEWS, type Question } from '../question';
import { settlingOf } from '../settled';
import { Log } from './log';
import { packed, unpacked } from './packed';
import { callRow, messageRow, rowKey, searchOf, textRow, type Row } from './rows';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const zone = system.business.timeZone;
const past = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 10);
const texts = Array.from({ length: 1500 }, (_, i) => ({
  id: `t${i}`,
  way: 'in' as const,
  from: `+120655501${String(i % 100).padStart(2, '0')}`,
  to: '+13605550142',
  text: i % 7 ? `Is it ready, number ${i}?` : 'STRASSE ß İ 🚤 keel \u0000 end',
  at: NOW - i * 600_000,
}));
const left = new Map(past.messages.map((m) => [m.id, m]));
const rows: Row[] = [...past.calls.map((c) => callRow(c, left.get(c.id))), ...texts.map((t) => textRow(t)!)];
const logOf = (all: readonly Row[]): Log => {
  const log = new Log();
  for (const row of all) log.put(row);
  return log;
};
const day = (iso: string) => [momentOf(zone, iso, 0), momentOf(zone, iso, 1440)] as const;
const found = (log: Log, question: Question): string[] =>
  [...log.find(question, system, day)].flat().map(rowKey).sort();
/** Row by row, with nothing made ready. */
const plainly = (all: readonly Row[], question: Question): string[] => {
  const passes = tester(question, settlingOf(all), day, system);
  return all
    .filter((row) => passes(row) && says(question, searchOf(row, system).replaceAll('\u0000', ' ')))
    .map(rowKey)
    .sort();
};
const word = fc.oneof(
  fc.constantFrom('ready', 'number 77', 'keel', '555-0101', '(206) 555-0142', 'rosa', 'ß', '🚤', 'no such'),
  fc.string({ maxLength: 3 }),
  fc.integer({ min: 0, max: 9999 }).map(String),
);
const dates = fc.constantFrom('', '2026-11-20', '2026-11-22', '2026-11-24', '2026-12-03');
const questions = fc
  .record({
    a: word,
    b: word,
    view: fc.constantFrom(...VIEWS),
    numberId: fc.constantFrom('', ...Object.keys(system.numbers)),
    personId: fc.constantFrom('', '', ...Object.keys(system.people)),
    contactId: fc.constantFrom('', '', ...Object.keys(system.contacts)),
    from: dates,
    to: dates,
    words: fc.integer({ min: 0, max: 2 }),
  })
  .map(({ a, b, words, ...rest }): Question => ({
    ...ANY,
    ...rest,
    text: [a, b].slice(0, words).join(' ').trim().slice(0, 200),
  }));

describe('the log by days', () => {
  const log = logOf(rows);
  it('finds what going through it row by row finds, whatever is asked', () => {
    fc.assert(
      fc.property(questions, (question) => {
        expect(found(log, question)).toEqual(plainly(rows, question));
      }),
      { numRuns: 200 },
    );
  });
  it('stands in order, the newest first', () => {
    const at = [...log.rows()].map((r) => r.at);
    expect(at).toHaveLength(rows.length);
    expect(at).toEqual([...at].sort((a, b) => b - a));
  });
  it('has everything with some numbers, and nothing else', () => {
    const numbers = ['+12065550115', '+13605550134'];
    const theirs = rows.filter((r) => numbers.includes(r.facts.other ?? ''));
    expect(theirs.length).toBeGreaterThan(3);
    expect(log.with(numbers).map(rowKey).sort()).toEqual(theirs.map(rowKey).sort());
    expect(log.with(['+12065559999'])).toEqual([]);
  });

  it('goes on after whatever came, changed and went', () => {
    const step = fc.oneof(
      fc.record({ do: fc.constant('put' as const), at: fc.nat(rows.length - 1), text: word }),
      fc.record({
        do: fc.constant('move' as const),
        at: fc.nat(rows.length - 1),
        by: fc.integer({ min: -5, max: 5 }),
      }),
      fc.record({ do: fc.constant('drop' as const), at: fc.nat(rows.length - 1) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), questions, (steps, question) => {
        const some = rows.slice(0, 400);
        const now = new Map(some.map((r) => [rowKey(r), r]));
        const changing = logOf(some);
        for (const s of steps) {
          const row = rows[s.at]!;
          const key = rowKey(row);
          if (s.do === 'drop') {
            changing.drop(key);
            now.delete(key);
            continue;
          }
          const next: Row =
            s.do === 'put'
              ? { ...row, noted: true, facts: { ...row.facts, text: s.text.toLowerCase() } }
              : { ...row, at: row.at + s.by * 86_400_000 };
          changing.put(next);
          now.set(key, next);
          // Asked in between: what was made ready must not be what is found.
          found(changing, { ...ANY, text: 'ready' });
        }
        expect(found(changing, question)).toEqual(plainly([...now.values()], question));
        expect(changing.size).toBe(now.size);
      }),
      { numRuns: 60 },
    );
  });
  it('is found by the names of now', () => {
    const first = log.with(['+13605550134'])[0]!;
    const renamed = structuredClone(system);
    renamed.contacts['harrow']!.name = 'Zebedee Quillfeather';
    const asked = { ...ANY, text: 'quillfeather' };
    expect(found(log, asked)).toEqual([]);
    expect([...log.find(asked, renamed, day)].flat().map(rowKey)).toContain(rowKey(first));
  });
});

describe('a day as it is stored', () => {
  it('is the same when it is read again', () => {
    expect(unpacked(packed(rows))).toEqual(JSON.parse(JSON.stringify(rows)));
    const message = messageRow({
      id: 'm',
      mailboxId: 'office',
      at: 5,
      from: 'somebody',
      fromNumber: null,
      said: 'Hello',
      answeredAt: 9,
      note: 'Done',
    });
    expect(unpacked(packed([message]))).toEqual([message]);
  });
});
