/** Appointments as they are stored: what is free is looked at in the transaction that takes it, so that none is given to two. */
import { nanoid } from 'nanoid';
import { freeTimes, freshCode, isFree, takenBy, type Asked } from '../../core/booking';
import type { Context } from '../../core/dialogues';
import { addDays, localTime, momentInFull, momentOf, readDate, writingOf } from '../../core/hours';
import { known } from '../../core/story';
import type { System } from '../../core/system';
import type { Answer } from '../carrier/carrier';
import type { Transaction } from '../stored/db';
import { BookingRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Change } from '../stored/sync';
import type { Workspace } from '../workspace';

type Tx = Transaction<'bookings'>;
type Refused = Extract<Answer, { ok: false }>;

export const bookingsIn = async (tx: Tx, businessId: string): Promise<BookingRecord[]> =>
  (await tx.objectStore('bookings').index('business').getAll(businessId)).flatMap(
    (raw) => BookingRecord.safeParse(raw).data ?? [],
  );

/** What free times of a calendar are asked of; null where it has no hours. @param at epoch milliseconds */
export function askedOf(
  system: System,
  calendarId: string,
  bookings: readonly BookingRecord[],
  at: number,
): Asked | null {
  const calendar = system.calendars[calendarId];
  const hours = calendar?.hoursId ? system.hours[calendar.hoursId] : undefined;
  if (!calendar || !hours) return null;
  return { calendar, hours, zone: system.business.timeZone, taken: takenBy(bookings, calendarId), now: at };
}

/** So many times are looked up at once. */
const MOST = 9;

/** Calendars as a dialogue asks of them. @param at epoch milliseconds */
export function calendarContext(
  system: System,
  bookings: readonly BookingRecord[],
  at: number,
): Pick<Context, 'free' | 'isFree' | 'said' | 'day'> {
  const zone = system.business.timeZone;
  const writing = writingOf(system.business);
  return {
    free: (calendarId, day) => {
      const asked = askedOf(system, calendarId, bookings, at);
      if (!asked) return [];
      return day
        ? freeTimes(asked, momentOf(zone, day, 0), momentOf(zone, addDays(day, 1), 0), MOST)
        : freeTimes(asked, at, Infinity, MOST);
    },
    isFree: (calendarId, from) => {
      const asked = askedOf(system, calendarId, bookings, at);
      return asked !== null && isFree(asked, from);
    },
    said: (moment) => momentInFull(moment, zone, writing),
    day: (typed) => readDate(typed, localTime(zone, at).date),
  };
}

/** Puts down what a dialogue has booked; what is moved by it is given back in the same breath. */
export async function putBooking(
  tx: Tx,
  businessId: string,
  system: System,
  made: {
    calendarId: string;
    from: number;
    code: string;
    theirs: string;
    at: number;
    key: string;
    movingId: string | undefined;
  },
): Promise<Change[]> {
  const { calendarId, from, code, theirs, at, key, movingId } = made;
  const id = `b-${key}`.slice(0, 60);
  const booking: BookingRecord = {
    id,
    businessId,
    calendarId,
    at,
    from,
    to: from + system.calendars[calendarId]!.minutes * 60_000,
    number: theirs,
    name: known(system).contacts.get(theirs)?.name ?? '',
    code,
    state: 'booked',
    made: 'text',
  };
  within(tx.objectStore('bookings').put(booking));
  const before = movingId
    ? BookingRecord.safeParse(await tx.objectStore('bookings').get(movingId)).data
    : undefined;
  if (before) within(tx.objectStore('bookings').put({ ...before, state: 'given back' }));
  return [{ businessId, what: 'bookings', ids: before ? [id, before.id] : [id] }];
}

export type Booked = { ok: true; booking: BookingRecord } | Refused;

/** Somebody of ours books for somebody. @returns the appointment, or why not */
export async function bookFor(
  workspace: Workspace,
  {
    calendarId,
    from,
    name,
    number,
  }: { calendarId: string; from: number; name: string; number: string | null },
): Promise<Booked> {
  const { id: businessId, system } = workspace;
  const at = workspace.now();
  const done = await workspace.db.write('call', async (open): Promise<Booked> => {
    const tx = open('bookings');
    const all = await bookingsIn(tx, businessId);
    const asked = askedOf(system, calendarId, all, at);
    if (!asked) return { ok: false, message: 'This calendar has no hours.', field: 'calendar' };
    if (!isFree(asked, from)) return { ok: false, message: 'That time has just gone.', field: 'from' };
    const codes = new Set(all.map((b) => b.code));
    const read = BookingRecord.safeParse({
      id: nanoid(12),
      businessId,
      calendarId,
      at,
      from,
      to: from + asked.calendar.minutes * 60_000,
      number,
      name: name.trim(),
      code: freshCode(codes, Math.random),
      state: 'booked',
      made: 'person',
    });
    if (!read.success || !read.data.name) return { ok: false, message: 'Say for whom.', field: 'name' };
    within(tx.objectStore('bookings').put(read.data));
    await tx.done;
    return { ok: true, booking: read.data };
  });
  if (done.ok) await workspace.changedOnes('bookings', [done.booking.id]);
  return done;
}

/** Gives one back, or takes that back as long as its time is free. @returns why not, where it was not */
export async function setBooking(
  workspace: Workspace,
  id: string,
  state: BookingRecord['state'],
): Promise<string | undefined> {
  const { id: businessId, system } = workspace;
  const why = await workspace.db.write('call', async (open) => {
    const tx = open('bookings');
    const all = await bookingsIn(tx, businessId);
    const booking = all.find((b) => b.id === id);
    if (!booking) return 'It is gone.';
    const asked = askedOf(system, booking.calendarId, all, workspace.now());
    if (state === 'booked' && asked && !isFree({ ...asked, now: 0 }, booking.from))
      return 'Somebody else has that time meanwhile.';
    within(tx.objectStore('bookings').put({ ...booking, state }));
    await tx.done;
    return undefined;
  });
  await workspace.changedOnes('bookings', [id]);
  return why;
}

/** What is read of a calendar of others at most. */
export const MOST_TAKEN = 2000;

/**
 * What a calendar of others takes of one of ours: it stands in place of what was read of one before; appointments stay.
 * @returns what there was before, to take it back
 */
export async function takeFromCalendar(
  workspace: Workspace,
  calendarId: string,
  taken: readonly { name: string; from: number; to: number }[],
): Promise<BookingRecord[]> {
  const { id: businessId } = workspace;
  const at = workspace.now();
  const { before, fresh } = await workspace.db.write('call', async (open) => {
    const tx = open('bookings');
    const store = tx.objectStore('bookings');
    const before = (await bookingsIn(tx, businessId)).filter(
      (b) => b.calendarId === calendarId && b.made === 'calendar',
    );
    for (const b of before) within(store.delete(b.id));
    const fresh = taken.slice(0, MOST_TAKEN).map(({ name, from, to }): BookingRecord => ({
      id: nanoid(12),
      businessId,
      calendarId,
      at,
      from,
      to,
      number: null,
      name: name.slice(0, 200),
      code: '00000',
      state: 'booked',
      made: 'calendar',
    }));
    for (const b of fresh) within(store.put(b));
    await tx.done;
    return { before, fresh };
  });
  await workspace.changedOnes(
    'bookings',
    [...before, ...fresh].map((b) => b.id),
  );
  return before;
}
