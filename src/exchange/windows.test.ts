/** What windows that close mean: a reload is none, and nobody is logged out of a queue for a moment without a phone. */
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../tests/fixtures/yard';
import { CallEngine } from '../core/calls';
import { newQueue, newRegistration, type Standing } from '../core/system';
import { callerLock, phoneLock } from './protocol';
import { Windows } from './windows';

const TEN = Date.parse('2026-11-24T18:00:00Z');
const SYSTEM = edited(yard(), [
  { do: 'queue.add', value: newQueue({ id: 'q', name: 'Q', memberIds: ['rosa'] }) },
]);
beforeEach(() => void vi.useFakeTimers({ now: 0 }));
afterEach(() => void vi.useRealTimers());

/** A line with a caller on it, and Rosa's app that is a window. */
function lineWith(change: Partial<Standing> = {}) {
  const usual = allOn(SYSTEM);
  const standing = { ...usual, ...change };
  const engine = new CallEngine(SYSTEM, standing);
  engine.act(TEN, {
    kind: 'place',
    request: {
      id: 'c',
      at: TEN,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: MAIN },
      behaviour: null,
    },
  });
  engine.advance(TEN);
  return { engine, standing };
}

it('a caller whose window is gone for longer than a reload has hung up, once', () => {
  const [windows, line] = [new Windows(), lineWith()];
  const gone = () => windows.actsOf('b', line, new Set<string>());
  expect(windows.actsOf('b', line, new Set([callerLock('c')]))).toEqual([]);
  expect(gone()).toEqual([]);
  vi.advanceTimersByTime(3900);
  expect(gone()).toEqual([]);
  // It was only reloaded.
  expect(windows.actsOf('b', line, new Set([callerLock('c')]))).toEqual([]);
  vi.advanceTimersByTime(3900);
  expect(gone()).toEqual([]);
  vi.advanceTimersByTime(4000);
  expect(gone()).toEqual([{ kind: 'hang up', callId: 'c', by: 'caller' }]);
  expect(gone()).toEqual([]);
});

it('a phone in the talk that is a window is gone at once, and there again with it', () => {
  const line = lineWith({
    registrations: { 'rosa-app': newRegistration({ pairedAt: 0, standIn: false }) },
  });
  const call = line.engine.calls.get('c')!;
  call.ends = [{ n: 1, phone: 'rosa-app', personId: 'rosa' }];
  const [windows, here] = [new Windows(), new Set([callerLock('c'), phoneLock('b', 'rosa-app')])];
  expect(windows.actsOf('b', line, here)).toEqual([]);
  const gone = { kind: 'gone', callId: 'c', phone: 'rosa-app' };
  expect(windows.actsOf('b', line, new Set([callerLock('c')]))).toEqual([gone]);
  call.ends[0]!.gone = TEN;
  expect(windows.actsOf('b', line, here)).toEqual([{ ...gone, kind: 'there again' }]);
});

it('who logged in and has no phone on for half a minute is logged out; who is back in time is not', () => {
  const logins = { q: { rosa: { value: true, at: TEN, by: 'rosa' } } };
  const off = lineWith({ logins, registrations: {} });
  const on = lineWith({ logins });
  const windows = new Windows();
  expect(windows.loggedOut('b', off, TEN)).toEqual([]);
  vi.advanceTimersByTime(29_000);
  expect(windows.loggedOut('b', off, TEN)).toEqual([]);
  expect(windows.loggedOut('b', on, TEN)).toEqual([]);
  expect(windows.loggedOut('b', off, TEN)).toEqual([]);
  vi.advanceTimersByTime(30_000);
  expect(windows.loggedOut('b', off, TEN)).toEqual([
    { kind: 'logged in', queueId: 'q', personId: 'rosa', on: false },
  ]);
});
