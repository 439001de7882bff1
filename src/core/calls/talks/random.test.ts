/** Whatever people do with calls, in whatever order: laws that hold after each act. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { TEN, toPerson, Yard } from '../../../../tests/fixtures/talk';
import { allOn, MAIN, ROSA_DIRECT } from '../../../../tests/fixtures/yard';
import {
  Behaviour,
  CallEngine,
  hears,
  isHeard,
  isOurs,
  rehearse,
  SnapshotRecord,
  type Action,
  type CallRequest,
} from '..';
import { newQueue, type PassTarget } from '../../system';

const PHONES = [
  'rosa-desk',
  'rosa-app',
  'idris-desk',
  'pia-web',
  'tomas-cell',
  'caller',
  'outside:+12065550134',
];
const phone = fc.constantFrom(...PHONES);
const ours = fc.constantFrom('rosa-desk', 'rosa-app', 'idris-desk', 'pia-web');
const target: fc.Arbitrary<PassTarget> = fc.oneof(
  fc.constantFrom('rosa', 'idris', 'pia', 'tomas').map(toPerson),
  fc.constantFrom<PassTarget>(
    { to: 'outside', number: '+12065550134' },
    { to: 'mailbox', mailboxId: 'front' },
    { to: 'phone', phoneId: 'rosa-app' },
    { to: 'plan', planId: 'main-plan' },
    { to: 'group', groupId: 'gone' },
    { to: 'queue', queueId: 'q' },
  ),
);
type Act = Extract<Action, { callId: string }>;
const back = { then: 'back' } as const;

/** What somebody does: mostly something that is possible, by whoever may; a number chooses among what there is. */
type Doing = (yard: Yard, n: number, next: () => string) => void;
const pick = <T>(of: readonly T[], n: number): T | undefined => of[n % Math.max(1, of.length)];
const going = (yard: Yard) => [...yard.engine.calls.values()].filter((c) => c.phase !== 'over');
const talking = (yard: Yard) => going(yard).filter((c) => c.phase === 'talking');

/** An act of one of those in a talk, or now and then of somebody who is not. */
const ofATalk =
  (kind: Act['kind'], more: object = {}): Doing =>
  (yard, n) => {
    const call = pick(n % 7 === 6 ? going(yard) : talking(yard), n);
    const phone = n % 11 === 10 ? pick(PHONES, n) : pick(call?.ends ?? [], n >> 3)?.phone;
    if (call && phone) yard.does(call.request.id, { kind, phone, ...more } as never);
  };
const answers: Doing = (yard, n) => {
  const rung = pick([...yard.engine.ringing], n);
  if (rung) yard.does(rung[1], { kind: 'answer', phone: rung[0] });
};
const second =
  (to: PassTarget, as: 'a word' | 'add' | 'move'): Doing =>
  (yard, n, next) => {
    const call = pick(talking(yard), n);
    const end = pick((call?.ends ?? []).filter(isOurs), n >> 3);
    if (call && end) yard.calls(next(), to, { callId: call.request.id, as }, end.phone);
  };

const act: fc.Arbitrary<Doing> = fc.oneof(
  {
    weight: 3,
    arbitrary: fc.constantFrom(ROSA_DIRECT, MAIN).map((e164): Doing => (yard, _n, next) => {
      yard.place(next(), { to: { kind: 'number', e164 }, from: { kind: 'outside', number: null } });
    }),
  },
  { weight: 10, arbitrary: fc.constant(answers) },
  {
    weight: 6,
    arbitrary: fc
      .tuple(target, fc.constantFrom('a word' as const, 'add' as const, 'move' as const))
      .map(([to, as]) => second(to, as)),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(ours, fc.constantFrom('70', '71', '203', '9 1 206 555 0134'))
      .map(([phoneId, digits]): Doing => (yard, _n, next) => {
        yard.place(next(), { from: { kind: 'phone', phoneId }, to: { kind: 'digits', digits } });
      }),
  },
  { weight: 4, arbitrary: target.map((to) => ofATalk('pass on', { to, ifNobody: back })) },
  { weight: 3, arbitrary: fc.constantFrom('caller', 'called').map((by) => ofATalk('hang up', { by })) },
  {
    weight: 12,
    arbitrary: fc
      .constantFrom<Act['kind'][]>(
        'hold',
        'take back',
        'take back',
        'join',
        'join',
        'back to',
        'all together',
        'all together',
        'park',
        'gone',
        'there again',
      )
      .map((kind) => ofATalk(kind)),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(fc.constantFrom<Act['kind'][]>('pick up', 'take over', 'decline'), phone)
      .map(([kind, p]): Doing => (yard, n) => {
        const call = pick(going(yard), n);
        if (call) yard.does(call.request.id, { kind, phone: p } as never);
      }),
  },
);
/** Whoever keeps an eye on the queue takes somebody out of it, who waits there or elsewhere. */
const sends: fc.Arbitrary<Doing> = target.map((to): Doing => (yard, n) => {
  const waiting = going(yard).filter((c) => c.waiting);
  const call = pick(n % 7 === 6 ? going(yard) : waiting, n);
  if (call) yard.does(call.request.id, { kind: 'send on', personId: 'rosa', to });
});
/** Seconds that go by: mostly few, sometimes until a parked call rings back. */
const wait = fc.oneof(
  { weight: 6, arbitrary: fc.nat(8) },
  { weight: 1, arbitrary: fc.constantFrom(12, 26, 130) },
);

const onCalls = ({ onCall }: CallEngine) =>
  [...onCall].map(([phone, { callIds }]) => `${phone} ${[...callIds].sort().join(' ')}`).sort();

function laws(yard: Yard): void {
  const talks = [...yard.engine.calls.values()].filter((c) => c.phase === 'talking');
  const active = talks.flatMap((c) =>
    c.ends.filter((e) => isOurs(e) && e.holds === undefined).map((e) => e.phone),
  );
  expect(new Set(active).size, 'a phone talks in two calls').toBe(active.length);
  for (const call of talks) {
    const { ends } = call;
    expect(new Set(ends.map((e) => e.phone)).size, 'a phone is in a talk twice').toBe(ends.length);
    expect(ends.length, 'alone in a talk').toBeGreaterThan(1);
    if (!call.joined) expect(ends.some(isOurs), 'outside parties are left to each other').toBe(true);
    for (const end of ends) {
      if (hears(end, ends) === 'the others') expect(isHeard(end), 'who holds hears').toBe(true);
      if (end.phone !== 'caller')
        expect(yard.engine.onCall.get(end.phone)?.callIds, 'in a talk and not on a call').toContain(
          call.request.id,
        );
    }
  }
  for (const [name, { callIds }] of yard.engine.onCall)
    for (const id of callIds) {
      const call = yard.call(id);
      expect(call.phase, `${name} is on a call that is over`).not.toBe('over');
    }
  for (const [name, id] of yard.engine.ringing) {
    const legs = yard
      .call(id)
      .legs.filter((l) => l.state !== 'over')
      .map((l) => l.phone);
    expect(legs, 'rings for a call that does not ring there').toContain(name);
  }
}

it('nobody talks in two calls, nobody is lost, and everything ends', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.oneof({ weight: 9, arbitrary: act }, { weight: 1, arbitrary: sends }),
          fc.nat(1000),
          wait,
        ),
        { minLength: 3, maxLength: 30 },
      ),
      (acts) => {
        const yard = new Yard([
          { do: 'person.set', id: 'rosa', change: { callWaiting: true } },
          { do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk', memberIds: ['idris', 'pia'] }) },
        ]);
        const ids: string[] = [];
        const next = () => {
          ids.push(`c${ids.length}`);
          return ids.at(-1)!;
        };
        yard.customerTalksToRosa();
        for (const [doing, n, seconds] of acts) {
          doing(yard, n, next);
          laws(yard);
          // Taken up by another window it goes on alike.
          const snapshot = SnapshotRecord.parse(structuredClone(yard.engine.snapshot()));
          const again = CallEngine.restore(snapshot, yard.engine.standing);
          expect(onCalls(again), 'taken up, others are on calls').toEqual(onCalls(yard.engine));
          yard.at(yard.now + seconds);
          again.advance(TEN + yard.now * 1000);
          expect([...again.calls.values()].map((c) => c.trace)).toEqual(
            [...yard.engine.calls.values()].map((c) => c.trace),
          );
          laws(yard);
        }
        for (const call of yard.engine.calls.values())
          if (call.phase === 'talking')
            for (const { phone } of [...call.ends])
              yard.does(call.request.id, { kind: 'hang up', by: 'called', phone });
          else yard.does(call.request.id, { kind: 'hang up', by: 'caller' });
        yard.at(yard.now + 5 * 3600);
        for (const call of yard.engine.calls.values())
          if (call.phase === 'talking') yard.does(call.request.id, { kind: 'hang up', by: 'called' });
        expect([...yard.engine.calls.values()].filter((c) => c.phase !== 'over').map((c) => c.phase)).toEqual(
          [],
        );
        expect([yard.engine.onCall.size, yard.engine.ringing.size]).toEqual([0, 0]);
      },
    ),
    { numRuns: 150, seed: 15 },
  );
}, 60_000);

it('a rehearsal and the acts of real people leave the same trace', () => {
  const doing = fc.oneof(
    target.map((to) => ({ does: 'passes on' as const, to, ifNobody: back })),
    fc.constantFrom({ does: 'holds' as const }, { does: 'takes back' as const }, { does: 'parks' as const }),
  );
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.integer({ min: 1, max: 50 }), doing), { maxLength: 4 }), (planned) => {
      const then = planned.map(([after, d]) => ({ personId: 'rosa', after, doing: d }));
      const behaviour = Behaviour.parse({
        phones: { 'rosa-desk': { does: 'answers', after: 4 } },
        people: { pia: { does: 'answers', after: 5 } },
        caller: { talks: 400 },
        then,
      });
      const request: CallRequest = {
        id: 'a',
        at: TEN,
        from: { kind: 'outside', number: null },
        to: { kind: 'number', e164: ROSA_DIRECT },
        behaviour,
      };
      const yard = new Yard();
      const { document: system } = yard.engine;
      const rehearsed = rehearse(system, allOn(system), request);
      // The same by hand: answers where they were answered, acts where they were done.
      const engine = new CallEngine(system, allOn(system));
      engine.act(TEN, { kind: 'place', request: { ...request, behaviour: null } });
      for (const e of rehearsed) {
        if (e.kind === 'answered') engine.act(TEN + e.t, { kind: 'answer', callId: 'a', phone: e.phone });
        if (e.kind === 'ended' && e.by === 'caller')
          engine.act(TEN + e.t, { kind: 'hang up', callId: 'a', by: 'caller' });
      }
      const first = rehearsed.find((e) => e.kind === 'answered')!.t;
      for (const { after, doing: d } of then) {
        const at = TEN + first + after * 1000;
        const on = { callId: 'a', phone: 'rosa-desk' };
        if (d.does === 'passes on')
          engine.act(at, { kind: 'pass on', ...on, to: d.to, ifNobody: d.ifNobody });
        else if (d.does === 'holds') engine.act(at, { kind: 'hold', ...on });
        else if (d.does === 'takes back') engine.act(at, { kind: 'take back', ...on });
        else engine.act(at, { kind: 'park', ...on });
      }
      engine.advance(TEN + 3_600_000);
      expect(engine.calls.get('a')!.trace).toEqual(rehearsed);
    }),
    { numRuns: 80, seed: 5 },
  );
});
