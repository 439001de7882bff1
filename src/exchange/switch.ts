/**
 * The live switch: the same call engine as a rehearsal, run against the bench clock. One worker of the browser's windows
 * holds it at a time; its calls are stored with every change, so that another takes them up where they are.
 */
import { CallEngine, outsideNumber, settingsOf, type Action, type CallState } from '../core/calls';
import { RATES } from '../standins/carrier/prices';
import { reactionOf, type Reaction } from '../standins/outside/outside';
import { spansOf } from '../core/booking';
import type { Differing } from '../core/coverage';
import { EXCHANGE } from '../core/phone';
import { emptyStanding, type Setting, type Stamp, type Standing, type System } from '../core/system';
import { benchTime, speedOf, type ClockSetting } from '../standins/clock/clock';
import {
  clockOf,
  ExchangeRecord,
  readAgain,
  readHabits,
  readMany,
  Said,
  sendDue,
  StandingRecord,
  storeSettings,
  storeStanding,
  Beside,
  within,
  type Change,
  type Changes,
  type Db,
  movedKey,
  readRecord,
  settable,
} from '../workspace';
import { keepBooked } from './booked';
import { ByItself } from './by-itself';
import { keepEnded } from './ended';
import { heldIn, markMessages } from './messages';
import { liveCalls, stored, type Line } from './line';
import { letters } from './notices';
import { PhoneWindows } from './phones/phones';
import { CHANNEL, outsideLock, phoneLock, type FromSwitch, type ToSwitch } from './protocol';
import { Windows, type Open } from './windows';

/** How often open windows are looked for, in milliseconds of real time. */
const LOOK_MS = 1000;
/** What of a business its line goes by. */
const REFRESHED: readonly Change['what'][] = ['in force', 'standing', 'messages', 'bookings'];
/** What could not be stored is tried again so often, in milliseconds of real time. */
const AGAIN_MS = 1000;
/** Messages confirmed lately, so that one sent again is not done twice. */
const REMEMBERED = 500;

/** What an outside phone does, as an act. */
const actOf = ({ does }: Reaction, callId: string, phone: string): Action =>
  does === 'answer' || does === 'decline'
    ? { kind: does, callId, phone }
    : { kind: 'outside', callId, phone, is: does };

export class Switch {
  private lines = new Map<string, Line>();
  private channel = new BroadcastChannel(CHANNEL);
  private clock: ClockSetting = { mode: 'real' };
  private timer: ReturnType<typeof setTimeout> | undefined;
  private looking: ReturnType<typeof setInterval> | undefined;
  private work: Promise<void> = Promise.resolve();
  private done: string[] = [];
  private byItself: ByItself;
  private readonly windows = new Windows();
  private readonly phones: PhoneWindows;

  /** @param effect what a change of settings does to callers, worked out apart: calls do not wait for it */
  constructor(
    private db: Db,
    private changes: Changes,
    effect: (system: System, before: Standing, after: Standing, moment: number) => Promise<Differing>,
  ) {
    this.byItself = new ByItself(db, changes, () => this.now());
    this.phones = new PhoneWindows(db, changes, {
      clock: () => this.clock,
      now: () => this.now(),
      turn: (job) => this.turn(job),
      line: async (businessId) => {
        const line = await this.line(businessId);
        if (!line) return undefined;
        const { engine, standing } = line;
        return { system: engine.document, standing, calls: liveCalls(line), memory: engine.memory };
      },
      act: (businessId, action) => this.turn(() => this.act(businessId, action)),
      writeBeside: (businessId, callId, change) =>
        this.turn(() => this.writeBeside(businessId, callId, change)),
      effect,
    });
  }

  /** Takes over: restores calls in progress and starts to listen. */
  async start(): Promise<void> {
    this.clock = await clockOf(this.db);
    for (const raw of await this.db.getAll('exchange')) {
      // What cannot be read is not taken up: those calls are ended, and whoever opens the business is told.
      const record = ExchangeRecord.safeParse(raw).data;
      if (record) await this.takeUp(record).catch(() => {});
    }
    this.changes.listen((change) => {
      this.inTurn(async () => {
        if (change.what === 'clock') {
          this.clock = await clockOf(this.db);
          // The clock only moves while no call goes on; engines start anew, for it may have gone back.
          this.lines.clear();
        } else if (change.what === 'businesses' && change.businessId) {
          this.lines.delete(change.businessId);
          await this.takeUpAgain(change.businessId);
        } else if (change.businessId && REFRESHED.includes(change.what))
          await this.refresh(change.businessId, change.what, change.ids);
        await this.settle();
        await this.phones.changed(change);
      });
    });
    this.channel.onmessage = ({ data }: MessageEvent<ToSwitch>) => this.inTurn(() => this.receive(data));
    this.looking = setInterval(() => this.inTurn(() => this.lookAround()), LOOK_MS);
    this.inTurn(() => this.lookAround());
    this.inTurn(() => this.settle());
  }

  /** A business that comes from another machine brings its calls along. */
  private async takeUpAgain(businessId: string): Promise<void> {
    const record = ExchangeRecord.safeParse(await this.db.get('exchange', businessId)).data;
    if (record) await this.takeUp(record).catch(() => {});
  }

  private async takeUp({ businessId, snapshot, said, beside, notified }: ExchangeRecord): Promise<void> {
    if (snapshot.calls.every((c) => c.phase === 'over') || (await this.hasMoved(businessId))) return;
    const standing = (await this.standingOf(businessId)) ?? emptyStanding();
    const versions = new Map((await readMany(this.db, 'versions', businessId)).map((v) => [v.n, v]));
    const inForce = new Map<System, number>();
    const systems = snapshot.systems.map(([version, system]): [number, System] => {
      if (!('inForce' in system)) return [version, system];
      const found = versions.get(system.inForce);
      // What cannot be gone by is not taken up.
      if (!found) throw new Error(`The version ${system.inForce} that a call goes by is not there.`);
      inForce.set(found.system, found.n);
      return [version, found.system];
    });
    const engine = CallEngine.restore({ ...snapshot, systems }, standing);
    const line = await this.begin(businessId, engine, standing, inForce);
    line.said = new Map(said ?? []);
    line.beside = new Map(beside ?? []);
    line.notified = new Map(notified ?? snapshot.calls.map((c) => [c.request.id, c.trace.length]));
  }

  private async standingOf(businessId: string): Promise<Standing | undefined> {
    return StandingRecord.safeParse(await this.db.get('standing', businessId)).data?.standing;
  }

  /** Stops; calls in progress stay in storage for whoever takes over. */
  stop(): void {
    clearInterval(this.looking);
    clearTimeout(this.timer);
    this.channel.close();
    this.phones.close();
  }

  /** A business as its phones know it: what is in force, and of those who are not yet the draft. */
  systemOf(businessId: string): Promise<System | undefined> {
    return this.turn(async () => {
      const line = await this.line(businessId);
      const draft = (await readRecord(this.db, businessId).catch(() => undefined))?.system;
      return line && draft ? settable(line.engine.document, draft) : line?.engine.document;
    });
  }

  /** The business that calls go by; undefined where it is not here, or moved away. */
  inForceOf(businessId: string): Promise<System | undefined> {
    return this.turn(async () => (await this.line(businessId))?.engine.document);
  }

  /** Bench time, epoch milliseconds. */
  now(): number {
    return benchTime(this.clock, Date.now());
  }

  /** One thing after the other. */
  private inTurn(job: () => Promise<void>): void {
    this.turn(job).catch((error: unknown) => console.error('The exchange could not finish', error));
  }
  /** The same, for whoever waits for it and hears of what fails. */
  private turn<T>(job: () => Promise<T>): Promise<T> {
    const done = this.work.then(job);
    this.work = done.then(
      () => {},
      () => {},
    );
    return done;
  }

  private async receive(message: ToSwitch): Promise<void> {
    const line = await this.line(message.businessId);
    if (message.kind === 'ask') return line && this.publish(message.businessId, line);
    if (line && !this.done.includes(message.id)) {
      if (message.kind === 'say') {
        const said = Said.safeParse(message.said).data;
        // Words of a call that is over already would wait for ever.
        if (said && line.engine.calls.has(message.callId)) line.said.set(message.callId, said);
        await this.settle(message.businessId);
      } else await this.act(message.businessId, message.action);
      this.done = [...this.done, message.id].slice(-REMEMBERED);
    }
    this.post({ kind: 'done', id: message.id });
  }

  private async act(businessId: string, action: Action): Promise<void> {
    const line = await this.line(businessId);
    if (!line) return;
    if (action.kind === 'place') await this.lookAround();
    const now = this.now();
    line.engine.advance(now);
    line.engine.act(
      now,
      action.kind === 'place' ? { ...action, request: { ...action.request, at: now } } : action,
    );
    line.engine.advance(now);
    await this.settle(businessId);
  }

  /** It was given to another machine: calls do not go by what is here. */
  private async hasMoved(businessId: string): Promise<boolean> {
    return (await this.db.get('settings', movedKey(businessId))) !== undefined;
  }

  /** The engine of a business, started when it is first needed. */
  private async line(businessId: string): Promise<Line | undefined> {
    const known = this.lines.get(businessId);
    if (known) return known;
    if (await this.hasMoved(businessId)) return undefined;
    const newest = (await readMany(this.db, 'versions', businessId)).at(-1);
    const standing = await this.standingOf(businessId);
    if (!newest || !standing) return undefined;
    const inForce = new Map([[newest.system, newest.n]]);
    return this.begin(businessId, new CallEngine(newest.system, standing), standing, inForce);
  }

  private async begin(
    businessId: string,
    engine: CallEngine,
    standing: Standing,
    inForce: Line['inForce'],
  ): Promise<Line> {
    const messages = await readMany(this.db, 'messages', businessId);
    const line: Line = {
      engine,
      inForce,
      standing,
      messages,
      held: heldIn(messages),
      bookings: await readMany(this.db, 'bookings', businessId),
      said: new Map(),
      beside: new Map(),
      notified: new Map(),
      trouble: null,
    };
    engine.rates = RATES;
    engine.held = (mailboxId) => line.held.get(mailboxId) ?? [];
    engine.taken = (calendarId) => spansOf(line.bookings, calendarId);
    this.lines.set(businessId, line);
    return line;
  }

  /** Kept with the call while it goes on, and in its record once it is over. */
  private async writeBeside(
    businessId: string,
    callId: string,
    change: (known: Beside) => Beside,
  ): Promise<void> {
    const line = await this.line(businessId);
    if (line?.engine.calls.has(callId)) {
      line.beside.set(callId, change(line.beside.get(callId) ?? {}));
      return this.settle(businessId);
    }
    await this.db.write('call', async (open) => {
      const tx = open('calls');
      const record = await tx.objectStore('calls').get(callId);
      if (record?.businessId === businessId) {
        // What is left out of it is gone.
        const { note: _, quality: __, recordings: ___, deleted: ____, ...rest } = record;
        within(tx.objectStore('calls').put({ ...rest, ...change(Beside.parse(record)) }));
      }
      await tx.done;
    });
    this.changes.tell({ businessId, what: 'calls', ids: [callId] });
  }

  private async refresh(businessId: string, what: Change['what'], ids?: Change['ids']): Promise<void> {
    const line = this.lines.get(businessId);
    if (!line) return;
    if (what === 'standing') {
      line.standing = (await this.standingOf(businessId)) ?? line.standing;
      line.engine.standing = line.standing;
    } else if (what === 'messages') {
      line.messages = await readAgain(this.db, 'messages', businessId, line.messages, ids);
      line.held = heldIn(line.messages);
    } else if (what === 'bookings') {
      line.bookings = await readAgain(this.db, 'bookings', businessId, line.bookings, ids);
    } else {
      const newest = (await readMany(this.db, 'versions', businessId)).at(-1);
      line.engine.advance(this.now());
      if (!newest) return;
      line.inForce.set(newest.system, newest.n);
      line.engine.setSystem(newest.system);
    }
  }

  /**
   * Works out what is due, keeps what has ended, stores and tells the rest, and sets the alarm for what comes next: in every
   * case. What fails for one business is told and tried again, and touches no other.
   */
  private async settle(touched?: string): Promise<void> {
    clearTimeout(this.timer);
    let next = Infinity;
    for (const [businessId, line] of this.lines) {
      const now = this.now();
      try {
        await this.settleLine(businessId, line, now, touched === businessId);
        if (line.trouble !== null) this.tellTrouble(businessId, line, null);
      } catch (error) {
        this.tellTrouble(businessId, line, error instanceof Error ? error.message : String(error));
        next = Math.min(next, now + AGAIN_MS);
      }
      try {
        next = Math.min(
          next,
          Math.max(line.engine.next() ?? Infinity, line.trouble === null ? 0 : now + AGAIN_MS),
        );
      } catch {
        next = Math.min(next, now + AGAIN_MS);
      }
    }
    // Long waits are cut short: real and bench time may be set apart anew meanwhile.
    if (next < Infinity)
      this.timer = setTimeout(
        () => this.inTurn(() => this.settle()),
        Math.min(Math.max(0, (next - this.now()) / speedOf(this.clock)), 60_000),
      );
  }

  private async settleLine(businessId: string, line: Line, now: number, touched: boolean): Promise<void> {
    const { engine } = line;
    const due = (engine.next() ?? Infinity) <= now;
    engine.advance(now);
    const calls = [...engine.calls.values()];
    const over = calls.filter((c) => c.phase === 'over');
    if (!due && !touched && !over.length && line.trouble === null) return;
    // Whoever looks on sees where the call is, whether it can be stored or not.
    this.publish(businessId, line);
    for (const call of calls) await this.notify(businessId, line, call);
    for (const call of over) {
      await this.finish(businessId, line, call);
      engine.forget(call.request.id);
    }
    await this.db.write('call', async (open) => {
      const tx = open('exchange');
      const [said, beside, notified] = [[...line.said], [...line.beside], [...line.notified]];
      within(tx.objectStore('exchange').put({ businessId, snapshot: stored(line), said, beside, notified }));
      await tx.done;
    });
  }

  private tellTrouble(businessId: string, line: Line, words: string | null): void {
    line.trouble = words;
    this.post({ kind: 'trouble', businessId, words });
  }

  /** Letters of Notify steps go out when the call passes them. */
  private async notify(businessId: string, line: Line, call: CallState): Promise<void> {
    const { id } = call.request;
    const seen = line.notified.get(id) ?? 0;
    const until = call.trace.length;
    if (seen === until) return;
    const ids = await markMessages(this.db, call, seen);
    if (ids.length) {
      await this.refresh(businessId, 'messages', ids);
      this.changes.tell({ businessId, what: 'messages', ids });
    }
    await this.outsideReacts(businessId, line, call, seen);
    await this.pauseThose(businessId, line, call, seen);
    const changed = await keepBooked(this.db, businessId, line.engine.world(call).system, call, seen);
    for (const change of changed) {
      if (change.what === 'bookings') await this.refresh(businessId, 'bookings', change.ids);
      this.changes.tell(change);
    }
    const sent = await letters(businessId, line.engine.world(call).system, call, seen);
    if (sent.length) {
      await this.db.write('call', async (open) => {
        const tx = open('mail');
        for (const letter of sent) within(tx.objectStore('mail').put(letter));
        await tx.done;
      });
      this.changes.tell({ businessId, what: 'mail', ids: sent.map((m) => m.id) });
    }
    line.notified.set(id, until);
  }

  /** Whoever missed too many calls of a queue in a row is paused, for all to see, until they say that they go on. */
  private async pauseThose(businessId: string, line: Line, call: CallState, seen: number): Promise<void> {
    const settings = call.trace
      .slice(seen)
      .flatMap((e): Setting[] =>
        e.kind === 'paused'
          ? [{ kind: 'paused', personId: e.personId, reason: `missed ${e.missed} calls in a row` }]
          : [],
      );
    await this.set(businessId, line, settings);
  }

  /** Settings are changed for all to see. @param stamp when, and by whom; the exchange now, where it does that by itself */
  private async set(
    businessId: string,
    line: Line,
    settings: readonly Setting[],
    stamp: Stamp = { at: this.now(), by: EXCHANGE },
  ): Promise<void> {
    if (!settings.length) return;
    await storeSettings(this.db, businessId, settings, stamp, line.engine.document);
    await this.standingChanged(businessId);
  }
  private async standingChanged(businessId: string): Promise<void> {
    await this.refresh(businessId, 'standing');
    this.changes.tell({ businessId, what: 'standing' });
  }

  /** Outside numbers that were called since do what is set for them, where no window is open in which they ring. */
  private async outsideReacts(businessId: string, line: Line, call: CallState, seen: number): Promise<void> {
    const rung = call.trace
      .slice(seen)
      .flatMap((e) =>
        e.kind === 'leg offered' ? [{ t: e.t, phone: e.phone, number: outsideNumber(e.phone) }] : [],
      );
    if (!rung.some((r) => r.number)) return;
    const habits = await readHabits(this.db, businessId);
    const { held } = await navigator.locks.query();
    for (const { t, phone, number } of rung) {
      const reaction = number ? reactionOf(habits[number]) : undefined;
      if (!number || !reaction || held?.some((l) => l.name === outsideLock(number))) continue;
      const at = Math.max(call.request.at + t + reaction.afterMs, line.engine.now);
      line.engine.act(at, actOf(reaction, call.request.id, phone));
    }
  }

  /** Done again from its beginning where it failed: what it stores has the same ids each time. */
  private async finish(businessId: string, line: Line, call: CallState): Promise<void> {
    const { id } = call.request;
    const said = line.said.get(id) ?? { text: '', sound: null };
    const { system } = line.engine.world(call);
    const kept = await keepEnded(this.db, businessId, system, call, {
      said,
      beside: line.beside.get(id) ?? {},
      standing: line.standing,
      now: line.engine.document,
    });
    await this.carryOut(businessId, line, call);
    line.said.delete(id);
    line.beside.delete(id);
    line.notified.delete(id);
    for (const change of kept) {
      this.changes.tell(change);
      if (change.what === 'messages') await this.refresh(businessId, 'messages', change.ids);
    }
  }

  /** A star code dialled on a person's phone changes their own settings. */
  private async carryOut(businessId: string, line: Line, call: CallState): Promise<void> {
    const { settings, stamp } = settingsOf(line.engine.world(call).system, call, this.now());
    await this.set(businessId, line, settings, stamp);
  }

  /** Looks which windows are open: softphones register by being open, and a caller whose window is gone has hung up. */
  private async lookAround(): Promise<void> {
    const { held, pending } = await navigator.locks.query();
    const open = new Set(held?.map((l) => l.name));
    const ids = await this.db.getAllKeys('businesses');
    await this.phones.look(new Set([...open, ...(pending ?? []).map((l) => l.name)]), ids);
    for (const id of ids)
      await this.lookAroundIn(id, open).catch((error: unknown) => {
        const line = this.lines.get(id);
        if (line) this.tellTrouble(id, line, error instanceof Error ? error.message : String(error));
      });
  }

  private async lookAroundIn(id: string, open: Open): Promise<void> {
    const line = await this.line(id);
    if (!line) return;
    const gone = this.windows.actsOf(id, line, open);
    for (const action of gone) line.engine.act(this.now(), action);
    if (gone.length) await this.settle(id);
    await this.set(id, line, this.windows.loggedOut(id, line, this.now()));
    const sent = await sendDue(this.db, id, this.now());
    if (sent.length) this.changes.tell({ businessId: id, what: 'texts', ids: sent });
    this.byItself.look(id, line.engine.document, (words) => this.tellTrouble(id, line, words));
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
      await this.standingChanged(id);
    }
  }

  private publish(businessId: string, line: Line): void {
    const calls = liveCalls(line);
    this.post({ kind: 'calls', businessId, calls });
    const { engine, standing } = line;
    this.phones.callsNow(businessId, { system: engine.document, standing, calls, memory: engine.memory });
  }

  private post(message: FromSwitch): void {
    this.channel.postMessage(message);
  }
}
