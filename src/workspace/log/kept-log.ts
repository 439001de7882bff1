/**
 * The log of a business as it is kept ready: rows by days beside the records, brought up to date by the journal. Where there are none,
 * or another version packed them, they are worked out of the records, the newest first.
 */
import {
  callRow,
  faxRow,
  Log,
  messageRow,
  PACKED_VERSION,
  packed,
  rowKey,
  textRow,
  unpacked,
  type Row,
} from '../../core/story';
import { sorted } from '../stored/damage';
import { readOne } from '../stored/reading';
import type { Db } from '../stored/db';
import {
  LogHead,
  type CallRecord,
  type FaxRecord,
  type MessageRecord,
  type TextRecord,
} from '../stored/records';
import { within } from '../stored/store';
import { LOGGED, type Logged } from './journal';
import { callsUpTo } from '../stored/near';

export const headKey = (businessId: string) => `log:${businessId}` as const;
/** An entry with what is stored of it. */
export interface EntryRecords {
  call?: CallRecord;
  message?: MessageRecord;
  text?: TextRecord;
  fax?: FaxRecord;
}

export class KeptLog {
  readonly log = new Log();
  /** Whether all entries are in it. */
  whole = false;
  /** Entries that are stored and cannot be read; they are not in it. */
  unread = 0;
  /** Of the journal, what has been looked at. */
  private upTo = 0;

  constructor(
    readonly db: Db,
    readonly businessId: string,
  ) {}

  /** Reads it. @param went is called when more of it is there @returns when it is whole */
  async load(went: () => Promise<void> | void = () => {}): Promise<void> {
    this.log.clear();
    this.whole = false;
    this.unread = 0;
    if (!(await this.fromDays())) await this.fromRecords(went);
    this.whole = true;
    await this.catchUp();
    await went();
  }

  private async head(): Promise<LogHead | undefined> {
    const head = LogHead.safeParse(await this.db.get('settings', headKey(this.businessId))).data;
    return head?.version === PACKED_VERSION ? head : undefined;
  }

  /** @returns false where there are none, or they cannot be read */
  private async fromDays(): Promise<boolean> {
    const head = await this.head();
    if (!head) return false;
    try {
      const days = await this.db.getAllFromIndex('days', 'business', this.businessId);
      for (const { day, rows } of days) this.log.fill(day, unpacked(rows));
    } catch {
      this.log.clear();
      return false;
    }
    this.upTo = head.upTo;
    return true;
  }

  private async fromRecords(went: () => Promise<void> | void): Promise<void> {
    const { db, businessId, log } = this;
    // What comes meanwhile is in the journal.
    this.upTo = (await db.getAllKeys('journal')).at(-1) ?? 0;
    const read = async <S extends 'messages' | 'texts' | 'faxes'>(store: S) => {
      const { good, bad } = sorted(store, await db.getAllFromIndex(store as 'texts', 'business', businessId));
      this.unread += bad.length;
      return good;
    };
    const left = new Map((await read('messages')).map((m) => [m.id, m]));
    for (const text of await read('texts')) this.put(textRow(text));
    for (const fax of await read('faxes')) this.put(faxRow(fax));
    for await (const { calls, unread } of callsUpTo(db, businessId)) {
      this.unread += unread;
      for (const call of calls) {
        log.put(callRow(call, left.get(call.id)));
        left.delete(call.id);
      }
      await went();
    }
    for (const message of left.values()) log.put(messageRow(message));
  }
  private put(row: Row | null): void {
    if (row) this.log.put(row);
  }

  /** Takes up what was noted since. @returns whether anything is different */
  async catchUp(): Promise<boolean> {
    const { db, businessId } = this;
    const range = IDBKeyRange.lowerBound(this.upTo, true);
    const [keys, records] = await Promise.all([db.getAllKeys('journal', range), db.getAll('journal', range)]);
    // Another window may have stored later rows and let go of what they were noted by.
    const missed = keys.length > 0 && keys[0] !== this.upTo + 1;
    if (missed || records.some((r) => r.anew === businessId)) {
      await this.load();
      return true;
    }
    const touched = new Map<string, { store: Logged; id: string }>();
    for (const { entries } of records)
      for (const { store, id, businessId: whose } of entries)
        if (whose === businessId || whose === null) touched.set(`${store} ${id}`, { store, id });
    for (const { store, id } of touched.values()) await this.again(store, id);
    this.upTo = keys.at(-1) ?? this.upTo;
    return touched.size > 0;
  }

  /** An entry as its records are now. */
  private async again(store: Logged, id: string): Promise<void> {
    const { log, db, businessId } = this;
    const key = rowKey({ kind: LOGGED[store], id });
    const own = <T extends { businessId: string }>(record: T | undefined): T | undefined =>
      record?.businessId === businessId ? record : undefined;
    const becomes = (row: Row | null | undefined, which = key) => (row ? log.put(row) : log.drop(which));
    switch (store) {
      case 'texts': {
        const text = own(await readOne(db, 'texts', id));
        return becomes(text && textRow(text));
      }
      case 'faxes': {
        const fax = own(await readOne(db, 'faxes', id));
        return becomes(fax && faxRow(fax));
      }
      // A message stands with its call, where there is one.
      case 'calls':
      case 'messages': {
        const [call, message] = await Promise.all([
          readOne(db, 'calls', id).then(own),
          readOne(db, 'messages', id).then(own),
        ]);
        becomes(call && callRow(call, message), rowKey({ kind: 'call', id }));
        return becomes(call ? undefined : message && messageRow(message), rowKey({ kind: 'message', id }));
      }
      default:
        return store satisfies never;
    }
  }

  /**
   * Stores the days that differ, unless another window has stored later ones; and lets go of the journal that nobody needs. What
   * cannot be stored is worked out again another time.
   */
  async save(): Promise<void> {
    const { db, businessId, log, upTo } = this;
    if (!this.whole) return;
    const texts = new Map(
      [...log.dirty].map((day) => {
        const rows = log.rowsOf(day);
        return [day, rows.length ? packed(rows) : null] as const;
      }),
    );
    log.dirty.clear();
    const write = db.write('upkeep', async (open) => {
      const tx = open('days', 'settings', 'journal');
      const settings = tx.objectStore('settings');
      const head = LogHead.safeParse(await settings.get(headKey(businessId))).data;
      const ahead = head?.version === PACKED_VERSION && head.upTo > upTo;
      if (!ahead) {
        for (const [day, rows] of texts) {
          const own = tx.objectStore('days');
          if (rows !== null) within(own.put({ businessId, day, rows }));
          else within(own.delete([businessId, day]));
        }
        within(settings.put({ version: PACKED_VERSION, upTo }, headKey(businessId)));
        const heads = (await settings.getAllKeys()).filter((key) => key.startsWith('log:'));
        const all = await Promise.all(
          heads.map(async (key) => LogHead.safeParse(await settings.get(key)).data),
        );
        const done = Math.min(...all.flatMap((h) => h?.upTo ?? []));
        // The last one stays: its key says how far the journal has come.
        if (done > 0 && done < Infinity)
          within(tx.objectStore('journal').delete(IDBKeyRange.upperBound(done, true)));
      }
      await tx.done;
      return !ahead;
    });
    const stored = await write.catch(() => false);
    if (!stored) for (const day of texts.keys()) log.dirty.add(day);
  }

  /** The records of a row as they are now; undefined where it has gone. */
  async records({ kind, id }: Pick<Row, 'kind' | 'id'>): Promise<EntryRecords | undefined> {
    const { db } = this;
    switch (kind) {
      case 'call': {
        const [call, message] = await Promise.all([readOne(db, 'calls', id), readOne(db, 'messages', id)]);
        return call && { call, ...(message ? { message } : {}) };
      }
      case 'message': {
        const message = await readOne(db, 'messages', id);
        return message && { message };
      }
      case 'text': {
        const text = await readOne(db, 'texts', id);
        return text && { text };
      }
      case 'fax': {
        const fax = await readOne(db, 'faxes', id);
        return fax && { fax };
      }
      default:
        return kind satisfies never;
    }
  }
}
