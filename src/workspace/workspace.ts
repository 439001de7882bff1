/** What a window works on: one business, its draft and what is in force, in step with storage and with other windows. */
import { nanoid } from 'nanoid';
import {
  type Edit,
  type Problem,
  type Setting,
  type Settled,
  type Stamp,
  type Standing,
  type System,
} from '../core/system';
import { benchTime, ClockSetting } from '../standins/clock/clock';
import { readWhole, writeWhole, type Whole } from './businesses';
import { dropAside, readAside, setAside, type Unread } from './stored/damage';
import { ONE_BY_ONE, recordsOf, type OneByOne } from './stored/kinds';
import { readAgain, readMany } from './stored/reading';
import { settable, storeSettings, storeStanding } from './standing';
import { movedOf } from './keeping/moving';
import { businessNames, clockOf, pictureOf, type View } from './view';
import { overruled, readBook, readSide, settleNumbers, storesOf, writeSide } from './carrier/side';
import { changeBack, changeRecords, type RecordChange } from './changing';
import type { Db } from './stored/db';
import { foldDraft, readDraft, storeStep, takeStep, type DraftStep } from './draft';
import {
  CarrierBook,
  DealingsRecord,
  ExchangeRecord,
  StandingRecord,
  type Invitation,
  type MailRecord,
  type VersionRecord,
} from './stored/records';
import { withoutGone } from './phones/phones';
import { sweepBytes } from './keeping/kept-bytes';
import { isClosed, within } from './stored/store';
import { sweepOld } from './keeping/upkeep';
import type { Change, Changes } from './stored/sync';

/** Versions that are kept and can be brought back. */
const VERSIONS_KEPT = 20;
/** What was done is folded into the stored draft when nothing has been done for so long: handing a large system to storage takes a while. */
const FOLD_AFTER_MS = 3000;

/** All that a window shows of what is stored. */
const SHOWN: readonly Change['what'][] = [
  'draft',
  'in force',
  'standing',
  'dealings',
  'carrier',
  ...ONE_BY_ONE,
  'clock',
];

/** What cannot be read of what stands around a business: the clock, calls in progress, the carrier's book. */
async function unreadAround(db: Db, businessId: string): Promise<Unread[]> {
  const [clock, exchange, book] = await Promise.all([
    db.get('settings', 'clock'),
    db.get('exchange', businessId),
    db.get('carrier', 'book'),
  ]);
  return [
    ...(clock === undefined || ClockSetting.safeParse(clock).success
      ? []
      : [
          {
            store: 'settings',
            key: 'clock',
            why: 'The clock of the bench: it is real time again.',
            raw: clock,
          },
        ]),
    ...(exchange === undefined || ExchangeRecord.safeParse(exchange).success
      ? []
      : [
          {
            store: 'exchange',
            key: businessId,
            why: 'Calls in progress: they are ended.',
            raw: exchange,
          },
        ]),
    ...(book === undefined || CarrierBook.safeParse(book).success
      ? []
      : [
          {
            store: 'carrier',
            key: 'book',
            why: 'The carrier’s book: numbers set aside or given back are no longer in it.',
            raw: book,
          },
        ]),
  ] as Unread[];
}

export type Opened =
  { ok: true; workspace: Workspace } | Extract<Awaited<ReturnType<typeof readWhole>>, { ok: false }>;

/** What came of a step: at once in this window, and later in storage, on what another window may have written first. */
export type Done =
  | { ok: false; problems: Problem[] }
  /** `stored` is empty once it is stored as it was meant, or says why it was not; `nothing` is there where nothing changed. */
  | { ok: true; stored: Promise<Problem[]>; nothing?: true };

export class Workspace {
  /** Name of who works at this window, kept with what they do; undefined is whoever runs the system. */
  by: string | undefined;
  private swept = false;
  private carrying = false;
  /** What is being read again, by kind. */
  private reloading = new Map<Change['what'], Promise<void>>();
  private listeners = new Set<(view: View) => void>();
  private folding: ReturnType<typeof setTimeout> | undefined;
  private stopListening: (() => void)[];

  private constructor(
    readonly db: Db,
    readonly changes: Changes,
    private picture: View,
  ) {
    this.stopListening = [
      changes.listen((change, fromHere) => void this.heard(change, fromHere).catch(this.mayBeClosed)),
      db.watch((storage) => this.show({ storage })),
    ];
  }

  /** Opens a business of this browser. What cannot be read of it is set aside and told; see `readWhole`. */
  static async open(db: Db, changes: Changes, businessId: string): Promise<Opened> {
    // What others change while it is read is read again then: it may be just what was read before.
    const meanwhile: Change[] = [];
    const stop = changes.listen((change) => meanwhile.push(change));
    try {
      const opened = await Workspace.read(db, changes, businessId);
      if (opened.ok) await Promise.all(meanwhile.map((change) => opened.workspace.heard(change, false)));
      return opened;
    } finally {
      stop();
    }
  }

  private static async read(db: Db, changes: Changes, businessId: string): Promise<Opened> {
    const read = await readWhole(db, businessId, { near: true });
    if (!read.ok) return read;
    const unread = [...read.unread, ...(await unreadAround(db, businessId))];
    const notMoved = await setAside(db, businessId, unread).then(
      () => [],
      // They stay where they are, and are told all the same.
      () => unread.map((u, i) => ({ ...u, id: `unread-${i}`, businessId, at: 0 })),
    );
    const aside = [...(await readAside(db, businessId)), ...notMoved];
    return { ok: true, workspace: new Workspace(db, changes, await pictureOf(db, read.whole, aside)) };
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

  /** What somebody is called. */
  nameOf(personId: string): string | undefined {
    return this.system.people[personId]?.name;
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
  edit(edit: Edit): Done {
    return this.step({ kind: 'edit', edit, at: this.now(), by: this.by }, edit.words);
  }
  undo(): Done {
    const { record, edits } = this.picture.draft;
    return this.step({ kind: 'undo' }, `Undo: ${edits.find((e) => e.seq === record.done)?.words}`);
  }
  redo(): Done {
    const { record, edits } = this.picture.draft;
    return this.step({ kind: 'redo' }, `Do again: ${edits.find((e) => e.seq === record.done + 1)?.words}`);
  }

  /** The systems that are or were in force, the newest first. */
  async versions(): Promise<VersionRecord[]> {
    return (await readMany(this.db, 'versions', this.id)).reverse();
  }
  /** Makes the draft what was in force once. What was in the draft comes back by undo. */
  bringBack({ system, n }: VersionRecord, day: string): Done {
    const words = `Bring back version ${n}, in force since ${day}`;
    return this.step({ kind: 'bring back', system, words, at: this.now(), by: this.by }, words);
  }

  /** The draft as it was reviewed goes in force at a moment; null takes that back. */
  putInForceLater(planned: { at: number; revision: string } | null): Promise<void> {
    return this.changeStanding(
      (s) => ({ ...s, planned: planned && { ...planned, by: this.by } }),
      planned ? 'put in force later' : 'not put in force later',
    );
  }
  /** Carries out what was planned, once its moment has come, in one window only. @returns what came of it, if anything was due */
  async putInForceIfDue(): Promise<{ problem: string | undefined } | undefined> {
    if (this.carrying || this.db.heldBack) return undefined;
    this.carrying = true;
    try {
      const came = await this.force('planned');
      if (came === 'nothing due') await this.reload('standing');
      return came === 'nothing due' ? undefined : { problem: came.problem };
    } finally {
      this.carrying = false;
    }
  }

  private step(step: DraftStep, words: string): Done {
    const held = this.db.heldBack;
    if (held) return { ok: false, problems: [{ field: '', message: held.message }] };
    const from = this.picture.draft;
    const result = takeStep(from, step, nanoid(12));
    if (!result.ok) return result;
    if (result.state === from) return { ok: true, stored: Promise.resolve([]), nothing: true };
    this.show({ draft: result.state });
    const to = result.state;
    const stored = storeStep(this.db, this.id, step, { from, to, patches: result.patches }, words).then(
      async (done) => {
        if (!done.ok || done.state !== to) await this.reload('draft');
        this.tell('draft');
        return done.ok ? [] : done.problems;
      },
      async (error: unknown) => {
        // What is damaged or closed meanwhile is told by what comes back from here.
        await this.reload('draft').catch(() => {});
        return [{ field: '', message: error instanceof Error ? error.message : String(error) }];
      },
    );
    clearTimeout(this.folding);
    // Nothing hangs on it: what is not folded now is folded after the next edit.
    this.folding = setTimeout(
      () => void foldDraft(this.db, this.picture.draft).catch(() => {}),
      FOLD_AFTER_MS,
    );
    return { ok: true, stored };
  }

  /** Everything this window has changed is stored, or cannot be. */
  settled(): Promise<void> {
    return this.db.settled();
  }

  /**
   * Makes the draft what callers get.
   * @param reviewed revision of the draft whose effect was shown; a later one is refused
   * @param by who does it, or did when it was planned
   * @returns what is wrong, or undefined when it is in force
   */
  async putInForce(reviewed: string, by = this.by): Promise<string | undefined> {
    const came = await this.force({ revision: reviewed, by });
    return came === 'nothing due' ? undefined : came.problem;
  }

  /** Puts in force what was reviewed, or what was planned and is due; the plan goes in the same transaction. */
  private async force(
    what: 'planned' | { revision: string; by: string | undefined },
  ): Promise<'nothing due' | { problem: string | undefined }> {
    const came = await this.db.write('put in force', async (open) => {
      let side = await readSide(this.db, this.id);
      const { planned } = side.standing;
      if (what === 'planned' && !(planned && planned.at <= this.now())) return 'nothing due' as const;
      const { revision, by } = what === 'planned' ? planned! : what;
      if (what === 'planned') side = { ...side, standing: { ...side.standing, planned: null } };
      const stored = await readDraft(this.db, this.id);
      const refuse = async (problem: string) => {
        if (what === 'planned') {
          const tx = open('standing', 'carrier', 'dealings');
          writeSide(storesOf(tx), this.id, { standing: side.standing });
          await tx.done;
        }
        return { problem };
      };
      if (!stored || stored.record.revision !== revision)
        return refuse('The draft has changed since you looked at it. Look again.');
      const { record, edits } = stored;
      const versions = await readMany(this.db, 'versions', this.id);
      const newest = versions.at(-1)!;
      const settled = settleNumbers(
        overruled(side, record.system),
        this.id,
        newest.system,
        record.system,
        this.now(),
      );
      if (!settled.ok) return refuse(settled.message);
      const tx = open('drafts', 'heads', 'versions', 'carrier', 'dealings', 'standing');
      const standing = withoutGone(settled.side.standing ?? side.standing, record.system, newest.system);
      writeSide(storesOf(tx), this.id, { ...settled.side, standing });
      const n = newest.n + 1;
      const words = edits.filter((e) => e.seq > record.inForceAt && e.seq <= record.done).map((e) => e.words);
      const { version, system } = record;
      const stamp = { businessId: this.id, version, n, at: this.now(), ...(by === undefined ? {} : { by }) };
      within(tx.objectStore('versions').put({ ...stamp, words, system }));
      within(tx.objectStore('drafts').put({ ...record, inForceAt: record.done }));
      within(tx.objectStore('heads').delete(this.id));
      for (const old of versions.filter((v) => v.n <= n - VERSIONS_KEPT))
        within(tx.objectStore('versions').delete([this.id, old.n]));
      await tx.done;
      return { problem: undefined };
    });
    if (came === 'nothing due') return came;
    await this.reload('draft');
    await this.reload('in force');
    if (came.problem === undefined) this.tell('in force');
    await this.carrierChanged();
    return came;
  }

  /** Changes standing state; the last change wins. */
  async changeStanding(change: (standing: Standing) => Standing, words?: string): Promise<void> {
    await storeStanding(this.db, this.id, change, words);
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
  carrierChanged(): Promise<void> {
    return this.changed('dealings', 'carrier', 'standing');
  }
  /** Records of a kind were changed in storage: shown here, and told to the other windows. */
  async changedOnes(what: OneByOne, ids?: readonly string[]): Promise<void> {
    await this.reload(what, ids);
    this.tell(what, ids);
  }
  /** Something was changed in storage: shown here, and told to the other windows. */
  async changed(...whats: readonly Change['what'][]): Promise<void> {
    for (const what of whats) {
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
  /**
   * Sets fields of messages or calls, whatever another window does to others of them.
   * @returns takes it back, and says where somebody else was faster
   */
  async change<S extends 'messages' | 'calls' | 'faxes'>(
    store: S,
    ids: readonly string[],
    to: RecordChange<S>,
    words?: string,
  ): Promise<() => Promise<string | undefined>> {
    const shown = async <T>(done: Promise<T>): Promise<T> => {
      const result = await done;
      await this.reload(store, ids);
      this.tell(store, ids);
      return result;
    };
    const were = await shown(changeRecords(this.db, store, ids, to, words));
    return async () => {
      const left = await shown(changeBack(this.db, store, were, to));
      if (!left) return undefined;
      return left === were.size
        ? 'It was changed in another window meanwhile, and stays as it is.'
        : `${left} of ${were.size} were changed in another window meanwhile, and stay as they are.`;
    };
  }
  /** All whose time is over goes, and bytes that nothing names. @returns how many messages went */
  async sweep(): Promise<number> {
    if (!this.swept) {
      this.swept = true;
      await sweepBytes(this.db, this.id);
    }
    return sweepOld(this);
  }

  /** Sets the bench clock for all windows. @returns what is wrong, or undefined */
  async setClock(clock: ClockSetting): Promise<string | undefined> {
    const going = (await this.db.getAll('exchange')).some((raw) =>
      ExchangeRecord.safeParse(raw).data?.snapshot.calls.some((c) => c.phase !== 'over'),
    );
    if (going) return 'A call is going on. End it before you move the clock.';
    await this.db.write('clock', async (open) => {
      const tx = open('settings');
      within(tx.objectStore('settings').put(clock, 'clock'));
      await tx.done;
    });
    this.show({ clock });
    this.changes.tell({ businessId: null, what: 'clock' });
    return undefined;
  }

  /**
   * Everything of this business, for a file, as this window shows it: also what could not be stored. Where the database is
   * closed it is what the window has, without older versions, calls of long ago and samples of recordings.
   */
  async whole(): Promise<Whole> {
    await this.settled();
    const { draft, business, inForce, standing, dealings } = this.picture;
    const shown = { draft: draft.record, edits: draft.edits };
    const { failed } = this.db.state;
    const read = failed && isClosed(failed.why) ? null : await readWhole(this.db, this.id, { bytes: true });
    if (read?.ok) return failed ? { ...read.whole, ...shown } : read.whole;
    return {
      business,
      ...shown,
      versions: [inForce],
      standing: { businessId: this.id, standing },
      dealings,
      ...recordsOf(this.picture),
    };
  }

  /** Puts another business into this browser, in place of one with the same id, and makes it the one that opens. */
  async adopt(whole: Whole): Promise<void> {
    await writeWhole(this.db, whole, { opens: true });
    this.changes.tell({ businessId: whole.business.id, what: 'businesses' });
    this.changes.tell({ businessId: null, what: 'carrier' });
  }

  /** Lets go of what could not be read, once somebody has seen to it. */
  async dropAside(ids: readonly string[]): Promise<void> {
    await dropAside(this.db, ids);
    this.show({ aside: this.picture.aside.filter((a) => !ids.includes(a.id)) });
  }

  /** Gives up what could not be stored: the window shows what is stored again. */
  async giveUp(): Promise<void> {
    this.db.giveUp();
    for (const what of SHOWN) await this.reload(what);
  }

  private closed = false;
  close(): void {
    this.closed = true;
    clearTimeout(this.folding);
    for (const stop of this.stopListening) stop();
    this.listeners.clear();
  }

  private async putAll<S extends 'invitations' | 'mail'>(
    store: S,
    records: readonly View[S][number][],
  ): Promise<void> {
    if (!records.length) return;
    await this.db.write(store, async (open) => {
      const tx = open(store);
      for (const record of records) within(tx.objectStore(store).put(record as never));
      await tx.done;
    });
    const ids = records.map((r) => r.id);
    await this.reload(store, ids);
    this.tell(store, ids);
  }

  private tell(what: Change['what'], ids?: readonly string[]): void {
    this.changes.tell({ businessId: this.id, what, ids });
  }

  private async heard(change: Change, fromHere: boolean): Promise<void> {
    if (change.what === 'businesses') return this.reload('businesses');
    if (fromHere) return;
    if (change.what === 'clock' || change.what === 'carrier') return this.reload(change.what);
    if (change.businessId !== this.id) return;
    // While this window has edits on their way, they are put on top of the other window's when they are stored.
    if (change.what === 'draft' && this.db.state.pending) return;
    await this.reload(change.what, change.ids);
    if (change.what === 'in force') await this.reload('draft');
  }

  /** Shows what another part of this window has changed in storage. */
  async refresh(what: Change['what']): Promise<void> {
    await this.reload(what);
  }

  /**
   * One after the other for each kind: what is read is put into what was shown before, and two at once would each lose what the
   * other read.
   * @param ids the records that changed, where it is only so many
   */
  private reload(what: Change['what'], ids?: readonly string[]): Promise<void> {
    const before = this.reloading.get(what)?.catch(() => {}) ?? Promise.resolve();
    const mine = before.then(() => this.readInto(what, ids));
    this.reloading.set(what, mine);
    return mine;
  }
  private async readInto(what: Change['what'], ids?: readonly string[]): Promise<void> {
    const { db, id } = this;
    switch (what) {
      case 'draft': {
        const draft = await readDraft(db, id);
        return draft && this.show({ draft });
      }
      case 'in force': {
        const inForce = (await readMany(db, 'versions', id)).at(-1);
        return inForce && this.show({ inForce });
      }
      case 'standing': {
        const record = StandingRecord.safeParse(await db.get('standing', id)).data;
        return record && this.show({ standing: record.standing });
      }
      case 'dealings': {
        const dealings = DealingsRecord.safeParse(await db.get('dealings', id)).data;
        return dealings && this.show({ dealings });
      }
      case 'carrier':
        return this.show({ book: await readBook(db) });
      case 'clock':
        return this.show({ clock: await clockOf(db) });
      case 'businesses': {
        const [businesses, moved] = await Promise.all([businessNames(db), movedOf(db, id)]);
        return this.show({ businesses, moved: moved ?? null });
      }
      case 'mail':
      case 'messages':
      case 'calls':
      case 'texts':
      case 'threads':
      case 'ownContacts':
      case 'faxes':
      case 'circles':
      case 'words':
      case 'errands':
      case 'tasks':
      case 'runs':
      case 'rounds':
      case 'bookings':
      case 'meetings':
      case 'devices':
      case 'callLists':
      case 'listed':
      case 'invitations':
        return this.show({ [what]: await readAgain(db, what, id, this.picture[what], ids) });
      default:
        return what satisfies never;
    }
  }

  /** A window whose database was closed hears of changes and cannot read them; it says so already. */
  private mayBeClosed = (error: unknown): void => {
    const { failed } = this.db.state;
    if (this.closed) return;
    if (!failed || !isClosed(failed.why)) throw error;
  };

  private show(change: Partial<View>): void {
    this.picture = { ...this.picture, ...change };
    for (const listener of this.listeners) listener(this.picture);
  }
}
