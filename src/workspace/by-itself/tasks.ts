/** Tasks: what somebody is to do, made by people and by follow-ups. */
import { nanoid } from 'nanoid';
import type { Task, TaskChange } from '../../core/followups';
import { firstProblem, type Answer } from '../carrier/carrier';
import type { Place } from '../place';
import { TaskRecord } from '../stored/records';
import { within } from '../stored/store';

type Refused = Extract<Answer, { ok: false }>;
export type TaskPut = { ok: true; task: TaskRecord; back: (place: Place) => Promise<void> } | Refused;

const whoIs = (place: Place): string => place.by ?? 'whoever runs the system';

async function put(
  place: Place,
  id: string,
  how: (known: TaskRecord | undefined) => unknown,
): Promise<TaskPut> {
  const done = await place.db.write('call', async (open) => {
    const tx = open('tasks');
    const was = TaskRecord.safeParse(await tx.objectStore('tasks').get(id)).data;
    const read = TaskRecord.safeParse(how(was));
    if (!read.success) return firstProblem(read.error.issues) as Refused;
    within(tx.objectStore('tasks').put(read.data));
    await tx.done;
    return { ok: true as const, task: read.data, was };
  });
  if (!done.ok) return done;
  await place.changedOnes('tasks', [id]);
  const { task, was } = done;
  return {
    ok: true,
    task,
    back: async (place) => {
      await (was ? restore(place, task, was) : remove(place, id));
    },
  };
}

async function remove(place: Place, id: string): Promise<void> {
  await place.db.write('call', async (open) => {
    const tx = open('tasks');
    within(tx.objectStore('tasks').delete(id));
    await tx.done;
  });
  await place.changedOnes('tasks', [id]);
}
/** As it was, unless it was changed meanwhile. */
async function restore(place: Place, seen: TaskRecord, was: TaskRecord): Promise<void> {
  await place.db.write('call', async (open) => {
    const tx = open('tasks');
    const now = TaskRecord.safeParse(await tx.objectStore('tasks').get(was.id)).data;
    if (!now || JSON.stringify(now) === JSON.stringify(seen)) within(tx.objectStore('tasks').put(was));
    await tx.done;
  });
  await place.changedOnes('tasks', [was.id]);
}

/** @returns the task as it was kept, and how to take it back; or what is wrong with it */
export const addTask = (
  place: Place,
  words: Pick<Task, 'text' | 'personId' | 'by'> & Partial<Pick<Task, 'callBack' | 'other' | 'about'>>,
): Promise<TaskPut> => {
  const id = nanoid(12);
  return put(place, id, () => ({
    callBack: false,
    other: null,
    about: null,
    ...words,
    id,
    businessId: place.id,
    at: place.now(),
    from: whoIs(place),
  }));
};

export const changeTask = (place: Place, id: string, { done, ...change }: TaskChange): Promise<TaskPut> =>
  put(place, id, (known) => {
    if (!known) return undefined;
    const { doneAt, doneBy, ...rest } = known;
    const end = done ?? doneAt !== undefined;
    return {
      ...rest,
      ...change,
      ...(end ? { doneAt: doneAt ?? place.now(), doneBy: doneBy ?? whoIs(place) } : {}),
    };
  });

/** @returns takes it back */
export async function dropTask(place: Place, id: string): Promise<(place: Place) => Promise<void>> {
  const was = TaskRecord.safeParse(await place.db.get('tasks', id)).data;
  await remove(place, id);
  return async (place) => {
    if (was) await restore(place, was, was);
  };
}
