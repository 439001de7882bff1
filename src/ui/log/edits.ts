/** What is done from the log: a note, calling back that is done, a number that becomes a contact. */
import type { Entry, Remark } from '$core/story';
import { addRemark, dropRemark } from '$workspace';
import { markAnswered } from '../messages/answering';
import { theBusiness } from '../window/session.svelte';

const storeOf = ({ call }: Entry): 'calls' | 'messages' => (call ? 'calls' : 'messages');
const GONE = 'It has gone meanwhile, or has as many notes as it may have.';

/** Writes something down to an entry, beside what others wrote. @returns why not, or undefined */
export async function addNote(entry: Entry, text: string): Promise<string | undefined> {
  const { workspace, db, actorName, now } = theBusiness();
  const store = storeOf(entry);
  const { id } = entry;
  const remark = { at: now, by: actorName ?? '', text };
  if (!(await addRemark(db, store, id, remark))) return GONE;
  await workspace.changedOnes(store, [id]);
  theBusiness().did('A note', async () => {
    const there = await dropRemark(db, store, id, remark);
    await workspace.changedOnes(store, [id]);
    return there ? undefined : 'It was taken away meanwhile.';
  });
  return undefined;
}
/** Takes away what somebody wrote down. */
export async function dropNote(entry: Entry, remark: Remark): Promise<void> {
  const { workspace, db } = theBusiness();
  const store = storeOf(entry);
  const { id } = entry;
  if (!(await dropRemark(db, store, id, remark))) return;
  await workspace.changedOnes(store, [id]);
  theBusiness().sayDone({ kind: 'success', title: 'The note is taken away' }, async () => {
    const back = await addRemark(db, store, id, remark);
    await workspace.changedOnes(store, [id]);
    return back ? undefined : GONE;
  });
}
/** Changes what those who talked wrote down. */
export async function changeNote(entry: Entry, text: string): Promise<void> {
  const { workspace } = theBusiness();
  const back = await workspace.change(
    storeOf(entry),
    [entry.id],
    { note: text.trim() || undefined },
    'A note',
  );
  theBusiness().did('A note', back);
}

export const sayDone = ({ id, call, message, who }: Entry): Promise<void> =>
  markAnswered(message ? [id] : [], call ? [id] : [], `Done: ${who}`);
