/** Faxes: what is sent and comes, each with its file. */
import { nanoid } from 'nanoid';
import {
  FAXABLE,
  faxFateOf,
  FaxHabits,
  MOST_FAX_BYTES,
  MOST_PAGES,
  type FaxFile,
} from '../standins/carrier/faxing';
import { firstProblem, no, type Answer } from './carrier/carrier';
import type { Db } from './stored/db';
import { storeBytes } from './keeping/kept-bytes';
import type { Place } from './place';
import { FaxRecord } from './stored/records';
import { within } from './stored/store';
import { kindOf } from './texting/files';
import type { Workspace } from './workspace';

const habitsKey = (businessId: string) => `faxing:${businessId}` as const;
export const readFaxHabits = async (db: Db, businessId: string): Promise<FaxHabits> =>
  FaxHabits.safeParse(await db.get('settings', habitsKey(businessId))).data ?? {};
export const writeFaxHabits = (db: Db, businessId: string, habits: FaxHabits): Promise<void> =>
  db.write('bench', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').put(habits, habitsKey(businessId)));
    await tx.done;
  });

export type Papers = { ok: true; file: FaxFile; pages: number } | { ok: false; message: string };

/**
 * Stores a file that is to be faxed. What it is by its bytes decides.
 * @param pagesOf counts the pages of a PDF @throws NoRoom
 */
export async function keepPapers(
  db: Db,
  businessId: string,
  name: string,
  bytes: Uint8Array,
  pagesOf: (pdf: Uint8Array) => Promise<number>,
): Promise<Papers> {
  if (!bytes.length) return { ok: false, message: `${name} is empty.` };
  if (bytes.length > MOST_FAX_BYTES)
    return {
      ok: false,
      message: `${name} has ${(bytes.length / 1e6).toFixed(1)} MB: at most 10 MB are faxed.`,
    };
  const kind = await kindOf(bytes);
  const type = FAXABLE.find((t) => t === kind);
  if (!type) return { ok: false, message: `${name} is no picture and no PDF: it cannot be faxed.` };
  let pages = 1;
  if (type === 'application/pdf')
    try {
      pages = await pagesOf(bytes);
    } catch {
      return { ok: false, message: `${name} is a PDF that cannot be read.` };
    }
  if (pages < 1) return { ok: false, message: `${name} has no pages.` };
  if (pages > MOST_PAGES)
    return { ok: false, message: `${name} has ${pages} pages: at most ${MOST_PAGES} are faxed.` };
  const hash = await storeBytes(db, businessId, bytes);
  return { ok: true, file: { hash, name: name.slice(-120) || 'fax', type, size: bytes.length }, pages };
}

type Sending = Pick<FaxRecord, 'from' | 'to' | 'file' | 'pages'>;

/** Sends a fax from a number of ours. What becomes of it is decided as it goes, and shows page by page. */
export async function sendFax(place: Place, sending: Sending): Promise<Answer> {
  const { db, id: businessId, by } = place;
  const habits = await readFaxHabits(db, businessId);
  const read = FaxRecord.safeParse({
    ...sending,
    id: nanoid(10),
    businessId,
    way: 'out',
    at: place.now(),
    ...(by ? { by } : {}),
    fate: faxFateOf(sending.pages, habits[sending.to]),
  });
  if (!read.success) return firstProblem(read.error.issues);
  if ((await db.getKey('files', [businessId, read.data.file.hash])) === undefined)
    return no('The file is not in this browser any more: choose it again.', 'file');
  await put(place, read.data);
  return { ok: true };
}

/** A fax from outside to a number; numbers that take none, or are not ours, refuse it. */
export async function receiveFax(workspace: Workspace, sending: Sending): Promise<Answer> {
  const { id: businessId, view } = workspace;
  const number = Object.values(view.inForce.system.numbers).find((n) => n.e164 === sending.to);
  if (!number) return no('Not delivered: nobody has this number.', 'to');
  if (!number.faxMailboxId) return no('Not delivered: there is no fax at this number.', 'to');
  const read = FaxRecord.safeParse({
    ...sending,
    id: nanoid(10),
    businessId,
    way: 'in',
    at: workspace.now(),
    mailboxId: number.faxMailboxId,
  });
  if (!read.success) return firstProblem(read.error.issues);
  await put(workspace, read.data);
  return { ok: true };
}

async function put(place: Place, fax: FaxRecord): Promise<void> {
  await place.db.write(
    'messages',
    async (open) => {
      const tx = open('faxes');
      within(tx.objectStore('faxes').put(fax));
      await tx.done;
    },
    'a fax',
  );
  await place.changedOnes('faxes', [fax.id]);
}
