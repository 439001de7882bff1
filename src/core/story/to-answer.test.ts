/** Everybody who waits stands once, whatever they did, the longest first. */
import { expect, it } from 'vitest';
import { yard, MAIN, NIGHT } from '../../../tests/fixtures/yard';
import { conversations } from './conversations';
import { toAnswer } from './to-answer';

const ADA = '+12065550101';
const BO = '+12065550102';
const called = (number: string, since: number, assignedTo?: string) => ({
  number,
  since,
  last: since,
  tries: 1,
  asked: false,
  assignedTo,
  callIds: ['c'],
  messageIds: [],
});
const wrote = (from: string, at: number, to = MAIN) => ({
  id: `t${at}`,
  way: 'in' as const,
  from,
  to,
  text: 'x',
  at,
});

it('faxes that nobody has seen to wait as well', () => {
  const fax = {
    id: 'f',
    way: 'in' as const,
    from: BO,
    to: MAIN,
    at: 3,
    pages: 1,
    file: { name: 'a.pdf', type: 'application/pdf', size: 1, hash: 'x' },
  };
  const all = [fax, { ...fax, id: 'g', answeredAt: 5 }, { ...fax, id: 'h', folder: 'archive' }];
  const waiting = toAnswer([called(BO, 7)], [], [...all, { ...fax, id: 'out', way: 'out' as const }]);
  expect(waiting.map((w) => [w.number, w.since, w.faxes.map((f) => f.id)])).toEqual([[BO, 3, ['f']]]);
});

it('calls and texts of the same number are one; those that were answered are none', () => {
  const texts = [
    wrote(ADA, 5),
    wrote(ADA, 9, NIGHT),
    wrote(BO, 1),
    { ...wrote(BO, 2), way: 'out' as const, from: MAIN, to: BO },
  ];
  const all = toAnswer([called(ADA, 7, 'rosa'), called('+12065550103', 6)], conversations(texts, [], yard()));
  expect(
    all.map((w) => [w.number, w.since, w.last, w.texts.length, w.callBack?.tries, w.assignedTo]),
  ).toEqual([
    [ADA, 5, 9, 2, 1, 'rosa'],
    ['+12065550103', 6, 6, 0, 1, undefined],
  ]);
});
