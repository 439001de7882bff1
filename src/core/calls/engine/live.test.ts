/** A real call is a rehearsal whose people act in their own time: the same trace comes of both. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { Behaviour, CallEngine, rehearse, type CallRequest } from '..';

const TEN = Date.UTC(2026, 10, 24, 18);
const system = edited(yard(), [{ do: 'mailbox.set', id: 'front', change: { longest: 600 } }]);
const standing = allOn(system);
// Nobody acts in the very millisecond in which their phone begins to sound.
const act = fc.oneof(
  fc.constant({ does: 'nothing' as const }),
  fc.integer({ min: 1, max: 25 }).map((after) => ({ does: 'answers' as const, after })),
  fc.integer({ min: 1, max: 25 }).map((after) => ({ does: 'declines' as const, after })),
);

it('whatever people do, and however unevenly time is worked out', () => {
  fc.assert(
    fc.property(
      fc.record({ rosa: act, idris: act }),
      fc.option(fc.integer({ min: 0, max: 70 })),
      fc.integer({ min: 3, max: 90 }),
      fc.integer({ min: 1, max: 4000 }),
      (people, hangsUpAfter, spoken, stride) => {
        const behaviour = Behaviour.parse({
          people,
          caller: { hangsUpAfter, talks: spoken, message: spoken },
        });
        const request: CallRequest = {
          id: 'a',
          at: TEN,
          from: { kind: 'outside', number: null },
          to: { kind: 'number', e164: MAIN },
          behaviour,
        };
        const rehearsed = rehearse(system, standing, request);

        // What the people of the rehearsal did, as things that happen to a real call.
        const engine = new CallEngine(system, standing);
        engine.act(TEN, { kind: 'place', request: { ...request, behaviour: null } });
        const phones = new Map<number, string>();
        for (const e of rehearsed) {
          if (e.kind === 'leg offered') phones.set(e.leg, e.phone);
          if (e.kind === 'leg ended' && e.how === 'declined')
            engine.act(TEN + e.t, { kind: 'decline', callId: 'a', phone: phones.get(e.leg)! });
          if (e.kind === 'answered') engine.act(TEN + e.t, { kind: 'answer', callId: 'a', phone: e.phone });
          if (e.kind === 'ended' && e.by === 'caller')
            engine.act(TEN + e.t, { kind: 'hang up', callId: 'a', by: 'caller' });
        }
        for (let t = TEN; t < TEN + 400_000; t += stride) engine.advance(t);
        engine.advance(TEN + 400_000);
        expect(engine.calls.get('a')!.trace).toEqual(rehearsed);
        expect(engine.next()).toBeUndefined();
        expect(engine.onCall.size + engine.ringing.size).toBe(0);
      },
    ),
    { numRuns: 120, seed: 31 },
  );
});
