import type { MeetingStep } from '../../../system';
import { meet } from '../meeting';
import type { Walk } from './kind';

export const meeting: Walk<MeetingStep> = (run, call, { step, next }) => {
  const room = step.roomId ? run.world(call).system.rooms[step.roomId] : undefined;
  return room ? void meet(run, call, room) : next;
};
