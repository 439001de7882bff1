/** Queues: callers wait in the order they came until one of those who serve is free. */
import { servingOf, type Queue, type QueueWay } from '../../system';
import { whyNot } from '../people/eligible';
import { usualKeys } from '../rules/keys';
import { offersOf } from '../people/offers';
import { arrange, drawNext, idOf } from '../people/patterns';
import { leftAlone } from '../people/people';
import { endOthers, offer } from '../people/ringing';
import { RANK, type CallState, type Run, type Rung, type Waits } from '../base/state';
import type { NotRung, RingEnd } from '../base/trace';

/** Where nobody is free for a reason the system is not told the end of, it looks again after so long. No source. */
const LOOK_AGAIN_MS = 20_000;

const queueOf = (run: Run, call: Waits): Queue => run.world(call).system.queues[call.waiting.queueId]!;

/**
 * The call reaches a queue that is there.
 * @param stepId the step that led to it, or null where its extension was dialled
 * @param atHead it comes back, and goes before all who wait
 */
export function enterQueue(
  run: Run,
  call: CallState,
  queueId: string,
  stepId: string | null,
  atHead = false,
): void {
  const queue = run.world(call).system.queues[queueId]!;
  const ahead = atHead ? 0 : run.waitingIn(queueId).length;
  const waiting = {
    queueId,
    stepId,
    since: run.now,
    token: call.legCount + 1000 * call.turn + 1,
    tried: [],
    looks: false,
  };
  call.waiting = waiting;
  const waits = call as Waits;
  call.how = { ringBusy: false, confirm: false };
  if (!isServed(run, call, queue)) return leaveQueue(run, waits, 'nobody logged in');
  if (ahead >= queue.limit && ahead > 0) return leaveQueue(run, waits, 'full');
  if (queue.limit === 0 && !freeMembers(run, call, queue).length) return leaveQueue(run, waits, 'full');
  run.say(call, { t: 0, kind: 'queued', queueId, position: ahead + 1 });
  run.join(queueId, call, atHead);
  run.begin(call, 'queued');
  const { token } = waiting;
  run.after(call, queue.longestWait * 1000, 'longest wait', RANK.timeout, token);
  if (queue.comfort) run.after(call, queue.comfort.every * 1000, 'comfort', RANK.timeout, token);
  usualKeys(run, call);
  serve(run, queueId);
  if (call.phase === 'queued') nobodyFree(run, waits);
}

export const isLoggedIn = (run: Pick<Run, 'standing'>, queueId: string, personId: string): boolean =>
  run.standing.logins[queueId]?.[personId]?.value ?? true;

/** Whether somebody takes no calls of a queue for a while: they said so, or missed too many in a row. */
export function isPaused(
  { standing, memory }: Pick<Run, 'standing' | 'memory'>,
  { pauseAfter }: Pick<Queue, 'pauseAfter'>,
  personId: string,
): boolean {
  const said = standing.pauses?.[personId];
  if (said?.value != null) return true;
  const missed = memory.missed?.[personId];
  if (!pauseAfter || !missed || missed.times < pauseAfter) return false;
  // They said since that they go on.
  return !(said && said.at > missed.at);
}

/** Whether anybody serves a queue at all. */
const isServed = (run: Run, call: CallState, queue: Queue): boolean =>
  servingOf(run.world(call).system, queue.id).some(
    (id) => isLoggedIn(run, queue.id, id) && !isPaused(run, queue, id),
  );

/** Those of a queue who can be rung for a call now, in the order of its pattern. */
function freeMembers(run: Run, call: CallState, queue: Queue): Rung[] {
  const { phonesOf, system } = run.world(call);
  const free = servingOf(system, queue.id)
    .filter(
      (id) =>
        !whyNotMember(run, queue, id) && (phonesOf.get(id) ?? []).some((p) => canRing(run, call, p, id)),
    )
    .map((personId): Rung => ({ personId, phoneId: null, outside: null }));
  return queue.pattern === 'together'
    ? free
    : arrange(run, call, queue.id, queue.pattern, queue.weights, free);
}

/** Whether somebody let a call of a queue ring out so shortly ago that others are tried before them. */
function letItRing(run: Run, member: Rung): boolean {
  const at = run.memory.letRing?.[idOf(member)];
  return at !== undefined && run.now < at + LOOK_AGAIN_MS;
}

const canRing = (run: Run, call: CallState, phone: Parameters<typeof whyNot>[2], personId: string): boolean =>
  whyNot(run, call, phone, personId) === null && !run.ringing.has(phone.id);

function whyNotMember(run: Run, queue: Queue, personId: string): NotRung | null {
  if (!isLoggedIn(run, queue.id, personId)) return 'not logged in';
  if (isPaused(run, queue, personId)) return 'paused';
  const idle = run.memory.idleSince[personId];
  return idle !== undefined && run.now < idle + queue.wrapUp * 1000 ? 'after a call' : null;
}

/**
 * Puts those who wait through to those who are free: first come, first served. Whoever is free is offered the earliest caller
 * who is not ringing at somebody just then; a caller whose ring nobody took, and who would be left in peace for a while,
 * is offered again at once before any who came later would be.
 */
export function serve(run: Run, queueId: string): void {
  const waiting = run.waitingIn(queueId);
  // Whoever waits last stays so until it is their turn.
  const last = waiting.findLastIndex((c) => c.phase === 'queued');
  for (const [i, call] of waiting.entries()) {
    if (call.phase !== 'queued') continue;
    const queue = queueOf(run, call);
    // The last one has logged out, or was paused.
    if (!isServed(run, call, queue)) {
      leaveQueue(run, call, 'nobody logged in');
      continue;
    }
    const wait = call.waiting;
    // Within the moment in which nobody took it it is not offered again: a phone that declines at once would go on for ever.
    const again = wait.offered !== run.now && i < last;
    const isTried = (id: string) => wait.tried.includes(id);
    if (!again && servingOf(run.world(call).system, queue.id).every(isTried)) continue;
    const free = freeMembers(run, call, queue);
    let next = free.filter((m) => !isTried(idOf(m)));
    if (!next.length) {
      if (!again || !free.length) continue;
      run.say(call, { t: 0, kind: 'came first', queueId });
      wait.tried = [];
      next = free;
    }
    const rung = queue.pattern === 'together' ? next : [firstOf(run, call, queue, next)];
    call.saw = { rung: false, busy: false, nobody: false };
    call.person = null;
    if (queue.pattern === 'in turn') run.memory.lastRung[queueId] = idOf(rung[0]!);
    wait.tried.push(...rung.map(idOf));
    wait.offered = run.now;
    offer(run, call, offersOf(run, call, rung), queue.seconds * 1000);
  }
}

/** The first of those in order who did not just let it ring out, for this caller or another; where all did, the first. */
function firstOf(run: Run, call: CallState, queue: Queue, order: readonly Rung[]): Rung {
  const before = order.filter((m) => !letItRing(run, m));
  const left = before.length ? before : [...order];
  if (queue.pattern === 'by weight') return drawNext(run, call, queue.weights ?? {}, left);
  if (left[0] !== order[0]) run.say(call, { t: 0, kind: 'left for last', personId: idOf(order[0]!) });
  return left[0]!;
}

/** Nobody is free for a caller: it is said where they stand, and looked again a while later. */
function nobodyFree(run: Run, call: Waits): void {
  const { queueId, token, looks } = call.waiting;
  run.say(call, { t: 0, kind: 'nobody free', queueId, position: positionOf(run, call) });
  if (looks) return;
  call.waiting.looks = true;
  run.after(call, LOOK_AGAIN_MS, 'look again', RANK.timeout, token);
}

const positionOf = (run: Run, call: Waits): number =>
  run.waitingIn(call.waiting.queueId).findIndex((c) => c === call) + 1;

/** Those rung for somebody waiting did not take it: the next of them, and when all were tried, from the start again. */
export function notTaken(run: Run, call: Waits, how: RingEnd): void {
  const { queueId } = call.waiting;
  const letRing = (run.memory.letRing ??= {});
  for (const personId of new Set(call.legs.map((l) => l.personId))) {
    if (!personId) continue;
    letRing[personId] = run.now;
    missedOne(run, call, personId);
  }
  endOthers(run, call, 'not answered');
  run.say(call, { t: 0, kind: 'ringing over', how });
  run.begin(call, 'queued');
  serve(run, queueId);
  if (call.phase === 'queued') nobodyFree(run, call);
}

/** An offer was let ring out, or declined. */
function missedOne(run: Run, call: Waits, personId: string): void {
  const { pauseAfter, id } = queueOf(run, call);
  const missed = (run.memory.missed ??= {});
  const said = run.standing.pauses?.[personId];
  const before = missed[personId];
  const again = before && said && said.at > before.at ? 0 : (before?.times ?? 0);
  const times = again + 1;
  missed[personId] = { times, at: run.now };
  if (pauseAfter && times === pauseAfter)
    run.say(call, { t: 0, kind: 'paused', personId, queueId: id, missed: times });
}

/** It is looked again whether somebody is free, those tried before among them. */
export function lookAgain(run: Run, call: Waits): void {
  call.waiting.looks = false;
  if (call.phase !== 'queued') return;
  call.waiting.tried = [];
  serve(run, call.waiting.queueId);
  if (call.phase === 'queued') nobodyFree(run, call);
}

/** What is said to those who wait. */
export function comfort(run: Run, call: Waits): void {
  const queue = queueOf(run, call);
  if (!queue.comfort) return;
  if (call.phase === 'queued')
    run.say(call, { t: 0, kind: 'comfort', queueId: queue.id, position: positionOf(run, call) });
  run.after(call, queue.comfort.every * 1000, 'comfort', RANK.timeout, call.waiting.token);
}

/** A key pressed by somebody who waits. */
export function keyInQueue(run: Run, call: Waits, key: string): void {
  const queue = queueOf(run, call);
  run.say(call, { t: 0, kind: 'key', key });
  if (key === queue.exitKey) return leaveQueue(run, call, 'left by key');
  if (key !== queue.callBackKey) return;
  run.say(call, { t: 0, kind: 'call back asked', queueId: queue.id });
  run.end(call, 'caller', { kind: 'call back', queueId: queue.id });
}

/** Somebody waits no longer: the way the step has for it, or on to the next step. */
export function leaveQueue(run: Run, call: Waits, way: QueueWay): void {
  const { stepId } = call.waiting;
  outOfQueue(run, call, way);
  if (stepId === null) return leftAlone(run, call);
  const stop = run.world(call).routes.get(call.planId!)!.stops.get(stepId)!;
  const i = stop.step.kind === 'queue' ? stop.step.branches.findIndex((b) => b.way === way) : -1;
  run.enter(call, i < 0 ? stop.next : stop.branches[i]!);
}

/** Somebody waits no longer; where they go is for whoever asks. */
export function outOfQueue(run: Run, call: Waits, way: QueueWay | 'sent on'): void {
  const { queueId, since } = call.waiting;
  endOthers(run, call, 'cancelled');
  (call as CallState).waiting = null;
  const waitedSeconds = Math.round((run.now - since) / 1000);
  run.say(call, { t: 0, kind: 'left queue', queueId, way, waitedSeconds });
  // Those left behind move up: somebody may be free for them now.
  run.serveSoon(queueId, 0);
}
