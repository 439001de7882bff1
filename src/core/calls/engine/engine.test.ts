import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import {
  Behaviour,
  CallEngine,
  nobodyAnswers,
  outcomeOf,
  rehearse,
  ringChart,
  sentence,
  simulate,
  type CallRequest,
} from '..';

const system = yard();
const standing = allOn(system);
const TEN = momentOf('America/Los_Angeles', '2026-11-24', 600);
const call = (id: string, at: number, to: string, behaviour: unknown = {}): CallRequest => ({
  id,
  at,
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'number', e164: to },
  behaviour: behaviour === null ? null : Behaviour.parse(behaviour),
});
const rosaAnswers = (after: number) => ({ people: { rosa: { does: 'answers', after } } });

describe('the engine', () => {
  it('gives the same trace for the same call, byte for byte', () => {
    const once = JSON.stringify(rehearse(system, standing, call('a', TEN, MAIN)));
    expect(JSON.stringify(rehearse(yard(), allOn(yard()), call('a', TEN, MAIN)))).toBe(once);
  });

  it('carries a day of calls, and every one of them ends', () => {
    const requests = Array.from({ length: 2000 }, (_, i) =>
      call(`c${i}`, TEN + i * 7000, i % 2 ? MAIN : ROSA_DIRECT, i % 3 ? rosaAnswers(i % 30) : {}),
    );
    const traces = simulate(system, standing, requests);
    expect(traces.size).toBe(2000);
    for (const trace of traces.values()) expect(outcomeOf(trace)).not.toBeNull();
    // She talks with one caller at a time.
    const talks = requests
      .flatMap((r) => {
        const trace = traces.get(r.id)!;
        const from = trace.find((e) => e.kind === 'answered' && e.personId === 'rosa');
        return from ? [[r.at + from.t, r.at + trace.at(-1)!.t] as const] : [];
      })
      .sort((a, b) => a[0] - b[0]);
    expect(talks.length).toBeGreaterThan(20);
    for (const [i, talk] of talks.entries()) if (i) expect(talk[0]).toBeGreaterThanOrEqual(talks[i - 1]![1]);
  });

  it('makes of a real call the trace that was rehearsed', () => {
    const rehearsed = rehearse(system, standing, call('a', TEN, MAIN, rosaAnswers(9)));
    const engine = new CallEngine(system, standing);
    engine.act(TEN, { kind: 'place', request: call('a', TEN, MAIN, null) });
    // Time passes in small, uneven pieces, as it does in a browser.
    for (let t = TEN; t < TEN + 13_000; t += 37) engine.advance(t);
    engine.act(TEN + 13_000, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    engine.advance(TEN + 40_000);
    engine.act(TEN + 73_000, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN + 80_000);
    expect(engine.calls.get('a')!.trace).toEqual(rehearsed);
  });

  it('can be stored at any moment and taken up elsewhere', () => {
    const request = call('a', TEN, MAIN, {
      ...rosaAnswers(12),
      people: { rosa: { does: 'declines', after: 5 } },
    });
    const whole = rehearse(system, standing, request);
    for (let cut = 0; cut <= 45_000; cut += 1500) {
      let engine = new CallEngine(system, standing);
      engine.act(TEN, { kind: 'place', request });
      engine.advance(TEN + cut);
      engine = CallEngine.restore(structuredClone(engine.snapshot()), standing);
      engine.advance(Infinity);
      expect(engine.calls.get('a')!.trace, `cut at ${cut}`).toEqual(whole);
    }
  });

  it('lets a call in progress keep the plan it arrived under, also after being stored', () => {
    let engine = new CallEngine(system, standing);
    engine.act(TEN, { kind: 'place', request: call('a', TEN, MAIN) });
    engine.advance(TEN + 10_000);
    engine.setSystem(edited(system, [{ do: 'step.remove', planId: 'main-plan', stepId: 'vm-front' }]));
    engine = CallEngine.restore(structuredClone(engine.snapshot()), standing);
    engine.act(TEN + 11_000, { kind: 'place', request: call('b', TEN + 11_000, ROSA_DIRECT) });
    engine.act(TEN + 60_000, { kind: 'place', request: call('c', TEN + 60_000, MAIN) });
    engine.advance(Infinity);
    expect(outcomeOf(engine.calls.get('a')!.trace)?.outcome.kind).toBe('message');
    expect(outcomeOf(engine.calls.get('c')!.trace)?.outcome.kind).toBe('dead end');
  });

  it('ignores what can no longer be done', () => {
    const engine = new CallEngine(system, standing);
    engine.act(TEN, { kind: 'place', request: call('a', TEN, ROSA_DIRECT, null) });
    engine.advance(TEN + 20_000);
    const before = engine.calls.get('a')!.trace.length;
    engine.act(TEN + 20_000, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    engine.act(TEN + 20_000, { kind: 'decline', callId: 'nothing', phone: 'rosa-desk' });
    engine.advance(TEN + 20_001);
    expect(engine.calls.get('a')!.trace).toHaveLength(before);
  });
});

describe('the ring chart', () => {
  it('has a lane for the caller and one for each phone, with the delay before it sounds', () => {
    const chart = ringChart(rehearse(system, standing, call('a', TEN, ROSA_DIRECT)), system);
    expect(chart.lanes.map((l) => l.label)).toEqual([
      'Caller hears',
      'Rosa Delgado · Desk phone',
      'Rosa Delgado · Mobile app',
    ]);
    expect(chart.lanes[0]!.bars.map((b) => [b.kind, b.from, b.to])).toEqual([
      ['ringing', 0, 18_000],
      ['greeting', 18_000, 21_000],
      ['tone', 21_000, 21_500],
      ['message', 21_500, 33_500],
    ]);
    expect(chart.lanes[2]!.bars.map((b) => [b.kind, b.from, b.to])).toEqual([
      ['offered', 0, 2000],
      ['sounding', 2000, 18_000],
    ]);
  });
  it('calls the phones of somebody by their own names where the page is theirs', () => {
    const trace = rehearse(system, standing, call('a', TEN, MAIN));
    const labels = ringChart(trace, system, { whose: 'rosa' }).lanes.map((l) => l.label);
    expect(labels).toEqual(expect.arrayContaining(['Desk phone', 'Mobile app', 'Idris Okafor · Desk phone']));
  });
  it('cuts a long talk short and says who was not rung', () => {
    const busy = { ...standing, dnd: { idris: { value: true, at: 0, by: 'Idris' } } };
    const chart = ringChart(
      rehearse(system, busy, call('a', TEN, MAIN, { ...rosaAnswers(2), caller: { talks: 3600 } })),
      system,
    );
    expect(chart.length).toBe(4000 + 2000 + 15_000);
    expect(chart.lanes.find((l) => l.id === 'idris-desk')!.notRung).toBe('do not disturb');
  });
});

it('says a call in one sentence, before and after it happened', () => {
  const trace = rehearse(system, standing, { ...call('a', TEN, MAIN), behaviour: nobodyAnswers() });
  expect(sentence(trace, system)).toBe(
    'Plays “Welcome”; rings Rosa Delgado and Idris Okafor 18 s, nobody answered; message left in Front desk after 37.5 s.',
  );
  expect(sentence(trace, system, 'past')).toMatch(/^Played “Welcome”; rang Rosa/);
});
