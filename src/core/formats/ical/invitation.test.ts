/** Invitations read by two readers that nobody here wrote, and answers as other calendars write them. */
import ical from 'node-ical';
import { convertIcsCalendar } from 'ts-ics';
import { describe, expect, it } from 'vitest';
import { momentOf } from '../../hours';
import type { Meeting } from '../../meetings';
import { readReply, writeInvitation, writeReply } from '.';

const ZONE = 'America/Los_Angeles';
const NOW = Date.UTC(2026, 10, 24, 18, 15);
const meeting: Meeting = {
  id: 'm-1',
  roomId: 'loft',
  name: 'Winter store; who, what',
  note: 'Bring the list',
  at: NOW,
  from: momentOf(ZONE, '2026-11-25', 600),
  to: momentOf(ZONE, '2026-11-25', 660),
  sequence: 2,
  state: 'planned',
  guests: [
    { personId: 'rosa', name: 'Rosa "the boss" Delgado', address: 'rosa@yard.example', answer: 'accepted' },
    {
      personId: null,
      name: 'Ada\r\nATTENDEE:mailto:eve@x.example',
      address: 'ada@out.example',
      answer: 'asked',
    },
  ],
};
const invite = (change: Partial<Meeting> = {}, hostPin: string | null = null) =>
  writeInvitation({
    meeting: { ...meeting, ...change },
    dial: '+13605550142',
    pin: '2468',
    hostPin,
    organiser: { name: 'Lantern Cove Boatworks', address: 'meetings@upperline.example' },
    words: 'Dial (360) 555-0142. PIN 2468, then the square key.',
    zone: ZONE,
    now: NOW,
  });
/** Lines as they are without folds (RFC 5545 §3.1). */
const unfolded = (file: string) => file.replace(/\r\n[ \t]/g, '');

describe('an invitation', () => {
  it('is the same meeting for both: when, what, who is asked', () => {
    const file = invite();
    const one = Object.values(ical.sync.parseICS(file)).find((e) => e?.type === 'VEVENT') as ical.VEvent;
    expect([one.start.getTime(), one.end!.getTime()]).toEqual([meeting.from, meeting.to]);
    expect(one.summary).toBe('Winter store; who, what');
    expect(one.method).toBe('REQUEST');
    expect(one.attendee).toHaveLength(2);
    const other = convertIcsCalendar(undefined, file);
    expect(other.method).toBe('REQUEST');
    const event = other.events![0]!;
    expect(event.sequence).toBe(2);
    expect(event.start.date.getTime()).toBe(meeting.from);
    expect(event.attendees!.map((a) => [a.email, a.partstat])).toEqual([
      ['rosa@yard.example', 'ACCEPTED'],
      ['ada@out.example', 'NEEDS-ACTION'],
    ]);
    expect(event.organizer?.email).toBe('meetings@upperline.example');
  });
  // RFC 7986 §5.11 has CONFERENCE;VALUE=URI;FEATURE=PHONE,MODERATOR;LABEL=Moderator dial-in:tel:+1-412-555-0123,,,654321
  it('says where one dials; only the host is told the host’s', () => {
    const file = unfolded(invite());
    expect(file).toContain('CONFERENCE;FEATURE=AUDIO,PHONE;LABEL=Dial in;VALUE=URI:tel:+13605550142,,,2468#');
    expect(file).not.toContain('MODERATOR');
    expect(file.match(/CONFERENCE/g)).toHaveLength(1);
    const host = unfolded(invite({}, '97531'));
    expect(host).toContain(
      'CONFERENCE;FEATURE=AUDIO,PHONE,MODERATOR;LABEL=Dial in as the host;VALUE=URI:tel:+13605550142,,,97531#',
    );
  });
  it('has nothing in it that a name would bring along', () => {
    const file = unfolded(invite());
    expect(file.match(/^ATTENDEE/gm)).toHaveLength(2);
    expect(file).toContain("CN=Rosa ^'the boss^' Delgado");
  });
  it('that is called off is a CANCEL, and says no way in', () => {
    const file = invite({ state: 'called off', sequence: 3 });
    const other = convertIcsCalendar(undefined, file);
    expect([other.method, other.events![0]!.status]).toEqual(['CANCEL', 'CANCELLED']);
    expect(file).not.toContain('CONFERENCE');
  });
});

describe('an answer', () => {
  it('is read as it was given, of the time that was asked for', () => {
    const file = writeReply(invite(), 'ada@out.example', 'declined', NOW + 60_000);
    expect(readReply(file, 'ada@out.example')).toEqual({
      meetingId: 'm-1',
      address: 'ada@out.example',
      sender: 'ada@out.example',
      answer: 'declined',
      sequence: 2,
      at: NOW + 60_000,
    });
  });
  // As RFC 5546 §4.2.2 has a reply, with our UID.
  it('of another calendar is read', () => {
    const file = [
      'BEGIN:VCALENDAR',
      'PRODID:-//Example/ExampleCalendarClient//EN',
      'METHOD:REPLY',
      'VERSION:2.0',
      'BEGIN:VEVENT',
      'ATTENDEE;PARTSTAT=ACCEPTED:mailto:b@example.com',
      'ORGANIZER:mailto:a@example.com',
      'UID:m-1@meetings.upperline.example',
      'SEQUENCE:0',
      'REQUEST-STATUS:2.0;Success',
      'DTSTAMP:19970612T190000Z',
      'END:VEVENT',
      'END:VCALENDAR',
      '',
    ].join('\r\n');
    expect(readReply(file, 'b@example.com')).toMatchObject({
      answer: 'accepted',
      address: 'b@example.com',
      at: Date.UTC(1997, 5, 12, 19),
    });
    expect(readReply(file.replace('REPLY', 'COUNTER'), 'b@example.com')).toMatchObject({ answer: 'counter' });
    expect(readReply(file.replace('ACCEPTED', 'DELEGATED'), 'b@example.com')).toMatchObject({
      answer: 'delegated',
    });
  });
  it.each(['', 'BEGIN:VCALENDAR', '<html>', 'BEGIN:VCALENDAR\r\nMETHOD:REPLY\r\nEND:VCALENDAR', invite()])(
    'that is none is none',
    (file) => expect(readReply(file, 'x@y.example')).toBeNull(),
  );
});
