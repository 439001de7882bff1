/** Calls out that cost: who may call where, how long it can be paid for, and calls that look like fraud. */
import { describe, expect, it } from 'vitest';
import { TEN, toPerson, Yard } from '../../../../tests/fixtures/talk';
import { classOf } from '../../numbering';
import { settle, type CallsOut, type Command, type Rates, type Setting } from '../../system';
import { costOf, metered } from '../rules/meter';

const PARIS = '+33199001234';
const HOME = '+12065550134';
const RATES: Rates = { inland: 2, premium: 150, abroad: { FR: 10 }, elsewhere: 50 };
const rules = (change: Partial<CallsOut>): Command => ({
  do: 'business.set',
  change: {
    callsOut: {
      abroadFor: 'everybody',
      countries: 'all',
      premiumFor: [],
      dailyCents: null,
      guard: null,
      ...change,
    },
  },
});
const withRates = (...commands: Command[]): Yard => {
  const yard = new Yard(commands);
  yard.engine.rates = RATES;
  return yard.at(0);
};
const set = (yard: Yard, setting: Setting) => {
  const stamp = { at: yard.engine.now, by: 'Rosa' };
  yard.engine.standing = settle(yard.engine.standing, setting, stamp, yard.engine.document).standing;
};
const out = (yard: Yard, id: string, number = PARIS, phone = 'rosa-desk') =>
  yard.calls(id, { to: 'outside', number }, undefined, phone);
/** Somebody calls a number, is answered after 8 s, and talks for so long. */
const talks = (yard: Yard, id: string, seconds: number, number = PARIS, phone = 'rosa-desk') => {
  out(yard, id, number, phone)
    .at(yard.now + 8)
    .does(id, { kind: 'answer', phone: `outside:${number}` })
    .at(yard.now + seconds)
    .does(id, { kind: 'hang up', by: 'caller' });
  return yard;
};
const outcome = (yard: Yard, id: string) => yard.of(id, 'ended')[0]?.outcome;

describe('numbers by what they cost', () => {
  // Number ranges: national numbering plans (NANPA; Ofcom; ARCEP), as libphonenumber has them; fiction ranges of ours.
  it.each([
    ['+12065550134', 'US', 'inland'],
    ['+18002345678', 'US', 'free'],
    ['+19002345678', 'US', 'premium'],
    ['+16045550126', 'US', 'abroad'],
    ['+442079460018', 'US', 'abroad'],
    ['+442079460018', 'GB', 'inland'],
    ['+449098790001', 'GB', 'premium'],
    ['+33199001234', 'US', 'abroad'],
  ])('%s from %s is %s', (e164, home, kind) => {
    expect(classOf(e164, home).kind).toBe(kind);
  });
});

describe('what a call out costs', () => {
  it('is each minute that has begun, from the answer on, and nothing where nobody answered', () => {
    const yard = talks(withRates(), 'a', 61);
    expect(metered(yard.call('a').trace)).toEqual([{ number: PARIS, seconds: 61 }]);
    expect(costOf(yard.call('a').trace, RATES, 'US')).toBe(20);
    out(yard, 'b').at(yard.now + 90);
    expect(costOf(yard.call('b').trace, RATES, 'US')).toBe(0);
    expect(yard.engine.memory.spent).toMatchObject({ cents: 20, people: { rosa: { cents: 20 } } });
  });
  it('goes on while the other side is handed on, and calls in cost nothing', () => {
    const yard = withRates().customerTalksToRosa();
    yard.at(60).does('a', { kind: 'hang up', by: 'caller' });
    expect(yard.engine.memory.spent).toBeUndefined();
  });
});

describe('credit', () => {
  it('is said to run out 2 minutes and 1 minute before, and then the call ends', () => {
    const yard = withRates();
    set(yard, { kind: 'credit', cents: 35 });
    out(yard, 'a')
      .at(8)
      .does('a', { kind: 'answer', phone: `outside:${PARIS}` })
      .at(400);
    // 35 cents are three minutes at 10.
    expect(yard.of('a', 'credit').map((e) => [e.minutes, (e.t - 8000) / 1000])).toEqual([
      [2, 60],
      [1, 120],
      [0, 180],
    ]);
    expect(yard.phase('a')).toBe('over');
    out(yard, 'b');
    expect(outcome(yard, 'b')).toEqual({ kind: 'not allowed', why: 'the credit is used up' });
    // At home a minute is two cents, and five are left.
    expect(outcome(out(yard, 'c', HOME), 'c')).toBeUndefined();
  });
  it('runs out all the same where they are passed on, or put together with a caller; the others go on', () => {
    const yard = withRates();
    set(yard, { kind: 'credit', cents: 35 });
    out(yard, 'a')
      .at(8)
      .does('a', { kind: 'answer', phone: `outside:${PARIS}` })
      .at(30);
    yard.does('a', { kind: 'pass on', phone: 'rosa-desk', to: toPerson('pia'), ifNobody: { then: 'back' } });
    yard.at(40).does('a', { kind: 'answer', phone: 'pia-web' }).at(400);
    expect(yard.of('a', 'credit').map((e) => [e.minutes, e.phone, (e.t - 8000) / 1000])).toEqual([
      [2, 'pia-web', 60],
      [1, 'pia-web', 120],
      [0, 'pia-web', 180],
    ]);
    expect(yard.phase('a')).toBe('over');

    const three = withRates().customerTalksToRosa();
    set(three, { kind: 'credit', cents: 25 });
    three.at(10).calls('b', { to: 'outside', number: PARIS }, { callId: 'a', as: 'add' });
    three.at(18).does('b', { kind: 'answer', phone: `outside:${PARIS}` });
    expect(three.heard('a')).toHaveLength(3);
    three.at(200);
    expect(three.of('a', 'credit').map((e) => [e.minutes, e.phone, e.t / 1000])).toEqual([
      [2, 'rosa-desk', 18],
      [1, 'rosa-desk', 78],
      [0, 'rosa-desk', 138],
    ]);
    expect(three.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
  });
  it('counts from when it was put up; no credit is no limit', () => {
    const yard = withRates();
    set(yard, { kind: 'credit', cents: 20 });
    talks(yard, 'a', 100);
    expect(outcome(out(yard, 'b'), 'b')).toMatchObject({ why: 'the credit is used up' });
    set(yard.at(yard.now + 1), { kind: 'credit', cents: 20 });
    expect(outcome(out(yard, 'c'), 'c')).toBeUndefined();
    const free = withRates();
    talks(free, 'a', 3000);
    expect(free.of('a', 'credit')).toEqual([]);
  });
});

describe('the limit of a day', () => {
  it('is each person’s own, and is there again the next day', () => {
    const yard = withRates(rules({ dailyCents: 20 }));
    talks(yard, 'a', 100);
    expect(outcome(out(yard, 'b'), 'b')).toEqual({ kind: 'not allowed', why: 'the limit of the day' });
    expect(outcome(out(yard, 'c', PARIS, 'idris-desk'), 'c')).toBeUndefined();
    yard.at(86_400);
    expect(outcome(out(yard, 'd'), 'd')).toBeUndefined();
  });
});

describe('calls that look like fraud', () => {
  const guarded = (change: object = {}) =>
    withRates(rules({ guard: { calls: 3, seconds: 60, minutes: 60, hoursId: null, ...change } }));
  it('are stopped before the next one, and said to be, until somebody allows them', () => {
    const yard = guarded();
    for (const id of ['a', 'b', 'c']) talks(yard, id, 20);
    expect(outcome(out(yard, 'd'), 'd')).toEqual({ kind: 'not allowed', why: 'it looks like fraud' });
    expect(yard.of('d', 'stopped')).toMatchObject([{ country: 'FR' }]);
    // Stopped stays stopped, also when the hour is over, and is said once.
    yard.at(yard.now + 7200);
    expect(outcome(out(yard, 'e', PARIS, 'idris-desk'), 'e')).toMatchObject({ why: 'it looks like fraud' });
    expect(yard.of('e', 'stopped')).toEqual([]);
    set(yard, { kind: 'allowed again', country: 'FR' });
    expect(outcome(out(yard, 'f'), 'f')).toBeUndefined();
  });
  it('are not those that are long, to several countries, inland, or within the hours', () => {
    const long = guarded();
    for (const id of ['a', 'b', 'c']) talks(long, id, 90);
    expect(outcome(out(long, 'd'), 'd')).toBeUndefined();
    const several = guarded();
    talks(several, 'a', 10);
    talks(several, 'b', 10, '+442079460018');
    talks(several, 'c', 10, '+493023125123');
    expect(outcome(out(several, 'd'), 'd')).toBeUndefined();
    const inland = guarded();
    for (const id of ['a', 'b', 'c']) talks(inland, id, 10, HOME);
    expect(outcome(out(inland, 'd', HOME), 'd')).toBeUndefined();
    const open = guarded({ hoursId: 'office' });
    for (const id of ['a', 'b', 'c']) talks(open, id, 10);
    expect(outcome(out(open, 'd'), 'd')).toBeUndefined();
    open.at(12 * 3600);
    for (const id of ['e', 'f', 'g']) talks(open, id, 10);
    expect(outcome(out(open, 'h'), 'h')).toMatchObject({ why: 'it looks like fraud' });
  });
  it('never end a call under way', () => {
    const yard = guarded();
    out(yard, 'long')
      .at(8)
      .does('long', { kind: 'answer', phone: `outside:${PARIS}` });
    for (const id of ['a', 'b', 'c', 'd']) talks(yard, id, 10, PARIS, 'idris-desk');
    expect(outcome(yard, 'd')).toMatchObject({ why: 'it looks like fraud' });
    expect(yard.phase('long')).toBe('talking');
  });
});

it('help and colleagues are called whatever is used up', () => {
  const yard = withRates(rules({ abroadFor: [], dailyCents: 0 }));
  set(yard, { kind: 'credit', cents: 0 });
  const dials = (id: string, digits: string) =>
    yard.place(id, { from: { kind: 'phone', phoneId: 'rosa-desk' }, to: { kind: 'digits', digits } });
  dials('help', '911');
  expect(outcome(yard, 'help')).toEqual({ kind: 'emergency', number: '911' });
  dials('inside', '202').at(3);
  expect(yard.phase('inside')).toBe('ringing');
  expect(yard.engine.now).toBe(TEN + 3000);
});
