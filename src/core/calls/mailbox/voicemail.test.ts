/** What greets and when a message ends, at the edges that the cases as files do not come to. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import type { Command } from '../../system';
import { Behaviour, CallEngine, everybodyAway, outcomeOf, rehearse, type CallRequest } from '..';

const TEN = Date.UTC(2026, 10, 24, 18);
const away = (id: string): Command => ({
  do: 'person.set',
  id,
  change: { away: [{ from: '2026-11-24', to: '2026-11-24', standInId: null }] },
});
const request = (caller: object | null): CallRequest => ({
  id: 'c',
  at: TEN,
  from: { kind: 'outside', number: null },
  to: { kind: 'number', e164: ROSA_DIRECT },
  behaviour: caller && Behaviour.parse({ caller }),
});

it('a mailbox is away while all who hear it are, and one that nobody hears never is', () => {
  const is = (...gone: string[]) => {
    const system = edited(yard(), gone.map(away));
    return (id: string) => everybodyAway(system.mailboxes[id]!, system, TEN);
  };
  expect(is()('front')).toBe(false);
  expect(is('rosa')('front')).toBe(false);
  expect(is('idris')('front')).toBe(false);
  expect(is('rosa', 'idris')('front')).toBe(true);
  const nobodys = edited(yard(), [{ do: 'mailbox.set', id: 'front', change: { ownerIds: [] } }]);
  expect(everybodyAway(nobodys.mailboxes['front']!, nobodys, TEN)).toBe(false);
  // Whoever is no longer there is not away.
  const box = { ...yard().mailboxes['front']!, ownerIds: ['gone'] };
  expect(everybodyAway(box, yard(), TEN)).toBe(false);
});

describe('a message', () => {
  const system = yard();
  const left = (caller: object) => outcomeOf(rehearse(system, allOn(system), request(caller)))!.outcome;
  it('of just two seconds is kept, a shorter one is not', () => {
    expect(left({ message: 2 })).toEqual({ kind: 'message', mailboxId: 'rosa-box', seconds: 2 });
    expect(left({ message: 1.999 })).toEqual({ kind: 'hung up', during: 'message' });
  });
  it('of nothing is none; who stays on and says nothing leaves none either', () => {
    expect(left({ message: 0 })).toEqual({ kind: 'no message', mailboxId: 'rosa-box' });
    expect(left({ message: 0, stays: true })).toEqual({ kind: 'hung up', during: 'message' });
  });
  it('is ended by the caller who hangs up, by the system when it is silent or too long', () => {
    const by = (caller: object) => {
      const last = rehearse(system, allOn(system), request(caller)).at(-1)!;
      return last.kind === 'ended' && [last.by, last.outcome];
    };
    const message = (seconds: number) => ({ kind: 'message', mailboxId: 'rosa-box', seconds });
    expect(by({ message: 12 })).toEqual(['caller', message(12)]);
    expect(by({ message: 12, stays: true })).toEqual(['system', message(12)]);
    expect(by({ message: 500 })).toEqual(['system', message(120)]);
  });
  it('of a real call goes on until the longest there may be', () => {
    const engine = new CallEngine(system, allOn(system));
    engine.act(TEN, { kind: 'place', request: request(null) });
    engine.advance(TEN + 60_000);
    expect(engine.calls.get('c')).toMatchObject({ phase: 'message', mailboxId: 'rosa-box' });
    engine.advance(TEN + 600_000);
    expect(engine.calls.get('c')!.trace.at(-1)).toMatchObject({
      by: 'system',
      outcome: { kind: 'message', seconds: 120 },
    });
  });
  it('is the caller’s own hanging up where they do so in the middle', () => {
    const engine = new CallEngine(system, allOn(system));
    engine.act(TEN, { kind: 'place', request: request(null) });
    engine.advance(TEN + 60_000);
    engine.act(TEN + 60_000, { kind: 'hang up', callId: 'c', by: 'caller' });
    engine.advance(TEN + 60_000);
    expect(engine.calls.get('c')!.trace.at(-1)).toMatchObject({ by: 'caller', outcome: { kind: 'message' } });
  });
});
