/** What a window shows of a business: one immutable picture, and how it is first drawn from storage. */
import type { Standing } from '../core/system';
import type { CarrierBook } from '../standins/carrier/carrier';
import { ClockSetting } from '../standins/clock/clock';
import type { Whole } from './businesses';
import type { Db, Moved } from './stored/db';
import { movedOf } from './keeping/moving';
import { readRecord, type DraftState } from './draft';
import { recordsOf, type Records } from './stored/kinds';
import type { Aside, BusinessRecord, DealingsRecord, VersionRecord } from './stored/records';
import { readBook } from './carrier/side';
import type { StorageState } from './stored/store';

export interface BusinessName {
  id: string;
  kind: BusinessRecord['kind'];
  name: string;
}

/** All that a screen shows, as one immutable picture; a new one with every change. */
export interface View extends Records {
  business: BusinessRecord;
  businesses: BusinessName[];
  draft: DraftState;
  inForce: VersionRecord;
  standing: Standing;
  dealings: DealingsRecord;
  /** The carrier's book, of all businesses. */
  book: CarrierBook;
  clock: ClockSetting;
  /** It was given to another machine, or is about to be: calls do not go by what is here. */
  moved: Moved | null;
  /** What is on its way to storage, and what stands in its way. */
  storage: StorageState;
  /** What could not be read and lies aside. */
  aside: Aside[];
}

/** Records in the order they came. */
export const byTime = <T extends { at: number }>(records: T[]): T[] => records.sort((a, b) => a.at - b.at);

/** The bench clock's setting; real time when none was stored. */
export async function clockOf(db: Db): Promise<ClockSetting> {
  return ClockSetting.safeParse(await db.get('settings', 'clock')).data ?? { mode: 'real' };
}

/** The businesses of this browser by name. */
export async function businessNames(db: Db): Promise<BusinessName[]> {
  const records = await db.getAll('businesses');
  const names = await Promise.all(
    records.map(async (r) => ({
      id: r.id,
      kind: r.kind,
      name: (await readRecord(db, r.id).catch(() => undefined))?.system.business?.name ?? r.id,
    })),
  );
  return names.sort((a, b) => a.kind.localeCompare(b.kind) || a.name.localeCompare(b.name));
}

/** All that a screen shows of a business, once it has been read. */
export async function pictureOf(db: Db, whole: Whole, aside: Aside[]): Promise<View> {
  return {
    business: whole.business,
    businesses: await businessNames(db),
    draft: { record: whole.draft, edits: whole.edits },
    inForce: whole.versions.at(-1)!,
    standing: whole.standing.standing,
    dealings: whole.dealings,
    book: await readBook(db),
    ...recordsOf(whole),
    clock: await clockOf(db),
    moved: (await movedOf(db, whole.business.id)) ?? null,
    storage: db.state,
    aside,
  };
}
