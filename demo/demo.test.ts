import { expect, it } from 'vitest';
import { piecesOf, endsWell } from '../src/core/coverage';
import { findingsOf } from '../src/core/findings';
import { fictionRangeOf } from '../src/core/numbering';
import { System } from '../src/core/system';
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
