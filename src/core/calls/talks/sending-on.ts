/**
 * Whoever keeps an eye on a queue takes a caller out of it: for themselves, or for somebody else. Where nobody takes the call
 * there, the caller is first in the queue again, and their own way out of it stays what the plan says.
 */
import { outOfQueue } from '../queues/queueing';
import type { CallState, Run, Waits } from '../base/state';
import type { NotDone } from '../base/trace';
import type { PassTarget } from '../../system';
import { mayNotGoOut } from './paying';
import { goTo, isInIt, isTargetThere } from './passing';

/** @param personId who does it; null where that is not known @returns why not, or undefined where it was done */
export function sendOn(
  run: Run,
  call: CallState,
  personId: string | null,
  to: PassTarget,
): NotDone | undefined {
  if (!isWaiting(call)) return 'somebody was faster';
  if (to.to === 'queue' && to.queueId === call.waiting.queueId) return 'they wait there already';
  if (isInIt(call, to)) return 'they are in it already';
  if (to.to === 'outside' && mayNotGoOut(run, call, personId, to.number)) return 'you may not call there';
  if (!isTargetThere(run.world(call).system, to)) return 'not in service';
  const { queueId, stepId } = call.waiting;
  const before = call.passing?.way === 'from a queue' ? call.passing.before : call.passing;
  outOfQueue(run, call, 'sent on');
  run.say(call, { t: 0, kind: 'sent on', queueId, personId, to });
  call.servedFrom = { queueId, stepId };
  call.passing = { personId, to, way: 'from a queue', before };
  call.onward = { kind: 'nobody' };
  call.chain = [];
  goTo(run, call, to);
  return undefined;
}

const isWaiting = (call: CallState): call is Waits =>
  call.waiting !== null && (call.phase === 'queued' || call.phase === 'ringing');
