/** Dialogues by text as they are stored: each text that comes is answered in the transaction that stores it. */
import { answer, beganBy, begin, isOpen, type Turn, type ValueOf } from '../../core/dialogues';
import { addDays, localTime } from '../../core/hours';
import { conversationKey, known } from '../../core/story';
import type { Dialogue, System } from '../../core/system';
import { filled } from '../../core/texting';
import type { Transaction } from '../db';
import { RunRecord, TextRecord, ThreadRecord } from '../records';
import { within } from '../store';
import type { Change } from '../sync';
import { putLeaving } from '../texting/kept';

export const DIALOGUE_STORES = ['texts', 'dealings', 'settings', 'runs', 'tasks', 'threads'] as const;
type Tx = Transaction<(typeof DIALOGUE_STORES)[number]>;

/** The fields of ready-made answers, of somebody. */
const valueOf =
  (system: System, ours: string, theirs: string): ValueOf =>
  (field) => {
    const contact = known(system).contacts.get(theirs);
    const made = filled(`{${field}}`, { contact, business: system.business, by: undefined, from: ours });
    return made.empty.length ? '' : made.text;
  };

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
  { run, says, tasks }: Turn,
  { key, at, zone }: { key: string; at: number; zone: string },
): Promise<Change[]> {
  const { ours, theirs, name } = run;
  within(tx.objectStore('runs').put({ ...run, businessId }));
  const changed: Change[] = [{ businessId, what: 'runs', ids: [run.id] }];
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
    await putLeaving(tx, read.success ? read.data : { ...words, text: text.slice(0, 600) });
    texts.push(id);
  }
  if (texts.length) changed.push({ businessId, what: 'texts', ids: texts });
  const made = tasks.map(({ personId, text }, i) => ({
    id: `${key}-task-${i + 1}`.slice(0, 60),
    businessId,
    at,
    text,
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
  const values = valueOf(system, ours, theirs);
  let turn: Turn;
  if (open) turn = answer(open, text.text, at, values);
  else {
    const dialogue = beganBy(text.text, ours, system);
    if (!dialogue) return [];
    turn = begin(dialogue, { id: `run-${text.id}`.slice(0, 60), ours, theirs }, at, values);
  }
  return putTurn(tx, businessId, turn, { key: text.id, at, zone: system.business.timeZone });
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
  const turn = begin(dialogue, { id, ours, theirs }, at, valueOf(system, ours, theirs));
  return putTurn(tx, businessId, turn, { key: id, at, zone: system.business.timeZone });
}
