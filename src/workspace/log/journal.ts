/**
 * What came, changed or went of the log is noted in the transaction that stores it, whoever writes it: so the rows of the log, which
 * are worked out of records, are never behind without its being known.
 */
import type { Row } from '../../core/story';
import type { MANY } from '../stored/kinds';
import { within } from '../stored/store';

/** Stores whose records are entries of the log, with the kind of entry. */
export const LOGGED = {
  calls: 'call',
  messages: 'message',
  texts: 'text',
  faxes: 'fax',
} as const satisfies Partial<Record<keyof typeof MANY, Row['kind']>>;
export type Logged = keyof typeof LOGGED;
export const isLogged = (store: string): store is Logged => Object.hasOwn(LOGGED, store);

/** Entries that were written or deleted in a transaction, or a part of one. */
export interface JournalRecord {
  /** Which records, by their ids. */
  entries: { store: Logged; id: string; businessId: string | null }[];
  /** All of a business was put in place of what was there. */
  anew?: string;
}

interface Tx {
  objectStore(name: string): object;
}

/** What notes changes; it has a store of its own, and leaves alone what sees to the rows itself. */
export const journal = {
  /** Stores a transaction has to open besides those it asks for. */
  besides: (stores: readonly string[]): readonly 'journal'[] =>
    stores.some(isLogged) && !stores.includes('days') ? ['journal'] : [],

  /** The same transaction, which notes what is written through it. */
  noting<T extends object>(tx: T): T {
    let entries: JournalRecord['entries'] = [];
    const note = (store: Logged, id: string, businessId: string | null) => {
      // All that is written at one go is noted at once, while the transaction is still open.
      if (!entries.length)
        queueMicrotask(() => {
          const noted = entries;
          entries = [];
          try {
            const own = (tx as Tx).objectStore('journal') as { add(record: JournalRecord): Promise<unknown> };
            within(own.add({ entries: noted }));
          } catch {
            // It has failed already, as a whole.
          }
        });
      entries.push({ store, id, businessId });
    };
    const watched = (store: Logged, own: object): object =>
      through(own, {
        put: (record: { id: string; businessId: string }) => note(store, record.id, record.businessId),
        delete: (id: string) => note(store, id, null),
      });
    return through(tx, {}, (name, own) => (isLogged(name) ? watched(name, own) : own));
  },
};

/** An object of the database whose calls are heard. @param stores what becomes of object stores that are asked for */
function through<T extends object>(
  target: T,
  heard: Record<string, (first: never) => void>,
  stores?: (name: string, own: object) => object,
): T {
  return new Proxy(target, {
    get(_, property) {
      const value: unknown = Reflect.get(target, property, target);
      if (typeof value !== 'function') return value;
      return (...args: never[]) => {
        const result = (value as (...args: never[]) => unknown).apply(target, args);
        heard[String(property)]?.(args[0]!);
        return property === 'objectStore' && stores ? stores(args[0]! as string, result as object) : result;
      };
    },
  });
}
