import type { EndStep } from '../../../system';
import { plays, type Walk } from './kind';

export const end: Walk<EndStep> = (run, call, { step }) => {
  if (step.how === 'message' && plays(run, call, step.recordingId)) return undefined;
  return void run.end(call, 'system', { kind: 'ended', how: step.how });
};
