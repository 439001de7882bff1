/** Call lists as they are worked: several people share one, and nobody is called twice. */
import { nanoid } from 'nanoid';
import {
  closedBecause,
  ended,
  entriesOf,
  isFree,
  neverCalled,
  nextOf,
  type CallList,
  type Next,
  type Sight,
} from '../../core/call-lists';
import { localTime } from '../../core/hours';
import type { Receiver } from '../../core/rounds';
import { firstProblem, type Answer } from '../carrier/carrier';
import type { Place } from '../place';
import { CallListRecord, DealingsRecord, EntryRecord, noDealings } from '../stored/records';
import { within } from '../stored/store';
import type { Workspace } from '../workspace';

type Refused = Extract<Answer, { ok: false }>;
const whoIs = (place: Place): string => place.by ?? 'whoever runs the system';
const no = (message: string, field = ''): Refused => ({ ok: false, message, field }) as Refused;

export type ListMade = { ok: true; list: CallListRecord; not: { why: string; n: number }[] } | Refused;

/** Makes a list, with all that stand on it, or nothing. */
export async function makeCallList(
  workspace: Workspace,
  words: Pick<CallList, 'name' | 'selling' | 'registry' | 'script' | 'outcomes'>,
  receivers: readonly Receiver[],
): Promise<ListMade> {
  const { id: businessId, by, db, system } = workspace;
  const id = nanoid(12);
  const at = workspace.now();
  const read = CallListRecord.safeParse({
    ...words,
    id,
    businessId,
    at,
    rests: false,
    ...(by ? { by } : {}),
  });
  if (!read.success) return firstProblem(read.error.issues) as Refused;
  const { entries, not } = entriesOf(id, receivers, neverCalled(workspace.view.dealings.never, at), system);
  if (!entries.some((e) => e.state === 'waits')) return no('There is nobody on it who may be called.', 'who');
  await db.write('call', async (open) => {
    const tx = open('callLists', 'listed');
    within(tx.objectStore('callLists').put(read.data));
    for (const entry of entries) within(tx.objectStore('listed').put({ ...entry, businessId }));
    await tx.done;
  });
  await workspace.changedOnes('callLists', [id]);
  await workspace.changedOnes('listed');
  return { ok: true, list: read.data, not };
}

/** Changes a list; what is wrong changes nothing. */
export async function changeCallList(
  place: Place,
  id: string,
  change: Partial<Pick<CallList, 'name' | 'selling' | 'registry' | 'script' | 'outcomes' | 'rests'>>,
): Promise<{ ok: true; was: CallListRecord } | Refused> {
  const done = await place.db.write('call', async (open) => {
    const tx = open('callLists');
    const was = CallListRecord.safeParse(await tx.objectStore('callLists').get(id)).data;
    if (!was) return no('The list is gone.');
    const read = CallListRecord.safeParse({ ...was, ...change });
    if (!read.success) return firstProblem(read.error.issues) as Refused;
    within(tx.objectStore('callLists').put(read.data));
    await tx.done;
    return { ok: true as const, was };
  });
  await place.changedOnes('callLists', [id]);
  return done;
}

/** Takes the next one, who is before nobody else from then on. @param where see `Sight` */
export async function takeNext(
  place: Place,
  listId: string,
  zone: string,
  where: Sight['where'],
): Promise<Next | Refused> {
  const now = place.now();
  const by = whoIs(place);
  const done = await place.db.write('call', async (open): Promise<Next | Refused> => {
    const tx = open('callLists', 'listed', 'dealings');
    const list = CallListRecord.safeParse(await tx.objectStore('callLists').get(listId)).data;
    if (!list) return no('The list is gone.');
    const closed = closedBecause(list, localTime(zone, now).date);
    if (closed) return no(closed);
    const dealings =
      DealingsRecord.safeParse(await tx.objectStore('dealings').get(place.id)).data ?? noDealings(place.id);
    const entries = (
      await tx.objectStore('listed').getAll(IDBKeyRange.bound(`${listId} `, `${listId} \uffff`))
    ).flatMap((raw) => EntryRecord.safeParse(raw).data ?? []);
    const next = nextOf(entries, by, { now, where, never: neverCalled(dealings.never, now) });
    if (next.is !== 'somebody') return next;
    const entry = { ...(next.entry as EntryRecord), state: 'taken' as const, takenBy: by, takenAt: now };
    within(tx.objectStore('listed').put(entry));
    await tx.done;
    return { is: 'somebody', entry };
  });
  if ('is' in done && done.is === 'somebody') await place.changedOnes('listed', [done.entry.id]);
  return done;
}

/** Somebody is put back: the next who asks gets them. */
export async function putBack(place: Place, entryId: string): Promise<void> {
  await place.db.write('call', async (open) => {
    const tx = open('listed');
    const entry = EntryRecord.safeParse(await tx.objectStore('listed').get(entryId)).data;
    if (entry?.state === 'taken' && entry.takenBy === whoIs(place)) {
      const { takenBy: _, takenAt: __, ...rest } = entry;
      within(tx.objectStore('listed').put({ ...rest, state: 'waits' }));
    }
    await tx.done;
  });
  await place.changedOnes('listed', [entryId]);
}

/** How the call with somebody ended, and what follows: all of it or nothing. @returns takes it back, or why it was not taken */
export async function endCall(
  place: Place,
  entryId: string,
  outcomeId: string,
  note: string,
  zone: string,
): Promise<{ ok: true; back: () => Promise<void> } | Refused> {
  const at = place.now();
  const by = whoIs(place);
  const done = await place.db.write('call', async (open) => {
    const tx = open('callLists', 'listed', 'tasks', 'dealings');
    const was = EntryRecord.safeParse(await tx.objectStore('listed').get(entryId)).data;
    const list = was && CallListRecord.safeParse(await tx.objectStore('callLists').get(was.listId)).data;
    const outcome = list?.outcomes.find((o) => o.id === outcomeId);
    if (!was || !list || !outcome) return no('They, or that outcome, are not on the list any more.');
    if (was.takenBy !== by && !isFree(was, at))
      return no(`${was.takenBy ?? 'Somebody else'} has them before themselves.`);
    const came = ended(was, outcome, { by, note: note.trim().slice(0, 2000), at, zone });
    within(tx.objectStore('listed').put({ ...came.entry, businessId: place.id }));
    const taskId = came.task ? nanoid(12) : null;
    if (came.task && taskId)
      within(
        tx.objectStore('tasks').put({
          id: taskId,
          businessId: place.id,
          at,
          text: came.task.text.slice(0, 5000),
          personId: null,
          callBack: true,
          by: came.task.by,
          other: was.number,
          about: null,
          from: `${list.name}, ${by}`.slice(0, 120),
        }),
      );
    if (came.never) {
      const dealings =
        DealingsRecord.safeParse(await tx.objectStore('dealings').get(place.id)).data ?? noDealings(place.id);
      const never = [...(dealings.never ?? []), { number: was.number, at, by }];
      within(tx.objectStore('dealings').put({ ...dealings, never }));
    }
    await tx.done;
    return { ok: true as const, was, taskId, never: came.never };
  });
  if (!done.ok) return done;
  const { was, taskId, never } = done;
  const tell = async () => {
    await place.changedOnes('listed', [entryId]);
    if (taskId) await place.changedOnes('tasks', [taskId]);
  };
  await tell();
  return {
    ok: true,
    back: async () => {
      await place.db.write('call', async (open) => {
        const tx = open('listed', 'tasks', 'dealings');
        const now = EntryRecord.safeParse(await tx.objectStore('listed').get(entryId)).data;
        // A colleague who has them before themselves by now keeps them.
        if (!now || now.calls.at(-1)?.at !== at || now.state === 'taken') return tx.done;
        within(tx.objectStore('listed').put({ ...was, takenAt: place.now() }));
        if (taskId) within(tx.objectStore('tasks').delete(taskId));
        if (never) {
          const dealings = DealingsRecord.safeParse(await tx.objectStore('dealings').get(place.id)).data;
          if (dealings)
            within(
              tx.objectStore('dealings').put({
                ...dealings,
                never: (dealings.never ?? []).filter((n) => n.number !== was.number || n.at !== at),
              }),
            );
        }
        return tx.done;
      });
      await tell();
    },
  };
}
