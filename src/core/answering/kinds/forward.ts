import { writeNumber } from '../../numbering';
import type { ForwardStep } from '../../system';
import { goesOn, type StepKind } from './kind';

export const forward: StepKind<ForwardStep> = {
  name: 'Forward out',
  does: 'to an outside number',
  verb: 'forwards',
  what: (step, { business }) =>
    step.number ? `to ${writeNumber(step.number, business.country)}, ${step.seconds} s` : 'to no number yet',
  detail: (step) => (step.confirm ? 'taken by pressing 1' : 'its own voicemail can take the call'),
  seconds: (step) => (step.number ? step.seconds : 0),
  waysOn: goesOn,
  onward: 'nobody answered',
  liftedBy: ({ confirm, number }) => (confirm ? undefined : (number ?? undefined)),
  lacks: (step, { name }) =>
    step.number ? undefined : ['no-number', `${name} forwards to no number`, 'Type the outside number.'],
};
