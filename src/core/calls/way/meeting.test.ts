/** Meetings by telephone: let in by PIN, music until the host is there, muted, locked, full; and stored at any moment. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../../demo/lantern-cove';
import { allOn } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import { newRoom, type MeetingRoom, type System } from '../../system';
import {
  CallEngine,
  meetingIn,
  outcomeOf,
  recordedIn,
  sentence,
  simulate,
  SnapshotRecord,
  type CallRequest,
  type Trace,
} from '..';

const NOON = momentOf('America/Los_Angeles', '2026-11-24', 12 * 60 + 5);
const MAIN = '+13605550142';
const demo = demoSystem();
/** The demonstration, where the main number leads into a room. */
function yard(change: Partial<MeetingRoom> = {}): System {
  const number = Object.values(demo.numbers).find((n) => n.e164 === MAIN)!;
  const room = {
    ...newRoom({ id: 'room', name: 'The loft' }),
    pin: '2468',
    hostPin: '97531',
    hostId: 'rosa',
    ...change,
  };
  const plan = {
    id: 'meet',
    name: 'Meet',
    extension: '390',
    steps: [{ id: 'm', kind: 'meeting' as const, roomId: 'room' }],
  };
  return {
    ...demo,
    rooms: { room },
    plans: { ...demo.plans, meet: plan },
    numbers: { ...demo.numbers, [number.id]: { ...number, planId: 'meet' } },
  };
}
const caller = (
  id: string,
  keys: string[],
  after = 0,
  more: { talks?: number; says?: Record<string, string> } = {},
): CallRequest => ({
  id,
  at: NOON + after * 1000,
  from: { kind: 'outside', number: `+1206555010${id.length}` },
  to: { kind: 'number', e164: MAIN },
  behaviour: {
    people: {},
    phones: {},
    otherwise: { does: 'nothing' },
    caller: {
      hangsUpAfter: null,
      talks: more.talks ?? 60,
      message: 12,
      keys: keys.map((press, i) => ({ after: 2 + i * (id === 'host' ? 10 : 1), press })),
      ...(more.says ? { says: more.says } : {}),
    },
  },
});
const host = (after: number, talks = 60): CallRequest => ({
  ...caller('host', [], after, { talks }),
  from: { kind: 'phone', phoneId: 'rosa-desk' },
  to: { kind: 'digits', digits: '390' },
});
const run = (requests: CallRequest[], change: Partial<MeetingRoom> = {}) => {
  const system = yard(change);
  return { system, traces: simulate(system, allOn(system), requests) };
};
const meets = (trace: Trace | undefined) =>
  (trace ?? []).flatMap((e) => (e.kind === 'meets' ? [`${e.is} ${e.as}`] : []));
const end = (trace: Trace | undefined) => outcomeOf(trace!)!.outcome;

describe('into a room', () => {
  it('whoever types the PIN waits with music until the host is there, who needs none from a phone of their own', () => {
    const { traces, system } = run([caller('a', ['2468#'], 0, { talks: 120 }), host(30)]);
    expect(meets(traces.get('a'))).toEqual(['waits member', 'in member']);
    expect(meets(traces.get('host'))).toEqual(['in host']);
    expect(traces.get('a')!.find((e) => e.kind === 'meets' && e.is === 'in')!.t).toBe(30_000);
    expect(end(traces.get('a'))).toEqual({ kind: 'met', roomId: 'room' });
    expect(sentence(traces.get('a')!, system)).toBe(
      'Waited for the host of The loft; met in The loft; left the meeting in The loft after 150 s.',
    );
  });
  it('by the host’s PIN somebody is host from any phone', () => {
    expect(meets(run([caller('a', ['97531#'])]).traces.get('a'))).toEqual(['in host']);
  });
  it('a wrong PIN is asked for again, three times in all; no digit of it stands in the log', () => {
    const { traces } = run([caller('a', ['1111#', '2222#', '3333#'])]);
    expect(end(traces.get('a'))).toEqual({ kind: 'not let in', roomId: 'room', why: 'wrong PIN' });
    expect(JSON.stringify(traces.get('a'))).not.toMatch(/1111|2222|3333|"key"/);
    expect(meets(run([caller('a', ['1111#', '2468#']), host(5)]).traces.get('a'))).toContain('in member');
    // Whoever presses nothing has not typed it either.
    expect(end(run([caller('a', [])]).traces.get('a'))).toMatchObject({ why: 'wrong PIN' });
  });
  it('a host who does not come is waited for half an hour', () => {
    const { traces } = run([caller('a', ['2468#'])]);
    expect(end(traces.get('a'))).toMatchObject({ kind: 'not let in', why: 'no host' });
    expect(meets(run([caller('a', ['2468#'])], { waits: false }).traces.get('a'))).toEqual(['in member']);
  });
  it('a name is asked for, and stands in the log', () => {
    const { traces } = run([host(0, 200), caller('a', ['2468#'], 5, { says: { Name: 'Ada' } })], {
      asksName: true,
    });
    expect(traces.get('a')).toContainEqual(
      expect.objectContaining({ kind: 'noted', label: 'Name', text: 'Ada' }),
    );
    expect(meets(traces.get('a'))).toEqual(['in member']);
  });
  it('nobody more than fit, those who wait among them', () => {
    const { traces } = run(
      [caller('a', ['2468#']), caller('bb', ['2468#'], 1), caller('ccc', ['2468#'], 2), host(20)],
      { most: 2 },
    );
    expect(end(traces.get('ccc'))).toMatchObject({ why: 'full' });
    // The host finds no place either: it is as many as it says.
    expect(end(traces.get('host'))).toMatchObject({ why: 'full' });
  });
});

describe('the host', () => {
  it('locks the room by key; whoever comes then is turned away, and once it is empty it is open again', () => {
    const { traces } = run([
      caller('host', ['97531#', '3'], 0, { talks: 60 }),
      caller('bb', ['2468#'], 20),
      caller('ccc', ['97531#'], 100),
      caller('dddd', ['2468#'], 110),
    ]);
    expect(end(traces.get('bb'))).toMatchObject({ why: 'locked' });
    expect(meets(traces.get('dddd'))).toEqual(['in member']);
  });
  it('mutes all by key, never the host; a member mutes only themselves and cannot lock', () => {
    const { traces } = run([
      caller('a', ['2468#', '1'], 0, { talks: 100 }),
      caller('host', ['97531#', '2'], 20, { talks: 60 }),
      caller('bb', ['2468#', '3'], 10, { talks: 100 }),
    ]);
    const muted = (id: string) => traces.get(id)!.flatMap((e) => (e.kind === 'muted' ? [[e.on, e.by]] : []));
    expect(muted('a')).toEqual([[true, 'self']]);
    expect(muted('bb')).toEqual([[true, 'host']]);
    expect(muted('host')).toEqual([]);
    expect(traces.get('bb')!.some((e) => e.kind === 'room locked')).toBe(false);
  });
  it('or whoever looks after it mutes, locks and puts out; what is over is told', () => {
    const system = yard();
    const engine = new CallEngine(system, allOn(system));
    engine.act(NOON, { kind: 'place', request: caller('a', ['2468#'], 0, { talks: 600 }) });
    engine.act(NOON, { kind: 'place', request: caller('host', ['97531#'], 0, { talks: 600 }) });
    engine.advance(NOON + 20_000);
    expect(meetingIn(engine, 'room').map((c) => [c.request.id, c.meeting.stage])).toEqual([
      ['a', 'in'],
      ['host', 'in'],
    ]);
    const act = (callId: string, does: 'mute all' | 'unmute' | 'lock' | 'put out') =>
      engine.act(NOON + 21_000, { kind: 'in a meeting', callId, does });
    act('a', 'mute all');
    act('a', 'lock');
    act('a', 'unmute');
    act('a', 'put out');
    engine.advance(NOON + 22_000);
    const { trace } = engine.calls.get('a')!;
    expect(trace.flatMap((e) => (e.kind === 'muted' ? [e.on] : []))).toEqual([true, false]);
    expect(outcomeOf(trace)).toMatchObject({ outcome: { kind: 'met' } });
    expect(engine.memory.lockedRooms).toEqual(['room']);
  });
});

describe('recorded', () => {
  const rules = (mayRecordFor: string[] | 'everybody'): System['business']['recording'] => ({
    ...demo.business.recording!,
    mayRecordFor,
    noticeId: null,
  });
  /** Somebody is in by PIN, Rosa comes from her desk, has it recorded by key, and somebody comes later. */
  function recorded(mayRecordFor: string[] | 'everybody', late = 60) {
    const system = yard();
    const business = { ...system.business, recording: rules(mayRecordFor) };
    const rosa = host(20, 90);
    rosa.behaviour!.caller.keys = [{ after: 5, press: '4' }];
    return simulate({ ...system, business }, allOn(system), [
      caller('a', ['2468#'], 0, { talks: 100 }),
      rosa,
      caller('ccc', ['2468#'], late, { talks: 40 }),
    ]);
  }
  const of = (trace: Trace | undefined, kind: 'record notice' | 'record on' | 'record off') =>
    (trace ?? []).flatMap((e) => (e.kind === kind ? [e.t] : []));

  it('begins once all who are in have heard so; whoever comes later hears it as they come in', () => {
    const traces = recorded(['rosa']);
    const [told] = of(traces.get('a'), 'record notice');
    const [on] = of(traces.get('host'), 'record on');
    const [same] = of(traces.get('host'), 'record notice');
    // Two calls, each by its own beginning: 20 seconds lie between them.
    expect(told! - 20_000).toBe(same);
    expect(on).toBeGreaterThan(same!);
    expect(of(traces.get('a'), 'record on')).toEqual([]);
    const late = traces.get('ccc')!;
    const came = late.find((e) => e.kind === 'meets')!.t;
    expect(of(late, 'record notice')).toEqual([came]);
    expect(recordedIn(traces.get('host')!)).toMatchObject([{ by: 'rosa-desk', consent: 'all' }]);
  });
  it('somebody who comes while it is being said hears it whole before it begins', () => {
    const traces = recorded(['rosa'], 23);
    const late = traces.get('ccc')!;
    const notice = late.find((e) => e.kind === 'record notice')!;
    const over = 23_000 + notice.t + (notice.kind === 'record notice' ? notice.ms : 0);
    expect(20_000 + of(traces.get('host'), 'record on')[0]!).toBe(over);
  });
  it('not by whoever may not record, which is told', () => {
    const trace = recorded(['idris']).get('host')!;
    expect(of(trace, 'record on')).toEqual([]);
    expect(trace).toContainEqual(expect.objectContaining({ kind: 'not done', why: 'you may not record' }));
  });
  it('not by a host from outside, whose phone is not ours', () => {
    const { traces } = run([caller('host', ['97531#', '4'], 0)]);
    expect(of(traces.get('host'), 'record on')).toEqual([]);
  });
});

it('whoever comes when, a member is never in before a host was, nor after it was locked, nor more than fit', () => {
  const person = fc.record({
    after: fc.integer({ min: 0, max: 200 }),
    talks: fc.integer({ min: 5, max: 150 }),
    keys: fc.constantFrom<string[][]>(['2468#'], ['97531#'], ['97531#', '3'], ['1#', '2468#'], []),
  });
  fc.assert(
    fc.property(fc.array(person, { minLength: 1, maxLength: 8 }), (people) => {
      const requests = people.map((p, i) => caller('x'.repeat(i + 1), p.keys, p.after, p));
      const { traces } = run(requests, { most: 4 });
      const spans = requests.flatMap((r) => {
        const trace = traces.get(r.id)!;
        const came = trace.find((e) => e.kind === 'meets' && e.is === 'in');
        return came?.kind === 'meets'
          ? [{ as: came.as, from: r.at + came.t, to: r.at + trace.at(-1)!.t }]
          : [];
      });
      for (const s of spans) {
        if (s.as === 'member') expect(spans.some((h) => h.as === 'host' && h.from <= s.from)).toBe(true);
        expect(spans.filter((o) => o.from <= s.from && s.from < o.to).length).toBeLessThanOrEqual(4);
      }
    }),
    { numRuns: 60 },
  );
});

it('stored and taken up again every four seconds, everybody meets as they would', () => {
  const system = yard({ asksName: true });
  const requests = [
    caller('a', ['2468#', '1'], 0, { talks: 50, says: { Name: 'Ada' } }),
    caller('bb', ['97531#', '2', '3'], 9, { talks: 40 }),
  ];
  const once = simulate(system, allOn(system), requests);
  let engine = new CallEngine(system, allOn(system));
  for (const request of requests) engine.act(request.at, { kind: 'place', request });
  for (let t = NOON; t < NOON + 150_000; t += 4000) {
    engine.advance(t);
    engine = CallEngine.restore(
      SnapshotRecord.parse(JSON.parse(JSON.stringify(engine.snapshot()))),
      allOn(system),
    );
  }
  engine.advance(Infinity);
  for (const { id } of requests) expect(engine.calls.get(id)!.trace).toEqual(once.get(id));
});
