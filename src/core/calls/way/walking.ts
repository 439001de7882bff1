/** The way of a call through the steps of its plan, to its end. */
import { endOthers } from '../people/ringing';
import { isFree, partsWith, phonesOn, whoseTurn } from '../base/on-call';
import type { CallState, Run } from '../base/state';
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
  const { waiting } = call;
  const talked = call.phase === 'talking';
  call.waiting = null;
  call.passing = null;
  call.parked = null;
  run.begin(call, 'over');
  const freed: string[] = [];
  for (const phone of phonesOn(run, call)) {
    const { personId } = run.onCall.get(phone)!;
    if (partsWith(run, phone, call.request.id)) freed.push(whoseTurn(phone, personId));
  }
  run.say(call, { t: 0, kind: 'ended', by, outcome });
  isFree(run, call, freed, talked);
  if (waiting) run.serveSoon(waiting.queueId, 0);
}
type EndOf = Parameters<Run['end']> extends [unknown, ...infer Rest] ? Rest : never;
