/** Ring when free: after RFC 5359, section 2.17 (automatic redial), from memory. */
import { describe, expect, it } from 'vitest';
import { TEN, toPerson, Yard } from '../../../../tests/fixtures/talk';
import { settle } from '../../system';
import { CallEngine } from './engine';

/** Idris talks with a customer; Pia has found him busy, and wants to be rung when he is free. */
function wanted(): Yard {
  const yard = new Yard([{ do: 'person.set', id: 'idris', change: { callWaiting: false } }]);
  yard
    .calls('first', toPerson('idris'), undefined, 'rosa-desk')
    .at(3)
    .does('first', { kind: 'answer', phone: 'idris-desk' })
    .at(5);
  yard.engine.act(TEN + 5000, { kind: 'ring when free', id: 'w', phone: 'pia-web', personId: 'idris' });
  return yard.at(6);
}

describe('whoever found a colleague busy', () => {
  it('is rung as soon as both are free, and on lifting calls them', () => {
    const yard = wanted().at(60);
    expect(yard.ringing).toEqual([]);
    yard.does('first', { kind: 'hang up', by: 'caller' }).at(61);
    expect(yard.ringing).toEqual(['pia-web w-1']);
    yard.does('w-1', { kind: 'answer', phone: 'pia-web' }).at(64);
    expect(yard.ringing.every((r) => r.startsWith('idris'))).toBe(true);
    yard.does('w-1', { kind: 'answer', phone: 'idris-desk' });
    expect(yard.phase('w-1')).toBe('talking');
    yard.does('w-1', { kind: 'hang up', by: 'caller' }).at(200);
    expect(yard.engine.memory.wants).toEqual([]);
  });

  it('is not called while they are on a call themselves', () => {
    const yard = wanted();
    yard.calls('own', toPerson('tomas'), undefined, 'pia-web').at(10);
    yard.does('first', { kind: 'hang up', by: 'caller' }).at(14);
    expect(yard.engine.calls.has('w-1')).toBe(false);
    yard.does('own', { kind: 'hang up', by: 'caller' }).at(16);
    expect(yard.ringing).toEqual(['pia-web w-1']);
  });

  it('who does not lift is left alone: it is over after 20 s', () => {
    const yard = wanted();
    yard.does('first', { kind: 'hang up', by: 'caller' }).at(120);
    expect(yard.of('w-1', 'ended')).toMatchObject([{ outcome: { kind: 'not lifted' } }]);
    expect(yard.engine.memory.wants).toEqual([]);
    expect(yard.engine.calls.has('w-2')).toBe(false);
  });

  it('waits on where the other was busy again by the time it was lifted', () => {
    const yard = wanted().at(60);
    yard.does('first', { kind: 'hang up', by: 'caller' }).at(61);
    yard
      .calls('second', toPerson('idris'), undefined, 'rosa-desk')
      .at(63)
      .does('second', { kind: 'answer', phone: 'idris-desk' });
    yard.does('w-1', { kind: 'answer', phone: 'pia-web' }).at(64);
    yard.does('w-1', { kind: 'hang up', by: 'caller' }).at(66);
    expect(yard.engine.memory.wants).toMatchObject([{ id: 'w', callId: null }]);
    yard.does('second', { kind: 'hang up', by: 'caller' }).at(68);
    expect(yard.ringing).toEqual(['pia-web w-2']);
  });

  it('withdraws it; a colleague cannot', () => {
    const yard = wanted();
    yard.engine.act(TEN + 6000, { kind: 'no longer wanted', id: 'w', phone: 'rosa-desk' });
    expect(yard.at(7).engine.memory.wants).toHaveLength(1);
    yard.engine.act(TEN + 7000, { kind: 'no longer wanted', id: 'w', phone: 'pia-web' });
    expect(yard.at(8).engine.memory.wants).toEqual([]);
  });

  it('is rung when do not disturb ends by itself, within 20 s; after an hour it is over', () => {
    const yard = new Yard().at(0);
    const dnd = (until: number) => {
      yard.engine.standing = settle(
        yard.engine.standing,
        { kind: 'do not disturb', personId: 'idris', on: true, until },
        { at: TEN, by: 'Idris' },
        yard.engine.document,
      ).standing;
    };
    dnd(TEN + 100_000);
    yard.engine.act(TEN, { kind: 'ring when free', id: 'w', phone: 'pia-web', personId: 'idris' });
    expect(yard.at(99).ringing).toEqual([]);
    expect(yard.at(111).ringing).toEqual(['pia-web w-1']);
    const late = new Yard().at(0);
    late.engine.standing = { ...late.engine.standing, dnd: { idris: { value: true, at: TEN, by: 'Idris' } } };
    late.engine.act(TEN, { kind: 'ring when free', id: 'w', phone: 'pia-web', personId: 'idris' });
    expect(late.at(3599).engine.memory.wants).toHaveLength(1);
    expect(late.at(3641).engine.memory.wants).toEqual([]);
    expect(late.engine.next()).toBeUndefined();
  });

  it('goes on in a window that takes over', () => {
    const yard = wanted();
    const taken = CallEngine.restore(
      JSON.parse(JSON.stringify(yard.engine.snapshot())) as never,
      yard.engine.standing,
    );
    yard.engine = taken;
    yard.at(60).does('first', { kind: 'hang up', by: 'caller' }).at(61);
    expect(yard.ringing).toEqual(['pia-web w-1']);
  });
});
