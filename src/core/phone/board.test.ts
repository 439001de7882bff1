/** The live board: what is told of calls that go on, of queues, and of numbers that ring nobody. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { CallEngine, type CallRequest } from '../calls';
import { asPaired } from '../system';
import { boardCalls, boardQueues, nowhereNow } from '.';

const TEN = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(TEN);
const { system } = whole.draft;
const standing = asPaired(whole.standing.standing);
const engineAt = (...requests: Partial<CallRequest>[]) => {
  const engine = new CallEngine(system, standing);
  requests.forEach((request, i) => {
    const at = TEN + i * 1000;
    engine.advance(at);
    engine.act(at, {
      kind: 'place',
      request: {
        id: `c${i}`,
        at,
        from: { kind: 'outside', number: '+13605550134' },
        to: { kind: 'number', e164: '+13605550142' },
        behaviour: null,
        ...request,
      },
    });
    engine.advance(at);
  });
  return engine;
};
const told = (engine: CallEngine) => [...engine.calls.values()];

describe('calls', () => {
  it('say why what was done for them came to nothing, until something else happens', () => {
    const engine = engineAt({
      to: { kind: 'digits', digits: '310' },
      from: { kind: 'phone', phoneId: 'jonah-browser' },
    });
    const send = (personId: string) => {
      engine.act(engine.now, {
        kind: 'send on',
        callId: 'c0',
        personId: 'rosa',
        to: { to: 'person', personId },
      });
      engine.advance(engine.now);
      return boardCalls(told(engine), system)[0]!.refused;
    };
    expect(boardCalls(told(engine), system)[0]!.refused).toBeNull();
    expect(send('somebody-removed')).toBe('not in service');
    expect(send('idris')).toBeNull();
  });
  it('say who, on which line, what they do and since when, through all of a call', () => {
    const engine = engineAt({});
    expect(boardCalls(told(engine), system)[0]).toMatchObject({
      who: 'Harrow Point Sailing Club',
      line: 'Main line',
      is: 'hears',
      doing: 'hears a recording',
      began: TEN,
    });
    engine.advance(TEN + 8000);
    const ringing = boardCalls(told(engine), system)[0]!;
    expect(ringing).toMatchObject({ is: 'rings', doing: 'rings Rosa Delgado, Idris Okafor and 1 more' });
    const leg = engine.calls.get('c0')!.legs.find((l) => l.personId === 'idris')!;
    engine.advance(TEN + 12_000);
    engine.act(TEN + 12_000, { kind: 'answer', callId: 'c0', phone: leg.phone });
    engine.advance(TEN + 12_000);
    expect(boardCalls(told(engine), system)[0]).toMatchObject({
      is: 'talks',
      doing: 'talks with Idris Okafor',
      since: TEN + 12_000,
    });
    engine.act(TEN + 20_000, { kind: 'hang up', callId: 'c0', by: 'caller' });
    engine.advance(TEN + 20_000);
    expect(boardCalls(told(engine), system)).toEqual([]);
  });
  it('stand with whoever waits first, and those in a queue are counted there', () => {
    const engine = engineAt(
      { id: 'talking' },
      { from: { kind: 'outside', number: null }, to: { kind: 'digits', digits: '310' } },
    );
    engine.advance(TEN + 9000);
    const calls = boardCalls(told(engine), system);
    expect(calls.map((c) => c.is)).toEqual(['waits', 'rings']);
    expect(calls[0]!.doing).toMatch(/^waits in Front desk/);
    expect(calls[0]!.queueId).toBe('front-queue');
    expect(calls[1]!.personIds).toContain('idris');
    const [queue] = boardQueues(told(engine), system, standing);
    expect(queue).toMatchObject({ name: 'Front desk', waiting: [{ who: 'Hidden number' }] });
    expect(queue!.people.map((p) => p.name)).toEqual(['Rosa Delgado', 'Idris Okafor', 'Ines Morel']);
  });
});

it('numbers that ring nobody are named with what callers get, and only then', () => {
  const at = (moment: number) => [...nowhereNow(system, standing, moment)].filter((n) => n !== null);
  expect(at(TEN)).toEqual([]);
  // On Thanksgiving the office is closed: the night watch rings all the same.
  const closed = at(Date.UTC(2026, 10, 26, 18));
  expect(closed.map((n) => n.label)).toContain('Main line');
  expect(closed.map((n) => n.label)).not.toContain('Night watch');
  expect(closed.find((n) => n.label === 'Main line')!.words).toMatch(/closed/i);
  expect([...nowhereNow(system, standing, TEN)]).toHaveLength(Object.keys(system.numbers).length);
});
