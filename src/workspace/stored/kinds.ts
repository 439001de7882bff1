/**
 * Of what a business has many: every kind of record, and what it is. Storage, reading, checking and files go by this table; a
 * kind that is missing where kinds are treated one by one does not compile. One more has to be made in `db.ts`, too.
 */
import type { z } from 'zod';
import type { Line } from '../file/lines';
import {
  BookingRecord,
  MeetingRecord,
  DeviceRecord,
  CallListRecord,
  CallRecord,
  CircleRecord,
  EditRecord,
  EntryRecord,
  ErrandRecord,
  FaxRecord,
  Invitation,
  MailRecord,
  MessageRecord,
  OwnContactRecord,
  RoundRecord,
  RunRecord,
  TaskRecord,
  TextRecord,
  ThreadRecord,
  VersionRecord,
  WordsRecord,
} from './records';

interface Kind {
  record: z.ZodType;
  /** One of them, in words, and all of them. */
  one: string;
  all: string;
  /** What its line in a file says it is. */
  is: Line['is'];
  /** The field it is found by within its business. */
  key: string;
  /** The field they are in order by. */
  order: string;
}

export const MANY = {
  edits: { record: EditRecord, one: 'an edit', all: 'edits', is: 'edit', key: 'seq', order: 'seq' },
  versions: { record: VersionRecord, one: 'a version', all: 'versions', is: 'version', key: 'n', order: 'n' },
  invitations: {
    record: Invitation,
    one: 'an invitation',
    all: 'invitations',
    is: 'invitation',
    key: 'id',
    order: 'sentAt',
  },
  mail: { record: MailRecord, one: 'a mail', all: 'letters', is: 'mail', key: 'id', order: 'at' },
  messages: {
    record: MessageRecord,
    one: 'a message',
    all: 'messages',
    is: 'message',
    key: 'id',
    order: 'at',
  },
  calls: { record: CallRecord, one: 'a call', all: 'calls', is: 'call', key: 'id', order: 'at' },
  texts: { record: TextRecord, one: 'a text', all: 'texts', is: 'text', key: 'id', order: 'at' },
  threads: {
    record: ThreadRecord,
    one: 'a conversation',
    all: 'conversations',
    is: 'conversation',
    key: 'id',
    order: 'at',
  },
  faxes: { record: FaxRecord, one: 'a fax', all: 'faxes', is: 'fax', key: 'id', order: 'at' },
  ownContacts: {
    record: OwnContactRecord,
    one: 'a contact of somebody’s own',
    all: 'contacts of people’s own',
    is: 'own contact',
    key: 'id',
    order: 'at',
  },
  circles: {
    record: CircleRecord,
    one: 'a conversation of colleagues',
    all: 'conversations of colleagues',
    is: 'circle',
    key: 'id',
    order: 'at',
  },
  errands: {
    record: ErrandRecord,
    one: 'something a follow-up does',
    all: 'things that follow-ups do',
    is: 'errand',
    key: 'id',
    order: 'over',
  },
  callLists: {
    record: CallListRecord,
    one: 'a call list',
    all: 'call lists',
    is: 'call list',
    key: 'id',
    order: 'at',
  },
  listed: {
    record: EntryRecord,
    one: 'somebody on a call list',
    all: 'people on call lists',
    is: 'listed',
    key: 'id',
    order: 'order',
  },
  bookings: {
    record: BookingRecord,
    one: 'an appointment',
    all: 'appointments',
    is: 'booking',
    key: 'id',
    order: 'from',
  },
  meetings: {
    record: MeetingRecord,
    one: 'a meeting',
    all: 'meetings',
    is: 'meeting',
    key: 'id',
    order: 'from',
  },
  devices: {
    record: DeviceRecord,
    one: 'a phone on another machine',
    all: 'phones on other machines',
    is: 'device',
    key: 'id',
    order: 'at',
  },
  rounds: {
    record: RoundRecord,
    one: 'a round of texts',
    all: 'rounds of texts',
    is: 'round',
    key: 'id',
    order: 'at',
  },
  runs: {
    record: RunRecord,
    one: 'a dialogue by text',
    all: 'dialogues by text',
    is: 'dialogue',
    key: 'id',
    order: 'at',
  },
  tasks: { record: TaskRecord, one: 'a task', all: 'tasks', is: 'task', key: 'id', order: 'at' },
  words: {
    record: WordsRecord,
    one: 'words of a colleague',
    all: 'words of colleagues',
    is: 'words',
    key: 'id',
    order: 'at',
  },
} as const satisfies Record<string, Kind>;

export type Many = keyof typeof MANY;
export type RecordOf<S extends Many> = z.infer<(typeof MANY)[S]['record']>;
export const MANIES = Object.keys(MANY) as readonly Many[];

/** Something for each kind. */
export const ofEach = <T>(make: (kind: Many) => T): Record<Many, T> =>
  Object.fromEntries(MANIES.map((kind) => [kind, make(kind)])) as Record<Many, T>;

/** Kinds that change one by one, however many there are, and that a window shows; edits and versions are the draft's. */
export type OneByOne = Exclude<Many, 'edits' | 'versions'>;
export const isOneByOne = (what: string): what is OneByOne =>
  Object.hasOwn(MANY, what) && what !== 'edits' && what !== 'versions';
export const ONE_BY_ONE = MANIES.filter(isOneByOne);
/** All records of those kinds. */
export type Records = { [K in OneByOne]: RecordOf<K>[] };
/** Those of something that has more. */
export const recordsOf = (from: Records): Records =>
  Object.fromEntries(ONE_BY_ONE.map((kind) => [kind, from[kind]])) as unknown as Records;
