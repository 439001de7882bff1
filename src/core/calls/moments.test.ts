/** What happens in the same moment, at the end of a ring, and what is said of how long something rang. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../tests/fixtures/yard';
import type { Command, Step } from '../system';
import {
  CallEngine,
  nobodyAnswers,
  outcomeOf,
  rehearse,
  ringableNow,
  sentence,
  simulate,
  traceLines,
  type CallRequest,
} from '.';

const TEN = Date.UTC(2026, 10, 24, 18);
const plan = (...steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });
const box: Step = { id: 'vm', kind: 'voicemail', mailboxId: 'front' };
const ring = (id: string, change: Partial<Extract<Step, { kind: 'ring' }>> = {}): Step => ({
  id: `ring-${id}`,
  kind: 'ring',
  targets: [{ kind: 'person', id }],
  pattern: 'together',
  seconds: 18,
  followReach: false,
  ...change,
});
const call = (
  id: string,
  at: number,
  change: Partial<CallRequest['behaviour'] & object> = {},
): CallRequest => ({
  id,
  at: TEN + at,
  from: { kind: 'outside', number: null },
  to: { kind: 'number', e164: MAIN },
  behaviour: { ...nobodyAnswers(), ...change },
});

describe('whoever hangs up comes before who arrives in the same millisecond', () => {
  const system = edited(yard(), [plan(ring('rosa'), box)]);
  const talks = (seconds: number) => ({
    otherwise: { does: 'answers' as const, after: 2 },
    caller: { ...nobodyAnswers().caller, talks: seconds },
  });
  const rung = (system_: typeof system, requests: CallRequest[]) =>
    simulate(system_, allOn(system_), requests)
      .get('b')!
      .some((e) => e.kind === 'leg offered');
  it('in a rehearsal: the phone is free for the next', () => {
    // Answered at 2 s, talked for 10 s: over at 12 s.
    expect(rung(system, [call('a', 0, talks(10)), call('b', 12_000)])).toBe(true);
    expect(rung(system, [call('a', 0, talks(10)), call('b', 11_999)])).toBe(false);
  });
  it('in a live call, in whichever order it is told; and a call hung up as it is placed is over', () => {
    for (const first of ['hang up', 'place']) {
      const engine = new CallEngine(system, allOn(system));
      engine.act(TEN, { kind: 'place', request: { ...call('a', 0), behaviour: null } });
      engine.act(TEN + 1000, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
      const hangUp = { kind: 'hang up', callId: 'a', by: 'caller' } as const;
      if (first === 'hang up') engine.act(TEN + 5000, hangUp);
      engine.act(TEN + 5000, { kind: 'place', request: { ...call('b', 5000), behaviour: null } });
      if (first === 'place') engine.act(TEN + 5000, hangUp);
      engine.advance(TEN + 5000);
      expect(engine.calls.get('b')!.trace.some((e) => e.kind === 'leg offered')).toBe(true);
    }
    const engine = new CallEngine(system, allOn(system));
    engine.act(TEN, { kind: 'place', request: { ...call('a', 0), behaviour: null } });
    engine.act(TEN, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN);
    expect(outcomeOf(engine.calls.get('a')!.trace)?.outcome.kind).toBe('hung up');
  });
});

describe('whoever lifts in time has the time to press the key', () => {
  const lifts = (after: number) =>
    rehearse(
      edited(yard(), [plan(ring('rosa', { confirm: true }), box)]),
      allOn(yard()),
      call('a', 0, { otherwise: { does: 'answers', after } }),
    );
  it('though ringing is over before they have pressed it', () => {
    const lines = traceLines(lifts(17), yard()).map((l) => l.trim());
    expect(lines).toContain('17.0 s  Rosa Delgado · Desk phone: lifted, asked to press 1');
    const answered = lifts(17).find((e) => e.kind === 'answered');
    expect(answered?.t).toBe(20_000);
  });
  it('and no longer: whoever presses nothing is left after ten seconds', () => {
    const system = edited(yard(), [plan(ring('rosa', { confirm: true }), box)]);
    const engine = new CallEngine(system, allOn(system));
    engine.act(TEN, { kind: 'place', request: { ...call('a', 0), behaviour: null } });
    engine.act(TEN + 17_000, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    engine.advance(TEN + 40_000);
    const { trace } = engine.calls.get('a')!;
    expect(trace.find((e) => e.kind === 'greeting started')?.t).toBe(27_000);
  });
});

it('how long it rang is told, not how long the call lasted', () => {
  const system = edited(yard(), [plan(ring('rosa', { followReach: true }), box)]);
  const trace = rehearse(
    system,
    allOn(system),
    call('a', 0, { otherwise: { does: 'sends to voicemail', after: 5 } }),
  );
  expect(sentence(trace, system)).toMatch(/^Rings Rosa Delgado 5 s; sent on by Rosa Delgado \(chosen\)/);
});

it('what would ring now is what a call would ring', () => {
  const system = yard();
  const on = allOn(system);
  const why = (standing: typeof on) =>
    ringableNow(system, standing, ['rosa'], TEN)
      .get('rosa')!
      .map((r) => r.why);
  expect(why(on).every((w) => w === null)).toBe(true);
  expect(why({ ...on, registrations: {} })).toContain('not paired');
  expect(why({ ...on, dnd: { rosa: { value: true, at: 0, by: 'x' } } })).toContain('do not disturb');
});
