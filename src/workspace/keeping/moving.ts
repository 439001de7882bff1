/** A business that moves to another machine, as each of the two stores it. */
import { z } from 'zod';
import type { Db, Moved, SettingKey } from '../stored/db';
import { sorted } from '../stored/damage';
import { ExchangeRecord } from '../stored/records';
import { within } from '../stored/store';

export const movedKey = (businessId: string): `moved:${string}` => `moved:${businessId}`;

/** Whether it was given away, to whom and when. */
export const movedOf = async (db: Db, businessId: string): Promise<Moved | undefined> =>
  (await db.get('settings', movedKey(businessId))) as Moved | undefined;

/** From now on it rests here; or, where that came to nothing, goes on here. Whoever calls it tells `businesses`. */
export const rest = (db: Db, businessId: string, moved: Moved | null): Promise<void> =>
  db.write('upkeep', async (open) => {
    const tx = open('settings');
    const settings = tx.objectStore('settings');
    within(moved ? settings.put(moved, movedKey(businessId)) : settings.delete(movedKey(businessId)));
    await tx.done;
  });

/** What is kept of a business in its browser beside it, by the beginning of the key; and the clock of the bench. */
const AROUND = [
  'clock',
  'outside',
  'texting',
  'visits',
  'faxing',
  'hooks',
  'past',
  'views',
  'boards',
  'load promises',
];
const isAround = (key: string, businessId: string): boolean =>
  key === 'clock' || AROUND.some((what) => key === `${what}:${businessId}`);

/** What goes with the file of a business: calls in progress, and what stands around it. */
export async function besideOf(
  db: Db,
  businessId: string,
): Promise<{ calls: ExchangeRecord | null; around: { key: string; value: unknown }[] }> {
  const keys = (await db.getAllKeys('settings')).filter((key) => isAround(key, businessId));
  const around = await Promise.all(keys.map(async (key) => ({ key, value: await db.get('settings', key) })));
  return { calls: readCalls(await db.get('exchange', businessId)), around };
}

/** @returns null for what is none */
export const readCalls = (raw: unknown): ExchangeRecord | null => ExchangeRecord.safeParse(raw).data ?? null;

/** Puts back what stood around a business; whoever uses it reads it as anything stored. */
export const putAround = (db: Db, businessId: string, around: unknown): Promise<void> =>
  db.write('upkeep', async (open) => {
    const tx = open('settings');
    const read = z.array(z.object({ key: z.string(), value: z.unknown() })).safeParse(around).data ?? [];
    for (const { key, value } of read)
      if (isAround(key, businessId) && value !== undefined)
        within(tx.objectStore('settings').put(value as never, key as SettingKey));
    await tx.done;
  });

/** The other machine answers for it now: its keys are not used here any more. */
export const letGoOfKeys = (db: Db, businessId: string): Promise<void> =>
  db.write('call', async (open) => {
    const tx = open('devices', 'exchange');
    const devices = tx.objectStore('devices');
    for (const record of sorted('devices', await devices.index('business').getAll(businessId)).good)
      if (record.is === 'exchange') within(devices.delete(record.id));
    within(tx.objectStore('exchange').delete(businessId));
    await tx.done;
  });
