import type { MeetingStep } from '../../system';
import type { StepKind } from './kind';

/** So long a PIN is reckoned with. Common practice, no source. */
const PIN_SECONDS = 12;

export const meeting: StepKind<MeetingStep> = {
  name: 'Meeting',
  does: 'callers meet in a room, let in by PIN',
  verb: 'lets into the meeting',
  what: (step, system) => (step.roomId && system.rooms[step.roomId]?.name) || 'no room chosen yet',
  detail: (step, system) => {
    const room = step.roomId ? system.rooms[step.roomId] : undefined;
    if (!room) return '';
    const host = room.hostId ? system.people[room.hostId]?.name : undefined;
    return [
      room.pin === null ? 'everybody is let in' : 'by PIN',
      room.waits ? `with music until ${host ?? 'the host'} is there` : '',
      `at most ${room.most}`,
    ]
      .filter(Boolean)
      .join(' · ');
  },
  seconds: () => PIN_SECONDS,
  waysOn: ({ step, next }) => (step.roomId ? [] : [next]),
  lacks: (step, { name }) =>
    step.roomId
      ? undefined
      : [
          'no-room',
          `${name} leads to a meeting in no room`,
          'Choose the room; until then every call goes on.',
        ],
  asksForKeys: () => 1,
  asks: () => [{ label: 'Name', help: '' }],
};
