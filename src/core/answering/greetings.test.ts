/** Which greeting plays. */
import { expect, it } from 'vitest';
import { yard } from '../../../tests/fixtures/yard';
import type { Greeting, Mailbox } from '../system';
import { greetingAt, greetingWhenInWords, type Moment } from '.';

const greeting = (id: string, when: Greeting['when'], recordingId: string | null = 'closed'): Greeting => ({
  id,
  when,
  recordingId,
});
const all = [
  greeting('busy', { on: 'occasion', occasion: 'busy' }),
  greeting('lunch', { on: 'period', period: 'Lunch' }),
  greeting('away', { on: 'away' }),
  greeting('suppliers', { on: 'list', listId: 'l' }),
  greeting('christmas', { on: 'dates', from: '2026-12-24', to: '2026-12-26' }),
];
const mailbox: Mailbox = { ...yard().mailboxes.front!, greetings: all };
const at = (change: Partial<Moment>, box = mailbox) =>
  greetingAt(box, { date: '2026-11-24', occasion: 'not answered', listIds: [], away: false, ...change })?.id;

it('is the usual one where nothing fits', () => {
  expect(at({})).toBeUndefined();
  expect(at({ period: 'Open' })).toBeUndefined();
});
it('is what was set for some days before all else, from the first to the last of them', () => {
  const everything = { occasion: 'busy' as const, period: 'Lunch', away: true, listIds: ['l'] };
  expect(
    ['2026-12-23', '2026-12-24', '2026-12-26', '2026-12-27'].map((date) => at({ ...everything, date })),
  ).toEqual(['suppliers', 'christmas', 'christmas', 'suppliers']);
});
it('then goes by who calls, who is away, the period, and why nobody answers', () => {
  expect(at({ occasion: 'busy', period: 'Lunch', away: true })).toBe('away');
  expect(at({ occasion: 'busy', period: 'Lunch' })).toBe('lunch');
  expect(at({ occasion: 'busy' })).toBe('busy');
});
it('is never one that has no recording', () => {
  const silent = { ...mailbox, greetings: [greeting('busy', { on: 'occasion', occasion: 'busy' }, null)] };
  expect(at({ occasion: 'busy' }, silent)).toBeUndefined();
});
it('is said in words', () => {
  expect(all.map((g) => greetingWhenInWords(g.when, yard()))).toEqual([
    'when all are on calls',
    'during Lunch',
    'while everybody who hears it is away',
    'for callers on the list since removed',
    'from Thu 24 Dec 2026 to Sat 26 Dec 2026',
  ]);
});
