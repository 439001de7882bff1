import type { RingStep, RingWay } from '../../../system';
import { askName, wasNamed } from '../../people/naming';
import { ringStep } from '../../people/people';
import type { Walk } from './kind';

export const ring: Walk<RingStep> = (run, call, { step, branches, next }) => {
  const by = (way: RingWay): string | null | undefined => {
    const i = (step.branches ?? []).findIndex((b) => b.way === way);
    return i < 0 ? undefined : branches[i]!;
  };
  const [unreachable, busy] = [by('nobody could be rung'), by('all on calls')];
  call.onward = {
    kind: 'step',
    stepId: next,
    ...(unreachable !== undefined ? { unreachable } : {}),
    ...(busy !== undefined ? { busy } : {}),
  };
  if (!step.askName || wasNamed(call)) return void ringStep(run, call, step);
  call.person = null;
  return void askName(run, call);
};
