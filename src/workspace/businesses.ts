/** The businesses kept in this browser: the demonstration and one's own, side by side. */
import { nanoid } from 'nanoid';
import { z } from 'zod';
import {
  emptyStanding,
  emptySystem,
  type Business,
  type Standing,
  type System,
  SYSTEM_VERSION,
} from '../core/system';
import { register } from '../standins/carrier/book';
import type { Db } from './stored/db';
import { Damaged, putAside, reading, sorted, type Unread } from './stored/damage';
import { readMany } from './stored/reading';
import { historyOf, readRecord } from './draft';
import { MANIES, MANY, ofEach, type Many } from './stored/kinds';
import { movedKey } from './keeping/moving';
import {
  BusinessRecord,
  DealingsRecord,
  DraftRecord,
  noDealings,
  FileRecord,
  type ExchangeRecord,
  SoundRecord,
  StandingRecord,
  VersionRecord,
} from './stored/records';
import { bookOf } from './carrier/side';
import { headKey } from './log/kept-log';
import { nearCalls } from './stored/near';
import { within } from './stored/store';

/** A list of each kind of which there are many. */
const lists = ofEach((kind) => z.array(MANY[kind].record)) as {
  [K in Many]: z.ZodArray<(typeof MANY)[K]['record']>;
};

/** Everything there is of one business: what a file holds, and what is read when it is opened. */
export const Whole = z.object({
  business: BusinessRecord,
  draft: DraftRecord,
  standing: StandingRecord,
  dealings: DealingsRecord,
  ...lists,
  versions: lists.versions.min(1),
  /** Samples of its recordings. Absent where they were not asked for: they stay where they are. */
  sounds: z.array(SoundRecord).optional(),
  /** Bytes of pictures and papers, in the same way. */
  files: z.array(FileRecord).optional(),
});
export type Whole = z.infer<typeof Whole>;

/** A way on where something is damaged that all hangs on; each is taken only when somebody chose it. */
export type WayOn =
  'draft without head' | 'draft from version' | 'version before' | 'fresh standing' | 'fresh dealings';

export type Read =
  | { ok: true; whole: Whole; unread: Unread[] }
  | { ok: false; why: 'missing' | 'damaged'; message: string; raw: unknown; ways: WayOn[] };

/**
 * Reads all of a business and checks it. Of what there are many, one that does not pass is left out and told; where all
 * hangs on a record that does not pass, everything is given back raw and stays where it is.
 * @param bytes with the samples of its recordings, and its pictures and papers, for a file
 * @param near of calls only the newest, see `nearCalls`
 */
export async function readWhole(db: Db, id: string, { bytes = false, near = false } = {}): Promise<Read> {
  const business = await db.get('businesses', id);
  if (!business)
    return {
      ok: false,
      why: 'missing',
      message: 'This business is not in this browser.',
      raw: null,
      ways: [],
    };
  const raw = ofEach((): unknown[] => []);
  await Promise.all(
    MANIES.map(async (kind) => {
      raw[kind] =
        near && kind === 'calls' ? await nearCalls(db, id) : await db.getAllFromIndex(kind, 'business', id);
    }),
  );
  const [draft, head, standing, dealings] = await Promise.all([
    db.get('drafts', id),
    db.get('heads', id),
    db.get('standing', id),
    db.get('dealings', id),
  ]);
  const versions = sorted('versions', raw.versions);
  try {
    const newestUnread = Math.max(-1, ...versions.bad.map((b) => Number((b.raw as { n?: number }).n)));
    if (newestUnread >= (versions.good.at(-1)?.n ?? 0)) {
      const bad = versions.bad.find((b) => (b.raw as { n?: number }).n === newestUnread)!;
      throw new Damaged('versions', `what is in force, ${bad.why}`, bad.raw);
    }
    const record = (await readRecord(db, id)) ?? reading('drafts', DraftRecord, undefined);
    const lone = {
      standing: reading('standing', StandingRecord, standing),
      dealings: reading('dealings', DealingsRecord, dealings),
    };
    const many = ofEach((kind) => sorted(kind, raw[kind]));
    const good = ofEach((kind) => many[kind].good) as Pick<Whole, Many>;
    const [sounds, files] = bytes
      ? await Promise.all([
          db.getAllFromIndex('sounds', 'business', id),
          db.getAllFromIndex('files', 'business', id),
        ])
      : [];
    const whole: Whole = {
      business: reading('businesses', BusinessRecord, business),
      draft: record,
      ...lone,
      ...good,
      edits: historyOf(good.edits, record.done),
      ...(sounds ? { sounds: sounds.filter((s) => SoundRecord.safeParse(s).success) } : {}),
      ...(files ? { files: files.filter((f) => FileRecord.safeParse(f).success) } : {}),
    };
    return { ok: true, whole, unread: MANIES.flatMap((kind) => many[kind].bad) };
  } catch (error) {
    if (!(error instanceof Damaged)) throw error;
    const all = { business, draft, head, standing, dealings, ...raw };
    return {
      ok: false,
      why: 'damaged',
      message: error.message,
      raw: all,
      ways: waysOn(error, versions.good),
    };
  }
}

/** Which ways on there are. */
function waysOn({ store }: Damaged, versions: readonly VersionRecord[]): WayOn[] {
  if (store === 'heads')
    return ['draft without head', ...(versions.length ? (['draft from version'] as const) : [])];
  if (store === 'drafts') return versions.length ? ['draft from version'] : [];
  if (store === 'versions') return versions.length ? ['version before'] : [];
  if (store === 'standing') return ['fresh standing'];
  return store === 'dealings' ? ['fresh dealings'] : [];
}

/** Takes a way on: what is damaged is set aside as it is, in the transaction that puts something in its place. */
export async function mend(db: Db, id: string, way: WayOn): Promise<void> {
  const versions = await readMany(db, 'versions', id);
  const last = versions.at(-1);
  const why = 'It could not be read, and a way on was chosen.';
  await db.write('mending', async (open) => {
    const [draft, head, standing, dealings, all] = await Promise.all([
      db.get('drafts', id),
      db.get('heads', id),
      db.get('standing', id),
      db.get('dealings', id),
      db.getAllFromIndex('versions', 'business', id),
    ]);
    const tx = open('aside', 'drafts', 'heads', 'versions', 'standing', 'dealings');
    const aside = (store: Unread['store'], raw: unknown, key: IDBValidKey = id) => {
      if (raw !== undefined) putAside(tx as never, id, { store, key, why, raw });
    };
    if (way === 'draft without head') aside('heads', head);
    else if (way === 'draft from version') {
      aside('heads', head);
      aside('drafts', draft);
      const done = Number.isInteger(head?.done)
        ? head!.done
        : Number.isInteger(draft?.done)
          ? draft!.done
          : 0;
      within(
        tx.objectStore('drafts').put({
          businessId: id,
          version: SYSTEM_VERSION,
          revision: nanoid(12),
          done,
          inForceAt: done,
          system: last!.system,
        }),
      );
    } else if (way === 'version before') {
      for (const raw of all) if (!(raw.n <= last!.n)) aside('versions', raw, [id, raw.n]);
    } else if (way === 'fresh standing') {
      aside('standing', standing);
      within(tx.objectStore('standing').put({ businessId: id, standing: emptyStanding() }));
    } else {
      way satisfies 'fresh dealings';
      aside('dealings', dealings);
      within(tx.objectStore('dealings').put(noDealings(id)));
    }
    await tx.done;
  });
}

/** Which business opens first from now on. */
export const remember = (db: Db, id: string): Promise<void> =>
  db.write('upkeep', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').put(id, 'business'));
    await tx.done;
  });

/**
 * Stores a whole business, in place of one with the same id. One transaction: all of it or nothing.
 * @param opens it is the one that opens from now on @param calls in progress, where it comes from another machine
 */
export function writeWhole(
  db: Db,
  whole: Whole,
  { opens = false, calls = null }: { opens?: boolean; calls?: ExchangeRecord | null } = {},
): Promise<void> {
  return db.write('business', async (open) => {
    const tx = open(
      'businesses',
      'drafts',
      'heads',
      'standing',
      'dealings',
      'carrier',
      'exchange',
      'sounds',
      'files',
      'settings',
      'days',
      'journal',
      ...MANIES,
    );
    const { id } = whole.business;
    for (const store of MANIES)
      for (const key of await tx.objectStore(store).index('business').getAllKeys(id))
        within(tx.objectStore(store).delete(key as never));
    // The rows of the log are worked out anew.
    for (const key of await tx.objectStore('days').index('business').getAllKeys(id))
      within(tx.objectStore('days').delete(key));
    within(tx.objectStore('settings').delete(headKey(id)));
    within(tx.objectStore('journal').add({ entries: [], anew: id }));
    within(calls ? tx.objectStore('exchange').put(calls) : tx.objectStore('exchange').delete(id));
    within(tx.objectStore('settings').delete(movedKey(id)));
    within(tx.objectStore('businesses').put(whole.business));
    if (opens) within(tx.objectStore('settings').put(id, 'business'));
    within(tx.objectStore('drafts').put(whole.draft));
    within(tx.objectStore('heads').delete(id));
    within(tx.objectStore('standing').put(whole.standing));
    within(tx.objectStore('dealings').put(whole.dealings));
    const book = bookOf(await tx.objectStore('carrier').get('book'));
    within(tx.objectStore('carrier').put(register(book, id, numbersOf(whole)), 'book'));
    for (const store of MANIES)
      for (const record of whole[store]) within(tx.objectStore(store).put(record as never));
    for (const store of ['sounds', 'files'] as const)
      if (whole[store]) {
        const own = tx.objectStore(store);
        for (const key of await own.index('business').getAllKeys(id)) within(own.delete(key));
        for (const record of whole[store]) within(own.put(record as never));
      }
    await tx.done;
  });
}

/** Every number the carrier knows as this business's: in the draft or in force. */
const numbersOf = ({ draft, versions }: Whole): string[] => [
  ...new Set(
    [draft.system, versions.at(-1)!.system].flatMap((s) => Object.values(s.numbers).map((n) => n.e164)),
  ),
];

/** A business with a system that is in force as it stands, and nothing that happened yet. */
export function wholeOf(
  business: BusinessRecord,
  system: System,
  standing: Standing,
  rest: Partial<
    Pick<Whole, 'messages' | 'mail' | 'calls' | 'texts' | 'threads' | 'invitations' | 'dealings'>
  > = {},
): Whole {
  const stamp = { businessId: business.id, version: SYSTEM_VERSION } as const;
  return {
    business,
    draft: { ...stamp, revision: 'first', done: 0, inForceAt: 0, system },
    edits: [],
    versions: [{ ...stamp, n: 0, at: business.createdAt, words: ['Set up'], system }],
    standing: { businessId: business.id, standing },
    dealings: noDealings(business.id),
    invitations: [],
    mail: [],
    messages: [],
    calls: [],
    texts: [],
    threads: [],
    ownContacts: [],
    faxes: [],
    circles: [],
    words: [],
    errands: [],
    tasks: [],
    runs: [],
    rounds: [],
    bookings: [],
    meetings: [],
    devices: [],
    callLists: [],
    listed: [],
    ...rest,
  };
}

/** An empty business of one's own. */
export const emptyWhole = (record: BusinessRecord, business: Business): Whole =>
  wholeOf(record, emptySystem(business), emptyStanding());
