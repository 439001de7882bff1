/** The caller says a name, which whoever is rung hears before they take the call. */
import { NAME_SECONDS } from '../../answering';
import { RANK, type CallState, type Run } from '../base/state';

/** So long a live caller may take to say it, in milliseconds. */
const LONGEST_NAME_MS = 15_000;
const SAYS = 'Please say your name.';

/** Whether the caller has been asked already. */
export const wasNamed = (call: CallState): boolean =>
  call.trace.some((e) => e.kind === 'noted' && e.label === 'Name');

/** The caller is asked; ringing goes on when they have said it, or nothing. */
export function askName(run: Run, call: CallState): void {
  run.begin(call, 'naming');
  const ms = call.request.behaviour ? NAME_SECONDS * 1000 : LONGEST_NAME_MS;
  call.until = run.now + ms;
  run.say(call, { t: 0, kind: 'asked', label: 'Name', says: SAYS });
  run.after(call, ms, 'time out', RANK.timeout);
}
