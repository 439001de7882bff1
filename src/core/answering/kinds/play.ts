import type { PlayStep } from '../../system';
import { goesOn, isSaid, quoted, said, secondsOf, type StepKind } from './kind';

export const play: StepKind<PlayStep> = {
  name: 'Play',
  does: 'the caller hears a recording',
  verb: 'plays',
  what: (step, system) => quoted(step.recordingId, system, 'nothing yet'),
  detail: (step, system) => said(step.recordingId, system) || 'Write what the caller is to hear.',
  seconds: (step, system) => secondsOf(step.recordingId, system),
  waysOn: goesOn,
  lacks: (step, { name }, system) =>
    isSaid(step.recordingId, system)
      ? undefined
      : ['silent', `${name} plays nothing`, 'Write what the caller is to hear.'],
};
