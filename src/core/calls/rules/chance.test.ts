import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { calledPerson, CallEngine, type CallRequest, type CallState } from '..';
import type { Command } from '../../system';
import { choose, drawn, given, open } from './chance';

const call = (choices?: number[], seed?: number) =>
  ({ drawn: 0, request: { choices, seed } }) as unknown as CallState;

describe('chance', () => {
  it('is the same for the same seed and draw, and another for others', () => {
    const draws = [0, 1, 2, 3].flatMap((n) => [7, 8].map((seed) => drawn(seed, n)));
    expect(new Set(draws).size).toBe(8);
    for (const d of draws) expect(d >= 0 && d < 1).toBe(true);
    expect(drawn(7, 2)).toBe(drawn(7, 2));
  });
  it('falls as often on each as it weighs', () => {
    const times = [0, 0, 0];
    for (let seed = 0; seed < 2000; seed++) times[choose(call(undefined, seed), [1, 0, 3])]!++;
    expect(times[1]).toBe(0);
    expect(times[2]! / times[0]!).toBeGreaterThan(2.5);
    expect(times[2]! / times[0]!).toBeLessThan(3.5);
  });
  it('takes what is said to be decided, in order, where that way is open', () => {
    const c = call([1, 0, 2, 9]);
    expect([choose(c, [1, 1, 0]), choose(c, [1, 1, 0])]).toEqual([1, 0]);
    for (const _ of [2, 9, 'none left']) expect(choose(c, [1, 1, 0])).toBeLessThan(2);
    expect(c.drawn).toBe(5);
  });
  it('decides nothing where nothing weighs anything', () => {
    const c = call([0]);
    expect([choose(c, [0, 0]), choose(c, []), c.drawn]).toEqual([-1, -1, 0]);
  });
  it('says what is given, as long as it is one of those there are', () => {
    const c = call([1, 2, 3]);
    expect([given(c, 3), given(c, 3), given(c, 3), given(c, 3)]).toEqual([1, 2, undefined, undefined]);
    expect(given(call(), 3)).toBeUndefined();
    expect(c.drawn).toBe(4);
  });
  it('has open what weighs something', () => expect(open([0, 2, 0, 1])).toEqual([1, 3]));
});

const TEN = Date.parse('2026-11-24T18:00:00Z');
const live = (id: string, at: number, to: string, number: string | null = '+12065550187'): CallRequest => ({
  id,
  at,
  from: { kind: 'outside', number },
  to: { kind: 'number', e164: to },
  behaviour: null,
});
const rosa = (change: object): Command => ({ do: 'person.set', id: 'rosa', change });

describe('who calls again', () => {
  const heeds = edited(yard(), [
    rosa({ exceptions: { personIds: [], listIds: [], contacts: false, again: true } }),
  ]);
  const place = (engine: CallEngine, request: CallRequest) => {
    engine.act(request.at, { kind: 'place', request });
    engine.advance(request.at);
    return engine.calls.get(request.id)!.again;
  };
  it('does so within three minutes, and what is longer ago is forgotten', () => {
    const engine = new CallEngine(heeds, allOn(heeds));
    const at = (seconds: number) => TEN + seconds * 1000;
    expect(place(engine, live('a', at(0), ROSA_DIRECT))).toBe(false);
    expect(place(engine, live('b', at(180), ROSA_DIRECT))).toBe(true);
    expect(place(engine, live('c', at(360) + 1, ROSA_DIRECT))).toBe(false);
    expect(place(engine, live('d', at(361), ROSA_DIRECT, '+12065550188'))).toBe(false);
    expect(place(engine, live('e', at(362), ROSA_DIRECT, null))).toBeUndefined();
    expect(engine.memory.lastCalls).toEqual({ '+12065550187': at(360) + 1, '+12065550188': at(361) });
    place(engine, live('f', at(541), ROSA_DIRECT, '+12065550189'));
    expect(Object.keys(engine.memory.lastCalls!)).toEqual(['+12065550188', '+12065550189']);
  });
  it('is kept in mind only where somebody heeds it', () => {
    const engine = new CallEngine(yard(), allOn(yard()));
    expect(place(engine, live('a', TEN, ROSA_DIRECT))).toBeUndefined();
    expect(engine.memory.lastCalls).toBeUndefined();
  });
});

describe('whom a call is for while it rings', () => {
  const ring = (...ids: string[]): Command => ({
    do: 'plan.set',
    id: 'main-plan',
    change: {
      steps: [
        {
          id: 'r',
          kind: 'ring',
          targets: ids.map((id) => (id.includes('-') ? { kind: 'phone', id } : { kind: 'person', id })),
          pattern: 'together',
          seconds: 18,
          followReach: false,
        },
      ],
    },
  });
  const of = (commands: Command[], to: CallRequest['to'] = { kind: 'number', e164: MAIN }) => {
    const system = edited(yard(), commands);
    const engine = new CallEngine(system, allOn(system));
    const from: CallRequest['from'] =
      to.kind === 'digits' ? { kind: 'phone', phoneId: 'pia-web' } : { kind: 'outside', number: null };
    engine.act(TEN, { kind: 'place', request: { ...live('a', TEN, MAIN), from, to } });
    engine.advance(TEN);
    return calledPerson(engine, engine.calls.get('a')!);
  };
  const crew: Command = {
    do: 'group.add',
    value: {
      id: 'crew',
      name: 'Crew',
      extension: '230',
      members: [{ kind: 'person', id: 'idris' }],
      pattern: 'together',
      seconds: 18,
    },
  };
  it('is the only person of a step', () => expect(of([ring('rosa')])).toBe('rosa'));
  it('is nobody where several are rung, or a phone by itself', () => {
    expect(of([ring('rosa', 'idris')])).toBeNull();
    expect(of([ring('rosa-desk')])).toBeNull();
  });
  it('is whoever was dialled, and nobody of a group', () => {
    expect(of([], { kind: 'digits', digits: '201' })).toBe('rosa');
    expect(of([crew], { kind: 'digits', digits: '230' })).toBeNull();
  });
  it('is whom calls are sent on to, and nobody where that is a group', () => {
    const to = (always: object) =>
      rosa({ reach: { always, steps: [], onBusy: null, onNotAnswered: null, onUnreachable: null } });
    expect(of([to({ to: 'person', personId: 'idris' })], { kind: 'digits', digits: '201' })).toBe('idris');
    expect(of([crew, to({ to: 'group', groupId: 'crew' })], { kind: 'digits', digits: '201' })).toBeNull();
  });
});
