/** Lines of others on a phone: of people and of numbers. RFC 5359 has no such service; what holds is common practice. */
import { describe, expect, it } from 'vitest';
import { CUSTOMER, Yard } from '../../../tests/fixtures/talk';
import { ROSA_DIRECT } from '../../../tests/fixtures/yard';
import { lineOf } from '../calls';
import type { Phone } from '../system';
import { callsOf } from './calls';
import { linesOf } from './lines';

/** Pia's phone with lines on it. */
const withLines = (lines: Phone['lines']) =>
  new Yard([{ do: 'phone.set', id: 'pia-web', change: { lines } }]);
const ofRosa = () => withLines({ personIds: ['rosa'], numberIds: [] });
const seen = (yard: Yard, phoneId = 'pia-web') =>
  linesOf([...yard.engine.calls.values()], phoneId, yard.system).map(({ is, by, who, take }) => ({
    is,
    by,
    who,
    take: take?.act ?? null,
  }));
const direct = (yard: Yard) =>
  withLines({
    personIds: [],
    numberIds: [Object.values(yard.system.numbers).find((n) => n.e164 === ROSA_DIRECT)!.id],
  });

describe('the line of a colleague', () => {
  it('says who calls while it may be answered, and nothing of who they talk with', () => {
    const yard = ofRosa();
    expect(seen(yard)).toEqual([{ is: 'free', by: '', who: '', take: null }]);
    yard.place('a', { to: { kind: 'number', e164: ROSA_DIRECT } }).at(3);
    expect(seen(yard)).toMatchObject([{ is: 'rings', who: '(206) 555-0187', take: 'pick up' }]);
    yard.does('a', { kind: 'answer', phone: 'rosa-desk' });
    expect(seen(yard)).toEqual([{ is: 'talks', by: '', who: '', take: null }]);
  });

  it('is answered there, although they share no group', () => {
    const without = new Yard().place('a', { to: { kind: 'number', e164: ROSA_DIRECT } }).at(3);
    const alone = without.does('a', { kind: 'pick up', phone: 'pia-web' });
    expect(alone.of('a', 'not done')).toMatchObject([{ why: 'nobody you share a group with is rung' }]);
    const yard = ofRosa()
      .place('a', { to: { kind: 'number', e164: ROSA_DIRECT } })
      .at(3);
    yard.does('a', { kind: 'pick up', phone: 'pia-web' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
  });

  it('is taken back from hold by either, and only then', () => {
    const yard = ofRosa().customerTalksToRosa().at(10).does('a', { kind: 'take over', phone: 'pia-web' });
    expect(yard.of('a', 'not done')).toMatchObject([{ phone: 'pia-web', why: 'not in this call' }]);
    yard.at(12).does('a', { kind: 'hold', phone: 'rosa-desk' });
    expect(seen(yard)).toMatchObject([{ is: 'held', who: '(206) 555-0187', take: 'take over' }]);
    yard.at(20).does('a', { kind: 'take over', phone: 'pia-web' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    expect(yard.of('a', 'joins')).toMatchObject([{ phone: 'pia-web', how: 'from the line' }]);
    expect([...yard.engine.onCall.keys()]).toEqual(['pia-web']);
    // Who took it is reminded of what they hold, and it comes back to them.
    yard.at(25).does('a', { kind: 'hold', phone: 'pia-web' }).at(86);
    expect(yard.of('a', 'hold reminder')).toMatchObject([{ phone: 'pia-web', t: 85_000 }]);
  });

  it('what they ask somebody about meanwhile is not taken out of their hands', () => {
    const yard = ofRosa().customerTalksToRosa().at(10);
    yard.calls('b', { to: 'person', personId: 'idris' }, { callId: 'a', as: 'a word' });
    yard.at(12).does('a', { kind: 'take over', phone: 'pia-web' });
    expect(yard.of('a', 'not done')).toMatchObject([{ why: 'somebody is asked about it' }]);
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
  });
});

describe('the line of a number', () => {
  const shared = () => direct(new Yard());

  it('says who of ours talks on it and holds on it', () => {
    const yard = shared().customerTalksToRosa().at(10);
    expect(seen(yard)).toEqual([{ is: 'talks', by: 'Rosa Delgado', who: '', take: null }]);
    yard.does('a', { kind: 'hold', phone: 'rosa-desk' });
    expect(seen(yard)).toMatchObject([{ is: 'held', by: 'Rosa Delgado', take: 'take over' }]);
    yard.at(14).does('a', { kind: 'take over', phone: 'pia-web' });
    expect(seen(yard)).toEqual([{ is: 'talks', by: 'you', who: '', take: null }]);
  });

  it('is the one a call out shows', () => {
    const yard = shared().place('o', {
      from: { kind: 'phone', phoneId: 'rosa-desk' },
      to: { kind: 'digits', digits: CUSTOMER },
      shows: ROSA_DIRECT,
    });
    const { numbers } = yard.system;
    const on = numbers[lineOf(yard.call('o'), yard.system) ?? ''];
    expect(on?.e164).toBe(ROSA_DIRECT);
  });

  it('what was passed on and nobody takes comes back to the holder, then rings at the others, then goes on', () => {
    const yard = shared().customerTalksToRosa().at(10);
    yard.does('a', { kind: 'park', phone: 'rosa-desk' }).at(130);
    expect(yard.ringing).toEqual(['rosa-app a', 'rosa-desk a']);
    yard.at(151);
    expect(yard.ringing).toEqual(['pia-web a']);
    expect(yard.of('a', 'on the line')).toMatchObject([{ t: 150_000 }]);
    const [rung] = callsOf([...yard.engine.calls.values()], 'pia-web', yard.system);
    expect(rung).toMatchObject({ ahead: 'Back from where it was parked: not fetched.', passedBy: null });
    const taken = yard.at(155).does('a', { kind: 'answer', phone: 'pia-web' });
    expect(taken.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    const late = shared().customerTalksToRosa().at(10);
    late.does('a', { kind: 'park', phone: 'rosa-desk' }).at(171);
    expect(late.of('a', 'greeting started')).toMatchObject([{ mailboxId: 'rosa-box', t: 170_000 }]);
  });
});
