/** Calls sent on to what is not there, or round in a circle: a system that was not checked may say so, and no call may stand still. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { newGroup, newStep, type ForwardTarget, type System } from '../../system';
import { Behaviour, CallEngine, nobodyAnswers, outcomeOf, rehearse, type Act, type CallRequest } from '..';

const TEN = Date.UTC(2026, 10, 24, 18);
const call = (to: CallRequest['to'], more: Partial<CallRequest> = {}): CallRequest => ({
  id: 'c',
  at: TEN,
  from: { kind: 'outside', number: '+12065550187' },
  to,
  behaviour: nobodyAnswers(),
  ...more,
});
const rosaSendsTo = (target: ForwardTarget): System => {
  const system = edited(yard(), [
    {
      do: 'plan.set',
      id: 'rosa-plan',
      change: {
        steps: [
          newStep('ring', {
            id: 'r',
            targets: [{ kind: 'person', id: 'rosa' }],
            followReach: true,
            seconds: 60,
          }),
          newStep('voicemail', { id: 'v', mailboxId: 'front' }),
        ],
      },
    },
  ]);
  const rosa = system.people.rosa!;
  return {
    ...system,
    people: { ...system.people, rosa: { ...rosa, reach: { ...rosa.reach, onNotAnswered: target } } },
  };
};

describe('a call sent on to what is no longer there goes where it would have gone, and says so', () => {
  it.each<[ForwardTarget, string[]]>([
    [{ to: 'person', personId: 'gone' }, ['redirected', 'forward skipped']],
    [{ to: 'group', groupId: 'gone' }, ['redirected', 'forward skipped']],
    [{ to: 'mailbox', mailboxId: 'gone' }, ['redirected', 'no mailbox']],
  ])('%o', (target, said) => {
    const system = rosaSendsTo(target);
    const trace = rehearse(system, allOn(system), call({ kind: 'number', e164: ROSA_DIRECT }));
    const i = trace.findIndex((e) => e.kind === 'redirected');
    expect(trace.slice(i, i + 2).map((e) => e.kind)).toEqual(said);
    expect(trace[i]).toMatchObject({ from: 'rosa', to: target, why: 'not answered' });
    if (said[1] === 'forward skipped')
      expect(trace[i + 1]).toMatchObject({ to: target, why: 'no longer there' });
    else expect(trace[i + 1]).toMatchObject({ stepId: null });
    expect(outcomeOf(trace)!.outcome).toMatchObject({ kind: 'message', mailboxId: 'front' });
  });
});

it('a group with nobody in it, rung one after the other, is nobody to ring', () => {
  const empty = edited(yard(), [
    {
      do: 'group.add',
      value: newGroup({ id: 'crew', name: 'Crew', extension: '230', pattern: 'in order', members: [] }),
    },
  ]);
  const from = { kind: 'phone', phoneId: 'idris-desk' } as const;
  const trace = rehearse(empty, allOn(empty), call({ kind: 'digits', digits: '230' }, { from }));
  expect(trace.slice(-2)).toMatchObject([
    { kind: 'ringing over', how: 'nobody could be rung' },
    { kind: 'ended', outcome: { kind: 'nobody answered' } },
  ]);
});

it('who dials the same extension in a menu over and over is told at some time that it leads nowhere', () => {
  const system = edited(yard(), [
    {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          newStep('menu', {
            id: 'menu',
            recordingId: 'welcome',
            seconds: 5,
            tries: 1,
            dialExtension: true,
            branches: [{ key: 'none', steps: [newStep('goto', { id: 'back', planId: 'main-plan' })] }],
          }),
          newStep('voicemail', { id: 'vm', mailboxId: 'front' }),
        ],
      },
    },
  ]);
  const engine = new CallEngine(system, allOn(system));
  engine.act(TEN, { kind: 'place', request: call({ kind: 'number', e164: MAIN }, { behaviour: null }) });
  let dialled = 0;
  for (let now = TEN; now < TEN + 3_600_000 && engine.calls.get('c')?.phase !== 'over'; now += 1000) {
    engine.advance(now);
    if (engine.calls.get('c')!.phase !== 'menu') continue;
    dialled++;
    // Idris has no mailbox: the call comes back to the menu.
    for (const key of '202') engine.act(now, { kind: 'press', callId: 'c', key });
  }
  const { trace } = engine.calls.get('c')!;
  // Ten redirects are followed: each round has two, back to where no key leads and on to the plan.
  expect(dialled).toBe(6);
  expect(trace.at(-1)).toMatchObject({
    kind: 'ended',
    by: 'system',
    outcome: { kind: 'too many redirects' },
  });
});

describe('phones that have been lifted when ringing is over', () => {
  // Two mobiles that want a key pressed, and a desk phone that nobody lifts.
  const system = edited(yard(), [
    { do: 'phone.set', id: 'tomas-cell', change: { confirmByKey: true } },
    {
      do: 'plan.set',
      id: 'night-plan',
      change: {
        steps: [
          newStep('ring', {
            id: 'r',
            targets: [
              { kind: 'person', id: 'tomas' },
              { kind: 'outside', id: '+12065550122' },
              { kind: 'person', id: 'idris' },
            ],
            confirm: true,
            seconds: 20,
          }),
          newStep('voicemail', { id: 'v', mailboxId: 'front' }),
        ],
      },
    },
  ]);
  const begin = () => {
    const engine = new CallEngine(system, allOn(system));
    const night = { kind: 'number', e164: '+13605550160' } as const;
    engine.act(TEN, { kind: 'place', request: call(night, { behaviour: null }) });
    return engine;
  };
  const lifts = (engine: CallEngine, phone: string, after: number) =>
    engine.act(TEN + after, { kind: 'answer', callId: 'c', phone });
  const ended = (engine: CallEngine) =>
    engine.calls
      .get('c')!
      .trace.flatMap((e) => (e.kind === 'leg ended' ? [`${e.t / 1000} ${e.phone} ${e.how}`] : []));

  it('go on, the others stop, and the last of them ends it ten seconds after it was lifted', () => {
    const engine = begin();
    lifts(engine, 'tomas-cell', 12_000);
    lifts(engine, 'outside:+12065550122', 15_000);
    engine.advance(TEN + 20_000);
    expect(ended(engine)).toEqual(['20 idris-desk not answered']);
    engine.advance(TEN + 24_900);
    expect(engine.calls.get('c')!.phase).toBe('ringing');
    engine.advance(TEN + 25_000);
    expect(ended(engine).slice(1)).toEqual([
      '25 tomas-cell not answered',
      '25 outside:+12065550122 not answered',
    ]);
    expect(engine.calls.get('c')!.phase).toBe('greeting');
  });
  it('take the call with the key, and the other that was lifted stops', () => {
    const engine = begin();
    lifts(engine, 'tomas-cell', 12_000);
    lifts(engine, 'outside:+12065550122', 15_000);
    lifts(engine, 'tomas-cell', 21_500);
    engine.advance(TEN + 22_000);
    expect(ended(engine).slice(1)).toEqual([
      '21.5 tomas-cell answered',
      '21.5 outside:+12065550122 answered elsewhere',
    ]);
    expect(engine.calls.get('c')!).toMatchObject({
      phase: 'talking',
      ends: [{ phone: 'caller' }, { phone: 'tomas-cell' }],
    });
  });
});

it('whose patience ends while they talk goes on talking; while they wait they hang up', () => {
  const system = yard();
  const of = (people: Record<string, Act>) =>
    outcomeOf(
      rehearse(system, allOn(system), {
        ...call({ kind: 'number', e164: ROSA_DIRECT }),
        behaviour: Behaviour.parse({ people, caller: { hangsUpAfter: 10, talks: 30 } }),
      }),
    );
  expect(of({ rosa: { does: 'answers', after: 4 } })).toMatchObject({
    t: 34_000,
    outcome: { kind: 'answered' },
  });
  expect(of({ rosa: { does: 'answers', after: 12 } })).toMatchObject({
    t: 10_000,
    outcome: { kind: 'hung up', during: 'ringing' },
  });
});
