/** The browser's database. Each version's upgrade stands here; data of a newer version is left alone. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Snapshot } from '../core/calls';
import type { ClockSetting } from '../standins/clock/clock';
import type {
  BusinessRecord,
  CallRecord,
  DraftRecord,
  EditRecord,
  Invitation,
  MailRecord,
  MessageRecord,
  StandingRecord,
  VersionRecord,
} from './records';

export const DB_NAME = 'upper-line';
export const DB_VERSION = 1;

interface Shape extends DBSchema {
  businesses: { key: string; value: BusinessRecord };
  /** The index tells whether a draft is at a revision without reading all of it. */
  drafts: { key: string; value: DraftRecord; indexes: { revision: [string, string] } };
  edits: { key: [string, number]; value: EditRecord; indexes: { business: string } };
  versions: { key: [string, number]; value: VersionRecord; indexes: { business: string } };
  standing: { key: string; value: StandingRecord };
  invitations: { key: string; value: Invitation; indexes: { business: string } };
  mail: { key: string; value: MailRecord; indexes: { business: string } };
  messages: { key: string; value: MessageRecord; indexes: { business: string } };
  calls: { key: string; value: CallRecord; indexes: { business: string } };
  /** Calls in progress, so that another window can take them up. */
  exchange: { key: string; value: { businessId: string; snapshot: Snapshot } };
  settings: { key: 'clock'; value: ClockSetting } | { key: 'business'; value: string };
}
export type Db = IDBPDatabase<Shape>;

/** Stores that belong to one business, with what their records are found by. */
export const BUSINESS_STORES = ['edits', 'versions', 'invitations', 'mail', 'messages', 'calls'] as const;

/** Thrown when the browser holds data of a newer version of this product. */
export class NewerData extends Error {
  constructor() {
    super('The data in this browser was written by a newer version of Upper Line.');
  }
}

/** Opens the database, making or upgrading it. @throws NewerData */
export async function openDatabase(name = DB_NAME): Promise<Db> {
  try {
    return await openDB<Shape>(name, DB_VERSION, {
      upgrade(db, oldVersion) {
        if (oldVersion < 1) {
          db.createObjectStore('businesses', { keyPath: 'id' });
          db.createObjectStore('drafts', { keyPath: 'businessId' }).createIndex('revision', [
            'businessId',
            'revision',
          ]);
          db.createObjectStore('standing', { keyPath: 'businessId' });
          db.createObjectStore('exchange', { keyPath: 'businessId' });
          db.createObjectStore('settings');
          for (const [store, key] of [
            ['edits', ['businessId', 'seq']],
            ['versions', ['businessId', 'n']],
            ['invitations', 'id'],
            ['mail', 'id'],
            ['messages', 'id'],
            ['calls', 'id'],
          ] as const)
            db.createObjectStore(store, { keyPath: key as string }).createIndex(
              'business' as never,
              'businessId',
            );
        }
      },
      blocking(_current, _blocked, event) {
        // A newer version of the product wants to upgrade: let it.
        (event.target as IDBDatabase).close();
      },
    });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'VersionError') throw new NewerData();
    throw error;
  }
}

/** Everything in the database as it lies there, for a file when it cannot be read. */
export async function dumpDatabase(name = DB_NAME): Promise<Record<string, unknown[]>> {
  const db = await openDB(name);
  const dump: Record<string, unknown[]> = {};
  for (const store of db.objectStoreNames) dump[store] = await db.getAll(store);
  db.close();
  return dump;
}
