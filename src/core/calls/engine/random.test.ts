/** What must hold of any call, whatever the plan and however people behave. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import type { Command, Step } from '../../system';
import { Behaviour, outcomeOf, ringChart, sentence, simulate, traceLines, type CallRequest } from '..';

const people = ['rosa', 'idris', 'pia', 'tomas'];
const act = fc.oneof(
  fc.constant({ does: 'nothing' as const }),
  fc.integer({ min: 0, max: 40 }).map((after) => ({ does: 'answers' as const, after })),
  fc.integer({ min: 0, max: 40 }).map((after) => ({ does: 'declines' as const, after })),
  fc.constant({ does: 'is on a call' as const }),
  fc.constant({ does: 'is switched off' as const }),
);
const behaviour = fc
  .record({
    people: fc.dictionary(fc.constantFrom(...people), act),
    otherwise: act,
    caller: fc.record({
      hangsUpAfter: fc.option(fc.integer({ min: 0, max: 120 })),
      talks: fc.integer({ min: 0, max: 300 }),
      message: fc.integer({ min: 0, max: 200 }),
    }),
  })
  .map((b) => Behaviour.parse(b));

let made = 0;
const id = () => `s${++made}`;
const leaf: fc.Arbitrary<Step> = fc.oneof(
  fc
    .constantFrom('welcome', 'closed', null)
    .map((recordingId): Step => ({ id: id(), kind: 'play', recordingId })),
  fc
    .record({
      who: fc.uniqueArray(fc.constantFrom(...people), { maxLength: 4 }),
      seconds: fc.integer({ min: 1, max: 60 }),
      pattern: fc.constantFrom('together' as const, 'in order' as const),
      followReach: fc.boolean(),
    })
    .map(({ who, ...rest }): Step => ({
      id: id(),
      kind: 'ring',
      targets: who.map((p) => ({ kind: 'person', id: p })),
      ...rest,
    })),
  fc.constantFrom('front', null).map((mailboxId): Step => ({ id: id(), kind: 'voicemail', mailboxId })),
  fc.constantFrom('plain' as const, 'busy' as const).map((how): Step => ({ id: id(), kind: 'end', how })),
);
const steps: fc.Arbitrary<Step[]> = fc.array(
  fc.oneof(
    { weight: 4, arbitrary: leaf },
    {
      weight: 1,
      arbitrary: fc
        .tuple(fc.array(leaf, { maxLength: 3 }), fc.array(leaf, { maxLength: 3 }))
        .map(([open, otherwise]): Step => ({
          id: id(),
          kind: 'hours',
          hoursId: 'office',
          branches: [{ period: 'Open', steps: open }],
          otherwise,
        })),
    },
  ),
  { maxLength: 6 },
);
const forward = fc.option(
  fc.oneof(
    fc.constantFrom(...people).map((personId) => ({ to: 'person' as const, personId })),
    fc.constant({ to: 'outside' as const, number: '+12065550199' }),
    fc.constant({ to: 'mailbox' as const, mailboxId: 'rosa-box' }),
  ),
);
const reach = fc.record({
  always: forward,
  steps: fc.array(fc.record({ phoneIds: fc.constant(null), seconds: fc.integer({ min: 1, max: 30 }) }), {
    maxLength: 2,
  }),
  onBusy: forward,
  onNotAnswered: forward,
  onUnreachable: forward,
});

describe('any calls to any plan', () => {
  it('end, in order of time, with one outcome, and leave nobody ringing or talking twice', () => {
    fc.assert(
      fc.property(
        steps,
        fc.array(reach, { minLength: 4, maxLength: 4 }),
        fc.array(fc.record({ behaviour, gap: fc.integer({ min: 0, max: 60_000 }) }), {
          minLength: 1,
          maxLength: 5,
        }),
        (plan, reaches, planned) => {
          const commands: Command[] = [
            { do: 'plan.set', id: 'main-plan', change: { steps: plan } },
            ...people.map((p, i): Command => ({ do: 'person.set', id: p, change: { reach: reaches[i]! } })),
          ];
          const system = edited(yard(), commands);
          let at = Date.UTC(2026, 10, 24, 18);
          const requests = planned.map(({ behaviour, gap }, i): CallRequest => {
            at += gap;
            return {
              id: `c${i}`,
              at,
              from: { kind: 'outside', number: null },
              to: { kind: 'number', e164: MAIN },
              behaviour,
            };
          });
          const traces = simulate(system, allOn(system), requests);
          const talks: { phone: string; from: number; to: number }[] = [];
          for (const request of requests) {
            const trace = traces.get(request.id)!;
            expect(outcomeOf(trace)).not.toBeNull();
            expect(trace.filter((e) => e.kind === 'ended')).toHaveLength(1);
            for (const [i, e] of trace.entries()) if (i) expect(e.t).toBeGreaterThanOrEqual(trace[i - 1]!.t);
            const legs = new Map<number, number>();
            for (const e of trace) {
              if (e.kind === 'leg offered') legs.set(e.leg, 1);
              if (e.kind === 'leg ended') legs.set(e.leg, legs.get(e.leg)! - 1);
              if (e.kind === 'answered')
                talks.push({ phone: e.phone, from: request.at + e.t, to: request.at + trace.at(-1)!.t });
            }
            expect([...legs.values()].every((open) => open === 0)).toBe(true);
            expect(trace.filter((e) => e.kind === 'redirected').length).toBeLessThanOrEqual(10);
            // Whatever happened can be drawn and said.
            expect(sentence(trace, system)).toMatch(/\.$/);
            expect(traceLines(trace, system)).toHaveLength(trace.length);
            const chart = ringChart(trace, system);
            for (const bar of chart.lanes.flatMap((l) => l.bars)) {
              expect(bar.to).toBeGreaterThan(bar.from);
              expect(bar.to).toBeLessThanOrEqual(chart.length);
            }
            // The caller hears one thing at a time.
            const heard = chart.lanes[0]!.bars;
            for (const [i, bar] of heard.entries())
              if (i) expect(bar.from).toBeGreaterThanOrEqual(heard[i - 1]!.to);
          }
          for (const [i, a] of talks.entries())
            for (const b of talks.slice(i + 1))
              if (a.phone === b.phone && !a.phone.startsWith('outside:'))
                expect(a.from >= b.to || b.from >= a.to).toBe(true);
        },
      ),
      { numRuns: 150, seed: 11 },
    );
  });
});
