/** What visitors of a site ask for by a call button: to be called back, or a time; at a pace, in the hours it offers. */
import { z } from 'zod';
import { isFree } from '../../core/booking';
import { mayNotAsk, offeredAt, stillCounts } from '../../core/buttons';
import { addDays, localTime } from '../../core/hours';
import { readNumber } from '../../core/numbering';
import type { CallButton, System } from '../../core/system';
import type { Answer } from '../carrier/carrier';
import { BookingRecord, TaskRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Workspace } from '../workspace';
import { keepBooking } from './booked';
import { askedOf, bookingsIn } from './bookings';

type Refused = Extract<Answer, { ok: false }>;
const Asked = z.array(z.object({ at: z.number(), visitor: z.string().max(60) })).max(1000);
const asksKey = (businessId: string) => `visits:${businessId}` as const;

/** Where it is kept: a window's workspace, or an exchange. */
export type Keeper = Pick<Workspace, 'db' | 'id' | 'now' | 'changedOnes'>;

export interface Visitor {
  name: string;
  /** As typed. */
  number: string;
  /** A name for their browser. */
  visitor: string;
}

const keyed = (key: string): string => `s-${key}`.slice(0, 60);

/** @returns the number in E.164, or what is wrong */
function readVisitor({ name, number }: Visitor, system: System): { ok: true; number: string } | Refused {
  if (!name.trim()) return { ok: false, field: 'name', message: 'Write your name.' };
  if (name.length > 80) return { ok: false, field: 'name', message: 'At most 80 letters, please.' };
  const read = readNumber(number, system.business.country);
  return read.ok
    ? { ok: true, number: read.number.e164 }
    : { ok: false, field: 'number', message: read.message };
}

/** Counts one more; in a transaction of its own, before what is asked for. @returns why not */
async function countOne(workspace: Keeper, visitor: string): Promise<string | undefined> {
  const { db, id } = workspace;
  const at = workspace.now();
  return db.write('call', async (open) => {
    const tx = open('settings');
    const before = Asked.safeParse(await tx.objectStore('settings').get(asksKey(id))).data ?? [];
    const why = mayNotAsk(before, visitor, at);
    if (!why)
      within(
        tx
          .objectStore('settings')
          .put([...stillCounts(before, at), { at, visitor: visitor.slice(0, 60) }], asksKey(id)),
      );
    await tx.done;
    return why;
  });
}

/**
 * Somebody asks to be called back: a task for whoever does that.
 * @param system in force @param day ISO, or null as soon as can be @param key of what is asked: twice with the same is once
 */
export async function askCallBack(
  workspace: Keeper,
  system: System,
  button: CallButton,
  visitor: Visitor,
  day: string | null,
  key: string,
): Promise<{ ok: true } | Refused> {
  const read = readVisitor(visitor, system);
  if (!read.ok) return read;
  const at = workspace.now();
  if (!offeredAt(button, system, at).can.callBack)
    return { ok: false, message: 'That is not offered any more.' };
  const today = localTime(system.business.timeZone, at).date;
  if (day !== null && (day < today || day > addDays(today, 60)))
    return { ok: false, field: 'day', message: 'Choose a day of the next two months.' };
  const id = keyed(key);
  if (await workspace.db.get('tasks', id)) return { ok: true };
  const why = await countOne(workspace, visitor.visitor);
  if (why) return { ok: false, message: why };
  const task: TaskRecord = {
    id,
    businessId: workspace.id,
    at,
    text: `Call back ${visitor.name.trim()}, who asked for it on the site (${button.name})`,
    personId: button.personId,
    callBack: true,
    by: day ?? (offeredAt(button, system, at).open ? today : addDays(today, 1)),
    other: read.number,
    about: null,
    from: button.name,
  };
  await workspace.db.write('call', async (open) => {
    const tx = open('tasks');
    within(tx.objectStore('tasks').put(task));
    await tx.done;
  });
  await workspace.changedOnes('tasks', [task.id]);
  return { ok: true };
}

/** Somebody books a time. @param key of what is asked: twice with the same is once @returns the appointment, with the code that it is given back by */
export async function bookVisit(
  workspace: Keeper,
  system: System,
  button: CallButton,
  visitor: Visitor,
  from: number,
  key: string,
): Promise<{ ok: true; booking: BookingRecord } | Refused> {
  const read = readVisitor(visitor, system);
  if (!read.ok) return read;
  const at = workspace.now();
  const { calendarId } = button;
  if (!calendarId || !offeredAt(button, system, at).can.book)
    return { ok: false, message: 'That is not offered any more.' };
  const bookings = await workspace.db.write('call', async (open) => {
    const tx = open('bookings');
    const all = await bookingsIn(tx, workspace.id);
    await tx.done;
    return all;
  });
  const id = keyed(key);
  const there = bookings.find((b) => b.id === id);
  if (there?.number === read.number) return { ok: true, booking: there };
  const asked = askedOf(system, calendarId, bookings, at);
  const gone = { ok: false, field: 'from', message: 'That time has just gone: choose another.' } as const;
  if (!asked || !isFree(asked, from)) return gone;
  const why = await countOne(workspace, visitor.visitor);
  if (why) return { ok: false, message: why };
  const { booking, changes } = await keepBooking(
    workspace.db,
    workspace.id,
    system,
    {
      id,
      calendarId,
      from,
      to: from + asked.calendar.minutes * 60_000,
      number: read.number,
      name: visitor.name.trim(),
      made: 'site',
      ours: (button.numberId && system.numbers[button.numberId]?.e164) || null,
    },
    at,
  );
  for (const { what, ids } of changes)
    if (what === 'bookings' || what === 'texts' || what === 'tasks')
      await workspace.changedOnes(what, [...(ids ?? [])]);
  return booking ? { ok: true, booking } : gone;
}
