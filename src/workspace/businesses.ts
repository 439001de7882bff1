/** The businesses kept in this browser: the demonstration and one's own, side by side. */
import { z } from 'zod';
import {
  emptyStanding,
  emptySystem,
  type Business,
  type Standing,
  type System,
  SYSTEM_VERSION,
} from '../core/system';
import { emptyBook, register } from '../standins/carrier/book';
import { BUSINESS_STORES, type Db } from './db';
import { readRecord } from './draft';
import {
  BusinessRecord,
  CallRecord,
  DealingsRecord,
  DraftRecord,
  EditRecord,
  Invitation,
  MailRecord,
  MessageRecord,
  noDealings,
  SoundRecord,
  StandingRecord,
  VersionRecord,
} from './records';
import { whileWriting } from './sync';

/** Everything there is of one business: what a file holds, and what is read when it is opened. */
export const Whole = z.object({
  business: BusinessRecord,
  draft: DraftRecord,
  edits: z.array(EditRecord),
  versions: z.array(VersionRecord).min(1),
  standing: StandingRecord,
  dealings: DealingsRecord,
  invitations: z.array(Invitation),
  mail: z.array(MailRecord),
  messages: z.array(MessageRecord),
  calls: z.array(CallRecord),
  /** Samples of its recordings. Absent where they were not asked for: they stay where they are. */
  sounds: z.array(SoundRecord).optional(),
});
export type Whole = z.infer<typeof Whole>;

export type Read =
  { ok: true; whole: Whole } | { ok: false; why: 'missing' | 'damaged'; message: string; raw: unknown };

/**
 * Reads all of a business and checks it. What does not pass is given back raw and stays where it is.
 * @param sounds with the samples of its recordings, for a file
 */
export async function readWhole(db: Db, id: string, { sounds = false } = {}): Promise<Read> {
  const business = await db.get('businesses', id);
  if (!business)
    return { ok: false, why: 'missing', message: 'This business is not in this browser.', raw: null };
  const [edits, versions, invitations, mail, messages, calls] = await Promise.all(
    BUSINESS_STORES.map((store) => db.getAllFromIndex(store, 'business', id)),
  );
  const raw = {
    business,
    draft: await readRecord(db, id),
    standing: await db.get('standing', id),
    dealings: await db.get('dealings', id),
    edits: sorted(edits, 'seq'),
    versions: sorted(versions, 'n'),
    invitations: sorted(invitations, 'sentAt'),
    mail: sorted(mail, 'at'),
    messages: sorted(messages, 'at'),
    calls: sorted(calls, 'at'),
    ...(sounds ? { sounds: await db.getAllFromIndex('sounds', 'business', id) } : {}),
  };
  const parsed = Whole.safeParse(raw);
  if (parsed.success) return { ok: true, whole: parsed.data };
  const issue = parsed.error.issues[0];
  return { ok: false, why: 'damaged', message: `${issue?.path.join(' › ')}: ${issue?.message}`, raw };
}

const sorted = (records: unknown, by: string): unknown =>
  (records as Record<string, number>[]).sort((a, b) => (a[by] ?? 0) - (b[by] ?? 0));

/** Stores a whole business, in place of one with the same id. One transaction: all of it or nothing. */
export function writeWhole(db: Db, whole: Whole): Promise<void> {
  return whileWriting(async () => {
    const tx = db.transaction(
      [
        'businesses',
        'drafts',
        'heads',
        'standing',
        'dealings',
        'carrier',
        'exchange',
        'sounds',
        ...BUSINESS_STORES,
      ],
      'readwrite',
    );
    const { id } = whole.business;
    for (const store of BUSINESS_STORES)
      for (const key of await tx.objectStore(store).index('business').getAllKeys(id))
        void tx.objectStore(store).delete(key as never);
    void tx.objectStore('exchange').delete(id);
    void tx.objectStore('businesses').put(whole.business);
    void tx.objectStore('drafts').put(whole.draft);
    void tx.objectStore('heads').delete(id);
    void tx.objectStore('standing').put(whole.standing);
    void tx.objectStore('dealings').put(whole.dealings);
    const book = (await tx.objectStore('carrier').get('book')) ?? emptyBook();
    void tx.objectStore('carrier').put(register(book, id, numbersOf(whole)), 'book');
    for (const store of BUSINESS_STORES)
      for (const record of whole[store]) void tx.objectStore(store).put(record as never);
    if (whole.sounds) {
      const own = tx.objectStore('sounds');
      for (const key of await own.index('business').getAllKeys(id)) void own.delete(key);
      for (const sound of whole.sounds) void own.put(sound);
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
  rest: Partial<Pick<Whole, 'messages' | 'mail' | 'calls' | 'invitations' | 'dealings'>> = {},
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
    ...rest,
  };
}

/** An empty business of one's own. */
export const emptyWhole = (record: BusinessRecord, business: Business): Whole =>
  wholeOf(record, emptySystem(business), emptyStanding());
