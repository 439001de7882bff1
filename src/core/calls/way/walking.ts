/** The way of a call through the steps of its plan, to its end. */
import { endOthers } from '../people/ringing';
import type { CallState, Run } from '../base/state';
import { outsideNumber } from '../base/trace';
import { walk } from './steps';

/** The call reaches a step; null is past the last one. */
export function enter(run: Run, call: CallState, stepId: string | null): void {
  const { routes } = run.world(call);
  let at: string | null | undefined = stepId;
  while (at != null) {
    call.stepId = at;
    run.say(call, { t: 0, kind: 'step', planId: call.planId!, stepId: at });
    at = walk(run, call, routes.get(call.planId!)!.stops.get(at)!);
  }
  if (at === null) run.end(call, 'system', { kind: 'dead end' });
}

/** The call is over: phones still ringing stop, phones on it are free, and queues look whether that helps somebody. */
export function end(run: Run, call: CallState, ...[by, outcome]: EndOf): void {
  endOthers(run, call, 'cancelled');
  const { waiting, talkingOn } = call;
  call.waiting = null;
  run.begin(call, 'over');
  const freed: string[] = [];
  for (const [phone, { callId, personId }] of run.onCall)
    if (callId === call.request.id) {
      run.onCall.delete(phone);
      freed.push(personId ?? outsideNumber(phone) ?? phone);
    }
  if (talkingOn) for (const who of freed) run.memory.idleSince[who] = run.now;
  run.say(call, { t: 0, kind: 'ended', by, outcome });
  for (const queue of Object.values(run.world(call).system.queues)) {
    const serves = queue.memberIds.some((id) => freed.includes(id));
    if (serves) run.serveSoon(queue.id, queue.wrapUp * 1000);
    if (serves || waiting?.queueId === queue.id) run.serveSoon(queue.id, 0);
  }
}
type EndOf = Parameters<Run['end']> extends [unknown, ...infer Rest] ? Rest : never;
