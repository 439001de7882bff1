/** Times that a caller or a visitor has taken, as they are stored: told with a code, and never given to two. */
import { freshCode, isFree } from '../../core/booking';
import { addDays, localTime, momentInFull, writingOf } from '../../core/hours';
import { known } from '../../core/story';
import type { System } from '../../core/system';
import type { Db, Transaction } from '../stored/db';
import { BookingRecord, TaskRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Change } from '../stored/sync';
import { putLeaving, stoppedIn } from '../texting/kept';
import { askedOf, bookingsIn } from './bookings';

export interface Wanted {
  /** Its id: what is told twice is stored once. */
  id: string;
  calendarId: string;
  from: number;
  to: number;
  /** Whose; null is not known. */
  number: string | null;
  name: string;
  made: BookingRecord['made'];
  /** The appointment that it stands in place of: given back with it. */
  instead?: string | undefined;
  /** The number of ours that is told of it, E.164. */
  ours: string | null;
}

/** How an appointment is given back or moved, in words. */
export const codeWords = (code: string): string =>
  `Write OFF ${code} to give it back, MOVE ${code} for another time.`;

/** Whoever wants no texts gets none, and hears it only. @returns what changed */
async function tellThem(
  tx: Transaction<'texts' | 'settings'>,
  businessId: string,
  id: string,
  { number, ours, text, at }: { number: string | null; ours: string | null; text: string; at: number },
): Promise<Change[]> {
  if (!number || !ours || (await stoppedIn(tx, businessId, number))) return [];
  const words = { id: id.slice(0, 60), businessId, way: 'out', from: ours, to: number } as const;
  const sent = await putLeaving(tx, { ...words, text, at, byItself: true });
  return [{ businessId, what: 'texts', ids: [sent.id] }];
}

/** Somebody gives an appointment of theirs back, once. @param at epoch milliseconds @returns what changed */
export async function giveBack(
  db: Db,
  businessId: string,
  system: System,
  { id, ours, at }: { id: string; ours: string | null; at: number },
): Promise<Change[]> {
  return db.write('call', async (open) => {
    const tx = open('bookings', 'texts', 'dealings', 'settings');
    const booking = (await bookingsIn(tx, businessId)).find((b) => b.id === id);
    if (booking?.state !== 'booked') return [];
    within(tx.objectStore('bookings').put({ ...booking, state: 'given back' }));
    const said = momentInFull(booking.from, system.business.timeZone, writingOf(system.business));
    const text = `Your appointment ${said} is given back.`;
    const told = await tellThem(tx, businessId, `${id}-off`, { number: booking.number, ours, text, at });
    await tx.done;
    return [...told, { businessId, what: 'bookings', ids: [id] }];
  });
}

/**
 * Puts down a time that was taken; whose number is known gets a text with its code. Where it has gone meanwhile, they are told
 * so, and somebody has the task to call them.
 * @param at epoch milliseconds @returns what changed, and the appointment where it is theirs
 */
export async function keepBooking(
  db: Db,
  businessId: string,
  system: System,
  wanted: Wanted,
  at: number,
): Promise<{ changes: Change[]; booking: BookingRecord | null }> {
  const { id, calendarId, from, to, number, made, ours } = wanted;
  return db.write('call', async (open) => {
    const tx = open('bookings', 'texts', 'dealings', 'settings', 'tasks');
    const all = await bookingsIn(tx, businessId);
    const there = all.find((b) => b.id === id);
    if (there) return { changes: [], booking: there };
    const asked = askedOf(system, calendarId, all, at);
    const calendar = system.calendars[calendarId];
    const said = momentInFull(from, system.business.timeZone, writingOf(system.business));
    const name = wanted.name || (number && known(system).contacts.get(number)?.name) || '';
    const changes: Change[] = [];
    const before = all.find((b) => b.id === wanted.instead);
    // The lead is of whoever was asked: what they were told a moment ago still stands. What was given back is moved no more.
    const ok =
      asked !== null &&
      (!wanted.instead || before?.state === 'booked') &&
      isFree({ ...asked, now: Math.min(at, from) - asked.calendar.leadMinutes * 60_000 }, from);
    const tell = async (text: string, key: string) =>
      void changes.push(...(await tellThem(tx, businessId, `${id}-${key}`, { number, ours, text, at })));
    if (!ok) {
      await tell(`We are sorry: ${said} has just gone to somebody else. One of us calls you.`, 'gone');
      const task: TaskRecord = {
        id: `${id}-task`.slice(0, 60),
        businessId,
        at,
        text: `${name || 'Somebody'} was told ${said} in ${calendar?.name ?? 'a removed calendar'}, which had just gone: find another time with them.`,
        personId: calendar?.personId ?? null,
        callBack: true,
        by: addDays(localTime(system.business.timeZone, at).date, 1),
        other: number,
        about: null,
        from: 'Appointments',
      };
      within(tx.objectStore('tasks').put(task));
      await tx.done;
      return { changes: [...changes, { businessId, what: 'tasks', ids: [task.id] }], booking: null };
    }
    const codes = new Set(all.flatMap((b) => (b.state === 'booked' && b.to > at ? b.code : [])));
    const booking: BookingRecord = {
      id,
      businessId,
      calendarId,
      at,
      from,
      to,
      number,
      name: name.slice(0, 200),
      code: freshCode(codes, Math.random),
      state: 'booked',
      made,
    };
    within(tx.objectStore('bookings').put(booking));
    if (before) within(tx.objectStore('bookings').put({ ...before, state: 'given back' }));
    await tell(`${before ? 'Moved' : 'Booked'}: ${said}. ${codeWords(booking.code)}`, 'code');
    await tx.done;
    const ids = before ? [id, before.id] : [id];
    return { changes: [...changes, { businessId, what: 'bookings', ids }], booking };
  });
}
