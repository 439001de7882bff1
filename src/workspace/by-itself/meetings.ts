/** Meetings as they are stored: planned, changed and called off, asked for by mail, with the answers that come back. */
import { nanoid } from 'nanoid';
import { readReply, writeInvitation } from '../../core/formats/ical';
import { momentInFull, writingOf } from '../../core/hours';
import { changed, heard, type Meeting } from '../../core/meetings';
import { writeNumber } from '../../core/numbering';
import { allSteps, type MeetingRoom, type System } from '../../core/system';
import { base64Of, rawMessage } from '../../standins/mail/compose';
import { firstProblem, type Answer } from '../carrier/carrier';
import { MeetingRecord, type MailRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Workspace } from '../workspace';

type Refused = Extract<Answer, { ok: false }>;
export type MeetingPut = { ok: true; meeting: MeetingRecord } | Refused;

/** The number that leads to a room, or null. */
export function dialOf(system: System, roomId: string): string | null {
  const plans = Object.values(system.plans).filter((p) =>
    [...allSteps(p.steps)].some((s) => s.kind === 'meeting' && s.roomId === roomId),
  );
  return Object.values(system.numbers).find((n) => plans.some((p) => p.id === n.planId))?.e164 ?? null;
}

/** How one gets in, in words. @param host whether they are told the host's PIN */
export function wayIn(system: System, room: MeetingRoom, host: boolean): string {
  const dial = dialOf(system, room.id);
  const { country } = system.business;
  const pin = host ? (room.hostPin ?? room.pin) : room.pin;
  const extension = Object.values(system.plans).find((p) =>
    [...allSteps(p.steps)].some((s) => s.kind === 'meeting' && s.roomId === room.id),
  )?.extension;
  return [
    dial ? `Dial ${writeNumber(dial, country)} (${writeNumber(dial, 'GB')} from abroad).` : '',
    extension ? `Inside: ${extension}.` : '',
    pin ? `PIN ${pin}, then the square key.` : '',
    `Room: ${room.name}.`,
  ]
    .filter(Boolean)
    .join(' ');
}

async function put(
  workspace: Workspace,
  id: string,
  how: (known: MeetingRecord | undefined) => unknown,
): Promise<MeetingPut> {
  const done = await workspace.db.write('call', async (open): Promise<MeetingPut> => {
    const tx = open('meetings');
    const known = MeetingRecord.safeParse(await tx.objectStore('meetings').get(id)).data;
    const read = MeetingRecord.safeParse(how(known));
    if (!read.success) return firstProblem(read.error.issues) as Refused;
    within(tx.objectStore('meetings').put(read.data));
    await tx.done;
    return { ok: true, meeting: read.data };
  });
  if (done.ok) await workspace.changedOnes('meetings', [id]);
  return done;
}

/** A letter to each who is asked, with the meeting as their calendar takes it; members get no PIN but theirs. @param system in force */
async function askAll(workspace: Workspace, system: System, meeting: MeetingRecord): Promise<void> {
  const room = system.rooms[meeting.roomId];
  if (!room) return;
  const at = workspace.now();
  const { business } = system;
  const organiser = { name: business.name, address: 'meetings@upperline.example' };
  const said = momentInFull(meeting.from, business.timeZone, writingOf(business));
  const letters: MailRecord[] = [];
  for (const [i, guest] of meeting.guests.entries()) {
    const host = guest.personId !== null && guest.personId === room.hostId;
    const words = wayIn(system, room, host);
    const file = writeInvitation({
      meeting,
      dial: dialOf(system, room.id),
      pin: room.pin,
      hostPin: host ? room.hostPin : null,
      organiser,
      words,
      zone: business.timeZone,
      now: at,
    });
    const off = meeting.state === 'called off';
    const subject = `${off ? 'Called off' : meeting.sequence ? 'Changed' : 'Invitation'}: ${meeting.name}, ${said}`;
    const id = `meet-${meeting.id}-${meeting.sequence}-${i}`.slice(0, 60);
    const raw = await rawMessage({
      id,
      at,
      from: organiser,
      to: guest,
      subject,
      text: [meeting.name, said, meeting.note, off ? 'It is called off.' : words]
        .filter(Boolean)
        .join('\n\n'),
      attachments: [
        {
          name: 'invitation.ics',
          type: `text/calendar; method=${off ? 'CANCEL' : 'REQUEST'}`,
          base64: base64Of(file),
        },
      ],
    });
    letters.push({ id, businessId: workspace.id, at, to: guest.address, subject, raw });
  }
  await workspace.db.write('call', async (open) => {
    const tx = open('mail');
    for (const letter of letters) within(tx.objectStore('mail').put(letter));
    await tx.done;
  });
  await workspace.changedOnes(
    'mail',
    letters.map((l) => l.id),
  );
}

/** Plans a meeting, and asks everybody. @param system in force @returns it, or what is wrong */
export async function planMeeting(
  workspace: Workspace,
  system: System,
  planned: Pick<Meeting, 'roomId' | 'name' | 'note' | 'from' | 'to' | 'guests'>,
): Promise<MeetingPut> {
  const at = workspace.now();
  // What stands first in the form is said first.
  if (!planned.name.trim()) return { ok: false, field: 'name', message: 'Say what it is about.' };
  if (planned.from < at) return { ok: false, field: 'from', message: 'That moment is past.' };
  if (!planned.guests.length) return { ok: false, field: 'guests', message: 'Ask somebody.' };
  if (!system.rooms[planned.roomId])
    return { ok: false, field: 'room', message: 'This room is not in force yet.' };
  const id = nanoid(12);
  const meeting = { ...planned, id, businessId: workspace.id, at, sequence: 0, state: 'planned' as const };
  const done = await put(workspace, id, () => meeting);
  if (done.ok) await askAll(workspace, system, done.meeting);
  return done;
}

/** Changes one, and tells everybody. @param system in force */
export async function changeMeeting(
  workspace: Workspace,
  system: System,
  id: string,
  change: Parameters<typeof changed>[1],
): Promise<MeetingPut> {
  const done = await put(
    workspace,
    id,
    (known) => known && { ...changed(known, change), businessId: known.businessId },
  );
  if (done.ok) await askAll(workspace, system, done.meeting);
  return done;
}

/** A mail with an answer came. @param file its calendar @param sender of the mail @returns what came of it, in words */
export async function hearReply(workspace: Workspace, file: string, sender: string): Promise<string> {
  const reply = readReply(file, sender);
  if (!reply) return 'That is no answer to a meeting of ours.';
  let words = 'There is no such meeting any more.';
  await put(workspace, reply.meetingId, (known) => {
    if (!known) return undefined;
    const done = heard(known, reply);
    words = done.ok
      ? `${done.guest.name} has ${done.guest.answer === 'tentative' ? 'answered perhaps' : done.guest.answer}.`
      : done.why;
    return done.ok ? { ...done.meeting, businessId: known.businessId } : known;
  });
  return words;
}
