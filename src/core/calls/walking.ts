/** The way of a call: through the steps of its plan, and through people's own rules. */
import { periodAt } from '../hours';
import {
  flatTargets,
  USUAL_RING_SECONDS,
  type ForwardTarget,
  type Phone,
  type Reach,
  type RingStep,
  type RingTarget,
} from '../system';
import { standInFor } from './away';
import { endOthers, offer, offerOutside, type Offer } from './ringing';
import { RANK, type CallState, type Run } from './state';
import type { Outcome, RingEnd } from './trace';

/** A call may be redirected so often; one more ends it. */
const MOST_REDIRECTS = 10;
/** The tone after a greeting, in milliseconds. */
const TONE_MS = 500;
/** A greeting of the system's own, for a mailbox that has none: milliseconds. */
const PLAIN_GREETING_MS = 4000;
/** A message shorter than this is not kept, in milliseconds: somebody changed their mind. Common practice, no source. */
export const SHORTEST_MESSAGE_MS = 2000;

/** The call reaches a step; null is past the last one. */
export function enter(run: Run, call: CallState, stepId: string | null): void {
  const world = run.world(call);
  let at = stepId;
  while (at !== null) {
    const stop = world.routes.get(call.planId!)!.stops.get(at)!;
    const { step } = stop;
    call.stepId = at;
    run.say(call, { kind: 'step', planId: call.planId!, stepId: at });
    if (step.kind === 'hours') {
      const hours = step.hoursId ? world.system.hours[step.hoursId] : undefined;
      const period = hours ? periodAt(hours, world.system.business.timeZone, run.now) : null;
      run.say(call, { kind: 'hours', hoursId: step.hoursId, period });
      at = period !== null && stop.branches.has(period) ? stop.branches.get(period)! : stop.otherwise;
      continue;
    }
    if (step.kind === 'play') {
      const ms = step.recordingId ? (world.promptMs.get(step.recordingId) ?? 0) : 0;
      if (ms > 0) return play(run, call, step.recordingId!, ms);
      at = stop.next;
      continue;
    }
    if (step.kind === 'voicemail') {
      if (step.mailboxId && world.system.mailboxes[step.mailboxId])
        return voicemail(run, call, step.mailboxId);
      run.say(call, { kind: 'no mailbox', stepId: step.id });
      at = stop.next;
      continue;
    }
    if (step.kind === 'end') return end(run, call, 'system', { kind: 'ended', how: step.how });
    call.onward = { kind: 'step', stepId: stop.next };
    return ringStep(run, call, step);
  }
  end(run, call, 'system', { kind: 'dead end' });
}

function play(run: Run, call: CallState, recordingId: string, ms: number): void {
  run.begin(call, 'prompt');
  call.until = run.now + ms;
  run.say(call, { kind: 'prompt started', recordingId });
  run.after(call, ms, 'time out', RANK.timeout);
}

function ringStep(run: Run, call: CallState, step: RingStep): void {
  const [first] = step.targets;
  if (step.followReach && step.targets.length === 1 && first!.kind === 'person')
    return ringPerson(run, call, first!.id, run.now + step.seconds * 1000);
  ringSeveral(run, call, step.targets, step);
}

/** A group is dialled by its extension. */
export function ringGroup(run: Run, call: CallState, groupId: string): void {
  const group = run.world(call).system.groups[groupId]!;
  run.say(call, { kind: 'group', groupId });
  call.onward = { kind: 'nobody' };
  ringSeveral(run, call, group.members, group);
}

/** Rings several, groups among them taken apart: all at once, or one after the other. */
function ringSeveral(
  run: Run,
  call: CallState,
  several: readonly RingTarget[],
  { pattern, seconds }: Pick<RingStep, 'pattern' | 'seconds'>,
): void {
  const { system } = run.world(call);
  const targets = flatTargets(several, system).map((t) => ({
    personId: t.kind === 'person' ? t.id : null,
    phoneId: t.kind === 'phone' ? t.id : null,
  }));
  call.person = null;
  call.roundMs = seconds * 1000;
  call.queue = pattern === 'together' ? [] : targets.slice(1);
  const now = pattern === 'together' ? targets : targets.slice(0, 1);
  const how = offer(run, call, offersOf(run, call, now), call.roundMs);
  if (how !== 'ringing') ringingOver(run, call, how);
}

function offersOf(run: Run, call: CallState, targets: CallState['queue']): Offer[] {
  const world = run.world(call);
  return targets.map(({ personId: asked, phoneId }) => {
    const phone = phoneId ? world.system.phones[phoneId] : undefined;
    const personId = asked && standInFor(asked, world.system, run.now);
    if (personId && personId !== asked) run.say(call, { kind: 'stand-in', personId, forId: asked! });
    return { personId, phones: personId ? (world.phonesOf.get(personId) ?? []) : phone ? [phone] : [] };
  });
}

/** A round of ringing came to nothing: the next in order, the person's own rules, or onward. */
export function ringingOver(run: Run, call: CallState, how: RingEnd): void {
  endOthers(run, call, 'not answered');
  run.say(call, { kind: 'ringing over', how });
  if (call.person) return personOver(run, call, how);
  while (call.queue.length) {
    const offered = offer(run, call, offersOf(run, call, [call.queue.shift()!]), call.roundMs);
    if (offered === 'ringing') return;
    run.say(call, { kind: 'ringing over', how: offered });
  }
  goOnward(run, call);
}

/** Rings a person by their own rules. @param until moment at which the plan's patience ends, or null */
export function ringPerson(run: Run, call: CallState, personId: string, until: number | null): void {
  const person = run.world(call).system.people[personId];
  if (!person) {
    run.say(call, { kind: 'forward skipped', to: personId, why: 'no longer there' });
    return goOnward(run, call);
  }
  call.chain.push(personId);
  call.person = { personId, index: 0, rung: false, sawBusy: false, until };
  if (run.standing.dnd[personId]?.value) {
    run.say(call, { kind: 'not rung', phone: null, personId, why: 'do not disturb' });
    return forward(run, call, person.reach.onBusy, 'busy');
  }
  const standIn = standInFor(personId, run.world(call).system, run.now);
  if (standIn !== personId) return forward(run, call, { to: 'person', personId: standIn }, 'away');
  if (person.reach.always) return forward(run, call, person.reach.always, 'always');
  nextReachStep(run, call);
}

function nextReachStep(run: Run, call: CallState): void {
  const ring = call.person!;
  const world = run.world(call);
  const { reach } = world.system.people[ring.personId]!;
  const phones = world.phonesOf.get(ring.personId) ?? [];
  while (ring.index < reach.steps.length && (ring.until === null || run.now < ring.until)) {
    const step = reach.steps[ring.index++]!;
    const mine = step.phoneIds === null ? phones : phones.filter((p: Phone) => step.phoneIds!.includes(p.id));
    const patience = ring.until === null ? Infinity : ring.until - run.now;
    const how = offer(
      run,
      call,
      [{ personId: ring.personId, phones: mine }],
      Math.min(step.seconds * 1000, patience),
    );
    if (how === 'ringing') {
      ring.rung = true;
      return;
    }
    run.say(call, { kind: 'ringing over', how });
    if (how === 'all on calls') ring.sawBusy = true;
  }
  const [target, why] = afterReach(reach, ring);
  forward(run, call, target, why);
}

type Why = 'always' | 'busy' | 'not answered' | 'unreachable' | 'away';
const afterReach = (reach: Reach, ring: NonNullable<CallState['person']>): [ForwardTarget | null, Why] =>
  ring.rung
    ? [reach.onNotAnswered, 'not answered']
    : ring.sawBusy
      ? [reach.onBusy, 'busy']
      : [reach.onUnreachable, 'unreachable'];

/** One step of a person's reach is over. Declining counts as busy: they are there and do not want it now. */
function personOver(run: Run, call: CallState, how: RingEnd): void {
  if (how !== 'declined') return nextReachStep(run, call);
  const person = run.world(call).system.people[call.person!.personId]!;
  forward(run, call, person.reach.onBusy, 'busy');
}

function forward(run: Run, call: CallState, target: ForwardTarget | null, why: Why): void {
  const from = call.person!;
  call.person = null;
  if (!target) return goOnward(run, call);
  const to =
    target.to === 'person' ? target.personId : target.to === 'outside' ? target.number : target.mailboxId;
  if (call.chain.includes(to)) {
    run.say(call, { kind: 'forward skipped', to, why: 'already in the chain' });
    return goOnward(run, call);
  }
  if (++call.redirects > MOST_REDIRECTS) return end(run, call, 'system', { kind: 'too many redirects' });
  run.say(call, { kind: 'redirected', from: from.personId, to, why });
  if (target.to === 'person') return ringPerson(run, call, target.personId, null);
  if (target.to === 'mailbox') {
    if (run.world(call).system.mailboxes[to]) return voicemail(run, call, to);
    run.say(call, { kind: 'no mailbox', stepId: null });
    return goOnward(run, call);
  }
  call.chain.push(to);
  // An outside mobile starts to ring later: the usual time is counted from there.
  offerOutside(run, call, to, (USUAL_RING_SECONDS + 6) * 1000);
}

function goOnward(run: Run, call: CallState): void {
  const { onward } = call;
  call.person = null;
  if (onward.kind === 'step') return enter(run, call, onward.stepId);
  if (onward.kind === 'nobody') return end(run, call, 'system', { kind: 'nobody answered' });
  const { system } = run.world(call);
  const mailboxId = system.people[onward.personId]?.mailboxId;
  if (mailboxId && system.mailboxes[mailboxId]) return voicemail(run, call, mailboxId);
  end(run, call, 'system', { kind: 'nobody answered' });
}

function voicemail(run: Run, call: CallState, mailboxId: string): void {
  const world = run.world(call);
  const { greetingId } = world.system.mailboxes[mailboxId]!;
  const ms = (greetingId && world.promptMs.get(greetingId)) || PLAIN_GREETING_MS;
  call.mailboxId = mailboxId;
  run.begin(call, 'greeting');
  call.until = run.now + ms;
  run.say(call, { kind: 'greeting started', mailboxId, recordingId: greetingId });
  run.after(call, ms, 'time out', RANK.timeout);
}

/** A prompt, greeting, tone or recording has run its time. */
export function timeOut(run: Run, call: CallState): void {
  const mailboxId = call.mailboxId!;
  if (call.phase === 'ringing') return ringingOver(run, call, 'nobody answered');
  if (call.phase === 'prompt') {
    const stop = run.world(call).routes.get(call.planId!)!.stops.get(call.stepId!)!;
    if (stop.step.kind === 'play')
      run.say(call, { kind: 'prompt ended', recordingId: stop.step.recordingId! });
    return enter(run, call, stop.next);
  }
  if (call.phase === 'greeting') {
    run.begin(call, 'tone');
    run.say(call, { kind: 'tone', mailboxId });
    return run.after(call, TONE_MS, 'time out', RANK.timeout);
  }
  if (call.phase === 'tone') {
    const longest = run.world(call).system.mailboxes[mailboxId]!.longest * 1000;
    const speaks = call.request.behaviour ? call.request.behaviour.caller.message * 1000 : longest;
    if (speaks === 0) return end(run, call, 'caller', { kind: 'no message', mailboxId });
    run.begin(call, 'message');
    call.until = run.now + longest;
    run.say(call, { kind: 'recording started', mailboxId });
    return run.after(call, Math.min(speaks, longest), 'time out', RANK.timeout);
  }
  if (call.phase === 'message') {
    const ran = run.now >= (call.until ?? Infinity);
    endMessage(run, call, ran ? 'system' : 'caller');
  }
}

/** The recording stops: by the caller, or because it is as long as it may be. */
function endMessage(run: Run, call: CallState, by: 'caller' | 'system'): void {
  const mailboxId = call.mailboxId!;
  const ms = run.now - call.since;
  const seconds = Math.round(ms / 1000);
  if (ms < SHORTEST_MESSAGE_MS) {
    run.say(call, { kind: 'not kept', mailboxId, seconds });
    return end(run, call, by, { kind: 'hung up', during: 'message' });
  }
  run.say(call, { kind: 'recorded', mailboxId, seconds });
  end(run, call, by, { kind: 'message', mailboxId, seconds });
}

/** Somebody hangs up. */
export function hangUp(run: Run, call: CallState, by: 'caller' | 'called'): void {
  if (call.phase === 'message') return endMessage(run, call, 'caller');
  if (call.phase === 'talking') {
    const answered = call.trace.findLast((e) => e.kind === 'answered')!;
    const { phone, personId } = answered as { phone: string; personId: string | null };
    return end(run, call, by, { kind: 'answered', phone, personId });
  }
  const during = call.phase === 'prompt' || call.phase === 'ringing' ? call.phase : 'greeting';
  end(run, call, by, { kind: 'hung up', during });
}

/** The call is over: phones still ringing stop, phones on it are free. */
export function end(run: Run, call: CallState, by: 'caller' | 'called' | 'system', outcome: Outcome): void {
  endOthers(run, call, 'cancelled');
  run.begin(call, 'over');
  for (const [phone, { callId }] of run.onCall) if (callId === call.request.id) run.onCall.delete(phone);
  run.say(call, { kind: 'ended', by, outcome });
}
