/** The caller has said a name: ringing goes on. */
import { ringOnward, ringStep } from '../people/people';
import type { CallState, Run } from '../base/state';
import { stopOf } from '../base/stop';

/** The time to say it is over. */
export const namedEnough = (run: Run, call: CallState): void =>
  named(run, call, call.request.behaviour?.caller.says?.Name ?? '');

/** The name has been said: whoever was to be rung is. */
export function named(run: Run, call: CallState, text: string): void {
  run.say(call, { t: 0, kind: 'noted', label: 'Name', text });
  if (call.person) {
    // What the plan waits is for ringing: the time it took to say it is not taken off.
    if (call.person.until !== null) call.person.until += run.now - call.since;
    return ringOnward(run, call);
  }
  const { step } = stopOf(run, call);
  if (step.kind === 'ring') ringStep(run, call, step);
}
