/**
 * The live switch: the same call engine as a rehearsal, run against the bench clock. One worker of the browser's windows
 * holds it at a time; its calls are stored with every change, so that another takes them up where they are.
 */
import { calledPerson, CallEngine, settingsOf, type CallState } from '../core/calls';
import type { Held } from '../core/messages';
import { emptyStanding, type Standing } from '../core/system';
import { benchTime, type ClockSetting } from '../standins/clock/clock';
import { clockOf, storeSettings, storeStanding, type Change, type Changes, type Db } from '../workspace';
import { keepEnded } from './ended';
import { heldMessages, markMessages } from './messages';
import { letters } from './notices';
import {
  CHANNEL,
  callerLock,
  phoneLock,
  type FromSwitch,
  type LiveCall,
  type Said,
  type ToSwitch,
} from './protocol';

/** How often open windows are looked for, in milliseconds of real time. */
const LOOK_MS = 1000;
/** A window that is gone for less than this is only being reloaded. */
const RELOAD_MS = 4000;
/** What of a business its line goes by. */
const REFRESHED: readonly Change['what'][] = ['in force', 'standing', 'messages'];
/** Messages confirmed lately, so that one sent again is not done twice. */
const REMEMBERED = 500;

interface Line {
  engine: CallEngine;
  /** What lies in each mailbox. */
  held: Map<string, Held[]>;
  standing: Standing;
  said: Map<string, Said>;
  /** How many events of a call have been looked at for letters to send. */
  notified: Map<string, number>;
}

export class Switch {
  private lines = new Map<string, Line>();
  private channel = new BroadcastChannel(CHANNEL);
  private clock: ClockSetting = { mode: 'real' };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private looking: ReturnType<typeof setInterval> | undefined;
  private work: Promise<void> = Promise.resolve();
  private done: string[] = [];
  private goneSince = new Map<string, number>();

  constructor(
    private db: Db,
    private changes: Changes,
  ) {}

  /** Takes over: restores calls in progress and starts to listen. */
  async start(): Promise<void> {
    this.clock = await clockOf(this.db);
    for (const { businessId, snapshot } of await this.db.getAll('exchange')) {
      if (snapshot.calls.every((c) => c.phase === 'over')) continue;
      const standing = (await this.db.get('standing', businessId))?.standing ?? emptyStanding();
      const engine = CallEngine.restore(snapshot, standing);
      const line = await this.begin(businessId, engine, standing);
      for (const c of snapshot.calls) line.notified.set(c.request.id, c.trace.length);
    }
    this.changes.listen((change) => {
      this.inTurn(async () => {
        if (change.what === 'clock') {
          this.clock = await clockOf(this.db);
          // The clock only moves while no call goes on; engines start anew, for it may have gone back.
          this.lines.clear();
        } else if (change.what === 'businesses' && change.businessId) this.lines.delete(change.businessId);
        else if (change.businessId && REFRESHED.includes(change.what))
          await this.refresh(change.businessId, change.what);
        await this.settle();
      });
    });
    this.channel.onmessage = ({ data }: MessageEvent<ToSwitch>) => this.inTurn(() => this.receive(data));
    this.looking = setInterval(() => this.inTurn(() => this.lookAround()), LOOK_MS);
    this.inTurn(() => this.lookAround());
    this.inTurn(() => this.settle());
  }

  /** Stops; calls in progress stay in storage for whoever takes over. */
  stop(): void {
    clearInterval(this.looking);
    clearTimeout(this.timer);
    this.channel.close();
  }

  private now(): number {
    return benchTime(this.clock, Date.now());
  }

  /** One thing after the other. */
  private inTurn(job: () => Promise<void>): void {
    this.work = this.work
      .then(job)
      .catch((error: unknown) => console.error('The exchange could not finish', error));
  }

  private async receive(message: ToSwitch): Promise<void> {
    const line = await this.line(message.businessId);
    if (message.kind === 'ask') return line && this.publish(message.businessId, line);
    if (line && !this.done.includes(message.id)) {
      if (message.kind === 'say') line.said.set(message.callId, message.said);
      else {
        if (message.action.kind === 'place') await this.lookAround();
        const now = this.now();
        line.engine.advance(now);
        line.engine.act(
          now,
          message.action.kind === 'place'
            ? { ...message.action, request: { ...message.action.request, at: now } }
            : message.action,
        );
        line.engine.advance(now);
      }
      this.done = [...this.done, message.id].slice(-REMEMBERED);
      await this.settle(message.businessId);
    }
    this.post({ kind: 'done', id: message.id });
  }

  /** The engine of a business, started when it is first needed. */
  private async line(businessId: string): Promise<Line | undefined> {
    const known = this.lines.get(businessId);
    if (known) return known;
    const versions = await this.db.getAllFromIndex('versions', 'business', businessId);
    const standing = (await this.db.get('standing', businessId))?.standing;
    if (!versions.length || !standing) return undefined;
    const newest = versions.reduce((a, b) => (b.n > a.n ? b : a));
    return this.begin(businessId, new CallEngine(newest.system, standing), standing);
  }

  private async begin(businessId: string, engine: CallEngine, standing: Standing): Promise<Line> {
    const held = await heldMessages(this.db, businessId);
    const line: Line = { engine, standing, held, said: new Map(), notified: new Map() };
    engine.held = (mailboxId) => line.held.get(mailboxId) ?? [];
    this.lines.set(businessId, line);
    return line;
  }

  private async refresh(businessId: string, what: Change['what']): Promise<void> {
    const line = this.lines.get(businessId);
    if (!line) return;
    if (what === 'standing') {
      line.standing = (await this.db.get('standing', businessId))?.standing ?? line.standing;
      line.engine.standing = line.standing;
    } else if (what === 'messages') {
      line.held = await heldMessages(this.db, businessId);
    } else {
      const versions = await this.db.getAllFromIndex('versions', 'business', businessId);
      line.engine.advance(this.now());
      line.engine.setSystem(versions.reduce((a, b) => (b.n > a.n ? b : a)).system);
    }
  }

  /** Works out what is due, keeps what has ended, stores and tells the rest, and sets the alarm for what comes next. */
  private async settle(touched?: string): Promise<void> {
    clearTimeout(this.timer);
    const now = this.now();
    let next = Infinity;
    for (const [businessId, line] of this.lines) {
      const due = (line.engine.next() ?? Infinity) <= now;
      line.engine.advance(now);
      next = Math.min(next, line.engine.next() ?? Infinity);
      const calls = [...line.engine.calls.values()];
      if (!due && touched !== businessId && !calls.some((c) => c.phase === 'over')) continue;
      for (const call of calls) await this.notify(businessId, line, call);
      for (const call of calls) if (call.phase === 'over') await this.finish(businessId, line, call);
      this.publish(businessId, line);
      for (const call of calls) line.engine.forget(call.request.id);
      await this.db.put('exchange', { businessId, snapshot: line.engine.snapshot() });
    }
    // Long waits are cut short: real and bench time may be set apart anew meanwhile.
    if (next < Infinity)
      this.timer = setTimeout(
        () => this.inTurn(() => this.settle()),
        Math.min(Math.max(0, next - now), 60_000),
      );
  }

  /** Letters of Notify steps go out when the call passes them. */
  private async notify(businessId: string, line: Line, call: CallState): Promise<void> {
    const { id } = call.request;
    const seen = line.notified.get(id) ?? 0;
    if (call.phase === 'over') line.notified.delete(id);
    else line.notified.set(id, call.trace.length);
    if (await markMessages(this.db, call, seen)) {
      await this.refresh(businessId, 'messages');
      this.changes.tell({ businessId, what: 'messages' });
    }
    const sent = await letters(businessId, line.engine.world(call).system, call, seen);
    if (!sent.length) return;
    for (const letter of sent) await this.db.put('mail', letter);
    this.changes.tell({ businessId, what: 'mail' });
  }

  private async finish(businessId: string, line: Line, call: CallState): Promise<void> {
    const said = line.said.get(call.request.id) ?? { text: '', sound: null };
    line.said.delete(call.request.id);
    const kept = await keepEnded(
      this.db,
      businessId,
      line.engine.world(call).system,
      call,
      said,
      line.standing,
    );
    for (const what of kept) this.changes.tell({ businessId, what });
    if (kept.includes('messages')) await this.refresh(businessId, 'messages');
    await this.carryOut(businessId, line, call);
  }

  /** A star code dialled on a person's phone changes their own settings. */
  private async carryOut(businessId: string, line: Line, call: CallState): Promise<void> {
    const { settings, stamp } = settingsOf(line.engine.world(call).system, call, this.now());
    if (!settings.length) return;
    await storeSettings(this.db, businessId, settings, stamp, line.engine.document);
    await this.refresh(businessId, 'standing');
    this.changes.tell({ businessId, what: 'standing' });
  }

  /** Looks which windows are open: softphones register by being open, and a caller whose window is gone has hung up. */
  private async lookAround(): Promise<void> {
    const { held } = await navigator.locks.query();
    const open = new Set(held?.map((l) => l.name));
    for (const { id } of await this.db.getAll('businesses')) {
      const line = await this.line(id);
      if (!line) continue;
      const changed = Object.entries(line.standing.registrations).filter(
        ([phoneId, r]) => !r.standIn && r.online !== open.has(phoneLock(id, phoneId)),
      );
      if (changed.length) {
        await storeStanding(this.db, id, (standing) => {
          const registrations = { ...standing.registrations };
          for (const [phoneId] of changed) {
            const known = registrations[phoneId];
            if (known) registrations[phoneId] = { ...known, online: open.has(phoneLock(id, phoneId)) };
          }
          return { ...standing, registrations };
        });
        await this.refresh(id, 'standing');
        this.changes.tell({ businessId: id, what: 'standing' });
      }
      await this.hangUpForTheGone(id, line, open);
    }
  }

  private async hangUpForTheGone(
    businessId: string,
    line: Line,
    open: Set<string | undefined>,
  ): Promise<void> {
    const real = Date.now();
    for (const call of line.engine.calls.values()) {
      if (call.phase === 'over') continue;
      const { id, from } = call.request;
      const ends: [string, 'caller' | 'called'][] = [];
      if (from.kind === 'outside') ends.push([callerLock(id), 'caller']);
      if (call.talkingOn && line.standing.registrations[call.talkingOn]?.standIn === false)
        ends.push([phoneLock(businessId, call.talkingOn), 'called']);
      for (const [lock, by] of ends) {
        if (open.has(lock)) {
          this.goneSince.delete(lock);
          continue;
        }
        const since = this.goneSince.get(lock) ?? real;
        this.goneSince.set(lock, since);
        if (real - since < RELOAD_MS) continue;
        this.goneSince.delete(lock);
        line.engine.act(this.now(), { kind: 'hang up', callId: id, by });
        await this.settle(businessId);
      }
    }
  }

  private publish(businessId: string, line: Line): void {
    const calls = [...line.engine.calls.values()].map((c): LiveCall => {
      const { request, phase, since, until, legs, talkingOn, mailboxId, numberId, trace } = c;
      const called = calledPerson(line.engine, c);
      return {
        calledPerson: called,
        request,
        phase,
        since,
        until,
        legs,
        talkingOn,
        mailboxId,
        numberId,
        trace,
      };
    });
    this.post({ kind: 'calls', businessId, calls });
  }

  private post(message: FromSwitch): void {
    this.channel.postMessage(message);
  }
}
