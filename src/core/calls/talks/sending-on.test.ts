/** Callers who wait are taken out of their queue from outside it: where they go, and how they come back. */
import { describe, expect, it } from 'vitest';
import { toPerson, Yard } from '../../../../tests/fixtures/talk';
import { newQueue, type PassTarget } from '../../system';
import { sentence, timesOf, traceLines } from '..';

/** Two wait in a queue that only Idris serves, who is rung for the first of them. */
function twoWait(): Yard {
  const yard = new Yard([
    {
      do: 'queue.add',
      value: newQueue({ id: 'q', name: 'Desk', memberIds: ['idris'], seconds: 600, longestWait: 300 }),
    },
    {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 'q1',
            kind: 'queue',
            queueId: 'q',
            branches: [
              { way: 'waited too long', steps: [{ id: 'vm', kind: 'voicemail', mailboxId: 'front' }] },
            ],
          },
        ],
      },
    },
  ]);
  yard.place('a', {});
  return yard.at(10).place('b', {}).at(20);
}
const send = (yard: Yard, id: string, to: PassTarget) =>
  yard.does(id, { kind: 'send on', personId: 'rosa', to });
const lines = (yard: Yard, id: string) => traceLines(yard.call(id).trace, yard.system).map((l) => l.trim());

describe('a caller who waits', () => {
  it('is taken by whoever sends them to themselves, and the next one is served', () => {
    const yard = send(twoWait(), 'a', toPerson('rosa'));
    expect(yard.phase('a')).toBe('ringing');
    expect(yard.ringing).toEqual(['idris-desk b', 'rosa-app a', 'rosa-desk a']);
    yard.at(23).does('a', { kind: 'answer', phone: 'rosa-desk' });
    expect(yard.phase('a')).toBe('talking');
    expect(lines(yard, 'a')).toContain('20.0 s  Rosa Delgado sends them on to Rosa Delgado');
    expect(sentence(yard.call('a').trace, yard.system)).toContain('Rosa Delgado sent it on to Rosa Delgado');
    // What they waited is what they waited in the queue.
    expect(timesOf(yard.call('a').trace).waited).toBe(20);
  });

  it('is first in the queue again where nobody takes the call, and leaves it as the plan says', () => {
    const yard = send(twoWait(), 'b', toPerson('pia'));
    expect(yard.phase('b')).toBe('ringing');
    yard.at(60);
    expect(yard.phase('b')).toBe('queued');
    expect(yard.of('b', 'queued').map((e) => e.position)).toEqual([2, 1]);
    yard.does('a', { kind: 'hang up', by: 'caller' });
    expect(yard.ringing).toEqual(['idris-desk b']);
    // Five minutes after coming back they have waited too long: on to voicemail.
    yard.at(360);
    expect(yard.of('b', 'left queue').map((e) => e.way)).toEqual(['sent on', 'waited too long']);
    expect(yard.of('b', 'greeting started')).toHaveLength(1);
  });

  it('is in the other queue, mailbox or plan they are sent to', () => {
    const mailbox = send(twoWait(), 'a', { to: 'mailbox', mailboxId: 'front' });
    expect(mailbox.phase('a')).toBe('greeting');
    const plan = send(twoWait(), 'b', { to: 'plan', planId: 'main-plan' });
    expect(plan.of('b', 'queued')).toHaveLength(2);
  });

  it('who was passed on to the queue goes back to who did that where the queue gives them back', () => {
    const yard = twoWait();
    yard
      .place('c', { to: { kind: 'number', e164: '+13605550171' } })
      .does('c', { kind: 'answer', phone: 'rosa-desk' })
      .does('c', {
        kind: 'pass on',
        phone: 'rosa-desk',
        to: { to: 'queue', queueId: 'q' },
        ifNobody: { then: 'back' },
      });
    expect(yard.phase('c')).toBe('queued');
    send(yard, 'c', toPerson('pia')).at(60);
    expect(yard.phase('c')).toBe('queued');
    yard.at(360);
    expect(yard.of('c', 'comes back').map((e) => e.to)).toEqual(['rosa-desk']);
  });

  it.each<[string, string, PassTarget]>([
    ['they wait there already', 'b', { to: 'queue', queueId: 'q' }],
    ['not in service', 'b', toPerson('somebody-removed')],
  ])('%s: nothing changes, and it is said', (why, id, to) => {
    const yard = send(twoWait(), id, to);
    expect(yard.phase(id)).toBe('queued');
    expect(lines(yard, id).at(-1)).toBe(`10.0 s  Rosa Delgado: not done, ${why}`);
  });

  it('whom somebody answered in the same moment stays with them', () => {
    const yard = twoWait().does('a', { kind: 'answer', phone: 'idris-desk' });
    send(yard, 'a', toPerson('rosa'));
    expect(yard.phase('a')).toBe('talking');
    expect(yard.of('a', 'not done').map((e) => e.why)).toEqual(['somebody was faster']);
  });
});
