/** Those who serve a queue: paused by themselves or after what they missed, and what becomes of those who wait then. */
import { describe, expect, it } from 'vitest';
import { Yard } from '../../../../tests/fixtures/talk';
import { MAIN } from '../../../../tests/fixtures/yard';
import { newQueue, settle, type Command, type Setting } from '../../system';

const QUEUE = (change: object = {}): Command[] => [
  {
    do: 'queue.add',
    value: newQueue({
      id: 'q',
      name: 'Desk',
      memberIds: ['rosa', 'idris'],
      pattern: 'in order',
      seconds: 10,
      wrapUp: 0,
      ...change,
    }),
  },
  {
    do: 'plan.set',
    id: 'main-plan',
    change: {
      steps: [
        {
          id: 'wait',
          kind: 'queue',
          queueId: 'q',
          branches: [
            { way: 'nobody logged in', steps: [{ id: 'vm', kind: 'voicemail', mailboxId: 'front' }] },
          ],
        },
      ],
    },
  },
];
const customer = (yard: Yard, id = 'a') => yard.place(id, { to: { kind: 'number', e164: MAIN } });
const set = (yard: Yard, setting: Setting) => {
  const stamp = { at: yard.engine.now, by: 'themselves' };
  yard.engine.standing = settle(yard.engine.standing, setting, stamp, yard.engine.document).standing;
};
const rung = (yard: Yard) => [...yard.engine.ringing.keys()].map((p) => p.split('-')[0]);

describe('somebody who takes no calls for a while', () => {
  it('is not offered any, and is again when they say so', () => {
    const yard = new Yard(QUEUE());
    yard.at(0);
    set(yard, { kind: 'paused', personId: 'rosa', reason: 'a break' });
    customer(yard).at(1);
    expect(new Set(rung(yard))).toEqual(new Set(['idris']));
    set(yard, { kind: 'paused', personId: 'rosa', reason: null });
    yard.at(11);
    expect(rung(yard)).toContain('rosa');
  });

  it('leaves those who wait to the way of nobody logged in when they are the last', () => {
    const yard = new Yard(QUEUE({ memberIds: ['idris'] }));
    customer(yard).at(1);
    set(yard, { kind: 'paused', personId: 'idris', reason: 'a break' });
    yard.at(11);
    expect(yard.of('a', 'left queue').map((e) => e.way)).toEqual(['nobody logged in']);
    expect(yard.phase('a')).toBe('greeting');
    const late = new Yard(QUEUE({ memberIds: ['idris'] }));
    late.at(0);
    set(late, { kind: 'logged in', queueId: 'q', personId: 'idris', on: false });
    customer(late).at(1);
    expect(late.of('a', 'left queue').map((e) => e.way)).toEqual(['nobody logged in']);
  });
});

describe('whoever misses two in a row', () => {
  it('is paused and said to be, until they say that they go on', () => {
    const yard = new Yard(QUEUE());
    // Rosa lets two ring out, for one caller; Idris is not there.
    set(yard.at(0), { kind: 'logged in', queueId: 'q', personId: 'idris', on: false });
    customer(yard).at(60);
    expect(yard.of('a', 'paused')).toMatchObject([{ personId: 'rosa', queueId: 'q', missed: 2 }]);
    const at = yard.of('a', 'paused')[0]!.t;
    yard.at(120);
    expect(yard.of('a', 'leg offered').filter((e) => e.personId === 'rosa' && e.t > at)).toEqual([]);
    set(yard, { kind: 'paused', personId: 'rosa', reason: null });
    customer(yard, 'b').at(121);
    expect(rung(yard)).toContain('rosa');
  });

  it('counts declining, and not a caller who left; taking one begins anew', () => {
    const yard = new Yard(QUEUE({ memberIds: ['idris'], pauseAfter: 2 }));
    customer(yard).at(2).does('a', { kind: 'hang up', by: 'caller' });
    customer(yard, 'b').at(4).does('b', { kind: 'decline', phone: 'idris-desk' }).at(5);
    expect(yard.of('b', 'paused')).toEqual([]);
    yard.at(30).does('b', { kind: 'answer', phone: 'idris-desk' }).at(31);
    expect(yard.phase('b')).toBe('talking');
    yard.does('b', { kind: 'hang up', by: 'caller' });
    customer(yard, 'c').at(45);
    expect(yard.of('c', 'leg ended').some((e) => e.how === 'not answered')).toBe(true);
    expect(yard.of('c', 'paused')).toEqual([]);
  });

  it('is never paused where the queue says so', () => {
    const yard = new Yard(QUEUE({ pauseAfter: null }));
    customer(yard).at(200);
    expect(yard.of('a', 'paused')).toEqual([]);
    expect(yard.of('a', 'left queue')).toEqual([]);
  });
});
