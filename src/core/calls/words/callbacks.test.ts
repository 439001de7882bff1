import { expect, it } from 'vitest';
import { allOn, yard } from '../../../../tests/fixtures/yard';
import type { Outcome } from '../base/trace';
import { Behaviour } from '../base/request';
import { rehearse } from '../engine/rehearse';
import { callBacks, reachedOutside, type LeftMessage, type PastCall } from './callbacks';

const A = '+12065550134';
const B = '+16045550126';
const call = (
  id: string,
  at: number,
  number: string | null,
  outcome: Outcome,
  more: Partial<PastCall> = {},
): PastCall => ({
  id,
  at,
  request: { from: { kind: 'outside', number } },
  trace: [{ t: 0, kind: 'ended', by: 'caller', outcome }],
  ...more,
});
const missed: Outcome = { kind: 'hung up', during: 'ringing' };
const talked: Outcome = { kind: 'answered', phone: 'p', personId: null };
const message = (
  id: string,
  at: number,
  fromNumber: string | null,
  more: Partial<LeftMessage> = {},
): LeftMessage => ({
  id,
  at,
  fromNumber,
  ...more,
});

it('whoever called in vain waits, the longest first, with how often they tried', () => {
  const calls = [call('1', 100, B, missed), call('2', 50, A, missed), call('3', 200, A, missed)];
  expect(callBacks(calls, [message('m', 210, A)])).toEqual([
    { number: A, since: 50, last: 210, tries: 2, asked: false, callIds: ['2', '3'], messageIds: ['m'] },
    { number: B, since: 100, last: 100, tries: 1, asked: false, callIds: ['1'], messageIds: [] },
  ]);
});

it('nobody waits with whom somebody has talked since, whoever called whom', () => {
  const vain = call('1', 100, A, missed);
  expect(callBacks([vain, call('2', 200, A, talked)], [])).toEqual([]);
  expect(callBacks([call('0', 50, A, talked), vain], [])).toHaveLength(1);
  const back: PastCall = {
    ...call('2', 200, null, { kind: 'went out', number: A }),
    request: { from: { kind: 'phone', phoneId: 'p' } },
  };
  expect(callBacks([vain, back], [message('m', 120, A)])).toEqual([]);
  expect(callBacks([{ ...vain, answeredAt: 150 }], [])).toEqual([]);
  expect(callBacks([vain], [message('m', 120, A, { answeredAt: 130 })])).toEqual([]);
});

it('hidden, blocked, refused and suspected callers, and spam, are not called back', () => {
  const suspected = call('4', 4, B, missed);
  suspected.request = { from: { kind: 'outside', number: B, suspected: true } };
  const calls = [
    call('1', 1, null, missed),
    call('2', 2, A, missed),
    call('3', 3, B, { kind: 'refused', why: 'blocked' }),
    suspected,
  ];
  expect(callBacks(calls, [message('m', 5, B, { folder: 'spam' })], (n) => n === A)).toEqual([]);
});

it('who sees to it is who was named last of all that waits', () => {
  const calls = [
    call('1', 100, A, missed, { assignedTo: 'mei' }),
    call('2', 200, A, missed),
    call('3', 300, B, missed),
  ];
  const seen = (messages: LeftMessage[]) => callBacks(calls, messages).map((w) => w.assignedTo);
  expect(seen([])).toEqual(['mei', undefined]);
  expect(seen([message('m', 210, A, { assignedTo: 'rosa' })])).toEqual(['rosa', undefined]);
});

it('a call back as the engine works it out settles it where somebody lifts, and not where a machine does or nobody', () => {
  const system = yard();
  const to = '+12065550101';
  const placed = (act: object) => {
    const request = {
      id: 'back',
      at: Date.UTC(2026, 10, 24, 18),
      from: { kind: 'phone' as const, phoneId: 'rosa-desk' },
      to: { kind: 'digits' as const, digits: to },
      behaviour: Behaviour.parse({
        phones: { [`outside:${to}`]: act },
        caller: { hangsUpAfter: 50, talks: 30, message: 0 },
      }),
    };
    return reachedOutside(rehearse(system, allOn(system), request));
  };
  expect(placed({ does: 'answers', after: 3 })).toBe(to);
  expect(placed({ does: 'own voicemail takes it', after: 3 })).toBeNull();
  expect(placed({ does: 'nothing' })).toBeNull();
});
