/** A meeting that is planned: when, in which room, who is asked, and what they have answered. */
import { z } from 'zod';
import { Id } from '../system';

/** What somebody answered (PARTSTAT, RFC 5545 §3.2.12). */
export const ANSWERS = ['asked', 'accepted', 'declined', 'tentative'] as const;

export const Guest = z.object({
  /** A colleague, or null for somebody from outside. */
  personId: Id.nullable(),
  name: z.string().max(120),
  address: z.email('This is not an e-mail address.'),
  answer: z.enum(ANSWERS),
  /** When the answer that counts was made (DTSTAMP), epoch milliseconds; absent is none. */
  answeredAt: z.number().optional(),
});

export const Meeting = z.object({
  id: Id,
  roomId: Id,
  name: z.string().trim().min(1, 'Say what it is about.').max(120),
  note: z.string().max(2000),
  /** When it was planned, and when it is; epoch milliseconds. */
  at: z.number(),
  from: z.number(),
  to: z.number(),
  guests: z.array(Guest).max(50, 'At most 50 people.'),
  /** How often time or state was changed (SEQUENCE, RFC 5546 §2.1.4). */
  sequence: z.number().int().min(0),
  state: z.enum(['planned', 'called off']),
});
export type Guest = z.infer<typeof Guest>;
export type Meeting = z.infer<typeof Meeting>;

/** The same meeting, changed: another time or state makes SEQUENCE grow and every answer open again. */
export function changed(
  meeting: Meeting,
  change: Partial<Pick<Meeting, 'name' | 'note' | 'from' | 'to' | 'guests' | 'state'>>,
): Meeting {
  const next = { ...meeting, ...change };
  const again = next.from !== meeting.from || next.to !== meeting.to || next.state !== meeting.state;
  if (!again) return next;
  return {
    ...next,
    sequence: meeting.sequence + 1,
    guests: next.guests.map(({ answeredAt: _, ...g }) => ({ ...g, answer: 'asked' as const })),
  };
}

/** An answer as it came by mail. */
export interface Reply {
  meetingId: string;
  /** Who answers, and who sent the mail. */
  address: string;
  sender: string;
  answer: 'accepted' | 'declined' | 'tentative' | 'counter' | 'delegated' | 'other';
  sequence: number;
  /** DTSTAMP, epoch milliseconds. */
  at: number;
}

/** What comes of an answer: the meeting with it, or why it does not count, in words. */
export type Heard = { ok: true; meeting: Meeting; guest: Guest } | { ok: false; why: string };

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * RFC 5546 §2.1.5: an answer to an older SEQUENCE, or one made before the last, does not count; whoever is not asked is not
 * heard, nor is somebody who writes for another.
 */
export function heard(meeting: Meeting, reply: Reply): Heard {
  const no = (why: string): Heard => ({ ok: false, why });
  const guest = meeting.guests.find((g) => same(g.address, reply.address));
  if (!guest) return no(`${reply.address} was not asked to ${meeting.name}.`);
  if (!same(reply.sender, reply.address))
    return no(`${reply.sender} answered for ${reply.address}: it does not count.`);
  if (reply.sequence < meeting.sequence)
    return no(`${guest.name} answered to an earlier time: it does not count.`);
  if (guest.answeredAt !== undefined && reply.at < guest.answeredAt)
    return no(`${guest.name} has answered otherwise since: this does not count.`);
  if (meeting.state === 'called off') return no(`${meeting.name} is called off.`);
  if (reply.answer === 'counter') return no(`${guest.name} wants another time: ask them which.`);
  if (reply.answer === 'delegated') return no(`${guest.name} wants to send somebody else: ask them whom.`);
  if (reply.answer === 'other') return no(`What ${guest.name} answered is not understood.`);
  const { answer, at } = reply;
  const next: Guest = { ...guest, answer, answeredAt: at };
  return {
    ok: true,
    guest: next,
    meeting: { ...meeting, guests: meeting.guests.map((g) => (g === guest ? next : g)) },
  };
}
