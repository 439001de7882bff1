/** Copies outside the browser: where they go, how old the last one is, and whether anything was done since. */
import type { Db } from '../stored/db';
import type { CopyPlace } from '../stored/records';
import { within } from '../stored/store';
import { ONE_BY_ONE, type OneByOne, type RecordOf, type Records } from '../stored/kinds';
import type { View } from '../view';

const keyOf = (businessId: string) => `copy:${businessId}` as const;

export async function readCopyPlace(db: Db, businessId: string): Promise<CopyPlace | null> {
  const place = await db.get('settings', keyOf(businessId));
  return typeof place === 'object' && 'revision' in place ? (place as CopyPlace) : null;
}

export const writeCopyPlace = (db: Db, businessId: string, place: CopyPlace): Promise<void> =>
  db.write('upkeep', async (open) => {
    const tx = open('settings');
    within(tx.objectStore('settings').put(place, keyOf(businessId)));
    await tx.done;
  });

/** Of each kind, what another copy is worth for where it differs. */
const DIFFERS: { [K in OneByOne]: (records: readonly RecordOf<K>[]) => unknown } = {
  invitations: (all) => all.map((i) => [i.id, i.state, i.wrongTries]),
  mail: (all) => [all.length, all.at(-1)?.id],
  messages: (all) => all.map((m) => [m.id, m.heard, m.folder, m.note, m.assignedTo, m.answeredAt]),
  calls: (all) => all.map((c) => [c.id, c.answeredAt]),
  texts: (all) => all.map((t) => [t.id, t.sendAt, t.fate]),
  threads: (all) => all,
  ownContacts: (all) => all.map((c) => [c.id, c.at]),
  faxes: (all) => all.map((f) => [f.id, f.seen, f.folder, f.note, f.assignedTo, f.answeredAt]),
  circles: (all) => all.map((c) => [c.id, c.name, c.memberIds]),
  words: (all) => all.length,
  errands: (all) => all.map((e) => [e.state, e.next]),
  runs: (all) => all.map((r) => [r.id, r.step, r.state]),
  rounds: (all) => all.map((r) => [r.id, r.state]),
  bookings: (all) => all.map((b) => [b.id, b.from, b.state]),
  devices: (all) => all.map((d) => [d.id, d.is === 'device' ? d.state : '']),
  meetings: (all) => all.map((m) => [m.id, m.from, m.sequence, m.guests.map((g) => g.answer)]),
  callLists: (all) => all,
  listed: (all) => all.map((e) => [e.id, e.state, e.calls.length, e.from]),
  tasks: (all) => all.map((t) => [t.text, t.personId, t.by, t.doneAt]),
};
const differs = <K extends OneByOne>(kind: K, view: Records): unknown =>
  DIFFERS[kind](view[kind] as readonly RecordOf<K>[]);

/** A name for the state of a business: another one whenever something that a file holds has changed. */
export function revisionOf(view: View): string {
  const { draft, inForce, standing, dealings } = view;
  const parts = [
    draft.record.revision,
    draft.record.inForceAt,
    inForce.n,
    standing.revision,
    dealings,
    ...ONE_BY_ONE.map((kind) => differs(kind, view)),
  ];
  // FNV-1a of 32 bits (draft-eastlake-fnv, from memory): it tells states of one business apart, and hides nothing.
  let hash = 0x811c9dc5;
  const text = JSON.stringify(parts);
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return `${(hash >>> 0).toString(16)}-${text.length}`;
}

/** Days without a copy after which the person is reminded. Common practice: a week; no source. */
const REMIND_DAYS = 7;

/** Whether it is time to remind of a copy. @param now epoch milliseconds: real time, or where there was no copy yet that of the bench, by which the business began */
export function copyIsDue(view: View, place: CopyPlace | null, now: number): boolean {
  if (view.business.kind !== 'own' || now - (place?.at ?? view.business.createdAt) < REMIND_DAYS * 86_400_000)
    return false;
  return place?.at === null || place === null || place.revision !== revisionOf(view);
}
