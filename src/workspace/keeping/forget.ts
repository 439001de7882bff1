/** Everything there was with somebody goes for good, as they may ask for; that it was done stays. */
import { factsOfCall } from '../../core/story';
import type { Db } from '../stored/db';
import { DealingsRecord, noDealings, TextRecord } from '../stored/records';
import { within } from '../stored/store';

/**
 * Deletes calls, messages and texts with some numbers; recordings go with their calls. What was done to the contact stays in the
 * history of edits, and in copies outside.
 * @param numbers E.164 @param by who does it @param at epoch milliseconds
 * @returns how many entries went
 */
export const forget = (
  db: Db,
  businessId: string,
  numbers: readonly string[],
  by: string,
  at: number,
): Promise<number> =>
  db.write('upkeep', async (open) => {
    const wanted = new Set<string | null>(numbers);
    const tx = open(
      'calls',
      'messages',
      'texts',
      'threads',
      'ownContacts',
      'faxes',
      'dealings',
      'errands',
      'tasks',
      'runs',
      'listed',
      'bookings',
    );
    const [calls, messages] = [tx.objectStore('calls'), tx.objectStore('messages')];
    const gone = new Set<string>();
    for (const call of await calls.index('business').getAll(businessId))
      if (wanted.has(factsOfCall(call).other)) {
        gone.add(call.id);
        within(calls.delete(call.id));
      }
    for (const message of await messages.index('business').getAll(businessId))
      if (wanted.has(message.fromNumber)) {
        gone.add(message.id);
        within(messages.delete(message.id));
      }
    const dealings =
      DealingsRecord.safeParse(await tx.objectStore('dealings').get(businessId)).data ??
      noDealings(businessId);
    const [texts, threads] = [tx.objectStore('texts'), tx.objectStore('threads')];
    for (const raw of await texts.index('business').getAll(businessId)) {
      const text = TextRecord.safeParse(raw).data;
      if (!text || !wanted.has(text.way === 'in' ? text.from : text.to)) continue;
      gone.add(text.id);
      within(texts.delete(text.id));
    }
    for (const { id } of await threads.index('business').getAll(businessId))
      if (numbers.some((n) => id.split(' ').includes(n))) within(threads.delete(id));
    const faxes = tx.objectStore('faxes');
    for (const fax of await faxes.index('business').getAll(businessId))
      if (wanted.has(fax.way === 'in' ? fax.from : fax.to)) {
        gone.add(fax.id);
        within(faxes.delete(fax.id));
      }
    const own = tx.objectStore('ownContacts');
    for (const contact of await own.index('business').getAll(businessId))
      if (contact.numbers.some((n) => wanted.has(n))) {
        gone.add(contact.id);
        within(own.delete(contact.id));
      }
    for (const store of ['errands', 'tasks'] as const)
      for (const { id, other } of await tx.objectStore(store).index('business').getAll(businessId))
        if (other !== null && wanted.has(other)) within(tx.objectStore(store).delete(id));
    for (const { id, theirs } of await tx.objectStore('runs').index('business').getAll(businessId))
      if (wanted.has(theirs)) within(tx.objectStore('runs').delete(id));
    for (const store of ['listed', 'bookings'] as const)
      for (const { id, number } of await tx.objectStore(store).index('business').getAll(businessId))
        if (number !== null && wanted.has(number)) within(tx.objectStore(store).delete(id));
    const entries = gone.size;
    const forgotten = [...(dealings.forgotten ?? []), { at, by, entries }];
    within(tx.objectStore('dealings').put({ ...dealings, forgotten }));
    await tx.done;
    return entries;
  });
