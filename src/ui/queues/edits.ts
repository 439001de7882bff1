/** The edits of queues, as commands with their words. */
import { newQueue, type Edit, type Queue } from '$core/system';
import { freshId } from '../ids';
import { theBusiness } from '../window/session.svelte';

/** A name no queue has yet. */
function freeName(name: string): string {
  const taken = new Set(Object.values(theBusiness().system.queues).map((q) => q.name.toLowerCase()));
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name} ${n}`;
    if (!taken.has(tried.toLowerCase())) return tried;
  }
}

/** Starts a queue. @param attach the commands that put it where it belongs @returns its id */
export function startQueue(name: string, attach: (queueId: string) => Edit['commands'] = () => []): string {
  const id = freshId('queue');
  const free = freeName(name);
  theBusiness().edit(`Start the queue ${free}`, [
    { do: 'queue.add', value: newQueue({ id, name: free }) },
    ...attach(id),
  ]);
  return id;
}

/** Changes a queue from a field. @returns what is wrong, or undefined */
export const setQueue = (
  queue: Queue,
  change: Partial<Omit<Queue, 'id'>>,
  words: string,
): string | undefined =>
  theBusiness().keep(`${queue.name}: ${words}`, [{ do: 'queue.set', id: queue.id, change }]);
