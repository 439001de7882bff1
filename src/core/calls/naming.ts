/** The caller says a name, which whoever is rung hears before they take the call. */
import { ringStep, ringOnward } from './people';
import { RANK, type CallState, type Run } from './state';

/** The caller is asked for a name and says it, in milliseconds. Common practice, no source. */
const NAMING_MS = 6000;
/** So long a live caller may take to say it, in milliseconds. */
const LONGEST_NAME_MS = 15_000;
const SAYS = 'Please say your name.';

/** Whether the caller has been asked already. */
export const wasNamed = (call: CallState): boolean =>
  call.trace.some((e) => e.kind === 'noted' && e.label === 'Name');

/** The caller is asked; ringing goes on when they have said it, or nothing. */
export function askName(run: Run, call: CallState): void {
  run.begin(call, 'naming');
  const ms = call.request.behaviour ? NAMING_MS : LONGEST_NAME_MS;
  call.until = run.now + ms;
  run.say(call, { kind: 'asked', label: 'Name', says: SAYS });
  run.after(call, ms, 'time out', RANK.timeout);
}

/** The time to say it is over. */
export const namedEnough = (run: Run, call: CallState): void =>
  named(run, call, call.request.behaviour?.caller.says?.Name ?? '');

/** The name has been said: whoever was to be rung is. */
export function named(run: Run, call: CallState, text: string): void {
  run.say(call, { kind: 'noted', label: 'Name', text });
  if (call.person) {
    // What the plan waits is for ringing: the time it took to say it is not taken off.
    if (call.person.until !== null) call.person.until += run.now - call.since;
    return ringOnward(run, call);
  }
  const { step } = run.world(call).routes.get(call.planId!)!.stops.get(call.stepId!)!;
  if (step.kind === 'ring') ringStep(run, call, step);
}
