/** The invented past: real calls as the engine makes them, the same each time, over before now. */
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { CallRecord, MessageRecord } from '../../workspace';
import { settling, storyOf, tester, ANY } from '../../core/story';
import { pastOf } from './past';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const { standing } = whole.standing;
const week = pastOf(DEMO_ID, system, standing, NOW, 7);

describe('a week of calls', () => {
  it('is as many as a small business has, in and out, and all of it is over', () => {
    expect(week.calls.length).toBeGreaterThan(100);
    expect(week.calls.length).toBeLessThan(260);
    expect(week.calls.every((c) => c.at < NOW && c.trace.at(-1)!.kind === 'ended')).toBe(true);
    expect(week.calls.some((c) => c.request.from.kind === 'phone')).toBe(true);
    expect(week.messages.length).toBeGreaterThan(5);
  });
  it('is what storage takes, with nobody’s behaviour left in it', () => {
    for (const call of week.calls) expect(CallRecord.parse(call).request.behaviour).toBeNull();
    for (const message of week.messages) MessageRecord.parse(message);
  });
  it('is the same each time, and a longer past has it at its end', () => {
    expect(pastOf(DEMO_ID, system, standing, NOW, 7)).toEqual(week);
    const ids = new Set(pastOf(DEMO_ID, system, standing, NOW, 9).calls.map((c) => c.id));
    expect(week.calls.every((c) => ids.has(c.id))).toBe(true);
  });
  it('has some whom nobody has called back, and more whom somebody has', () => {
    const kept = { ...week, texts: [] };
    const by = settling(kept);
    const of = (view: 'missed' | 'not called back') =>
      storyOf(kept, system).filter(tester({ ...ANY, view }, by, () => [0, 0], system)).length;
    expect(of('missed')).toBeGreaterThan(of('not called back'));
    expect(of('not called back')).toBeGreaterThan(0);
  });
  it('calls from numbers kept for fiction', () => {
    for (const { request } of week.calls)
      if (request.from.kind === 'outside' && request.from.number)
        expect(request.from.number).toMatch(/^\+1\d{3}55501\d\d$/);
  });
});

it('is nothing for a business whose numbers lead nowhere', () => {
  expect(pastOf('x', { ...system, numbers: {} }, standing, NOW, 7)).toEqual({ calls: [], messages: [] });
});
