import type { EndStep, System } from '../../system';
import { isSaid, quoted, secondsOf, type StepKind } from './kind';

const WORDS: Record<EndStep['how'], (step: EndStep, system: System) => string> = {
  busy: () => 'with busy tone',
  plain: () => 'the call',
  message: (step, system) => `with ${quoted(step.recordingId, system, 'nothing said yet')}`,
};

export const end: StepKind<EndStep> = {
  name: 'End',
  does: 'hang up, busy tone, or a last word',
  verb: 'ends',
  what: (step, system) => WORDS[step.how](step, system),
  seconds: (step, system) => secondsOf(step.recordingId, system),
  waysOn: () => [],
  lacks: (step, { name }, system) =>
    step.how !== 'message' || isSaid(step.recordingId, system)
      ? undefined
      : ['silent', `${name} ends without the last word it should say`, 'Write what is said.'],
};
