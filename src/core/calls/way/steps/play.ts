import type { PlayStep } from '../../../system';
import { plays, type Walk } from './kind';

export const play: Walk<PlayStep> = (run, call, { step, next }) =>
  plays(run, call, step.recordingId) ? undefined : next;
