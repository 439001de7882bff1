/** Meetings somebody is asked to, as their phone knows them: when, and how one gets in. */
import type { Meeting } from '../../meetings';
import { allSteps, type System } from '../../system';

export interface MeetingKnown {
  id: string;
  name: string;
  /** Epoch milliseconds. */
  from: number;
  to: number;
  room: string;
  /** What is dialled inside; null where no extension leads to the room. */
  extension: string | null;
  /** What is typed then; null for the host, and where nothing is asked. */
  pin: string | null;
}

/** So many of the next ones a phone is told of. */
export const MEETINGS_TOLD = 20;

/** Those that are not over and that they have not declined, the next first. @param now epoch milliseconds */
export function meetingsKnown(
  meetings: readonly Meeting[],
  system: System,
  personId: string | null,
  now: number,
): MeetingKnown[] {
  const theirs = (m: Meeting) =>
    personId !== null &&
    (system.rooms[m.roomId]?.hostId === personId ||
      m.guests.some((g) => g.personId === personId && g.answer !== 'declined'));
  return meetings
    .filter((m) => m.state === 'planned' && m.to > now && theirs(m))
    .toSorted((a, b) => a.from - b.from)
    .slice(0, MEETINGS_TOLD)
    .flatMap(({ id, name, from, to, roomId }): MeetingKnown[] => {
      const room = system.rooms[roomId];
      if (!room) return [];
      const leads = Object.values(system.plans).find(
        (p) => p.extension && [...allSteps(p.steps)].some((s) => s.kind === 'meeting' && s.roomId === roomId),
      );
      const pin = room.hostId === personId ? null : room.pin;
      return [{ id, name, from, to, room: room.name, extension: leads?.extension ?? null, pin }];
    });
}
