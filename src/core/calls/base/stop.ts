/** Where a call stands in its plan. */
import type { Stop } from '../../answering';
import type { CallState, Run } from './state';

/** The step a call is at, with where it can go on from there. The call is at one. */
export const stopOf = (run: Run, call: CallState): Stop =>
  run.world(call).routes.get(call.planId!)!.stops.get(call.stepId!)!;
