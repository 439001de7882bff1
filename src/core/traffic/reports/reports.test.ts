/** Reports of an invented past: what adds up, what leads where, and the truths that were planted in it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../../demo/lantern-cove';
import { pastOf } from '../../../standins/past/past';
import { RATES } from '../../../standins/carrier/prices';
import { callRow, Log, messageRow } from '../../story';
import { asked, type Span } from '..';
import { DEFINITIONS, EVERYTHING, MISSED, QUESTIONS, reportOf, USUAL_RULES, type Filter } from '..';
import type { Report } from '.';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const past = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 45);
const log = new Log();
const left = new Map(past.messages.map((m) => [m.id, m]));
for (const call of past.calls) log.put(callRow(call, left.get(call.id)));
for (const message of past.messages) if (!log.has(`call ${message.id}`)) log.put(messageRow(message));

const MONTH: Span = { from: '2026-10-12', to: '2026-11-22' };
const ask = (span: Span, filter: Filter = EVERYTHING, people: ReadonlySet<string> | null = null) =>
  asked(log, { span, filter, rules: USUAL_RULES, people }, system, RATES, NOW);
const figures = (report: Report) => Object.fromEntries(report.figures.map((f) => [f.measure, f.value]));

describe('every report', () => {
  it.each(QUESTIONS)('%s: leads from each count to as many calls', (id) => {
    const all = ask(MONTH);
    const report = reportOf(id, all);
    const counts = [
      ...report.figures.map((f) => ({ ...f, unit: DEFINITIONS[f.measure].unit })),
      ...report.tables.flatMap((t) => t.rows.flatMap((r) => r.cells)),
    ].filter((c) => c.key !== null && c.unit === 'calls');
    expect(counts.length).toBeGreaterThan(0);
    for (const { key, value } of counts) expect(all.bins.get(key!), key!).toHaveLength(value!);
  });
  it.each(QUESTIONS)('%s: of nothing is counts of nothing and no number that is none', (id) => {
    for (const span of [
      { from: '2030-01-01', to: '2030-01-07' },
      { from: '2016-01-01', to: '2025-12-31' },
    ]) {
      const report = reportOf(id, ask(span), ask(span));
      const text = JSON.stringify(report);
      expect(text).not.toContain('NaN');
      for (const f of report.figures) expect(f.value === null || Number.isFinite(f.value)).toBe(true);
      for (const f of report.figures) expect(f.value ?? 0, f.measure).toBe(0);
    }
  });
});

const filters: fc.Arbitrary<Filter> = fc.record({
  numberId: fc.constantFrom('', ...Object.keys(system.numbers)),
  personId: fc.constantFrom('', '', ...Object.keys(system.people)),
  groupId: fc.constantFrom('', '', ...Object.keys(system.groups)),
  queueId: fc.constantFrom('', '', ...Object.keys(system.queues)),
  siteId: fc.constantFrom('', '', ...Object.keys(system.sites)),
  weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 7 }),
  hours: fc.tuple(fc.integer({ min: 0, max: 11 }), fc.integer({ min: 12, max: 24 })),
  callers: fc.constantFrom('all', 'all', 'new', 'known', 'hidden'),
});

it('parts add up to the whole, however it is narrowed', () => {
  fc.assert(
    fc.property(filters, (filter) => {
      const all = ask(MONTH, filter);
      const report = reportOf('how many', all);
      const is = figures(report);
      expect(is['offered']).toBe(is['answered']! + is['missed']!);
      expect(is['missed']).toBe(MISSED.reduce((sum, b) => sum + is[b]!, 0));
      expect(is['offered']! + is['closed']! + is['unwanted']!).toBe(all.calls.length);
      report.tables[0]!.heads.forEach((head, i) =>
        expect(report.tables[0]!.rows.reduce((sum, row) => sum + row.cells[i]!.value!, 0)).toBe(is[head]),
      );
      // Where people stand in it, and where nobody does: nobody is counted twice.
      const each = ['new', 'known', 'hidden'] as const;
      if (filter.callers === 'all')
        expect(each.reduce((sum, callers) => sum + ask(MONTH, { ...filter, callers }).calls.length, 0)).toBe(
          all.calls.length,
        );
    }),
    { numRuns: 40 },
  );
});

it('a report over two spans counts what the two count', () => {
  const halves = [
    { from: MONTH.from, to: '2026-11-01' },
    { from: '2026-11-02', to: MONTH.to },
  ].map((span) => figures(reportOf('how many', ask(span))));
  const is = figures(reportOf('how many', ask(MONTH)));
  for (const key of Object.keys(is)) expect(is[key]).toBe(halves[0]![key]! + halves[1]![key]!);
});

it('a person sees calls that rang at them, that they answered or placed, and no other', () => {
  const own = ask(MONTH, EVERYTHING, new Set(['idris']));
  const everybody = ask(MONTH);
  expect(own.calls.length).toBeGreaterThan(0);
  expect(own.calls.length).toBeLessThan(everybody.calls.length);
  for (const { row } of own.calls) expect([...row.facts.rungIds, ...row.facts.withIds]).toContain('idris');
});

describe('what was planted', () => {
  it('Tuesday mornings are among the hours in which too many are missed', () => {
    const [table] = reportOf('too few', ask(MONTH)).tables;
    const first = table!.rows.slice(0, 2).map((r) => r.name);
    expect(first.sort()).toEqual(['Tue 09:00', 'Tue 10:00']);
  });
  it('the week of the storm has the most calls to the night watch', () => {
    const night = Object.values(system.numbers).find((n) => n.use === '24-hour')!;
    const report = reportOf('how many', ask(MONTH, { ...EVERYTHING, numberId: night.id }));
    const busiest = [...report.tables[0]!.rows].sort((a, b) => b.cells[0]!.value! - a.cells[0]!.value!)[0]!;
    const back = (Date.parse('2026-11-24') - Date.parse(busiest.name)) / 86_400_000;
    expect(back).toBeGreaterThanOrEqual(38);
    expect(back).toBeLessThanOrEqual(44);
  });
  it('compared with the span before, each figure says what it was', () => {
    const report = reportOf('how many', ask(MONTH), ask({ from: '2026-08-31', to: '2026-10-11' }));
    for (const f of report.figures) expect(f.before).not.toBeUndefined();
  });
});
