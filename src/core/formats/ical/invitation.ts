/**
 * Invitations and answers to them (iTIP, RFC 5546): a meeting is asked for with METHOD:REQUEST, called off with METHOD:CANCEL,
 * answered with METHOD:REPLY. Where one dials stands as CONFERENCE (RFC 7986 §5.11).
 */
import ICAL from 'ical.js';
import type { Meeting, Reply } from '../../meetings';
import { forLine, forLines } from '../clean';
import { timeZone, utc, writeTimes } from './write';

export interface Invited {
  meeting: Meeting;
  /** The number that is dialled, E.164, and the PIN that is typed after it; null is none. */
  dial: string | null;
  pin: string | null;
  /** The same for the host, who gets a CONFERENCE of their own; null is not the host. */
  hostPin: string | null;
  organiser: { name: string; address: string };
  /** Dial-in, room and PIN in words. */
  words: string;
  zone: string;
  /** When it is written, epoch milliseconds. */
  now: number;
}

// RFC 7986 §6.3: a list of features, which the library does not know of.
(ICAL.design as unknown as { icalendar: { param: Record<string, unknown> } }).icalendar.param['feature'] = {
  multiValue: ',',
};

const DOMAIN = 'meetings.upperline.example';
export const uidOf = (meetingId: string): string => `${meetingId}@${DOMAIN}`;

const PARTSTAT: Record<Meeting['guests'][number]['answer'], string> = {
  asked: 'NEEDS-ACTION',
  accepted: 'ACCEPTED',
  declined: 'DECLINED',
  tentative: 'TENTATIVE',
};

/** `tel:` with the PIN after commas, as the example of RFC 7986 §5.11 has it. */
const telOf = (dial: string, pin: string | null): string => `tel:${dial}${pin ? `,,,${pin}#` : ''}`;

/** @returns the text of a calendar for one of those who are asked */
export function writeInvitation({
  meeting,
  dial,
  pin,
  hostPin,
  organiser,
  words,
  zone,
  now,
}: Invited): string {
  const off = meeting.state === 'called off';
  const root = new ICAL.Component(['vcalendar', [], []]);
  root.updatePropertyWithValue('prodid', '-//Upper Line//Meetings//EN');
  root.updatePropertyWithValue('version', '2.0');
  root.updatePropertyWithValue('method', off ? 'CANCEL' : 'REQUEST');
  root.addSubcomponent(timeZone(zone, meeting.from, meeting.to));
  const event = new ICAL.Component('vevent');
  event.updatePropertyWithValue('uid', uidOf(meeting.id));
  event.updatePropertyWithValue('dtstamp', utc(now));
  event.updatePropertyWithValue('sequence', meeting.sequence);
  event.updatePropertyWithValue('summary', forLine(meeting.name));
  writeTimes(event, zone, meeting);
  event.updatePropertyWithValue('status', off ? 'CANCELLED' : 'CONFIRMED');
  const description = [meeting.note, words].filter(Boolean).join('\n\n');
  event.updatePropertyWithValue('description', forLines(description));
  const who = (name: 'organizer' | 'attendee', address: string, cn: string) => {
    const property = event.addPropertyWithValue(name, `mailto:${address}`);
    // RFC 6868: quotes in a parameter.
    property.setParameter('cn', forLine(cn));
    return property;
  };
  who('organizer', organiser.address, organiser.name);
  for (const g of meeting.guests) {
    const attendee = who('attendee', g.address, g.name);
    attendee.setParameter('partstat', PARTSTAT[g.answer]);
    attendee.setParameter('rsvp', 'TRUE');
  }
  const conference = (p: string | null, feature: string[], label: string) => {
    const property = new ICAL.Property('conference', event);
    property.resetType('uri');
    property.setParameter('feature', feature);
    property.setParameter('label', label);
    property.setValue(telOf(dial!, p));
    event.addProperty(property);
  };
  if (dial && !off) {
    conference(pin, ['AUDIO', 'PHONE'], 'Dial in');
    if (hostPin) conference(hostPin, ['AUDIO', 'PHONE', 'MODERATOR'], 'Dial in as the host');
  }
  root.addSubcomponent(event);
  return `${root.toString()}\r\n`;
}

/** What somebody answers, as their calendar would write it. @param now epoch milliseconds */
export function writeReply(
  request: string,
  address: string,
  answer: 'accepted' | 'declined' | 'tentative',
  now: number,
): string {
  const asked = new ICAL.Component(ICAL.parse(request) as never).getFirstSubcomponent('vevent')!;
  const root = new ICAL.Component(['vcalendar', [], []]);
  root.updatePropertyWithValue('prodid', '-//A calendar of others//EN');
  root.updatePropertyWithValue('version', '2.0');
  root.updatePropertyWithValue('method', 'REPLY');
  const event = new ICAL.Component('vevent');
  for (const name of ['uid', 'sequence', 'organizer', 'dtstart']) {
    const property = asked.getFirstProperty(name);
    if (property) event.addProperty(new ICAL.Property(property.toJSON() as never, event));
  }
  event.updatePropertyWithValue('dtstamp', utc(now));
  const attendee = event.addPropertyWithValue('attendee', `mailto:${address}`);
  attendee.setParameter('partstat', PARTSTAT[answer]);
  root.addSubcomponent(event);
  return `${root.toString()}\r\n`;
}

const READ: Readonly<Record<string, Reply['answer']>> = {
  ACCEPTED: 'accepted',
  DECLINED: 'declined',
  TENTATIVE: 'tentative',
  DELEGATED: 'delegated',
};

/** Reads an answer. @param sender of the mail it came in @returns null where it is none to a meeting of ours, or cannot be read */
export function readReply(file: string, sender: string): Reply | null {
  try {
    const root = new ICAL.Component(ICAL.parse(file.slice(0, 200_000)) as never);
    const method = String(root.getFirstPropertyValue('method') ?? '').toUpperCase();
    if (method !== 'REPLY' && method !== 'COUNTER') return null;
    const event = root.getFirstSubcomponent('vevent');
    const uid = String(event?.getFirstPropertyValue('uid') ?? '');
    const attendee = event?.getFirstProperty('attendee');
    if (!event || !attendee || !uid.endsWith(`@${DOMAIN}`)) return null;
    const stamp = event.getFirstPropertyValue('dtstamp') as unknown as { toJSDate?: () => Date } | null;
    const partstat = String(attendee.getFirstParameter('partstat') ?? '').toUpperCase();
    return {
      meetingId: uid.slice(0, -DOMAIN.length - 1),
      address: String(attendee.getFirstValue()).replace(/^mailto:/i, ''),
      sender,
      answer: method === 'COUNTER' ? 'counter' : (READ[partstat] ?? 'other'),
      sequence: Number(event.getFirstPropertyValue('sequence') ?? 0) || 0,
      at: stamp?.toJSDate?.().getTime() ?? 0,
    };
  } catch {
    return null;
  }
}
