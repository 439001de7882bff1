/** Listening while a message is left, and taking the call. Common practice, no source. */
import { describe, expect, it } from 'vitest';
import { Yard } from '../../../../tests/fixtures/talk';
import { ROSA_DIRECT } from '../../../../tests/fixtures/yard';
import { hears, outcomeOf, soundEnds } from '..';

/** A customer speaks after the tone of Rosa's mailbox. */
const speaking = () => {
  const yard = new Yard().place('a', { to: { kind: 'number', e164: ROSA_DIRECT } });
  while (yard.phase('a') !== 'message') yard.at(yard.now + 1);
  return yard;
};
const heard = (yard: Yard) => {
  const ends = soundEnds(yard.call('a'));
  return ends.map((e) => `${e.phone}: ${hears(e, ends)}`);
};

describe('listening in', () => {
  it('whoever hears the mailbox hears the caller, who hears nothing of it', () => {
    const yard = speaking().does('a', { kind: 'listen in', phone: 'rosa-desk' });
    expect(heard(yard)).toEqual(['caller: nothing', 'rosa-desk: the others']);
    expect(yard.engine.onCall.size).toBe(0);
    expect(heard(yard.does('a', { kind: 'listen no longer', phone: 'rosa-desk' }))).toEqual([]);
  });

  it('nobody else does, nor before the tone', () => {
    const yard = speaking().does('a', { kind: 'listen in', phone: 'pia-web' });
    expect(yard.of('a', 'not done')).toMatchObject([{ phone: 'pia-web', why: 'not your mailbox' }]);
    yard.does('a', { kind: 'pick up', phone: 'pia-web' });
    expect(yard.phase('a')).toBe('message');
    const early = new Yard().place('a', { to: { kind: 'number', e164: ROSA_DIRECT } }).at(3);
    early.does('a', { kind: 'listen in', phone: 'rosa-desk' });
    expect(early.of('a', 'not done')).toMatchObject([{ why: 'nobody leaves a message there' }]);
  });

  it('takes the call; what was said until then is kept, what was hardly anything is not', () => {
    const yard = speaking();
    const since = yard.now;
    yard.does('a', { kind: 'listen in', phone: 'rosa-desk' }).at(since + 7);
    yard.does('a', { kind: 'pick up', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    expect(yard.of('a', 'recorded')).toMatchObject([{ mailboxId: 'rosa-box' }]);
    expect(yard.of('a', 'recorded')[0]!.seconds).toBeGreaterThanOrEqual(6);
    yard.at(since + 40).does('a', { kind: 'hang up', by: 'caller' });
    expect(outcomeOf(yard.call('a').trace)?.outcome).toMatchObject({ kind: 'answered', personId: 'rosa' });
    const soon = speaking().does('a', { kind: 'pick up', phone: 'rosa-desk' });
    expect(soon.phase('a')).toBe('talking');
    expect(soon.of('a', 'recorded')).toEqual([]);
  });
});
