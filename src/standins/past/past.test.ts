/** The invented past: real calls as the engine makes them, the same each time, over before now. */
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { CallRecord, MessageRecord, TextRecord } from '../../workspace';
import { dayNumber, localTime } from '../../core/hours';
import { ANY, factsOfCall, settledBy, settling, storyOf, tester } from '../../core/story';
import { pastOf } from './past';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const { standing } = whole.standing;
const week = pastOf(DEMO_ID, system, standing, NOW, 7);

describe('a week of calls', () => {
  it('is as many as a small business has, in and out, and all of it is over', () => {
    expect(week.calls.length).toBeGreaterThan(300);
    expect(week.calls.length).toBeLessThan(600);
    expect(week.calls.every((c) => c.at < NOW && c.trace.at(-1)!.kind === 'ended')).toBe(true);
    expect(week.calls.some((c) => c.request.from.kind === 'phone')).toBe(true);
    expect(week.messages.length).toBeGreaterThan(5);
  });
  it('is what storage takes, with nobody’s behaviour left in it', () => {
    for (const call of week.calls) expect(CallRecord.parse(call).request.behaviour).toBeNull();
    for (const message of week.messages) MessageRecord.parse(message);
    for (const text of week.texts) TextRecord.parse(text);
  });
  it('is the same each time, and a longer past has it at its end', () => {
    expect(pastOf(DEMO_ID, system, standing, NOW, 7)).toEqual(week);
    const ids = new Set(pastOf(DEMO_ID, system, standing, NOW, 9).calls.map((c) => c.id));
    expect(week.calls.every((c) => ids.has(c.id))).toBe(true);
  });
  it('has some whom nobody has called back, and more whom somebody has', () => {
    const kept = week;
    const by = settling(kept);
    const of = (view: 'missed' | 'not called back') =>
      storyOf(kept, system).filter(tester({ ...ANY, view }, by, () => [0, 0], system)).length;
    expect(of('missed')).toBeGreaterThan(of('not called back'));
    expect(of('not called back')).toBeGreaterThan(0);
  });
  it('has texts, most of them answered by somebody of ours within the hour', () => {
    const asked = week.texts.filter((t) => t.way === 'in');
    const answered = week.texts.filter((t) => t.way === 'out');
    expect(asked.length).toBeGreaterThan(15);
    expect(answered.length).toBeGreaterThan(asked.length * 0.75);
    const names = Object.values(system.people).map((p) => p.name);
    for (const { by } of answered) expect(names).toContain(by);
  });
  it('calls from numbers kept for fiction', () => {
    for (const { request } of week.calls)
      if (request.from.kind === 'outside' && request.from.number)
        expect(request.from.number).toMatch(/^\+1\d{3}55501\d\d$/);
  });
});

describe('ninety days', () => {
  const past = pastOf(DEMO_ID, system, standing, NOW, 90);
  const facts = past.calls.map((c) => ({ ...factsOfCall(c), at: c.at }));
  const local = (at: number) => localTime(system.business.timeZone, at);
  const share = (of: typeof facts) => of.filter((f) => f.missed).length / of.length;
  const came = facts.filter((f) => f.way === 'in');
  const backOf = (at: number) => dayNumber(local(NOW).date) - dayNumber(local(at).date);

  it('are about six thousand calls', () => {
    expect(past.calls.length).toBeGreaterThan(4500);
    expect(past.calls.length).toBeLessThan(7500);
  });
  it('have a storm week at the number that is answered at night', () => {
    const night = Object.values(system.numbers).find((n) => n.use === '24-hour')!.id;
    const inWeek = (from: number) =>
      came.filter((f) => f.numberId === night && backOf(f.at) >= from && backOf(f.at) < from + 7).length;
    expect(inWeek(38)).toBeGreaterThan(3 * inWeek(46));
  });
  it('have a Tuesday morning on which too few are at the desk, and a fortnight with somebody ill', () => {
    const main = Object.values(system.numbers)[0]!.id;
    const morning = (weekday: number) =>
      came.filter((f) => {
        const { day, minute } = local(f.at);
        return f.numberId === main && day === weekday && minute >= 540 && minute < 660;
      });
    expect(share(morning(2))).toBeGreaterThan(1.15 * share(morning(4)));
    const talks = (from: number, days: number) =>
      came.filter((f) => backOf(f.at) >= from && backOf(f.at) < from + days && f.withIds.includes('idris'))
        .length;
    expect(talks(46, 14)).toBeGreaterThan(5);
    expect(talks(60, 14)).toBe(0);
  });
  it('leave a list to be answered that a person can go through: most of it was seen to', () => {
    const by = settling(past);
    const open = storyOf(past, system).filter((e) => e.facts.missed && !settledBy(e, by));
    const missed = came.filter((f) => f.missed).length;
    expect(open.length).toBeGreaterThan(10);
    expect(open.length).toBeLessThan(missed * 0.2);
  });
});

it('is nothing for a business whose numbers lead nowhere', () => {
  expect(pastOf('x', { ...system, numbers: {} }, standing, NOW, 7)).toEqual({
    calls: [],
    messages: [],
    texts: [],
  });
});
