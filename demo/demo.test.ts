import { expect, it } from 'vitest';
import { piecesOf, endsWell } from '../src/core/coverage';
import { findingsOf } from '../src/core/findings';
import { fictionRangeOf } from '../src/core/numbering';
import { checkPromises } from '../src/core/promises';
import { allSteps, applyEdit, Pattern, Step, System } from '../src/core/system';
import { demonstration } from './lantern-cove';

const NOW = Date.UTC(2026, 10, 24, 18);
const whole = demonstration(NOW);
const system = whole.draft.system;

it('looks like a business: twelve people and a room, six numbers, two sites', () => {
  expect(System.safeParse(system).error).toBeUndefined();
  expect([system.people, system.numbers, system.sites].map((x) => Object.keys(x).length)).toEqual([13, 6, 2]);
});

it('uses only numbers kept for fiction and addresses that reach nobody', () => {
  const text = JSON.stringify(whole);
  for (const e164 of text.match(/\+\d{8,15}/g)!) expect(fictionRangeOf(e164), e164).toBeDefined();
  for (const email of text.match(/[\w.]+@[\w.]+/g)!) expect(email).toMatch(/\.example$/);
});

it('leaves no caller without an answer or a mailbox, all week', () => {
  for (const number of Object.values(system.numbers))
    for (const piece of piecesOf(system, whole.standing.standing, number, NOW, NOW + 7 * 86_400_000))
      expect(endsWell(piece.trace), number.label).toBe('message');
  expect(
    findingsOf({ system, standing: whole.standing.standing, today: '2026-11-24', freshId: (k) => k }).filter(
      (f) => f.severity === 'stops',
    ),
  ).toEqual([]);
});

it('shows every kind of step and pattern, a season, holidays, a menu within a menu, a queue and a rota', () => {
  const steps = Object.values(system.plans).flatMap((p) => [...allSteps(p.steps)]);
  expect([...new Set(steps.map((s) => s.kind))].sort()).toEqual(
    Step.options.map((o) => o.shape.kind.value).sort(),
  );
  const patterns = [
    ...steps.flatMap((s) => (s.kind === 'ring' ? [s.pattern] : [])),
    ...Object.values(system.queues).map((q) => q.pattern),
  ];
  expect([...new Set(patterns)].sort()).toEqual([...Pattern.options].sort());
  const menus = steps.filter((s) => s.kind === 'menu');
  expect(
    menus.some((m) => [...allSteps(m.branches.flatMap((b) => b.steps))].some((s) => s.kind === 'menu')),
  ).toBe(true);
  const exceptions = Object.values(system.hours).flatMap((h) => h.exceptions ?? []);
  expect(exceptions.some((e) => e.when.on === 'yearly')).toBe(true);
  expect(exceptions.some((e) => e.holiday)).toBe(true);
  expect([Object.keys(system.queues).length, Object.keys(system.rotas).length]).toEqual([1, 1]);
});

it('promises eight things, and keeps them over the whole year', () => {
  const verdicts = checkPromises(system, whole.standing.standing, NOW);
  expect(verdicts).toHaveLength(8);
  expect(verdicts.filter((v) => v.is !== 'kept').map((v) => v.promised.name)).toEqual([]);
});

it('has three mistakes planted, each with a fix that puts it right', () => {
  const { standing } = whole.standing;
  const look = (s: typeof system) =>
    findingsOf({ system: s, standing, today: '2026-11-24', freshId: (k) => k }).map((f) => f.id);
  const planted = ['dead-key:storage-menu:6', 'gap:watch', 'unconfirmed:storage-crane'];
  expect(look(system)).toEqual(expect.arrayContaining(planted));
  for (const id of planted) {
    const fix = findingsOf({ system, standing, today: '2026-11-24', freshId: (k) => k }).find(
      (f) => f.id === id,
    )!.fix!;
    const after = applyEdit(system, fix.edit);
    expect(after.ok && look(after.system)).not.toContain(id);
  }
});
