/** Dialogues by text as they are stored: each text that comes is answered in the transaction that stores it. */
import { freshCode, wishOfBooking } from '../../core/booking';
import { answer, beganBy, begin, isOpen, valuesOf, type Context, type Turn } from '../../core/dialogues';
import { addDays, localTime } from '../../core/hours';
import { conversationKey } from '../../core/story';
import type { Dialogue, System } from '../../core/system';
import { wishOf } from '../../core/texting';
import type { Transaction } from '../stored/db';
import { RunRecord, TextRecord, ThreadRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Change } from '../stored/sync';
import { putLeaving } from '../texting/kept';
import { bookingsIn, calendarContext, putBooking } from './bookings';

export const DIALOGUE_STORES = [
  'texts',
  'dealings',
  'settings',
  'runs',
  'tasks',
  'threads',
  'bookings',
] as const;
type Tx = Transaction<(typeof DIALOGUE_STORES)[number]>;

/** What a dialogue with somebody is told by. @param at epoch milliseconds */
async function contextOf(
  tx: Tx,
  businessId: string,
  system: System,
  { ours, theirs, at }: { ours: string; theirs: string; at: number },
): Promise<Context> {
  const bookings = await bookingsIn(tx, businessId);
  const codes = new Set(bookings.flatMap((b) => (b.state === 'booked' && b.to > at ? b.code : [])));
  return {
    valueOf: valuesOf(system, ours, theirs),
    code: () => freshCode(codes, Math.random),
    ...calendarContext(system, bookings, at),
  };
}

const runsWith = async (tx: Tx, businessId: string, theirs: string): Promise<RunRecord[]> =>
  (
    await tx
      .objectStore('runs')
      .index('theirs')
      .getAll(IDBKeyRange.only([businessId, theirs]))
  ).flatMap((raw) => RunRecord.safeParse(raw).data ?? []);

/** Puts down what a turn came to. @param key by which its texts and tasks have their ids */
async function putTurn(
  tx: Tx,
  businessId: string,
  { run: came, says, tasks, books }: Turn,
  { key, at, system }: { key: string; at: number; system: System },
): Promise<Change[]> {
  const zone = system.business.timeZone;
  const { movingId, ...rested } = came;
  // What was moved has its new time: the next one is a new appointment.
  const run = books ? rested : came;
  const { ours, name } = run;
  // Whoever writes has a number.
  const theirs = run.theirs!;
  within(tx.objectStore('runs').put({ ...run, businessId }));
  const changed: Change[] = [{ businessId, what: 'runs', ids: [run.id] }];
  if (books)
    changed.push(...(await putBooking(tx, businessId, system, { ...books, theirs, at, key, movingId })));
  const texts: string[] = [];
  for (const [i, text] of says.entries()) {
    const id = `${key}-${i + 1}`.slice(0, 60);
    // One after the other by the clock, so that they stand in the order in which they were said.
    const words = {
      id,
      businessId,
      way: 'out',
      from: ours,
      to: theirs,
      text,
      at: at + i,
      byItself: true,
    } as const;
    const read = TextRecord.safeParse(words);
    // What was filled in made it too long: it goes without its end, which is better than not at all.
    await putLeaving(tx, read.success ? read.data : { ...words, text: `${text.slice(0, 600)}...` });
    texts.push(id);
  }
  if (texts.length) changed.push({ businessId, what: 'texts', ids: texts });
  const made = tasks.map(({ personId, text }, i) => ({
    id: `${key}-task-${i + 1}`.slice(0, 60),
    businessId,
    at,
    text: text.slice(0, 5000),
    personId,
    callBack: true,
    by: addDays(localTime(zone, at).date, 1),
    other: theirs,
    about: null,
    from: name,
  }));
  for (const task of made) within(tx.objectStore('tasks').put(task));
  if (made.length) changed.push({ businessId, what: 'tasks', ids: made.map((t) => t.id) });
  // As long as it goes by itself nobody has to see to it; what is handed over waits for a person.
  const id = conversationKey(ours, theirs);
  const thread = ThreadRecord.safeParse(await tx.objectStore('threads').get(id)).data ?? {
    id,
    businessId,
    at,
  };
  const { closedAt: _, assignedTo, ...rest } = thread;
  const whose = run.personId ?? assignedTo;
  const sees = { ...rest, at, ...(whose ? { assignedTo: whose } : {}) };
  if (run.state !== 'stopped') {
    within(tx.objectStore('threads').put(run.state === 'handed over' ? sees : { ...sees, closedAt: at }));
    changed.push({ businessId, what: 'threads', ids: [id] });
  }
  return changed;
}

/** A text came: what a dialogue makes of it. @param system in force @returns what changed; nothing where none was meant */
export async function heardByDialogue(tx: Tx, text: TextRecord, system: System): Promise<Change[]> {
  const { businessId, from: theirs, to: ours, at } = text;
  const open = (await runsWith(tx, businessId, theirs)).findLast((r) => r.ours === ours && isOpen(r, at));
  const context = await contextOf(tx, businessId, system, { ours, theirs, at });
  const wish = wishOfBooking(text.text);
  if (wish) return ofBooking(tx, text, wish, system, context);
  const changed = wishOf(text.text) === 'stop' ? await stopped(tx, text, system, context) : [];
  let turn: Turn;
  if (open) turn = answer(open, text.text, at, context);
  else {
    const dialogue = beganBy(text.text, ours, system);
    if (!dialogue) return changed;
    turn = begin(dialogue, { id: `run-${text.id}`.slice(0, 60), ours, theirs }, at, context);
  }
  return [...changed, ...(await putTurn(tx, businessId, turn, { key: text.id, at, system }))];
}

/** A follow-up begins one. @returns what changed, or why it was not begun */
export async function beginWith(
  tx: Tx,
  businessId: string,
  dialogue: Dialogue,
  { id, ours, theirs }: { id: string; ours: string; theirs: string },
  system: System,
  at: number,
): Promise<Change[] | string> {
  const runs = await runsWith(tx, businessId, theirs);
  if (runs.some((r) => r.id === id)) return [];
  const open = runs.find((r) => isOpen(r, at));
  if (open) return `They are in the dialogue ${open.name} already.`;
  const context = await contextOf(tx, businessId, system, { ours, theirs, at });
  const turn = begin(dialogue, { id, ours, theirs }, at, context);
  return putTurn(tx, businessId, turn, { key: id, at, system });
}

/** An appointment is given back, or another time of it asked for: by its code, and from the number that made it. */
async function ofBooking(
  tx: Tx,
  { id: key, businessId, from: theirs, to: ours, at }: TextRecord,
  { does, code }: NonNullable<ReturnType<typeof wishOfBooking>>,
  system: System,
  context: Context,
): Promise<Change[]> {
  const booking = (await bookingsIn(tx, businessId)).find(
    (b) => b.code === code && b.number === theirs && b.state === 'booked' && b.to > at,
  );
  const none = { tasks: [], books: null };
  const run = (steps: Dialogue['steps']): Dialogue => ({
    id: booking?.calendarId ?? 'none',
    name: 'Appointments',
    words: [],
    numberIds: [],
    steps,
    days: 3,
  });
  const who = { id: `run-${key}`.slice(0, 60), ours, theirs };
  const over = (says: string): Turn => ({
    ...none,
    ...begin(run([{ id: 'say', only: null, kind: 'say', text: 'x' }]), who, at, context),
    says: [says],
  });
  if (!booking)
    return putTurn(tx, businessId, over(`We know no appointment with the code ${code} for your number.`), {
      key,
      at,
      system,
    });
  if (does === 'off') {
    within(tx.objectStore('bookings').put({ ...booking, state: 'given back' }));
    const turn = over(`Your appointment ${context.said(booking.from)} is given back.`);
    const changed = await putTurn(tx, businessId, turn, { key, at, system });
    return [...changed, { businessId, what: 'bookings', ids: [booking.id] }];
  }
  const moving = begin(
    run([
      { id: 'book', only: null, kind: 'book', calendarId: booking.calendarId, text: 'Which time instead?' },
    ]),
    who,
    at,
    context,
  );
  const turn = { ...moving, run: { ...moving.run, movingId: booking.id } };
  return putTurn(tx, businessId, turn, { key, at, system });
}

/** Whoever wants no texts may have meant an appointment: it stays, and a person asks. */
async function stopped(
  tx: Tx,
  { id, businessId, from: theirs, at }: TextRecord,
  system: System,
  { said }: Context,
): Promise<Change[]> {
  const next = (await bookingsIn(tx, businessId)).find(
    (b) => b.number === theirs && b.state === 'booked' && b.to > at,
  );
  if (!next) return [];
  const task = {
    id: `${id}-task-stop`.slice(0, 60),
    businessId,
    at,
    text: `They wrote STOP: was the appointment ${said(next.from)} meant? It stands.`,
    personId: system.calendars[next.calendarId]?.personId ?? null,
    callBack: true,
    by: localTime(system.business.timeZone, at).date,
    other: theirs,
    about: null,
    from: 'Appointments',
  };
  within(tx.objectStore('tasks').put(task));
  return [{ businessId, what: 'tasks', ids: [task.id] }];
}
