import { expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { settle, type Setting, type Standing } from '../../system';
import { findingsOf } from '..';

const DAY = 86_400_000;
const NOW = Date.parse('2026-11-24T18:00:00Z');
const system = yard();
const found = (settings: Setting[], daysAgo: number, of = system) => {
  const stamp = { at: NOW - daysAgo * DAY, by: 'Rosa Delgado · Desk phone' };
  const standing = settings.reduce<Standing>((s, x) => settle(s, x, stamp, of).standing, allOn(of));
  return findingsOf({ system: of, standing, today: '2026-11-24', now: NOW, freshId: () => 'x' });
};
const titles = (...args: Parameters<typeof found>) => found(...args).map((f) => f.title);
const dnd = (until: number | null): Setting => ({
  kind: 'do not disturb',
  personId: 'rosa',
  on: true,
  until,
});
const always = (personId: string, to: string): Setting => ({
  kind: 'person',
  personId,
  values: { always: { to: 'person', personId: to } },
});

it('tells of do not disturb and forwarding that were probably forgotten, with who set them', () => {
  expect(titles([dnd(null)], 4)).toContain('Rosa Delgado has not wanted to be disturbed for 4 days');
  expect(titles([dnd(null)], 2).join()).not.toContain('not to be disturbed');
  expect(titles([dnd(NOW + DAY)], 4).join()).not.toContain('not to be disturbed');
  const forward = found([always('rosa', 'pia')], 5).find((f) => f.id === 'forgotten-forward:rosa')!;
  expect(forward.title).toBe('Rosa Delgado has sent all calls on for 5 days');
  expect(forward.detail).toBe('To Pia Lindqvist (203), set by Rosa Delgado · Desk phone.');
});

it('a circle that people made themselves is told, and is theirs to take back', () => {
  const loop = found([always('rosa', 'pia'), always('pia', 'rosa')], 0).find((f) =>
    f.id.startsWith('forward-loop'),
  )!;
  expect(loop.title).toContain('send their calls to each other');
  expect(loop.fix).toBeUndefined();
});

it('a linked phone that its owner lets lift calls can swallow them', () => {
  const lift: Setting = { kind: 'phone', phoneId: 'tomas-cell', values: { confirmByKey: false } };
  const swallowed = found([lift], 0).find((f) => f.id.startsWith('swallowed'))!;
  expect(swallowed.title).toBe('Own mobile can swallow calls to Night watch');
  expect(swallowed.fix).toBeUndefined();
});

it('calls nobody wants must have the mailbox they are to go to', () => {
  const unwanted = { blocked: 'mailbox' as const, suspected: 'as anybody' as const, mailboxId: null };
  const without = edited(system, [{ do: 'business.set', change: { unwanted } }]);
  expect(titles([], 0, without)).toContain('Calls nobody wants have no mailbox');
  const chosen = edited(without, [
    { do: 'business.set', change: { unwanted: { ...unwanted, mailboxId: 'front' } } },
  ]);
  expect(titles([], 0, chosen)).not.toContain('Calls nobody wants have no mailbox');
});
