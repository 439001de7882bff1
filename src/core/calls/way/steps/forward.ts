import type { ForwardStep } from '../../../system';
import type { CallState, Run } from '../../base/state';
import { offerOutside } from '../../people/ringing';
import type { Walk } from './kind';

export const forward: Walk<ForwardStep> = (run, call, { step, next }) => {
  if (!step.number) return next;
  call.onward = { kind: 'step', stepId: next };
  call.queue = [];
  call.person = null;
  call.how = { ringBusy: false, confirm: step.confirm };
  run.say(call, { t: 0, kind: 'shown', number: shownTo(step.shows, run, call) });
  const how = offerOutside(run, call, step.number, step.seconds * 1000);
  return how === 'ringing' ? undefined : next;
};

/** What an outside phone sees of a call that is forwarded to it; null is a hidden number. */
function shownTo(shows: ForwardStep['shows'], run: Run, call: CallState): string | null {
  const called = call.numberId ? (run.world(call).system.numbers[call.numberId]?.e164 ?? null) : null;
  const { from } = call.request;
  return shows === 'caller' && from.kind === 'outside' ? from.number : called;
}
