/** What is known of a phone that nothing keeps from ringing holds as long as what people have set, and not a call longer. */
import { expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { CallEngine, nobodyAnswers, type TraceEvent } from '..';
import { newRegistration, type Standing } from '../../system';

const TEN = Date.parse('2026-11-24T18:00:00Z');
const SYSTEM = edited(yard(), [
  {
    do: 'plan.set',
    id: 'main-plan',
    change: {
      steps: [
        {
          id: 'r',
          kind: 'ring',
          targets: [{ kind: 'phone', id: 'rosa-desk' }],
          pattern: 'together',
          seconds: 18,
          followReach: false,
        },
      ],
    },
  },
]);
let n = 0;
/** What becomes of Rosa's desk phone in a call that comes now. */
function rung(engine: CallEngine): string {
  const id = `call-${(n += 1)}`;
  const at = Math.max(engine.now, TEN) + 60_000;
  engine.act(at, {
    kind: 'place',
    request: {
      id,
      at,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: MAIN },
      behaviour: nobodyAnswers(),
    },
  });
  engine.advance(at + 59_000);
  const is = (e: TraceEvent) => (e.kind === 'not rung' ? e.why : e.kind === 'leg offered' ? 'rings' : []);
  return engine.calls.get(id)!.trace.flatMap(is).join(', ');
}
const off = { value: true, at: TEN, by: 'rosa' };

it('a setting that comes between two calls is heeded in the next, and taken back in the one after', () => {
  const usual = allOn(SYSTEM);
  const engine = new CallEngine(SYSTEM, usual);
  const changed = (change: Partial<Standing>) => {
    engine.standing = { ...usual, ...change };
    return rung(engine);
  };
  expect(rung(engine)).toBe('rings');
  expect(changed({ dnd: { rosa: off } })).toBe('do not disturb');
  expect(changed({ resting: { 'rosa-desk': off } })).toBe('do not disturb on this phone');
  const { 'rosa-desk': _, ...others } = usual.registrations;
  expect(changed({ registrations: others })).toBe('not paired');
  const outside = newRegistration({ pairedAt: 0, standIn: true, outside: true });
  expect(changed({ registrations: { ...others, 'rosa-desk': outside } })).toBe('outside the office');
  expect(changed({})).toBe('rings');
});

it('two engines of one system each go by what is set for them', () => {
  const [one, other] = [new CallEngine(SYSTEM, allOn(SYSTEM)), new CallEngine(SYSTEM, allOn(SYSTEM))];
  other.standing = { ...other.standing, dnd: { rosa: off } };
  expect([rung(one), rung(other), rung(one), rung(other)]).toEqual([
    'rings',
    'do not disturb',
    'rings',
    'do not disturb',
  ]);
});
