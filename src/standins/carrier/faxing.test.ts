/** Faxes go page by page, and fail as real ones do. */
import { expect, it } from 'vitest';
import { Fax, faxFateOf, faxStandingOf, type FaxHabit } from './faxing';

const fax = (pages: number, habit?: FaxHabit): Fax => ({
  id: 'f',
  way: 'out',
  from: '+13605550142',
  to: '+12065550134',
  at: 0,
  file: { hash: 'a'.repeat(64), name: 'order.pdf', type: 'application/pdf', size: 1000 },
  pages,
  fate: faxFateOf(pages, habit),
});

it('is called, sent page by page, and there', () => {
  const states = [0, 19_999, 20_000, 39_999, 40_000, 60_000].map((now) => faxStandingOf(fax(2), now));
  expect(states).toEqual([
    { state: 'calling' },
    { state: 'calling' },
    { state: 'sending', page: 1, of: 2 },
    { state: 'sending', page: 1, of: 2 },
    { state: 'sending', page: 2, of: 2 },
    { state: 'sent', at: 60_000 },
  ]);
});
it.each([
  ['busy', 'busy', 0],
  ['no fax there', 'no fax there', 0],
  ['not answered', 'not answered', 0],
  ['breaks off', 'broke off', 2],
] as const)('%s', (habit, why, pages) => {
  expect(faxStandingOf(fax(4, habit), 1e9)).toMatchObject({ state: 'failed', why, pages });
});
it('what breaks off was on its way before', () => {
  expect(faxStandingOf(fax(4, 'breaks off'), 61_000)).toEqual({ state: 'sending', page: 3, of: 4 });
});
it('has pages, and not more than are taken', () => {
  const says = (pages: number) => Fax.safeParse({ ...fax(1), pages }).success;
  expect([0, 1, 100, 101].map(says)).toEqual([false, true, true, false]);
});
