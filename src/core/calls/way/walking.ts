/** The way of a call through the steps of its plan. */
import { isHoliday, periodAt } from '../../hours';
import type { CallerStep, CallerTest, ShareStep } from '../../system';
import { ask, askedEnough } from './asking';
import { choose, given, open } from '../base/chance';
import { finish, inboxTimeOut } from '../mailbox/inbox';
import { menu, menuTimeOut } from './menu';
import { namedEnough } from './named';
import { askName, wasNamed } from '../people/naming';
import { MOST_REDIRECTS, ringingOver, ringStep } from '../people/people';
import { enterQueue, notTaken } from '../queues/queueing';
import { endOthers, mayStillConfirm, offerOutside } from '../people/ringing';
import { RANK, type CallState, type Run } from '../base/state';
import { outsideNumber, type RingEnd } from '../base/trace';
import { isBlocked } from '../people/unwanted';
import { endMessage, messageOver, record, tone, voicemail } from '../mailbox/voicemail';

/** The call reaches a step; null is past the last one. */
export function enter(run: Run, call: CallState, stepId: string | null): void {
  const world = run.world(call);
  let at = stepId;
  while (at !== null) {
    const stop = world.routes.get(call.planId!)!.stops.get(at)!;
    const { step } = stop;
    call.stepId = at;
    run.say(call, { kind: 'step', planId: call.planId!, stepId: at });
    switch (step.kind) {
      case 'play': {
        const ms = step.recordingId ? (world.promptMs.get(step.recordingId) ?? 0) : 0;
        if (ms > 0) return play(run, call, step.recordingId!, ms);
        at = stop.next;
        break;
      }
      case 'hours': {
        const hours = step.hoursId ? world.system.hours[step.hoursId] : undefined;
        const override = step.hoursId ? run.standing.overrides[step.hoursId]?.value : undefined;
        const period = hours ? periodAt(hours, world.system.business.timeZone, run.now, override) : null;
        const holiday =
          hours !== undefined && isHoliday(hours, world.system.business.timeZone, run.now, override);
        run.say(call, {
          kind: 'hours',
          hoursId: step.hoursId,
          period,
          ...(holiday ? { holiday: true as const } : {}),
        });
        const i = period === null ? -1 : step.branches.findIndex((b) => b.period === period);
        at = i < 0 ? stop.otherwise : stop.branches[i]!;
        break;
      }
      case 'caller': {
        const i = branchFor(run, call, step);
        run.say(call, { kind: 'caller', stepId: step.id, branch: i < 0 ? null : i });
        at = i < 0 ? stop.otherwise : stop.branches[i]!;
        break;
      }
      case 'share': {
        const i = shareOut(run, call, step);
        at = i < 0 ? stop.next : stop.branches[i]!;
        break;
      }
      case 'menu':
        return menu(run, call);
      case 'ask':
        if (step.questions.length) return ask(run, call);
        at = stop.next;
        break;
      case 'ring': {
        const by = (way: string) => {
          const i = (step.branches ?? []).findIndex((b) => b.way === way);
          return i < 0 ? {} : { way: stop.branches[i]! };
        };
        const [unreachable, busy] = [by('nobody could be rung').way, by('all on calls').way];
        call.onward = {
          kind: 'step',
          stepId: stop.next,
          ...(unreachable !== undefined ? { unreachable } : {}),
          ...(busy !== undefined ? { busy } : {}),
        };
        if (step.askName && !wasNamed(call)) {
          call.person = null;
          return askName(run, call);
        }
        return ringStep(run, call, step);
      }
      case 'queue':
        if (step.queueId && world.system.queues[step.queueId])
          return enterQueue(run, call, step.queueId, step.id);
        at = stop.next;
        break;
      case 'forward':
        if (step.number) {
          call.onward = { kind: 'step', stepId: stop.next };
          call.queue = [];
          call.person = null;
          call.how = { ringBusy: false, confirm: step.confirm };
          run.say(call, { kind: 'shown', number: shownTo(step.shows, run, call) });
          return offerOutside(run, call, step.number, step.seconds * 1000);
        }
        at = stop.next;
        break;
      case 'goto': {
        const route = step.planId ? world.routes.get(step.planId) : undefined;
        if (!route) {
          at = stop.next;
          break;
        }
        if (++call.redirects > MOST_REDIRECTS) return run.end(call, 'system', { kind: 'too many redirects' });
        call.planId = step.planId;
        run.say(call, { kind: 'plan', planId: step.planId! });
        at = route.first;
        break;
      }
      case 'notify':
        run.say(call, { kind: 'notified', how: step.how, to: step.to, text: step.text });
        at = stop.next;
        break;
      case 'voicemail':
        if (step.mailboxId && world.system.mailboxes[step.mailboxId])
          return voicemail(run, call, step.mailboxId, step.occasion);
        run.say(call, { kind: 'no mailbox', stepId: step.id });
        at = stop.next;
        break;
      case 'end': {
        const ms =
          step.how === 'message' && step.recordingId ? (world.promptMs.get(step.recordingId) ?? 0) : 0;
        if (ms > 0) return play(run, call, step.recordingId!, ms);
        return run.end(call, 'system', { kind: 'ended', how: step.how });
      }
      default:
        return unknownStep(step);
    }
  }
  run.end(call, 'system', { kind: 'dead end' });
}

/** A kind of step that nothing is said of does not compile: a call would stand still in it. */
function unknownStep(step: never): never {
  throw new Error(`No call can go through a step such as ${JSON.stringify(step)}.`);
}

function play(run: Run, call: CallState, recordingId: string, ms: number): void {
  run.begin(call, 'prompt');
  call.until = run.now + ms;
  run.say(call, { kind: 'prompt started', recordingId });
  run.after(call, ms, 'time out', RANK.timeout);
}

/** What an outside phone sees of a call that is forwarded to it; null is a hidden number. */
function shownTo(shows: 'caller' | 'number called', run: Run, call: CallState): string | null {
  const called = call.numberId ? (run.world(call).system.numbers[call.numberId]?.e164 ?? null) : null;
  const { from } = call.request;
  return shows === 'caller' && from.kind === 'outside' ? from.number : called;
}

/** The first branch whose test the caller passes, or -1. */
function branchFor(run: Run, call: CallState, step: CallerStep): number {
  const { from } = call.request;
  if (from.kind !== 'outside') return -1;
  const contact = from.number ? run.world(call).contacts.get(from.number) : undefined;
  const passes = (test: CallerTest): boolean => {
    switch (test.is) {
      case 'listed':
        return contact?.listIds.includes(test.listId) ?? false;
      case 'known':
        return contact !== undefined && !isBlocked(run, call);
      case 'from':
        return from.number?.startsWith(test.prefix) ?? false;
      case 'hidden':
        return from.number === null;
      case 'suspected':
        return from.suspected ?? false;
      case 'blocked':
        return isBlocked(run, call);
    }
  };
  return step.branches.findIndex((b) => passes(b.test));
}

/** The branch a call is given when calls are shared out, or -1 where there is none. */
function shareOut(run: Run, call: CallState, step: ShareStep): number {
  const many = step.branches.length;
  if (!many) return -1;
  if (step.how === 'in turn') {
    const branch = given(call, many) ?? ((run.memory.lastBranch[step.id] ?? -1) + 1) % many;
    run.memory.lastBranch[step.id] = branch;
    run.say(call, { kind: 'shared', stepId: step.id, branch, among: step.branches.map((_, i) => i) });
    return branch;
  }
  const weights = step.branches.map((b) => b.share);
  const branch = choose(call, weights);
  if (branch >= 0) run.say(call, { kind: 'shared', stepId: step.id, branch, among: open(weights) });
  return branch;
}

/** A prompt, menu, question, greeting, tone or recording has run its time. */
export function timeOut(run: Run, call: CallState): void {
  switch (call.phase) {
    case 'ringing':
      return mayStillConfirm(run, call) ? undefined : roundOver(run, call, 'nobody answered');
    case 'prompt':
      return promptOver(run, call);
    case 'menu':
      return menuTimeOut(run, call);
    case 'asked':
      return askedEnough(run, call);
    case 'naming':
      return namedEnough(run, call);
    case 'greeting':
      return tone(run, call);
    case 'inbox':
      return inboxTimeOut(run, call);
    case 'tone':
      return record(run, call);
    case 'message':
      return messageOver(run, call);
    default:
      return undefined;
  }
}

function promptOver(run: Run, call: CallState): void {
  const stop = run.world(call).routes.get(call.planId!)!.stops.get(call.stepId!)!;
  const { step } = stop;
  if ('recordingId' in step && step.recordingId)
    run.say(call, { kind: 'prompt ended', recordingId: step.recordingId });
  if (step.kind === 'end') return run.end(call, 'system', { kind: 'ended', how: step.how });
  enter(run, call, stop.next);
}

/** A round of ringing came to nothing: back into the queue the call waits in, or on. */
export function roundOver(run: Run, call: CallState, how: RingEnd): void {
  if (call.waiting) notTaken(run, call, how);
  else ringingOver(run, call, how);
}

/** Somebody hangs up. */
export function hangUp(run: Run, call: CallState, by: 'caller' | 'called'): void {
  if (call.phase === 'message') return endMessage(run, call, 'caller');
  if (call.phase === 'inbox') return finish(run, call, by);
  if (call.phase === 'talking') {
    const answered = call.trace.findLast((e) => e.kind === 'answered')!;
    const { phone, personId } = answered as { phone: string; personId: string | null };
    return run.end(call, by, { kind: 'answered', phone, personId });
  }
  run.end(call, by, { kind: 'hung up', during: DURING[call.phase] ?? 'greeting' });
}

const DURING: Partial<Record<CallState['phase'], 'prompt' | 'menu' | 'question' | 'wait' | 'ringing'>> = {
  prompt: 'prompt',
  menu: 'menu',
  asked: 'question',
  naming: 'question',
  queued: 'wait',
  ringing: 'ringing',
};

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
  run.say(call, { kind: 'ended', by, outcome });
  for (const queue of Object.values(run.world(call).system.queues)) {
    const serves = queue.memberIds.some((id) => freed.includes(id));
    if (serves) run.serveSoon(queue.id, queue.wrapUp * 1000);
    if (serves || waiting?.queueId === queue.id) run.serveSoon(queue.id, 0);
  }
}
type EndOf = Parameters<Run['end']> extends [unknown, ...infer Rest] ? Rest : never;
