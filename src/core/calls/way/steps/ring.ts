import type { RingStep, RingWay } from '../../../system';
import { askName, wasNamed } from '../../people/naming';
import { ringStep } from '../../people/people';
import type { Walk } from './kind';

export const ring: Walk<RingStep> = (run, call, { step, branches, next }) => {
  const by = (way: RingWay): string | null | undefined =>
    branches[step.branches!.findIndex((b) => b.way === way)];
  call.onward = step.branches?.length
    ? { kind: 'step', stepId: next, unreachable: by('nobody could be rung'), busy: by('all on calls') }
    : { kind: 'step', stepId: next };
  if (!step.askName || wasNamed(call)) return void ringStep(run, call, step);
  call.person = null;
  return void askName(run, call);
};
