/** What becomes of a call to a number that is not, or not yet, or no longer the business's, and of what is dialled. */
import { expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { nobodyAnswers, outcomeOf, rehearse, type CallRequest } from '..';

const system = yard();
const standing = allOn(system);
const call = (to: CallRequest['to'], change: Partial<CallRequest> = {}): CallRequest => ({
  id: 'a',
  at: 10_000,
  from: { kind: 'outside', number: '+12065550187' },
  to,
  behaviour: nobodyAnswers(),
  ...change,
});
const number = (e164: string) => ({ kind: 'number', e164 }) as const;
const ends = (request: CallRequest, on = standing, of = system) =>
  outcomeOf(rehearse(of, on, request))!.outcome;
const GIVEN_BACK = '+13605550199';

it('a number given back says so, and where the business is now, for as long as it is said', () => {
  const told = { ...standing, intercepts: { [GIVEN_BACK]: { referTo: MAIN, until: 20_000 } } };
  expect(ends(call(number(GIVEN_BACK)), told)).toEqual({ kind: 'given back', referTo: MAIN });
  expect(ends(call(number(GIVEN_BACK), { at: 19_999 }), told)).toMatchObject({ kind: 'given back' });
  for (const at of [20_000, 20_001])
    expect(ends(call(number(GIVEN_BACK), { at }), told)).toEqual({
      kind: 'not in service',
      why: 'unknown number',
    });
  expect(ends(call(number('+13605550198')), told)).toMatchObject({ why: 'unknown number' });
});

it('a number on its way is with the provider it comes from until it has arrived', () => {
  const coming = (at: number | null) => ({ ...standing, arrivals: { [MAIN]: at } });
  expect(ends(call(number(MAIN)), coming(null))).toEqual({ kind: 'not moved yet' });
  expect(ends(call(number(MAIN)), coming(10_001))).toEqual({ kind: 'not moved yet' });
  expect(ends(call(number(MAIN)), coming(10_000)).kind).toBe('message');
});

it('a number without a plan, or with one that is gone, is not in service', () => {
  const none = edited(system, [{ do: 'number.set', id: 'main', change: { planId: null } }]);
  expect(ends(call(number(MAIN)), standing, none)).toEqual({ kind: 'not in service', why: 'no plan' });
});

it('services of a country go out as they are dialled, behind the digit for an outside line where there is one', () => {
  // 111 and 101 in the United Kingdom (Ofcom National Telephone Numbering Plan); from memory.
  const british = edited(system, [{ do: 'business.set', change: { country: 'GB', outsideDigit: '9' } }]);
  const from = { from: { kind: 'phone', phoneId: 'rosa-desk' } } as const;
  const dial = (digits: string) => ends(call({ kind: 'digits', digits }, from), standing, british);
  expect(dial('9111')).toEqual({ kind: 'went out', number: '111' });
  expect(dial('111')).toEqual({ kind: 'not in service', why: 'nothing dialled' });
  expect(dial('9117')).toMatchObject({ kind: 'not in service' });
});

it('nobody outside dials an extension', () => {
  expect(ends(call({ kind: 'digits', digits: '911' })).kind).toBe('emergency');
  expect(ends(call({ kind: 'digits', digits: '*78' }))).toMatchObject({
    kind: 'feature',
    refused: 'this phone belongs to nobody',
  });
});
