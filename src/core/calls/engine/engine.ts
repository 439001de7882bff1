/**
 * The call engine: discrete events in order of time, for one call or for a day's thousands.
 * It has no clock and no chance of its own: the same system, standing state and actions give the same traces.
 */
import TinyQueue from 'tinyqueue';
import { withOwn, type Standing, type System } from '../../system';
import { takesPart } from '../base/on-call';
import { CALLER, type End } from '../base/talk';
import { party } from '../talks/ends';
import { wentOut } from '../talks/paying';
import { notTaken } from '../talks/passing';
import { firstOver, isOnSecond, secondOver } from '../talks/second';
import { arrive } from '../way/arriving';
import { serve } from '../queues/queueing';
import {
  beginPhase,
  belongsTo,
  emptyMemory,
  newCall,
  RANK,
  type Action,
  type Begins,
  type CallIn,
  type CallState,
  type Due,
  type Memory,
  type Phase,
  type Run,
  type Snapshot,
  type TimerKind,
  type Waits,
} from '../base/state';
import { askAfterwards } from '../way/asking/afterwards';
import { end, enter } from '../way/walking';
import { act, isDue } from './acts';
import { planActs } from '../talks/planned';
import { LOOK_MS, lookAtWants, want, wantOver, withdraw } from './wants';
import { worldOf, type World } from '../base/world';
import { lastOf, type CameBack, type NotDone, type Outcome, type Said, type TraceEvent } from '../base/trace';
import { nobodyAnswers, type CallRequest } from '../base/request';

type Timer = Extract<Due['what'], { kind: 'timer' }>;

/** What several do in the very same millisecond is worked out in this order. */
function rankOf({ kind }: Action): number {
  switch (kind) {
    case 'hang up':
      return RANK.hangUp;
    case 'gone':
      return RANK.fault;
    case 'place':
    case 'answer':
    case 'decline':
    case 'to mailbox':
    case 'press':
    case 'say':
    case 'silent':
    case 'pick up':
    case 'outside':
      return RANK.human;
    case 'hold':
    case 'take back':
    case 'pass on':
    case 'join':
    case 'back to':
    case 'all together':
    case 'park':
    case 'send on':
    case 'take over':
    case 'listen in':
    case 'listen no longer':
    case 'record':
    case 'stop recording':
    case 'pause recording':
    case 'ring when free':
    case 'no longer wanted':
    case 'send keys':
    case 'there again':
    case 'in a meeting':
      return RANK.act;
  }
}

const inOrder = (a: Due, b: Due): number => a.t - b.t || a.rank - b.rank || a.seq - b.seq;

/** The world of a version, as people had set it. */
interface AsSet {
  version: number;
  own: Standing['own'];
  world: World;
}

export class CallEngine implements Run {
  now = -Infinity;
  onCall: Run['onCall'] = new Map();
  ringing = new Map<string, string>();
  readonly calls = new Map<string, CallState>();
  memory: Memory = emptyMemory();
  /** Whoever runs the engine says what calls out cost. */
  rates: Run['rates'] = null;
  /** Whoever runs the engine says what lies in a mailbox. */
  held: Run['held'] = () => [];
  /** Whoever runs the engine says what is taken of a calendar. */
  taken: Run['taken'] = () => [];
  /** Whoever runs the engine is told when a call is over; nothing happens to it any more. */
  whenOver: ((call: CallState) => void) | undefined;
  /** Calls that wait, by queue, in the order they came; those that no longer do are dropped when it is next asked. */
  private queued = new Map<string, CallState[]>();
  /** Calls that go on and were placed about another. */
  private seconds = new Set<CallState>();
  private queue: TinyQueue<Due> = new TinyQueue<Due>([], inOrder);
  private seq = 0;
  private version = 0;
  get newest(): number {
    return this.version;
  }
  /** The versions that calls go by, as the document has them. */
  private systems = new Map<number, System>();
  /** The world of each version, as people have set it; asked for at every step, so it is kept until they set it anew. */
  private worlds = new Map<number, AsSet>();
  /** The one asked for last, by whose version and settings: mostly it is asked for again. */
  private asked: AsSet | undefined;

  /** @param standing what people set for themselves holds for calls in progress too, whenever it is replaced */
  constructor(
    system: System,
    public standing: Standing,
  ) {
    this.systems.set(0, system);
  }

  /** The system under which calls arrive, as the document has it. */
  get document(): System {
    return this.systems.get(this.version)!;
  }

  /** From now on calls arrive under this system; those in progress keep the one they arrived under. */
  setSystem(system: System): void {
    const used = new Set([...this.calls.values()].filter((c) => c.phase !== 'over').map((c) => c.version));
    for (const version of this.systems.keys())
      if (!used.has(version)) {
        this.systems.delete(version);
        this.worlds.delete(version);
      }
    this.systems.set(++this.version, system);
  }

  /** Something somebody does at a moment (epoch milliseconds, not before what has been worked out already). */
  act(at: number, action: Action): void {
    this.queue.push({ t: at, rank: rankOf(action), seq: this.seq++, what: { kind: 'action', action } });
  }

  /** Works out everything up to and including a moment. */
  advance(to: number): void {
    for (let due = this.queue.peek(); due && due.t <= to; due = this.queue.peek()) {
      this.queue.pop();
      this.now = Math.max(this.now, due.t);
      this.handle(due);
      if (this.memory.wants?.length) lookAtWants(this);
    }
    if (Number.isFinite(to)) this.now = Math.max(this.now, to);
  }

  /** The moment of the next thing that happens by itself, or undefined. */
  next(): number | undefined {
    let due = this.queue.peek();
    while (due && this.isVoid(due)) {
      this.queue.pop();
      due = this.queue.peek();
    }
    return due?.t;
  }

  /** Forgets calls that are over. */
  forget(callId: string): void {
    if (this.calls.get(callId)?.phase === 'over') this.calls.delete(callId);
  }

  /** Everything there is, as plain data. */
  snapshot(): Snapshot {
    return {
      now: this.now,
      seq: this.seq,
      version: this.version,
      queue: [...this.queue.data],
      calls: [...this.calls.values()],
      systems: [...this.systems],
      memory: this.memory,
    };
  }

  /** An engine that goes on where a snapshot was taken. */
  static restore(snapshot: Snapshot, standing: Standing): CallEngine {
    const newest = snapshot.systems.find(([v]) => v === snapshot.version)![1];
    const engine = new CallEngine(newest, standing);
    engine.now = snapshot.now;
    engine.seq = snapshot.seq;
    engine.version = snapshot.version;
    engine.systems = new Map(snapshot.systems);
    engine.queue = new TinyQueue(snapshot.queue, inOrder);
    // A snapshot of before there were patterns has nothing in mind.
    engine.memory = snapshot.memory ?? emptyMemory();
    for (const call of [...snapshot.calls].sort((a, b) => (a.waiting?.since ?? 0) - (b.waiting?.since ?? 0)))
      if (call.waiting) engine.join(call.waiting.queueId, call);
    for (const call of snapshot.calls) {
      const id = call.request.id;
      engine.calls.set(id, call);
      if (call.request.about && call.phase !== 'over') engine.seconds.add(call);
      for (const leg of call.legs) if (leg.state !== 'over') engine.ringing.set(leg.phone, id);
      for (const { phone, personId } of call.ends)
        if (phone !== CALLER) takesPart(engine, phone, personId, id);
      if (call.phase === 'over' || call.phase === 'talking' || !isOnSecond(call)) continue;
      const { phone, personId } = party(engine, call);
      if (phone !== CALLER) takesPart(engine, phone, personId, id);
    }
    return engine;
  }

  world(call: CallState): World {
    const { own } = this.standing;
    const { version } = call;
    if (this.asked?.version === version && this.asked.own === own) return this.asked.world;
    let known = this.worlds.get(version);
    if (!known || known.own !== own) {
      known = { version, own, world: worldOf(withOwn(this.systems.get(version)!, own)) };
      this.worlds.set(version, known);
    }
    this.asked = known;
    return known.world;
  }

  say(call: CallState, event: Said): void {
    // Every event is made for one trace and becomes part of it, which spares a copy of each.
    (event as TraceEvent).t = this.now - call.request.at;
    call.trace.push(event);
  }

  begin<P extends Phase>(call: CallState, phase: P, ...own: Begins<P>): CallIn<P> {
    return beginPhase(call, phase, this.now, ...own);
  }

  after(call: CallState, ms: number, timer: TimerKind, rank: number, leg = 0): void {
    const turn = timer === 'press' ? call.pressed : call.turn;
    const what = { kind: 'timer' as const, timer, callId: call.request.id, turn, leg };
    this.queue.push({ t: this.now + ms, rank, seq: this.seq++, what });
  }

  join(queueId: string, call: CallState, atHead = false): void {
    const others = this.waitingIn(queueId).filter((c) => c !== call);
    this.queued.set(queueId, atHead ? [call, ...others] : [...others, call]);
  }

  waitingIn(queueId: string): Waits[] {
    const calls = this.queued.get(queueId) ?? [];
    const waiting = calls.filter((call): call is Waits => call.waiting?.queueId === queueId);
    if (waiting.length < calls.length) this.queued.set(queueId, [...waiting]);
    return waiting;
  }

  isWaitedIn(queueId: string): boolean {
    return (this.queued.get(queueId)?.length ?? 0) > 0;
  }

  serveSoon(queueId: string, ms: number): void {
    if (!this.isWaitedIn(queueId)) return;
    this.queue.push({
      t: this.now + ms,
      rank: RANK.timeout,
      seq: this.seq++,
      what: { kind: 'serve', queueId },
    });
  }

  enter(call: CallState, stepId: string | null): void {
    enter(this, call, stepId);
  }

  end(call: CallState, by: 'caller' | 'called' | 'system', outcome: Outcome): void {
    end(this, call, by, outcome);
    if (call.request.about) secondOver(this, call, outcome);
    this.isOver(call);
  }

  place(request: CallRequest): void {
    if (this.calls.has(request.id)) return;
    const call = newCall(request, this.version, this.now);
    this.calls.set(request.id, call);
    if (request.about) this.seconds.add(call);
    if (request.behaviour?.then) planActs(this, call, 'arrival');
    arrive(this, call);
  }

  endQuietly(call: CallState, outcome: Outcome): void {
    end(this, call, 'system', outcome);
    this.isOver(call);
  }

  private isOver(call: CallState): void {
    this.seconds.delete(call);
    if (this.memory.wants?.length) wantOver(this, call);
    wentOut(this, call);
    if (this.seconds.size) firstOver(this, call);
    this.whenOver?.(call);
  }

  askAfterwards(call: CallIn<'talking'>, end: End): boolean {
    return askAfterwards(this, call, end);
  }
  notTaken(call: CallState, how: CameBack): void {
    notTaken(this, call, how);
  }

  refuse(call: CallState, phone: string, why: NotDone): void {
    this.say(call, { t: 0, kind: 'not done', phone, why });
  }

  callOf(callId: string): CallState | undefined {
    const call = this.calls.get(callId);
    return call?.phase === 'over' ? undefined : call;
  }

  callsAbout(callId: string): CallState[] {
    return [...this.seconds].filter((c) => c.request.about?.callId === callId);
  }

  meeting(roomId: string): CallState[] {
    return [...this.calls.values()].filter((c) => c.phase === 'meeting' && c.meeting.roomId === roomId);
  }

  parkedIn(slot: string): CallState | undefined {
    return [...this.calls.values()].find((c) => c.phase !== 'over' && c.parked?.slot === slot);
  }

  handTimers(from: CallState, to: CallState, legs: number): void {
    // The order of what is due stays: only whose it is changes.
    for (const { what } of this.queue.data) {
      if (what.kind !== 'timer' || what.callId !== from.request.id || what.turn !== from.turn) continue;
      const of = belongsTo(what.timer);
      if (of === 'entry' || of === 'wait') continue;
      what.callId = to.request.id;
      what.turn = to.turn;
      if (what.leg) what.leg += legs;
    }
  }

  mailboxAhead(call: CallState): string | null {
    const ahead = new CallEngine(this.systems.get(call.version)!, this.standing);
    const { about: _, ...request } = call.request;
    ahead.act(this.now, {
      kind: 'place',
      request: { ...request, at: this.now, behaviour: nobodyAnswers() },
    });
    ahead.advance(Infinity);
    const trace = ahead.calls.get(request.id)?.trace ?? [];
    return lastOf(trace, 'greeting started')?.mailboxId ?? null;
  }

  /**
   * Whether a timer no longer means anything: its call is over, or has gone on to another phase. The caller's patience
   * spans phases, a wait its ringing, an entry of keys the menu it is for; everything else belongs to the phase it was
   * set in.
   */
  private isVoid({ what }: Due): boolean {
    if (what.kind === 'action') return false;
    if (what.kind === 'wants') return !this.memory.wants?.length;
    if (what.kind === 'serve') return !this.queued.get(what.queueId)?.length;
    return !this.callDue(what);
  }

  /** The call a timer is for, while it means something. */
  private callDue({ callId, timer, turn, leg }: Timer): CallState | undefined {
    const call = this.calls.get(callId);
    if (!call || call.phase === 'over') return undefined;
    switch (belongsTo(timer)) {
      case 'phase':
        return turn === call.turn ? call : undefined;
      case 'call':
        return call;
      case 'wait':
        return call.waiting?.token === leg ? call : undefined;
      case 'entry':
        return turn === call.pressed ? call : undefined;
    }
  }

  private handle({ what, rank }: Due): void {
    if (what.kind === 'action') return this.perform(what.action, rank);
    if (what.kind === 'serve') return serve(this, what.queueId);
    if (what.kind === 'wants') return this.lookLater();
    const call = this.callDue(what);
    if (call) isDue(this, call, what.timer, what.leg);
  }

  /** Those wanted are looked at after each thing that happens, and from time to time. */
  private lookLater(): void {
    if (!this.memory.wants?.length) return;
    const t = this.now + LOOK_MS;
    this.queue.push({ t, rank: RANK.timeout, seq: this.seq++, what: { kind: 'wants' } });
  }

  /** A call that is hung up in the very millisecond in which it is placed is placed first. */
  private later(action: Action): void {
    const what = { kind: 'action' as const, action };
    this.queue.push({ t: this.now, rank: RANK.human, seq: this.seq++, what });
  }

  private perform(action: Action, rank: number): void {
    switch (action.kind) {
      case 'place':
        return this.place(action.request);
      case 'ring when free':
        if (want(this, { id: action.id, phone: action.phone, personId: action.personId })) this.lookLater();
        return;
      case 'no longer wanted':
        return withdraw(this, action.id, action.phone);
    }
    const call = this.calls.get(action.callId);
    if (call?.phase === 'over') return;
    if (!call) return action.kind === 'hang up' && rank === RANK.hangUp ? this.later(action) : undefined;
    act(this, call, action);
  }
}
