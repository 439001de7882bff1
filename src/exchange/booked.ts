/** Times of calendars that calls have booked, moved or given back: stored as soon as they are told, and sent as an event of a calendar. */
import type { CallState } from '../core/calls';
import { writeAppointment } from '../core/formats/ical';
import { momentInFull, writingOf } from '../core/hours';
import { contactOf, type System } from '../core/system';
import { base64Of, rawMessage } from '../standins/mail/compose';
import {
  codeWords,
  giveBack,
  keepBooking,
  within,
  type BookingRecord,
  type Change,
  type Db,
} from '../workspace';

/** @param seen how many events of the call have been looked at @returns what changed */
export async function keepBooked(
  db: Db,
  businessId: string,
  system: System,
  { request, trace, numberId }: CallState,
  seen: number,
): Promise<Change[]> {
  const changes: Change[] = [];
  const ours = (numberId && system.numbers[numberId]?.e164) || null;
  for (const e of trace.slice(seen)) {
    if (e.kind === 'given back')
      changes.push(...(await giveBack(db, businessId, system, { id: e.id, ours, at: request.at + e.t })));
    if (e.kind !== 'booked') continue;
    const number = request.from.kind === 'outside' ? request.from.number : null;
    const name = trace.findLast((n) => n.kind === 'noted' && n.label === 'Name' && n.text !== '');
    const { id, calendarId, from, to } = e;
    const made = await keepBooking(
      db,
      businessId,
      system,
      {
        id,
        calendarId,
        from,
        to,
        number,
        name: name?.kind === 'noted' ? name.text : '',
        made: 'call',
        ours,
        instead: e.instead,
      },
      request.at + e.t,
    );
    changes.push(...made.changes);
    if (made.booking) changes.push(...(await mailBooking(db, system, made.booking)));
  }
  return changes;
}

/** Whose mail address is known gets the appointment as an event of a calendar. @returns what changed */
export async function mailBooking(db: Db, system: System, booking: BookingRecord): Promise<Change[]> {
  const { id, businessId, number, calendarId, from, to, code, at } = booking;
  const contact = number ? contactOf(number, system.contacts) : undefined;
  const address = contact?.emails?.[0];
  if (!contact || !address) return [];
  const { business, calendars } = system;
  const what = `${calendars[calendarId]?.name ?? 'Appointment'}, ${business.name}`;
  const said = momentInFull(from, business.timeZone, writingOf(business));
  const note = `Your appointment: ${said}. By text to us: ${codeWords(code)}`;
  const file = writeAppointment({ id, name: what, note, from, to }, business.timeZone, at);
  const subject = `Booked: ${said}`;
  const mailId = `mail-${id}`.slice(0, 60);
  const raw = await rawMessage({
    id: mailId,
    at,
    from: { name: business.name, address: 'appointments@upperline.example' },
    to: { name: contact.name, address },
    subject,
    text: `${note}\n\n${what}`,
    attachments: [{ name: 'appointment.ics', type: 'text/calendar', base64: base64Of(file) }],
  });
  await db.write('call', async (open) => {
    const tx = open('mail');
    within(tx.objectStore('mail').put({ id: mailId, businessId, at, to: address, subject, raw }));
    await tx.done;
  });
  return [{ businessId, what: 'mail', ids: [mailId] }];
}
