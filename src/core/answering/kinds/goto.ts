import type { GotoStep } from '../../system';
import type { StepKind } from './kind';

export const goto: StepKind<GotoStep> = {
  name: 'Go to plan',
  does: 'the call goes on in another plan',
  verb: 'goes to the plan',
  what: (step, system) => (step.planId && system.plans[step.planId]?.name) || 'no plan chosen yet',
  seconds: () => 0,
  waysOn: ({ step, next }) => (step.planId ? [] : [next]),
  lacks: (step, { name }) =>
    step.planId
      ? undefined
      : ['no-plan-chosen', `${name} goes to a plan that is not chosen`, 'Choose the plan it goes to.'],
  sendsTo: (step) => step.planId,
};
