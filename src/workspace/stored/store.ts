/**
 * The one gate to what the browser stores. Everybody reads; whatever is written goes through `write`, which says when it is
 * stored, keeps what cannot be stored and tries it again, and holds back what would come after it.
 */
import type { DBSchema, IDBPDatabase, IDBPTransaction, StoreNames } from 'idb';
import { ACTS, type Act } from './acts';
import { whileWriting } from './sync';

/** Why nothing can be stored. */
export type Why = 'full' | 'failing' | 'newer' | 'deleted' | 'lost';
export interface StorageState {
  /** Writes on their way. */
  pending: number;
  /** What stands in the way, and what waits for it, in words. */
  failed: { why: Why; reason: string; waiting: string[] } | null;
}

const REASONS: Record<Why, string> = {
  full: 'The browser has no room left for it.',
  failing: 'The browser could not write it.',
  newer: 'A newer version of Upper Line was opened in another window.',
  deleted: 'The data of this browser was deleted.',
  lost: 'The browser closed the data under this window.',
};
/** The database is gone from under this window for good: only a reload brings it back. */
export const isClosed = (why: Why): boolean => why === 'newer' || why === 'deleted' || why === 'lost';

/** Thrown where something was not stored: what it says is for the person. */
export class NotStored extends Error {
  constructor(
    readonly why: Why,
    message = REASONS[why],
  ) {
    super(message);
  }
}

/** What storage itself says no with, as against what is wrong with what was asked of it. */
function whyOf(error: unknown): Why | null {
  if (!(error instanceof DOMException)) return null;
  if (error.name === 'QuotaExceededError') return 'full';
  if (error.name === 'InvalidStateError' || error.name === 'NotFoundError') return 'lost';
  return ['AbortError', 'UnknownError', 'DataError', 'TransactionInactiveError', 'TimeoutError'].includes(
    error.name,
  )
    ? 'failing'
    : null;
}

/** A request of a transaction whose failure shows in the transaction as a whole, which is awaited. */
export const within = (request: Promise<unknown> | undefined): void => void request?.catch(() => {});

interface Job {
  act: Act;
  words: string;
  work: () => Promise<unknown>;
  resolve: (value: never) => void;
  reject: (error: unknown) => void;
}

/** What cannot be stored is tried again so often, in milliseconds. */
const AGAIN_MS = 2000;

/** What notes changes of some stores in another one. */
interface Noting<Name> {
  /** Stores that a transaction has to open besides those it asks for; none where it needs no noting. */
  besides: (stores: readonly Name[]) => readonly Name[];
  /** The same transaction, which notes what is written through it. */
  noting: <T extends object>(tx: T) => T;
}

export class Store<S extends DBSchema> {
  readonly get: IDBPDatabase<S>['get'];
  readonly getKey: IDBPDatabase<S>['getKey'];
  readonly getAll: IDBPDatabase<S>['getAll'];
  readonly getAllKeys: IDBPDatabase<S>['getAllKeys'];
  readonly getAllFromIndex: IDBPDatabase<S>['getAllFromIndex'];
  readonly getKeyFromIndex: IDBPDatabase<S>['getKeyFromIndex'];
  readonly getAllKeysFromIndex: IDBPDatabase<S>['getAllKeysFromIndex'];
  readonly countFromIndex: IDBPDatabase<S>['countFromIndex'];
  private jobs: Job[] = [];
  private going = false;
  private failed: Why | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private listeners = new Set<(state: StorageState) => void>();

  /**
   * @param raw the database itself, for opening, upgrading and tests
   * @param patient what waits is kept and tried again; otherwise whoever asked is always told at once
   * @param noted notes what is written, within the same transaction
   */
  constructor(
    readonly raw: IDBPDatabase<S>,
    private patient = true,
    private noted?: Noting<StoreNames<S>>,
  ) {
    const bound = <K extends keyof IDBPDatabase<S>>(name: K) =>
      (raw[name] as (...args: unknown[]) => unknown).bind(raw) as IDBPDatabase<S>[K];
    this.get = bound('get');
    this.getKey = bound('getKey');
    this.getAll = bound('getAll');
    this.getAllKeys = bound('getAllKeys');
    this.getAllFromIndex = bound('getAllFromIndex');
    this.getKeyFromIndex = bound('getKeyFromIndex');
    this.getAllKeysFromIndex = bound('getAllKeysFromIndex');
    this.countFromIndex = bound('countFromIndex');
  }

  /** A transaction that reads. */
  reading<N extends StoreNames<S>[]>(...stores: N): IDBPTransaction<S, N, 'readonly'> {
    return this.raw.transaction(stores);
  }

  get state(): StorageState {
    const waiting = this.jobs.map((j) => j.words);
    return {
      pending: this.jobs.length,
      failed: this.failed && { why: this.failed, reason: REASONS[this.failed], waiting },
    };
  }
  /** @returns how to stop listening */
  watch(listener: (state: StorageState) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Why nothing more may be changed now, or undefined. */
  get heldBack(): NotStored | undefined {
    if (!this.failed) return undefined;
    const first = this.jobs.length ? 'What was done before is not stored yet. ' : '';
    return new NotStored(this.failed, `${first}${REASONS[this.failed]} Nothing more is changed until then.`);
  }

  /**
   * Stores something, while nobody else writes, after everything that was asked for before.
   * @param act what it is for, which decides how surely it is stored and whether it waits
   * @param work done again from its beginning when it could not be stored; `open` starts a transaction that is all or nothing
   * @param words what it is, for the person
   * @returns what the work returns, once it is stored @throws NotStored; what the work throws
   */
  write<T>(
    act: Act,
    work: (
      open: <N extends StoreNames<S>[]>(...stores: N) => IDBPTransaction<S, N, 'readwrite'>,
    ) => Promise<T>,
    words: string = ACTS[act].words,
  ): Promise<T> {
    const no = this.heldBack;
    if (no) return Promise.reject(no);
    const durability = ACTS[act].strict ? 'strict' : 'relaxed';
    const open = <N extends StoreNames<S>[]>(...stores: N) => {
      const besides = this.noted?.besides(stores) ?? [];
      const raw = this.raw.transaction([...stores, ...besides] as unknown as N, 'readwrite', { durability });
      const tx = besides.length ? this.noted!.noting(raw) : raw;
      // Whoever opens it awaits it; where the work fails before it does, the failure is told by the work.
      within(raw.done);
      return tx;
    };
    return new Promise<T>((resolve, reject) => {
      this.jobs.push({ act, words, work: () => work(open), resolve: resolve as Job['resolve'], reject });
      this.tell();
      void this.go();
    });
  }

  /** Everything that was asked for is stored, or cannot be. */
  settled(): Promise<void> {
    const idle = ({ pending, failed }: StorageState): boolean => pending === 0 || failed !== null;
    if (idle(this.state)) return Promise.resolve();
    return new Promise((resolve) => {
      const stop = this.watch((state) => {
        if (!idle(state)) return;
        stop();
        resolve();
      });
    });
  }

  /** Tries again what could not be stored. @returns when it has been tried */
  async again(): Promise<void> {
    if (!this.failed || isClosed(this.failed)) return;
    clearTimeout(this.timer);
    await this.go();
  }

  /** Gives up what could not be stored: whoever waits for it is told. */
  giveUp(): void {
    const given = this.jobs.splice(0);
    if (this.failed && !isClosed(this.failed)) this.failed = null;
    clearTimeout(this.timer);
    for (const job of given) job.reject(new NotStored(this.failed ?? 'failing', 'It was given up.'));
    this.tell();
  }

  /** The database was closed under this window. */
  closed(why: 'newer' | 'deleted' | 'lost'): void {
    if (this.failed && isClosed(this.failed)) return;
    this.failed = why;
    clearTimeout(this.timer);
    this.raw.close();
    this.tell();
  }

  close(): void {
    clearTimeout(this.timer);
    this.listeners.clear();
    this.raw.close();
  }

  private async go(): Promise<void> {
    if (this.going) return;
    this.going = true;
    for (let job = this.jobs[0]; job; job = this.jobs[0]) {
      if (this.failed && isClosed(this.failed)) break;
      try {
        const value = await whileWriting(job.work);
        this.failed = null;
        this.end(job);
        job.resolve(value as never);
      } catch (error) {
        const why = whyOf(error);
        if (why === null) {
          this.end(job);
          job.reject(error);
        } else if (this.patient && ACTS[job.act].waits && this.jobs.includes(job)) {
          this.failed = this.failed && isClosed(this.failed) ? this.failed : why;
          if (!isClosed(this.failed)) this.timer = setTimeout(() => void this.go(), AGAIN_MS);
          break;
        } else {
          if (why === 'lost' && this.patient) this.failed = 'lost';
          this.end(job);
          job.reject(new NotStored(why));
        }
      }
      this.tell();
    }
    this.going = false;
    this.tell();
  }
  private end(job: Job): void {
    this.jobs = this.jobs.filter((j) => j !== job);
  }
  private tell(): void {
    for (const listener of this.listeners) listener(this.state);
  }
}
