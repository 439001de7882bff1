import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { billOf, fixedLines, minutesOf, totals } from '.';
import { Behaviour, rehearse } from '../calls';
import { unansweredCall } from '../coverage';
import { momentOf } from '../hours';

const system = edited(yard(), [{ do: 'number.set', id: 'rosa-number', change: { currency: 'CAD' } }]);
const standing = allOn(system);
const zone = 'America/Los_Angeles';
const week = [momentOf(zone, '2026-11-23', 0), momentOf(zone, '2026-11-30', 0)] as const;
const tariff = { person: 1400, tollFreeMinute: 3, forwardedMinute: 2 };
const minutes = Object.values(system.numbers).map((number, i) => ({
  number,
  used: { tollFree: i === 0 ? 100 : 0.4, forwarded: 0 },
}));

it('has a line for each number, one for people, one for each kind of minutes', () => {
  const bill = billOf(system, tariff, minutes);
  expect(bill.map((l) => [l.what, l.cents, l.currency])).toEqual([
    ['number', 400, 'USD'],
    ['number', 400, 'CAD'],
    ['number', 400, 'USD'],
    ['people', 4 * 1400, 'USD'],
    // Minutes as they are shown, whole, times three cents: 100; a number with next to none is not named.
    ['tollFree', 300, 'USD'],
    ['forwarded', 0, 'USD'],
  ]);
  expect(bill[4]).toMatchObject({ minutes: [{ number: { id: 'main' } }] });
  expect(fixedLines(system, tariff)).toEqual(bill.slice(0, 4));
});

it('comes to a sum in each currency', () => {
  expect(totals(fixedLines(system, tariff))).toEqual([
    { cents: 6400, currency: 'USD' },
    { cents: 400, currency: 'CAD' },
  ]);
  expect(totals([])).toEqual([]);
});

describe('minutes', () => {
  const night = system.numbers.night!;
  const behaviour = Behaviour.parse({ otherwise: { does: 'answers', after: 6 }, caller: { talks: 120 } });
  const called = (at: number) => {
    const request = { ...unansweredCall(night, at), behaviour };
    return { at, request, trace: rehearse(system, standing, request) };
  };
  const day = 86_400_000;
  const of = (log: ReturnType<typeof called>[]) =>
    minutesOf(system, standing, log, week, { calls: 20, talk: 3 });
  it('are assumed as long as the log has few calls', () => {
    const few = of(Array.from({ length: 9 }, () => called(week[0] - day)));
    expect(few).toMatchObject({ fromLog: false, calls: 9 });
    expect(few.minutes.find((m) => m.number.id === 'night')!.used.forwarded).toBeCloseTo(60 * (365 / 84), 3);
  });
  it('are those of the log over the days it covers, and what is older than thirty is left out', () => {
    const log = [called(week[0] - 40 * day), ...Array.from({ length: 10 }, () => called(week[0] - 9 * day))];
    const many = of(log);
    expect(many).toMatchObject({ fromLog: true, calls: 10 });
    // Ten calls of two minutes in ten days.
    expect(many.minutes.find((m) => m.number.id === 'night')!.used.forwarded).toBeCloseTo(2 * (365 / 12), 3);
    expect(many.minutes.find((m) => m.number.id === 'main')!.used.forwarded).toBe(0);
  });
});
