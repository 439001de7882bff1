/** What a window works on: one business, its draft and what is in force, in step with storage and with other windows. */
import { nanoid } from 'nanoid';
import { overdue } from '../core/messages';
import {
  type Edit,
  type Setting,
  type Settled,
  type Stamp,
  type Standing,
  type System,
} from '../core/system';
import { benchTime, type ClockSetting } from '../standins/clock/clock';
import { readWhole, writeWhole, type Whole } from './businesses';
import { settable, storeSettings, storeStanding } from './standing';
import { businessNames, byTime, clockOf, pictureOf, type View } from './view';
import { overruled, readBook, readSide, settleNumbers, writeSide } from './side';
import type { Db } from './db';
import { foldDraft, readDraft, storeStep, takeStep, type DraftStep, type Stepped } from './draft';
import type { CallRecord, Invitation, MailRecord, MessageRecord, VersionRecord } from './records';
import { sweepSounds } from './sounds';
import { Changes, whileWriting, type Change } from './sync';

/** Versions that are kept and can be brought back. */
const VERSIONS_KEPT = 20;
/** What was done is folded into the stored draft when nothing has been done for so long: handing a large system to storage takes a while. */
const FOLD_AFTER_MS = 3000;

export type Opened =
  | { ok: true; workspace: Workspace }
  | { ok: false; why: 'missing' | 'damaged'; message: string; raw: unknown };

export class Workspace {
  /** Name of who works at this window, kept with what they do; undefined is whoever runs the system. */
  by: string | undefined;
  private swept = false;
  private listeners = new Set<(view: View) => void>();
  private writes: Promise<unknown> = Promise.resolve();
  private pending = 0;
  private folding: ReturnType<typeof setTimeout> | undefined;
  private stopListening: () => void;

  private constructor(
    readonly db: Db,
    readonly changes: Changes,
    private picture: View,
  ) {
    this.stopListening = changes.listen((change, fromHere) => void this.heard(change, fromHere));
  }

  /** Opens a business of this browser. */
  static async open(db: Db, changes: Changes, businessId: string): Promise<Opened> {
    const read = await readWhole(db, businessId);
    if (!read.ok) return read;
    return { ok: true, workspace: new Workspace(db, changes, await pictureOf(db, read.whole)) };
  }

  get view(): View {
    return this.picture;
  }
  get id(): string {
    return this.picture.business.id;
  }
  get system(): System {
    return this.picture.draft.record.system;
  }

  /** Bench time, epoch milliseconds. */
  now(): number {
    return benchTime(this.picture.clock, Date.now());
  }

  /** @returns how to stop listening */
  subscribe(listener: (view: View) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Changes the draft. Shown at once; stored right after, on what another window may have written meanwhile. */
  edit(edit: Edit): Stepped {
    return this.step({ kind: 'edit', edit, at: this.now(), by: this.by });
  }
  undo(): Stepped {
    return this.step({ kind: 'undo' });
  }
  redo(): Stepped {
    return this.step({ kind: 'redo' });
  }

  /** The systems that are or were in force, the newest first. */
  async versions(): Promise<VersionRecord[]> {
    const versions = await this.db.getAllFromIndex('versions', 'business', this.id);
    return versions.sort((a, b) => b.n - a.n);
  }
  /** Makes the draft what was in force once. What was in the draft comes back by undo. */
  bringBack({ system, n }: VersionRecord, day: string): Stepped {
    const words = `Bring back version ${n}, in force since ${day}`;
    return this.step({ kind: 'bring back', system, words, at: this.now(), by: this.by });
  }

  /** The draft as it was reviewed goes in force at a moment; null takes that back. */
  plan(planned: { at: number; revision: string } | null): Promise<void> {
    return this.changeStanding((s) => ({ ...s, planned: planned && { ...planned, by: this.by } }));
  }
  /** Carries out what was planned, once its moment has come, in one window only. @returns what came of it, if anything was due */
  async carryOutPlan(): Promise<{ problem: string | undefined } | undefined> {
    let due: Standing['planned'] = null;
    await storeStanding(this.db, this.id, (s) => {
      if (!s.planned || s.planned.at > this.now()) return s;
      due = s.planned;
      return { ...s, planned: null };
    });
    await this.reload('standing');
    if (!due) return undefined;
    this.tell('standing');
    const { revision, by } = due as NonNullable<Standing['planned']>;
    return { problem: await this.putInForce(revision, by) };
  }

  private step(step: DraftStep): Stepped {
    const from = this.picture.draft;
    const result = takeStep(from, step, nanoid(12));
    if (!result.ok || result.state === from) return result;
    this.show({ draft: result.state });
    const to = result.state;
    void this.write(async () => {
      const stored = await storeStep(this.db, this.id, step, { from, to, patches: result.patches });
      if (!stored.ok || stored.state !== to) await this.reload('draft');
      this.tell('draft');
    });
    clearTimeout(this.folding);
    this.folding = setTimeout(
      () => void this.write(() => foldDraft(this.db, this.picture.draft)),
      FOLD_AFTER_MS,
    );
    return result;
  }

  /** Everything this window has changed is stored. */
  async settled(): Promise<void> {
    await this.writes;
  }

  /**
   * Makes the draft what callers get.
   * @param reviewed revision of the draft whose effect was shown; a later one is refused
   * @param by who does it, or did when it was planned
   * @returns what is wrong, or undefined when it is in force
   */
  async putInForce(reviewed: string, by = this.by): Promise<string | undefined> {
    await this.settled();
    const refused = await whileWriting(async () => {
      const stored = await readDraft(this.db, this.id);
      if (!stored || stored.record.revision !== reviewed)
        return 'The draft has changed since you looked at it. Look again.';
      const { record, edits } = stored;
      const versions = await this.db.getAllFromIndex('versions', 'business', this.id);
      const newest = versions.reduce((a, b) => (b.n > a.n ? b : a));
      const side = overruled(await readSide(this.db, this.id), record.system);
      const settled = settleNumbers(side, this.id, newest.system, record.system, this.now());
      if (!settled.ok) return settled.message;
      const tx = this.db.transaction(
        ['drafts', 'heads', 'versions', 'carrier', 'dealings', 'standing'],
        'readwrite',
      );
      const [carrier, dealings, standing] = [
        tx.objectStore('carrier'),
        tx.objectStore('dealings'),
        tx.objectStore('standing'),
      ];
      writeSide({ carrier, dealings, standing }, this.id, settled.side);
      const n = newest.n + 1;
      const words = edits.filter((e) => e.seq > record.inForceAt && e.seq <= record.done).map((e) => e.words);
      const { version, system } = record;
      const stamp = { businessId: this.id, version, n, at: this.now(), ...(by === undefined ? {} : { by }) };
      void tx.objectStore('versions').put({ ...stamp, words, system });
      void tx.objectStore('drafts').put({ ...record, inForceAt: record.done });
      void tx.objectStore('heads').delete(this.id);
      for (const old of versions.filter((v) => v.n <= n - VERSIONS_KEPT))
        void tx.objectStore('versions').delete([this.id, old.n]);
      await tx.done;
      return undefined;
    });
    await this.reload('draft');
    await this.reload('in force');
    if (refused === undefined) {
      this.tell('in force');
      await this.carrierChanged();
    }
    return refused;
  }

  /** Changes standing state; the last change wins. */
  async changeStanding(change: (standing: Standing) => Standing): Promise<void> {
    await storeStanding(this.db, this.id, change);
    await this.reload('standing');
    this.tell('standing');
  }

  /**
   * Changes settings that hold at once: how somebody is reached, do not disturb, the block list.
   * @param stamp when and where they were made; what was set later stays
   * @returns the newer settings that stayed as they are
   */
  async set(settings: readonly Setting[], stamp: Stamp): Promise<Settled['stayed']> {
    const stayed = await storeSettings(
      this.db,
      this.id,
      settings,
      stamp,
      settable(this.picture.inForce.system, this.system),
    );
    await this.reload('standing');
    this.tell('standing');
    return stayed;
  }
  /** The carrier's side was changed in storage: shown here, and told to the other windows. */
  async carrierChanged(): Promise<void> {
    for (const what of ['dealings', 'carrier', 'standing'] as const) {
      await this.reload(what);
      this.tell(what);
    }
  }

  async putInvitations(invitations: readonly Invitation[]): Promise<void> {
    await this.putAll('invitations', invitations);
  }
  async putMail(mail: readonly MailRecord[]): Promise<void> {
    await this.putAll('mail', mail);
  }
  async putMessages(messages: readonly MessageRecord[]): Promise<void> {
    await this.putAll('messages', messages);
  }
  async putCalls(calls: readonly CallRecord[]): Promise<void> {
    await this.putAll('calls', calls);
  }
  /** Messages whose time is over go, and sounds that nothing names: older than their mailbox keeps them, or long in the bin. @returns how many */
  async sweep(): Promise<number> {
    if (!this.swept) {
      this.swept = true;
      await this.write(() => sweepSounds(this.db, this.id));
    }
    const { inForce, messages } = this.picture;
    const keepDays = new Map(
      Object.values(inForce.system.mailboxes).flatMap((m) =>
        m.keepDays ? [[m.id, m.keepDays] as const] : [],
      ),
    );
    const gone = overdue(messages, keepDays, this.now());
    if (!gone.length) return 0;
    await this.write(() =>
      whileWriting(async () => {
        const tx = this.db.transaction('messages', 'readwrite');
        for (const { id } of gone) void tx.store.delete(id);
        await tx.done;
      }),
    );
    await this.reload('messages');
    this.tell('messages');
    return gone.length;
  }

  /** Sets the bench clock for all windows. @returns what is wrong, or undefined */
  async setClock(clock: ClockSetting): Promise<string | undefined> {
    const going = (await this.db.getAll('exchange')).some((e) =>
      e.snapshot.calls.some((c) => c.phase !== 'over'),
    );
    if (going) return 'A call is going on. End it before you move the clock.';
    await whileWriting(() => this.db.put('settings', clock, 'clock'));
    this.show({ clock });
    this.changes.tell({ businessId: null, what: 'clock' });
    return undefined;
  }

  /** Everything of this business, for a file. */
  async whole(): Promise<Whole> {
    await this.settled();
    const read = await readWhole(this.db, this.id, { sounds: true });
    if (!read.ok) throw new Error(read.message);
    return read.whole;
  }

  /** Puts another business into this browser, in place of one with the same id, and makes it the one that opens. */
  async adopt(whole: Whole): Promise<void> {
    await writeWhole(this.db, whole);
    await this.db.put('settings', whole.business.id, 'business');
    this.changes.tell({ businessId: whole.business.id, what: 'businesses' });
    this.changes.tell({ businessId: null, what: 'carrier' });
  }

  close(): void {
    clearTimeout(this.folding);
    this.stopListening();
    this.listeners.clear();
  }

  private async putAll<S extends 'invitations' | 'mail' | 'messages' | 'calls'>(
    store: S,
    records: readonly View[S][number][],
  ): Promise<void> {
    if (!records.length) return;
    await this.write(() =>
      whileWriting(async () => {
        const tx = this.db.transaction(store, 'readwrite');
        for (const record of records) void tx.store.put(record as never);
        await tx.done;
      }),
    );
    await this.reload(store);
    this.tell(store);
  }

  private write<T>(work: () => Promise<T>): Promise<T> {
    this.pending++;
    if (!this.picture.saving) this.show({ saving: true });
    const done = this.writes.then(work);
    this.writes = done
      .catch((error: unknown) => console.error('Could not store a change', error))
      .finally(() => {
        if (--this.pending === 0) this.show({ saving: false });
      });
    return done;
  }

  private tell(what: Change['what']): void {
    this.changes.tell({ businessId: this.id, what });
  }

  private async heard(change: Change, fromHere: boolean): Promise<void> {
    if (change.what === 'businesses') return this.show({ businesses: await businessNames(this.db) });
    if (fromHere) return;
    if (change.what === 'clock') return this.show({ clock: await clockOf(this.db) });
    if (change.what === 'carrier') return this.reload('carrier');
    if (change.businessId !== this.id) return;
    // While this window has edits on their way, they are put on top of the other window's when they are stored.
    if (change.what === 'draft' && this.pending) return;
    await this.reload(change.what);
    if (change.what === 'in force') await this.reload('draft');
  }

  /** Shows what another part of this window has changed in storage. */
  async refresh(what: Change['what']): Promise<void> {
    await this.reload(what);
  }

  private async reload(what: Change['what']): Promise<void> {
    const { db, id } = this;
    if (what === 'draft') {
      const draft = await readDraft(db, id);
      if (draft) this.show({ draft });
    } else if (what === 'in force') {
      const versions = await db.getAllFromIndex('versions', 'business', id);
      this.show({ inForce: versions.reduce((a, b) => (b.n > a.n ? b : a)) });
    } else if (what === 'standing') {
      const record = await db.get('standing', id);
      if (record) this.show({ standing: record.standing });
    } else if (what === 'dealings') {
      const dealings = await db.get('dealings', id);
      if (dealings) this.show({ dealings });
    } else if (what === 'carrier') this.show({ book: await readBook(db) });
    else if (what === 'mail') this.show({ mail: byTime(await db.getAllFromIndex('mail', 'business', id)) });
    else if (what === 'messages')
      this.show({ messages: byTime(await db.getAllFromIndex('messages', 'business', id)) });
    else if (what === 'calls')
      this.show({ calls: byTime(await db.getAllFromIndex('calls', 'business', id)) });
    else if (what === 'invitations')
      this.show({ invitations: await db.getAllFromIndex('invitations', 'business', id) });
  }

  private show(change: Partial<View>): void {
    this.picture = { ...this.picture, ...change };
    for (const listener of this.listeners) listener(this.picture);
  }
}
