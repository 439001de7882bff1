import type { GotoStep } from '../../../system';
import { MOST_REDIRECTS } from '../../people/people';
import type { Walk } from './kind';

export const goto: Walk<GotoStep> = (run, call, { step, next }) => {
  const route = step.planId ? run.world(call).routes.get(step.planId) : undefined;
  if (!route || !step.planId) return next;
  if (++call.redirects > MOST_REDIRECTS) return void run.end(call, 'system', { kind: 'too many redirects' });
  call.planId = step.planId;
  run.say(call, { t: 0, kind: 'plan', planId: step.planId });
  return route.first;
};
