import { describe, expect, it } from 'vitest';
import { Yard, toPerson } from '../../../../tests/fixtures/talk';
import { timesOf } from './times';

describe('how long what took', () => {
  it('is ringing from the first phone that sounded, talking from the answer, and what of it was held', () => {
    const yard = new Yard().customerTalksToRosa();
    yard.at(10).does('a', { kind: 'hold', phone: 'rosa-desk' });
    yard.at(25).does('a', { kind: 'take back', phone: 'rosa-desk' });
    yard.at(43).does('a', { kind: 'hang up', by: 'caller' });
    expect(timesOf(yard.call('a').trace)).toEqual({ rang: 3, waited: 0, talked: 40, held: 15 });
  });
  it('a hold ends with the call, and with handing it on', () => {
    const yard = new Yard().customerTalksToRosa();
    yard.at(10).does('a', { kind: 'hold', phone: 'rosa-desk' });
    yard.at(20).does('a', { kind: 'hang up', by: 'caller' });
    expect(timesOf(yard.call('a').trace).held).toBe(10);
  });
  it('nobody who was not answered talked', () => {
    const yard = new Yard().calls('a', toPerson('idris')).at(90);
    expect(timesOf(yard.call('a').trace)).toMatchObject({ talked: 0, held: 0 });
    expect(timesOf([])).toEqual({ rang: 0, waited: 0, talked: 0, held: 0 });
  });
});
