import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { estimated, logged, WEEKS_A_MONTH } from '.';
import { Behaviour, rehearse } from '../calls';
import { unansweredCall } from '../coverage';
import { momentOf } from '../hours';

const system = yard();
const standing = allOn(system);
const zone = 'America/Los_Angeles';
const week = [momentOf(zone, '2026-11-23', 0), momentOf(zone, '2026-11-30', 0)] as const;
const use = (id: string, of = system) => estimated(of, standing, of.numbers[id]!, 10, 3, week);

describe('minutes from rehearsals', () => {
  it('count calls that an outside phone takes: ten a week of three minutes', () => {
    // The night watch rings Tomas's own mobile at all hours.
    expect(use('night').forwarded).toBeCloseTo(10 * 3 * WEEKS_A_MONTH, 6);
    expect(use('night').tollFree).toBe(0);
  });
  it('count nothing where people of the system answer', () => {
    expect(use('rosa-number')).toEqual({ tollFree: 0, forwarded: 0 });
  });
  it('count a toll-free number’s whole call, ringing included', () => {
    const tollFree = edited(system, [{ do: 'number.set', id: 'rosa-number', change: { kind: 'toll-free' } }]);
    // A desk phone sounds at once and is answered after 6 s; then three minutes of talk.
    expect(use('rosa-number', tollFree).tollFree).toBeCloseTo(10 * (186 / 60) * WEEKS_A_MONTH, 6);
  });
});

it('minutes from the log are carried forward to a month', () => {
  const behaviour = Behaviour.parse({ otherwise: { does: 'answers', after: 6 }, caller: { talks: 120 } });
  const number = system.numbers.night!;
  const call = rehearse(system, standing, { ...unansweredCall(number, week[0]), behaviour });
  expect(logged(system, number, [call, call], 10).forwarded).toBeCloseTo((2 * 2 * (365 / 12)) / 10, 6);
  expect(logged(system, number, [], 30)).toEqual({ tollFree: 0, forwarded: 0 });
});
