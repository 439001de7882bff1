/** What the engine keeps, forgets and takes up again: versions of the system, calls that are over, snapshots. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import { CallEngine, outcomeOf, SnapshotRecord, type CallRequest, type Snapshot } from '..';

const system = yard();
const standing = allOn(system);
const TEN = momentOf('America/Los_Angeles', '2026-11-24', 600);
const S = 1000;
const live = (id: string, at: number, to: string): CallRequest => ({
  id,
  at,
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'number', e164: to },
  behaviour: null,
});
const inside = (id: string, at: number, digits: string, phoneId: string): CallRequest => ({
  ...live(id, at, ''),
  from: { kind: 'phone', phoneId },
  to: { kind: 'digits', digits },
});
/** An engine to which calls have been placed, worked out to a moment. */
function engineWith(requests: readonly CallRequest[], to: number, of = system): CallEngine {
  const engine = new CallEngine(of, standing);
  for (const request of requests) engine.act(request.at, { kind: 'place', request });
  engine.advance(to);
  return engine;
}
const stored = (engine: CallEngine): Snapshot =>
  SnapshotRecord.parse(JSON.parse(JSON.stringify(engine.snapshot())));
const again = (engine: CallEngine): CallEngine => CallEngine.restore(stored(engine), standing);
const whyNot = (engine: CallEngine, id: string) =>
  engine.calls.get(id)!.trace.flatMap((e) => (e.kind === 'not rung' ? `${e.phone} ${e.why}` : []));

describe('an engine that is taken up again', () => {
  it('knows which phones ring, and for which call', () => {
    const engine = again(engineWith([live('a', TEN, ROSA_DIRECT)], TEN + 5 * S));
    engine.act(TEN + 6 * S, { kind: 'place', request: live('b', TEN + 6 * S, ROSA_DIRECT) });
    engine.advance(TEN + 6 * S);
    expect(whyNot(engine, 'b')).toEqual([
      'rosa-desk ringing for another call',
      'rosa-app ringing for another call',
    ]);
  });

  it('knows which phones are on a call, and whose call it is', () => {
    const first = engineWith([live('a', TEN, ROSA_DIRECT)], TEN + 3 * S);
    first.act(TEN + 3 * S, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    first.advance(TEN + 4 * S);
    const engine = again(first);
    expect([...engine.onCall]).toEqual([['rosa-desk', { callIds: ['a'], personId: 'rosa' }]]);
    // Whoever is on one of their phones is on a call for the others, too.
    engine.act(TEN + 5 * S, { kind: 'place', request: live('b', TEN + 5 * S, ROSA_DIRECT) });
    engine.advance(TEN + 5 * S);
    expect(whyNot(engine, 'b')).toEqual(['rosa-desk on a call', 'rosa-app on a call']);
    engine.act(TEN + 9 * S, { kind: 'hang up', callId: 'a', by: 'called' });
    engine.advance(TEN + 9 * S);
    expect(engine.onCall.size).toBe(0);
    expect(outcomeOf(engine.calls.get('a')!.trace)?.outcome).toMatchObject({
      kind: 'answered',
      phone: 'rosa-desk',
    });
  });

  it('knows who is calling from a phone of the business', () => {
    const engine = again(engineWith([inside('a', TEN, '203', 'rosa-desk')], TEN + S));
    expect(engine.onCall.get('rosa-desk')).toEqual({ callIds: ['a'], personId: 'rosa' });
    engine.act(TEN + 2 * S, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN + 2 * S);
    expect(again(engine).onCall.size).toBe(0);
  });

  it('serves those who wait in the order they came', () => {
    const queued = edited(system, [
      {
        do: 'queue.add',
        value: {
          id: 'desk',
          name: 'Desk',
          extension: null,
          memberIds: ['pia'],
          pattern: 'in order',
          seconds: 15,
          limit: 5,
          longestWait: 600,
          holdMusicId: null,
          comfort: null,
          exitKey: null,
          callBackKey: null,
          wrapUp: 0,
        },
      },
      {
        do: 'plan.set',
        id: 'main-plan',
        change: { steps: [{ id: 'q', kind: 'queue', queueId: 'desk', branches: [] }] },
      },
    ]);
    const engine = new CallEngine(queued, standing);
    for (const [i, id] of ['z', 'm', 'a'].entries())
      engine.act(TEN + i * S, { kind: 'place', request: live(id, TEN + i * S, MAIN) });
    engine.advance(TEN + 5 * S);
    // Stored in whatever order, it is by when they came.
    const snapshot = stored(engine);
    const next = CallEngine.restore({ ...snapshot, calls: snapshot.calls.toReversed() }, standing);
    expect(next.waitingIn('desk').map((c) => c.request.id)).toEqual(['z', 'm', 'a']);
    next.act(TEN + 6 * S, { kind: 'answer', callId: 'z', phone: 'pia-web' });
    next.act(TEN + 9 * S, { kind: 'hang up', callId: 'z', by: 'caller' });
    next.advance(TEN + 10 * S);
    expect(['m', 'a'].map((id) => next.calls.get(id)!.phase)).toEqual(['ringing', 'queued']);
    expect(next.waitingIn('desk').map((c) => c.request.id)).toEqual(['m', 'a']);
  });

  it('has nothing in mind where a snapshot of an earlier version kept nothing', () => {
    const { memory: _, ...old } = stored(engineWith([live('a', TEN, ROSA_DIRECT)], TEN));
    const engine = CallEngine.restore(old as Snapshot, standing);
    expect(engine.memory).toEqual({ lastRung: {}, lastBranch: {}, idleSince: {}, taken: {} });
    const kept = engineWith([live('a', TEN, ROSA_DIRECT)], TEN + S);
    kept.act(TEN + S, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    kept.advance(TEN + S);
    expect(again(kept).memory.taken.rosa).toMatchObject({ calls: 1 });
  });
});

describe('a snapshot that cannot be gone on with is refused', () => {
  const engine = engineWith([live('a', TEN, ROSA_DIRECT)], TEN + S);
  const plain = () => JSON.parse(JSON.stringify(engine.snapshot())) as Snapshot;
  const isTaken = (change: (s: Snapshot) => void) => {
    const snapshot = plain();
    change(snapshot);
    return SnapshotRecord.safeParse(snapshot).success;
  };
  it('and one that can is not', () => {
    expect(isTaken(() => {})).toBe(true);
    expect(SnapshotRecord.safeParse(new CallEngine(system, standing).snapshot()).success).toBe(true);
  });
  it('where its system is not there', () => {
    expect(isTaken((s) => (s.version = 7))).toBe(false);
    expect(isTaken((s) => (s.calls[0]!.version = 7))).toBe(false);
  });
  it('where a call lacks what it is in the middle of', () => {
    for (const phase of ['menu', 'asked', 'talking', 'greeting', 'tone', 'message', 'inbox', 'queued'])
      expect(
        isTaken((s) => Object.assign(s.calls[0]!, { phase })),
        phase,
      ).toBe(false);
    for (const phase of ['waiting', 'prompt', 'naming', 'ringing', 'over'])
      expect(
        isTaken((s) => Object.assign(s.calls[0]!, { phase })),
        phase,
      ).toBe(true);
    const waiting = { queueId: 'q', stepId: null, since: TEN, token: 1, tried: [], looks: false };
    expect(isTaken((s) => Object.assign(s.calls[0]!, { phase: 'queued', waiting }))).toBe(true);
    const ends = [
      { n: 1, phone: 'caller', personId: null },
      { n: 2, phone: 'rosa-desk', personId: 'rosa' },
    ];
    expect(isTaken((s) => Object.assign(s.calls[0]!, { phase: 'talking', ends }))).toBe(true);
    expect(isTaken((s) => Object.assign(s.calls[0]!, { phase: 'talking', ends: [] }))).toBe(false);
  });
  it('where what happened so far is no list of what happened', () => {
    expect(isTaken((s) => Object.assign(s.calls[0]!, { trace: 'nothing' }))).toBe(false);
    expect(isTaken((s) => Object.assign(s.calls[0]!, { trace: [{ kind: 'step' }] }))).toBe(false);
    expect(isTaken((s) => Object.assign(s.calls[0]!, { trace: [{ t: 1, kind: 'key', key: '1' }, 5] }))).toBe(
      false,
    );
  });
});

describe('what is due', () => {
  it('is the next thing that happens by itself, whatever no longer matters', () => {
    const engine = engineWith([live('a', TEN, ROSA_DIRECT)], TEN);
    expect(new CallEngine(system, standing).next()).toBeUndefined();
    // The app starts to sound two seconds after it is offered the call.
    expect(engine.next()).toBe(TEN + 2 * S);
    engine.advance(TEN + 4 * S);
    expect(engine.next()).toBe(TEN + 18 * S);
    engine.act(TEN + 5 * S, { kind: 'hang up', callId: 'a', by: 'caller' });
    expect(engine.next()).toBe(TEN + 5 * S);
    engine.advance(TEN + 5 * S);
    expect(engine.next()).toBeUndefined();
  });
  it('takes time on where nothing happens', () => {
    const engine = engineWith([live('a', TEN, ROSA_DIRECT)], TEN + 7 * S);
    expect(engine.now).toBe(TEN + 7 * S);
    engine.advance(TEN);
    expect(engine.now).toBe(TEN + 7 * S);
    engine.advance(Infinity);
    expect(Number.isFinite(engine.now)).toBe(true);
  });
  it('says of nothing that lies in a mailbox, unless whoever runs it does', () => {
    expect(new CallEngine(system, standing).held('rosa-box')).toEqual([]);
  });
});

describe('calls', () => {
  it('that are over are forgotten when asked, others are not', () => {
    const engine = engineWith([live('a', TEN, ROSA_DIRECT), live('b', TEN, MAIN)], TEN + S);
    engine.act(TEN + 2 * S, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN + 2 * S);
    for (const id of ['a', 'b', 'nobody']) engine.forget(id);
    expect([...engine.calls.keys()]).toEqual(['b']);
  });
  it('that are placed twice are placed once', () => {
    const engine = engineWith([live('a', TEN, ROSA_DIRECT), live('a', TEN + S, MAIN)], TEN + 2 * S);
    expect(engine.calls.get('a')!.numberId).toBe('rosa-number');
    expect(engine.calls.get('a')!.trace.filter((e) => e.kind === 'arrived')).toHaveLength(1);
  });
  it('that are over are touched no more', () => {
    const engine = engineWith([live('a', TEN, ROSA_DIRECT)], TEN + S);
    engine.act(TEN + 2 * S, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN + 2 * S);
    const { length } = engine.calls.get('a')!.trace;
    engine.act(TEN + 3 * S, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    engine.act(TEN + 3 * S, { kind: 'press', callId: 'a', key: '1' });
    engine.act(TEN + 3 * S, { kind: 'hang up', callId: 'a', by: 'called' });
    engine.advance(TEN + 9 * S);
    expect(engine.calls.get('a')!.trace).toHaveLength(length);
  });
  it('of nobody are no calls', () => {
    const engine = engineWith([], TEN);
    engine.act(TEN, { kind: 'hang up', callId: 'nobody', by: 'caller' });
    engine.act(TEN, { kind: 'answer', callId: 'nobody', phone: 'rosa-desk' });
    engine.advance(TEN + S);
    expect(engine.calls.size).toBe(0);
  });
  it('keep the system they arrived under, which is kept as long as one of them goes on', () => {
    const engine = engineWith([live('a', TEN, ROSA_DIRECT)], TEN + S);
    const closed = edited(system, [{ do: 'number.set', id: 'rosa-number', change: { planId: null } }]);
    engine.setSystem(closed);
    expect(engine.document).toBe(closed);
    engine.act(TEN + 2 * S, { kind: 'place', request: live('b', TEN + 2 * S, ROSA_DIRECT) });
    engine.advance(TEN + 2 * S);
    expect(outcomeOf(engine.calls.get('b')!.trace)?.outcome.kind).toBe('not in service');
    expect(engine.snapshot().systems).toHaveLength(2);
    expect(again(engine).document).toEqual(closed);
    engine.advance(TEN + 300 * S);
    expect(outcomeOf(engine.calls.get('a')!.trace)?.outcome.kind).toBe('message');
    const newest = edited(system, [{ do: 'number.set', id: 'main', change: { planId: null } }]);
    engine.setSystem(newest);
    // Nobody goes by the first any more; the last one stays until another replaces it.
    expect(engine.snapshot().systems.map(([, s]) => s)).toEqual([newest]);
  });
  it('go by what people have set for themselves as soon as it is set', () => {
    const engine = engineWith([], TEN);
    const place = (id: string, at: number) => {
      engine.act(at, { kind: 'place', request: live(id, at, ROSA_DIRECT) });
      engine.advance(at);
    };
    place('a', TEN);
    expect(whyNot(engine, 'a')).toEqual([]);
    engine.act(TEN + S, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN + S);
    engine.standing = { ...standing, dnd: { rosa: { value: true, at: TEN, by: 'rosa' } } };
    place('b', TEN + 2 * S);
    expect(whyNot(engine, 'b')).toEqual(['rosa-desk do not disturb', 'rosa-app do not disturb']);
    engine.standing = {
      ...standing,
      own: {
        people: { rosa: { quiet: { value: { from: 0, to: 1439 }, at: TEN, by: 'rosa', over: 'null' } } },
        phones: {},
      },
    };
    engine.act(TEN + 3 * S, { kind: 'hang up', callId: 'b', by: 'caller' });
    place('c', TEN + 4 * S);
    expect(whyNot(engine, 'c')).toEqual(['rosa-desk quiet hours', 'rosa-app quiet hours']);
  });
});
