/**
 * The call engine: discrete events in order of time, for one call or for a day's thousands.
 * It has no clock and no chance of its own: the same system, standing state and actions give the same traces.
 */
import TinyQueue from 'tinyqueue';
import type { Standing, System } from '../system';
import { arrive } from './arriving';
import { decline, endLeg, lift, sound } from './ringing';
import {
  RANK,
  type Action,
  type CallState,
  type Due,
  type Phase,
  type Run,
  type Snapshot,
  type TimerKind,
} from './state';
import { end, hangUp, ringingOver, timeOut } from './walking';
import { worldOf, type World } from './world';
import type { Happening } from './trace';

const inOrder = (a: Due, b: Due): number => a.t - b.t || a.rank - b.rank || a.seq - b.seq;

export class CallEngine implements Run {
  now = -Infinity;
  onCall: Run['onCall'] = new Map();
  ringing = new Map<string, string>();
  readonly calls = new Map<string, CallState>();
  private queue: TinyQueue<Due> = new TinyQueue<Due>([], inOrder);
  private seq = 0;
  private version = 0;
  private worlds = new Map<number, World>();

  constructor(
    system: System,
    public standing: Standing,
  ) {
    this.worlds.set(0, worldOf(system));
  }

  /** From now on calls arrive under this system; those in progress keep the one they arrived under. */
  setSystem(system: System): void {
    const used = new Set([...this.calls.values()].filter((c) => c.phase !== 'over').map((c) => c.version));
    for (const version of this.worlds.keys()) if (!used.has(version)) this.worlds.delete(version);
    this.worlds.set(++this.version, worldOf(system));
  }

  /** Something somebody does at a moment (epoch milliseconds, not before what has been worked out already). */
  act(at: number, action: Action): void {
    this.queue.push({ t: at, rank: RANK.human, seq: this.seq++, what: { kind: 'action', action } });
  }

  /** Works out everything up to and including a moment. */
  advance(to: number): void {
    for (let due = this.queue.peek(); due && due.t <= to; due = this.queue.peek()) {
      this.queue.pop();
      this.now = Math.max(this.now, due.t);
      this.handle(due);
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
    const systems = [...this.worlds].map(([v, w]): [number, System] => [v, w.system]);
    return {
      now: this.now,
      seq: this.seq,
      version: this.version,
      queue: [...this.queue.data],
      calls: [...this.calls.values()],
      systems,
    };
  }

  /** An engine that goes on where a snapshot was taken. */
  static restore(snapshot: Snapshot, standing: Standing): CallEngine {
    const newest = snapshot.systems.find(([v]) => v === snapshot.version)![1];
    const engine = new CallEngine(newest, standing);
    engine.now = snapshot.now;
    engine.seq = snapshot.seq;
    engine.version = snapshot.version;
    engine.worlds = new Map(snapshot.systems.map(([v, s]) => [v, worldOf(s)]));
    engine.queue = new TinyQueue(snapshot.queue, inOrder);
    for (const call of snapshot.calls) {
      const id = call.request.id;
      engine.calls.set(id, call);
      for (const leg of call.legs) if (leg.state !== 'over') engine.ringing.set(leg.phone, id);
      const { from } = call.request;
      if (call.talkingOn && call.phase === 'talking') {
        const leg = call.legs.find((l) => l.phone === call.talkingOn);
        engine.onCall.set(call.talkingOn, { callId: id, personId: leg?.personId ?? null });
      }
      if (from.kind === 'phone' && call.phase !== 'over') {
        const { phones } = engine.world(call).system;
        engine.onCall.set(from.phoneId, { callId: id, personId: phones[from.phoneId]?.personId ?? null });
      }
    }
    return engine;
  }

  world(call: CallState): World {
    return this.worlds.get(call.version)!;
  }

  say(call: CallState, happening: Happening): void {
    call.trace.push({ t: this.now - call.request.at, ...happening });
  }

  begin(call: CallState, phase: Phase): void {
    call.phase = phase;
    call.turn++;
    call.since = this.now;
    call.until = null;
    if (phase !== 'talking') call.talkingOn = null;
    if (phase === 'ringing') call.legs = [];
  }

  after(call: CallState, ms: number, timer: TimerKind, rank: number, leg = 0): void {
    const what = { kind: 'timer' as const, timer, callId: call.request.id, turn: call.turn, leg };
    this.queue.push({ t: this.now + ms, rank, seq: this.seq++, what });
  }

  /**
   * Whether a timer no longer means anything: its call is over, or has gone on to another phase. The caller's patience
   * spans phases; everything else belongs to the phase it was set in.
   */
  private isVoid({ what }: Due): boolean {
    if (what.kind === 'action') return false;
    const call = this.calls.get(what.callId);
    return !call || call.phase === 'over' || (what.timer !== 'give up' && what.turn !== call.turn);
  }

  private handle(due: Due): void {
    const { what } = due;
    if (what.kind === 'action') return this.perform(what.action);
    if (this.isVoid(due)) return;
    const call = this.calls.get(what.callId)!;
    if (what.timer === 'give up') return call.phase === 'talking' ? undefined : hangUp(this, call, 'caller');
    if (what.timer === 'talked') return hangUp(this, call, 'caller');
    if (what.timer === 'time out') return timeOut(this, call);
    const leg = call.legs.find((l) => l.n === what.leg);
    if (!leg || leg.state === 'over') return;
    if (what.timer === 'sound') sound(this, call, leg);
    else if (what.timer === 'unreachable') this.unreachable(call, leg);
    else if (what.timer === 'decline') this.declined(call, leg);
    else if (what.timer === 'own voicemail') this.swallowed(call, leg);
    else this.lifted(call, leg);
  }

  private perform(action: Action): void {
    if (action.kind === 'place') {
      const { request } = action;
      if (this.calls.has(request.id)) return;
      const call: CallState = {
        request,
        version: this.version,
        phase: 'waiting',
        turn: 0,
        numberId: null,
        planId: null,
        stepId: null,
        legs: [],
        legCount: 0,
        queue: [],
        roundMs: 0,
        person: null,
        onward: { kind: 'step', stepId: null },
        redirects: 0,
        chain: [],
        since: this.now,
        until: null,
        talkingOn: null,
        mailboxId: null,
        trace: [],
      };
      this.calls.set(request.id, call);
      return arrive(this, call);
    }
    const call = this.calls.get(action.callId);
    if (!call || call.phase === 'over') return;
    if (action.kind === 'hang up') return hangUp(this, call, action.by);
    const leg = call.legs.find((l) => l.phone === action.phone && l.state !== 'over');
    if (!leg) return;
    if (action.kind === 'answer') this.lifted(call, leg);
    else this.declined(call, leg);
  }

  private lifted(call: CallState, leg: CallState['legs'][number]): void {
    if (!lift(this, call, leg)) return;
    const on = call.talkingOn;
    this.begin(call, 'talking');
    call.talkingOn = on;
    const talks = call.request.behaviour?.caller.talks;
    if (talks !== undefined) this.after(call, talks * 1000, 'talked', RANK.human);
  }

  private declined(call: CallState, leg: CallState['legs'][number]): void {
    if (decline(this, call, leg)) ringingOver(this, call, 'declined');
  }

  /** Nothing came back from the phone: it is taken to be gone. */
  private unreachable(call: CallState, leg: CallState['legs'][number]): void {
    endLeg(this, call, leg, 'unreachable');
    if (call.legs.every((l) => l.state === 'over')) ringingOver(this, call, 'nobody answered');
  }

  /** The outside phone's own voicemail takes the call: for the caller it is answered, and lost to the business. */
  private swallowed(call: CallState, leg: CallState['legs'][number]): void {
    endLeg(this, call, leg, 'swallowed');
    end(this, call, 'system', { kind: 'swallowed', phone: leg.phone });
  }
}
