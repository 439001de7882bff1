/** Copies outside the browser: where they go, how old the last one is, and whether anything was done since. */
import type { Db } from '../stored/db';
import type { CopyPlace } from '../stored/records';
import { within } from '../stored/store';
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

/** A name for the state of a business: another one whenever something that a file holds has changed. */
export function revisionOf({
  draft,
  inForce,
  standing,
  dealings,
  invitations,
  mail,
  messages,
  calls,
  texts,
  threads,
  ownContacts,
  faxes,
  circles,
  words,
  errands,
  tasks,
  runs,
  rounds,
  callLists,
  listed,
  bookings,
  meetings,
  devices,
}: View): string {
  const parts = [
    draft.record.revision,
    draft.record.inForceAt,
    inForce.n,
    standing.revision,
    dealings,
    invitations.map((i) => [i.id, i.state, i.wrongTries]),
    mail.length,
    mail.at(-1)?.id,
    messages.map(({ id, heard, folder, note, assignedTo, answeredAt }) => [
      id,
      heard,
      folder,
      note,
      assignedTo,
      answeredAt,
    ]),
    calls.map((c) => [c.id, c.answeredAt]),
    texts.map((t) => [t.id, t.sendAt, t.fate]),
    threads,
    ownContacts.map((c) => [c.id, c.at]),
    faxes.map(({ id, seen, folder, note, assignedTo, answeredAt }) => [
      id,
      seen,
      folder,
      note,
      assignedTo,
      answeredAt,
    ]),
    circles.map((c) => [c.id, c.name, c.memberIds]),
    words.length,
    errands.map((e) => [e.state, e.next]),
    runs.map((r) => [r.id, r.step, r.state]),
    rounds.map((r) => [r.id, r.state]),
    bookings.map((b) => [b.id, b.from, b.state]),
    devices.map((d) => [d.id, d.is === 'device' ? d.state : '']),
    meetings.map((m) => [m.id, m.from, m.sequence, m.guests.map((g) => g.answer)]),
    callLists,
    listed.map((e) => [e.id, e.state, e.calls.length, e.from]),
    tasks.map((t) => [t.text, t.personId, t.by, t.doneAt]),
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
