/** The browser's database. Each version's upgrade stands here; data of a newer version is left alone. */
import type { Asked as VisitAsked } from '../../core/buttons';
import type { LoadPromises } from '../../core/staffing/load/promised';
import type { Boards } from '../../core/traffic';
import { openDB, type DBSchema, type IDBPObjectStore, type IDBPTransaction, type StoreNames } from 'idb';
import type { SavedView } from '../../core/story';
import { upgradeStanding } from '../../core/system';
import type { CarrierBook } from '../../standins/carrier/carrier';
import type { ClockSetting } from '../../standins/clock/clock';
import type { OutsideHabits } from '../../standins/outside/outside';
import type { HookBook } from '../../standins/hooks/receiver';
import type { FaxHabits } from '../../standins/carrier/faxing';
import type { TextHabits } from '../../standins/carrier/texting';
import type {
  Aside,
  BookingRecord,
  MeetingRecord,
  DeviceRecord,
  BusinessRecord,
  CallListRecord,
  CallRecord,
  CircleRecord,
  CopyPlace,
  DayRecord,
  DealingsRecord,
  DraftRecord,
  EditRecord,
  EntryRecord,
  ErrandRecord,
  ExchangeRecord,
  FaxRecord,
  FileRecord,
  HeadRecord,
  Invitation,
  LogHead,
  MailRecord,
  MessageRecord,
  OwnContactRecord,
  RoundRecord,
  RunRecord,
  SoundRecord,
  StandingRecord,
  TaskRecord,
  TextRecord,
  ThreadRecord,
  VersionRecord,
  WordsRecord,
} from './records';
import { noDealings } from './records';
import { journal, type JournalRecord } from '../log/journal';
import { Store } from './store';
import { upgradeEdit, upgradeHead, upgradeInvitation, upgradeVersion, withoutTexts } from './upgrade';

export const DB_NAME = 'upper-line';
export const DB_VERSION = 11;

interface Shape extends DBSchema {
  businesses: { key: string; value: BusinessRecord };
  /** The index tells whether a draft is at a revision without reading all of it. */
  drafts: { key: string; value: DraftRecord; indexes: { revision: [string, string] } };
  heads: { key: string; value: HeadRecord };
  edits: { key: [string, number]; value: EditRecord; indexes: { business: string } };
  versions: { key: [string, number]; value: VersionRecord; indexes: { business: string } };
  standing: { key: string; value: StandingRecord };
  invitations: { key: string; value: Invitation; indexes: { business: string } };
  mail: { key: string; value: MailRecord; indexes: { business: string } };
  messages: { key: string; value: MessageRecord; indexes: { business: string } };
  calls: { key: string; value: CallRecord; indexes: { business: string; at: [string, number] } };
  faxes: { key: string; value: FaxRecord; indexes: { business: string } };
  circles: { key: string; value: CircleRecord; indexes: { business: string } };
  words: { key: string; value: WordsRecord; indexes: { business: string } };
  /** By when they are looked at next, and by what went to whom. */
  errands: {
    key: string;
    value: ErrandRecord;
    indexes: { business: string; next: [string, number]; receiver: [string, string] };
  };
  tasks: { key: string; value: TaskRecord; indexes: { business: string } };
  callLists: { key: string; value: CallListRecord; indexes: { business: string } };
  listed: { key: string; value: EntryRecord; indexes: { business: string } };
  bookings: { key: string; value: BookingRecord; indexes: { business: string } };
  meetings: { key: string; value: MeetingRecord; indexes: { business: string } };
  devices: { key: string; value: DeviceRecord; indexes: { business: string } };
  rounds: { key: string; value: RoundRecord; indexes: { business: string } };
  /** By whom they are with. */
  runs: { key: string; value: RunRecord; indexes: { business: string; theirs: [string, string] } };
  ownContacts: { key: string; value: OwnContactRecord; indexes: { business: string } };
  /** By who sent them and when; and those that are to go later. */
  texts: {
    key: string;
    value: TextRecord;
    indexes: { business: string; from: [string, string, number]; later: [string, number] };
  };
  threads: { key: string; value: ThreadRecord; indexes: { business: string } };
  /** Samples of recordings; read one by one, when they are listened to. */
  sounds: { key: [string, string]; value: SoundRecord; indexes: { business: string } };
  /** Pictures and papers; read one by one, when they are looked at. */
  files: { key: [string, string]; value: FileRecord; indexes: { business: string } };
  /** Rows of the log, worked out of calls, messages, texts and faxes; see `KeptLog`. */
  days: { key: [string, number]; value: DayRecord; indexes: { business: string } };
  /** What came, changed or went of the log. */
  journal: { key: number; value: JournalRecord };
  /** Calls in progress, so that another window can take them up. */
  exchange: { key: string; value: ExchangeRecord };
  dealings: { key: string; value: DealingsRecord };
  /** The carrier's one book, over all businesses. */
  carrier: { key: 'book'; value: CarrierBook };
  settings: {
    key:
      | 'clock'
      | 'business'
      | `copy:${string}`
      | `outside:${string}`
      | `texting:${string}`
      | `visits:${string}`
      | `faxing:${string}`
      | `hooks:${string}`
      | `past:${string}`
      | `views:${string}`
      | `boards:${string}`
      | `load promises:${string}`
      | `moved:${string}`
      | `log:${string}`;
    value:
      | ClockSetting
      | string
      | CopyPlace
      | OutsideHabits
      | TextHabits
      | FaxHabits
      | HookBook
      | SavedView[]
      | Boards
      | LoadPromises
      | VisitAsked[]
      | LogHead
      | Moved;
  };
  /** Records that could not be read, as they lay there, until somebody has seen to them. */
  aside: { key: string; value: Aside; indexes: { business: string } };
}
/** A business was given to another machine: what is here is a copy that calls do not go by. */
export interface Moved {
  /** Bench time, epoch milliseconds. */
  at: number;
  /** Which machine says it took it. */
  to: string;
  /** It is known to be there; until then it rests here, and goes on only where somebody says so. */
  known: boolean;
}
export type Db = Store<Shape>;
/** What settings are found by. */
export type SettingKey = Shape['settings']['key'];
export type Stores = StoreNames<Shape>;
/** A transaction that writes at least these stores. */
export interface Transaction<N extends Stores> {
  objectStore<M extends N>(name: M): IDBPObjectStore<Shape, Stores[], M, 'readwrite'>;
}

/** Thrown when the browser holds data of a newer version of this product. */
export class NewerData extends Error {
  constructor() {
    super('The data in this browser was written by a newer version of Upper Line.');
  }
}

/**
 * Opens the database, making or upgrading it.
 * @param patient what cannot be stored waits and is tried again; otherwise whoever asked is always told at once
 * @throws NewerData
 */
export async function openDatabase({ name = DB_NAME, patient = true } = {}): Promise<Db> {
  let store: Db | undefined;
  try {
    const raw = await openDB<Shape>(name, DB_VERSION, {
      async upgrade(db, oldVersion, _newVersion, tx) {
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
        if (oldVersion < 2) {
          db.createObjectStore('dealings', { keyPath: 'businessId' });
          db.createObjectStore('carrier');
          if (oldVersion > 0) await addCarrier(tx);
        }
        if (oldVersion < 3) db.createObjectStore('heads', { keyPath: 'businessId' });
        if (oldVersion < 5)
          db.createObjectStore('sounds', { keyPath: ['businessId', 'hash'] }).createIndex(
            'business',
            'businessId',
          );
        if (oldVersion < 6)
          db.createObjectStore('aside', { keyPath: 'id' }).createIndex('business', 'businessId');
        if (oldVersion < 7) {
          for (const store of ['texts', 'threads', 'faxes', 'ownContacts', 'circles', 'words'] as const)
            db.createObjectStore(store, { keyPath: 'id' }).createIndex('business', 'businessId');
          const texts = tx.objectStore('texts');
          texts.createIndex('from', ['businessId', 'from', 'at']);
          texts.createIndex('later', ['businessId', 'sendAt']);
          db.createObjectStore('files', { keyPath: ['businessId', 'hash'] }).createIndex(
            'business',
            'businessId',
          );
          if (oldVersion > 1) await textsApart(tx);
        }
        if (oldVersion < 8) {
          tx.objectStore('calls').createIndex('at', ['businessId', 'at']);
          db.createObjectStore('days', { keyPath: ['businessId', 'day'] }).createIndex(
            'business',
            'businessId',
          );
          db.createObjectStore('journal', { autoIncrement: true });
        }
        if (oldVersion < 9) {
          for (const store of [
            'errands',
            'tasks',
            'runs',
            'rounds',
            'callLists',
            'listed',
            'bookings',
          ] as const)
            db.createObjectStore(store, { keyPath: 'id' }).createIndex('business', 'businessId');
          const errands = tx.objectStore('errands');
          errands.createIndex('next', ['businessId', 'next']);
          errands.createIndex('receiver', ['businessId', 'receiver']);
          tx.objectStore('runs').createIndex('theirs', ['businessId', 'theirs']);
        }
        if (oldVersion < 10)
          db.createObjectStore('meetings', { keyPath: 'id' }).createIndex('business', 'businessId');
        if (oldVersion < 11)
          db.createObjectStore('devices', { keyPath: 'id' }).createIndex('business', 'businessId');
        if (oldVersion > 0 && oldVersion < 10) await upgradeRecords(tx, versionStored(oldVersion));
      },
      blocking(_current, blocked, event) {
        // A newer version of the product wants to upgrade, or the data is deleted: let it, and say so.
        (event.target as IDBDatabase).close();
        store?.closed(blocked === null ? 'deleted' : 'newer');
      },
      terminated: () => store?.closed('lost'),
    });
    return (store = new Store(raw, patient, journal));
  } catch (error) {
    if (error instanceof DOMException && error.name === 'VersionError') throw new NewerData();
    throw error;
  }
}

/** The version of systems that a version of the database held. */
const versionStored = (db: number): number => (db < 7 ? Math.min(db, 5) : db < 9 ? 6 : 7);

type Upgrade = IDBPTransaction<Shape, StoreNames<Shape>[], 'versionchange'>;

/** Texts stood among the dealings before. What is not understood stays where it is. */
async function textsApart(tx: Upgrade): Promise<void> {
  for (const raw of await tx.objectStore('dealings').getAll()) {
    const { dealings, texts } = withoutTexts(raw);
    await tx.objectStore('dealings').put(dealings as DealingsRecord);
    for (const text of texts) await tx.objectStore('texts').put(text as TextRecord);
  }
}

/** Numbers held come into the carrier's book. */
async function addCarrier(tx: Upgrade): Promise<void> {
  const book: CarrierBook = { reserved: [], sold: [], resting: [] };
  for (const { businessId, system } of await tx.objectStore('drafts').getAll()) {
    await tx.objectStore('dealings').put(noDealings(businessId));
    for (const n of Object.values(system?.numbers ?? {}))
      if (!book.sold.some((s) => s.e164 === n.e164)) book.sold.push({ e164: n.e164, businessId });
  }
  await tx.objectStore('carrier').put(book, 'book');
}

/** Systems, their histories, standing states and invitations get what later versions added. */
async function upgradeRecords(tx: Upgrade, from: number): Promise<void> {
  for (const draft of await tx.objectStore('drafts').getAll()) {
    await tx.objectStore('drafts').put(upgradeVersion(draft, from) as DraftRecord);
    const standing = await tx.objectStore('standing').get(draft.businessId);
    if (standing)
      await tx.objectStore('standing').put({
        ...standing,
        standing: upgradeStanding(standing.standing, from, draft.system) as typeof standing.standing,
      });
  }
  for (const version of await tx.objectStore('versions').getAll())
    await tx.objectStore('versions').put(upgradeVersion(version, from) as VersionRecord);
  for (const head of await tx.objectStore('heads').getAll())
    await tx.objectStore('heads').put(upgradeHead(head, from) as HeadRecord);
  for (const edit of await tx.objectStore('edits').getAll())
    await tx.objectStore('edits').put(upgradeEdit(edit, from) as EditRecord);
  for (const invitation of await tx.objectStore('invitations').getAll())
    await tx.objectStore('invitations').put(upgradeInvitation(invitation));
  // Calls in progress were under the old shape; an upgrade ends them.
  await tx.objectStore('exchange').clear();
}

/** Everything in the database as it lies there, for a file when it cannot be read. */
export async function dumpDatabase(name = DB_NAME): Promise<Record<string, unknown[]>> {
  const db = await openDB(name);
  const dump: Record<string, unknown[]> = {};
  for (const store of db.objectStoreNames) dump[store] = await db.getAll(store);
  db.close();
  return dump;
}
