/** What goes by rule, and what is left of a call whose caller is hidden. */
import { expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import { CallRecord } from '../../workspace';
import { factsOfCall } from './facts';
import { dueBy, withoutCaller } from './keeping';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const DAY = 86_400_000;
const whole = demonstration(NOW);
const { calls } = pastOf(DEMO_ID, whole.draft.system, whole.standing.standing, NOW, 30);
const reads = (call: unknown) => CallRecord.safeParse(call).success;

it('calls and texts go after their days, numbers are hidden after theirs, and without a rule nothing goes', () => {
  const texts = [1, 5, 9].map((days) => ({
    id: `t${days}`,
    way: 'in' as const,
    from: '+12065550101',
    to: '+13605550142',
    text: 'x',
    at: NOW - days * DAY,
  }));
  const later = { ...texts[2]!, id: 'later', sendAt: NOW + DAY };
  expect(dueBy({}, calls, texts, NOW)).toEqual({ calls: [], texts: [], hide: [] });
  const due = dueBy({ callDays: 20, textDays: 5, hideDays: 7 }, calls, [...texts, later], NOW);
  expect(due.texts.map((t) => t.id)).toEqual(['t9']);
  expect(due.calls.length).toBeGreaterThan(50);
  for (const c of due.calls) expect(NOW - c.at).toBeGreaterThan(20 * DAY);
  expect(due.hide.length).toBeGreaterThan(50);
  for (const c of due.hide) expect(NOW - c.at).toBeGreaterThan(7 * DAY);
  expect(due.hide.filter((c) => due.calls.includes(c))).toEqual([]);
});

it('nothing of a hidden caller’s number is left, what happened is, and it can be stored', () => {
  const { hide } = dueBy({ hideDays: 1 }, calls, [], NOW);
  for (const call of hide) {
    const hidden = withoutCaller(call, reads);
    const number = call.request.from.kind === 'outside' ? call.request.from.number! : '';
    expect(JSON.stringify(hidden)).not.toContain(number);
    expect(CallRecord.safeParse(hidden).error?.issues).toBeUndefined();
    const [before, after] = [factsOfCall(call), factsOfCall(hidden)];
    expect(after.other).toBeNull();
    expect([after.missed, after.talked, after.outcome?.kind]).toEqual([
      before.missed,
      before.talked,
      before.outcome?.kind,
    ]);
    expect(withoutCaller(hidden, reads)).toBe(hidden);
  }
});
