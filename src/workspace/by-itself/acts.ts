/** What people do about what follow-ups do: call it off, have it done again; and the words they put on calls. */
import type { Happening } from '../../core/followups';
import { callRow } from '../../core/story';
import { Tag } from '../../core/system';
import type { Place } from '../place';
import { CallRecord, ErrandRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Workspace } from '../workspace';
import { raise } from './raise';

/** Changes those that are still as they were seen. @returns how many were */
async function change(
  place: Place,
  ids: readonly string[],
  to: (errand: ErrandRecord) => ErrandRecord | null,
): Promise<string[]> {
  const done = await place.db.write('call', async (open) => {
    const tx = open('errands');
    const changed: string[] = [];
    for (const id of ids) {
      const errand = ErrandRecord.safeParse(await tx.objectStore('errands').get(id)).data;
      const next = errand && to(errand);
      if (!next) continue;
      within(tx.objectStore('errands').put(next));
      changed.push(id);
    }
    await tx.done;
    return changed;
  });
  await place.changedOnes('errands', done);
  return done;
}

/** Those that wait are not done. @returns takes it back */
export async function withdrawErrands(place: Place, ids: readonly string[]): Promise<() => Promise<void>> {
  const at = place.now();
  const why = `Called off by ${place.by ?? 'whoever runs the system'}.`;
  const were = new Map<string, ErrandRecord>();
  await change(place, ids, (errand) => {
    if (errand.state !== 'waits') return null;
    were.set(errand.id, errand);
    const { next: _, ...rest } = errand;
    return { ...rest, state: 'withdrawn', at, why };
  });
  return async () => {
    await change(place, [...were.keys()], (errand) =>
      errand.state === 'withdrawn' && errand.at === at ? were.get(errand.id)! : null,
    );
  };
}

/** One that failed, was not done or was called off is done after all, by the rules as they are now. @returns whether it is */
export async function doAgain(place: Place, id: string): Promise<boolean> {
  const now = place.now();
  const done = await change(place, [id], (errand) => {
    if (!errand.doing || errand.state === 'waits' || errand.state === 'done') return null;
    const { at: _, why, came: __, receiver: ___, ...rest } = errand;
    // Each try has a place of its own: what came of the one before is not taken for this one.
    const tries = [...(rest.tries ?? []), { at: now, said: `Done again. ${why ?? ''}`.trim().slice(0, 300) }];
    // Its time is now: what was too late then is not any more.
    return { ...rest, state: 'waits', next: now, due: now, tries: tries.slice(-20) };
  });
  return done.length > 0;
}

/** Puts the words on a call, in place of those that stand there; what follows from new ones is put down with them. */
export async function setTags(workspace: Workspace, callId: string, tags: readonly string[]): Promise<void> {
  const wanted = [...new Set(tags.flatMap((t) => Tag.safeParse(t).data ?? []))].slice(0, 30);
  const { id: businessId, db } = workspace;
  const { system } = workspace.view.inForce;
  const raised = await db.write('call', async (open) => {
    const tx = open('calls', 'errands');
    const call = CallRecord.safeParse(await tx.objectStore('calls').get(callId)).data;
    if (!call) return [];
    const { tags: before = [], ...rest } = call;
    const tagged: CallRecord = wanted.length ? { ...rest, tags: wanted } : rest;
    within(tx.objectStore('calls').put(tagged));
    const row = callRow(tagged);
    const happenings = wanted
      .filter((tag) => !before.includes(tag))
      .map((tag): Happening => ({ is: 'tagged', row, tag, at: workspace.now() }));
    const ids = await raise(tx, businessId, system, happenings);
    await tx.done;
    return ids;
  });
  await workspace.changedOnes('calls', [callId]);
  if (raised.length) await workspace.changedOnes('errands', raised);
}
