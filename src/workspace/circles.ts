/** What colleagues write to each other, as it is stored. */
import { nanoid } from 'nanoid';
import { circleOf, circleOfGroup } from '../core/story';
import { firstProblem, no, type Answer } from './carrier/carrier';
import type { Place } from './place';
import { CircleRecord, WordsRecord } from './stored/records';
import { within } from './stored/store';

/** A conversation that is there, or those it is to be with. */
export type ToCircle =
  { circleId: string } | { with: readonly string[]; name?: string } | { groupId: string };

/** The conversation somebody means: of the same people there is one, unless it has a name of its own. */
function circleFor(businessId: string, me: string, to: ToCircle, at: number): CircleRecord | null {
  const base = { businessId, at, memberIds: [], seen: {} };
  if ('circleId' in to) return null;
  if ('groupId' in to) return { ...base, id: circleOfGroup(to.groupId), groupId: to.groupId };
  const memberIds = [...new Set([me, ...to.with])];
  const name = to.name?.trim();
  return name
    ? { ...base, id: `named ${nanoid(10)}`, memberIds, name }
    : { ...base, id: circleOf(memberIds), memberIds };
}

/**
 * Writes words into a conversation, which begins with them where it is not there yet.
 * @param me who writes, by id @returns the conversation they are in, or why not
 */
export async function writeTo(
  place: Place,
  me: string,
  to: ToCircle,
  words: Pick<WordsRecord, 'text' | 'files' | 'about'>,
): Promise<{ ok: true; circleId: string } | Extract<Answer, { ok: false }>> {
  const { db, id: businessId } = place;
  const at = place.now();
  const fresh = circleFor(businessId, me, to, at);
  if (fresh && fresh.groupId === undefined && fresh.memberIds.length < 2)
    return refused('Choose somebody to write to.', 'with');
  const checked = fresh ? CircleRecord.safeParse(fresh) : null;
  if (checked && !checked.success) return firstProblem(checked.error.issues) as ReturnType<typeof refused>;
  const circleId = fresh?.id ?? (to as { circleId: string }).circleId;
  const read = WordsRecord.safeParse({ ...words, id: nanoid(12), businessId, circleId, at, by: me });
  if (!read.success) return firstProblem(read.error.issues) as ReturnType<typeof refused>;
  for (const { hash, name } of read.data.files ?? [])
    if ((await db.getKey('files', [businessId, hash])) === undefined)
      return refused(`${name} is not in this browser any more: add it again.`, 'files');
  const done = await db.write('text', async (open) => {
    const tx = open('circles', 'words');
    const known = CircleRecord.safeParse(await tx.objectStore('circles').get(circleId)).data ?? fresh;
    if (!known) return false;
    // Whoever writes has seen what was there.
    within(tx.objectStore('circles').put({ ...known, seen: { ...known.seen, [me]: at } }));
    within(tx.objectStore('words').put(read.data));
    await tx.done;
    return true;
  });
  if (!done) return refused('That conversation is not there any more.', 'text');
  await place.changedOnes('circles', [circleId]);
  await place.changedOnes('words', [read.data.id]);
  return { ok: true, circleId };
}
const refused = (message: string, field: string) => no(message, field) as Extract<Answer, { ok: false }>;

/** Somebody has seen what was written up to a moment. */
export async function seen(place: Place, me: string, circleId: string, at: number): Promise<void> {
  const changed = await place.db.write('text', async (open) => {
    const tx = open('circles');
    const known = CircleRecord.safeParse(await tx.objectStore('circles').get(circleId)).data;
    if (!known || (known.seen[me] ?? 0) >= at) return false;
    within(tx.objectStore('circles').put({ ...known, seen: { ...known.seen, [me]: at } }));
    await tx.done;
    return true;
  });
  if (changed) await place.changedOnes('circles', [circleId]);
}
