/** What visitors ask for by a call button, as it is stored: a task with their number, a time that nobody else has, at a pace. */
import { expect, it } from 'vitest';
import { freeTimes } from '../../core/booking';
import { askCallBack, askedOf, bookVisit } from '..';
import { becomes, begin, later, NOW, now, stored, w } from '../../../tests/fixtures/stored';

stored(() => begin({ texts: [], threads: [] }));
const button = () => w.system.buttons['site-button']!;
let asked = 0;
const ask = (change = {}, day: string | null = null) =>
  askCallBack(
    w,
    w.system,
    button(),
    { name: 'Ada <i>', number: '206 555 0101', visitor: 'v1', ...change },
    day,
    `ask-${++asked}`,
  );

it('a call back is a task for whoever does that, with the number as it is dialled, today or on a day', async () => {
  expect(await ask()).toEqual({ ok: true });
  expect(await ask({}, '2026-11-30')).toEqual({ ok: true });
  expect(w.view.tasks.map((t) => [t.text, t.personId, t.other, t.by])).toEqual([
    [
      'Call back Ada <i>, who asked for it on the site (Button on the site)',
      'idris',
      '+12065550101',
      '2026-11-24',
    ],
    [
      'Call back Ada <i>, who asked for it on the site (Button on the site)',
      'idris',
      '+12065550101',
      '2026-11-30',
    ],
  ]);
  becomes(NOW + 12 * 3_600_000);
  await ask({ visitor: 'v2' });
  // At night nobody calls today any more.
  expect(w.view.tasks.at(-1)!.by).toBe('2026-11-25');
});

it.each<[string, object, string | null, string]>([
  ['no name', { name: ' ' }, null, 'name'],
  ['a name without end', { name: 'x'.repeat(81) }, null, 'name'],
  ['no number', { number: 'soon' }, null, 'number'],
  ['a day gone by', {}, '2026-11-23', 'day'],
  ['a day in years', {}, '2028-01-01', 'day'],
])('%s is said beside its field, and nothing is stored', async (_, change, day, field) => {
  expect(await ask(change, day)).toMatchObject({ ok: false, field });
  expect(w.view.tasks).toEqual([]);
});

it('whoever asks again and again is told to call', async () => {
  for (let i = 0; i < 3; i++) await ask();
  expect(await ask()).toMatchObject({
    ok: false,
    message: expect.stringContaining('several times') as string,
  });
  expect(w.view.tasks).toHaveLength(3);
  later(3_700_000);
  expect((await ask()).ok).toBe(true);
});

it('two visitors who choose the same time: one has it, with a code, and the other is told', async () => {
  const from = freeTimes(askedOf(w.system, 'slipway', [], now)!, now, Infinity, 1)[0]!;
  const book = (visitor: string) =>
    bookVisit(
      w,
      w.system,
      button(),
      { name: visitor, number: '206 555 0102', visitor },
      from,
      `book-${visitor}`,
    );
  const both = await Promise.all([book('a'), book('b')]);
  expect(both.filter((b) => b.ok)).toHaveLength(1);
  expect(w.view.bookings.filter((b) => b.state === 'booked')).toMatchObject([
    { from, made: 'site', number: '+12065550102' },
  ]);
  expect(await book('c')).toMatchObject({ ok: false, field: 'from' });
});
