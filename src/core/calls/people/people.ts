/** Ringing people: several of them in a pattern, or one by their own rules. */
import {
  USUAL_RING_SECONDS,
  type ForwardTarget,
  type Person,
  type Phone,
  type Reach,
  type RingStep,
  alwaysAt,
} from '../../system';
import { standInFor } from '../rules/away';
import { undisturbed } from './eligible';
import { offersOf, offersToAll, rungNow } from './offers';
import { arrange, drawNext, idOf } from './patterns';
import { endOthers, offer, offerOutside } from './ringing';
import { type CallState, type Run } from '../base/state';
import { askName, wasNamed } from './naming';
import { lastOf, type Happening, type Outcome, type RingEnd } from '../base/trace';
import { ofHidden } from './unwanted';
import { voicemail } from '../mailbox/voicemail';

/** A call may be redirected so often; one more ends it. */
export const MOST_REDIRECTS = 10;

/** Phones are rung as they usually are. */
export const USUAL_HOW: CallState['how'] = { ringBusy: false, confirm: false };
/** Nothing has come of ringing yet. */
export const sawNothing = (): CallState['saw'] => ({ rung: false, busy: false, nobody: false });

/** The call reaches a ring step. `call.onward` says where it goes when nobody takes it. */
export function ringStep(run: Run, call: CallState, step: RingStep): void {
  call.saw = sawNothing();
  call.how = { ringBusy: step.ringBusy ?? false, confirm: (step.confirm || step.askName) ?? false };
  const [first] = step.targets;
  if (step.followReach && step.targets.length === 1 && first!.kind === 'person')
    return ringPerson(run, call, first!.id, run.now + step.seconds * 1000);
  ringSeveral(run, call, step.id, step);
}

/** A group is dialled by its extension. */
export function ringGroup(run: Run, call: CallState, groupId: string): void {
  call.onward = { kind: 'nobody' };
  ringMembers(run, call, groupId);
}

/** A group is rung as it is set up; where nobody takes it, the call goes where it would have gone. */
function ringMembers(run: Run, call: CallState, groupId: string): void {
  const group = run.world(call).system.groups[groupId];
  if (!group) {
    run.say(call, { t: 0, kind: 'forward skipped', to: { to: 'group', groupId }, why: 'no longer there' });
    return goOnward(run, call);
  }
  run.say(call, { t: 0, kind: 'group', groupId });
  call.saw = sawNothing();
  call.how = USUAL_HOW;
  ringSeveral(run, call, groupId, { ...group, targets: group.members });
}

/** Rings several, groups among them taken apart: all at once, or one after the other. */
function ringSeveral(
  run: Run,
  call: CallState,
  owner: string,
  { targets, pattern, weights, seconds }: Pick<RingStep, 'targets' | 'pattern' | 'weights' | 'seconds'>,
): void {
  const rung = rungNow(run, call, targets);
  call.person = null;
  call.roundMs = seconds * 1000;
  call.turnsOf = pattern === 'in turn' ? owner : null;
  call.weights = pattern === 'by weight' ? (weights ?? {}) : undefined;
  if (pattern === 'together') {
    call.queue = [];
    return round(run, call, offer(run, call, offersToAll(run, call, rung), call.roundMs));
  }
  call.queue = arrange(run, call, owner, pattern, weights, rung);
  if (!call.queue.length) return round(run, call, offer(run, call, [], call.roundMs));
  ringNext(run, call);
}

/** Rings the next of those rung one after the other who can be, if there is one. */
function ringNext(run: Run, call: CallState): void {
  while (call.queue.length) {
    const next = call.weights ? drawNext(run, call, call.weights, call.queue) : call.queue.shift()!;
    if (call.turnsOf) run.memory.lastRung[call.turnsOf] = idOf(next);
    const how = offer(run, call, offersOf(run, call, [next]), call.roundMs);
    note(call, how);
    if (how === 'ringing') return;
    run.say(call, { t: 0, kind: 'ringing over', how });
  }
  goOnward(run, call);
}

function round(run: Run, call: CallState, how: 'ringing' | RingEnd): void {
  note(call, how);
  if (how === 'ringing') return;
  run.say(call, { t: 0, kind: 'ringing over', how });
  goOnward(run, call);
}

const note = ({ saw }: CallState, how: 'ringing' | RingEnd): void => {
  if (how === 'ringing') saw.rung = true;
  else if (how === 'all on calls') saw.busy = true;
  else saw.nobody = true;
};

/** A round of ringing came to nothing: the next in order, the person's own rules, or onward. */
export function ringingOver(run: Run, call: CallState, how: RingEnd): void {
  endOthers(run, call, 'not answered');
  run.say(call, { t: 0, kind: 'ringing over', how });
  if (call.person) return personOver(run, call, how);
  ringNext(run, call);
}

/** Rings a person by their own rules. @param until moment at which the plan's patience ends, or null */
export function ringPerson(run: Run, call: CallState, personId: string, until: number | null): void {
  const person = run.world(call).system.people[personId];
  call.queue = [];
  if (!person) {
    run.say(call, { t: 0, kind: 'forward skipped', to: { to: 'person', personId }, why: 'no longer there' });
    return goOnward(run, call);
  }
  call.chain.push(personId);
  call.person = { personId, index: 0, rung: false, sawBusy: false, until };
  const hidden = isPassed(call) ? undefined : ofHidden(call, person);
  if (hidden === 'refused') return run.end(call, 'system', { kind: 'refused', why: 'hidden number' });
  if (hidden && person.mailboxId)
    return forward(run, call, { to: 'mailbox', mailboxId: person.mailboxId }, 'hidden number');
  if (undisturbed(run, call, person)) {
    run.say(call, { t: 0, kind: 'not rung', phone: null, personId, why: 'do not disturb' });
    call.saw.nobody = true;
    const { onUndisturbed } = person.reach;
    if (onUndisturbed) return forward(run, call, onUndisturbed, 'not to be disturbed');
    return forward(run, call, person.reach.onBusy, 'busy');
  }
  const standIn = standInFor(personId, run.world(call).system, run.now);
  const instead: ForwardTarget = { to: 'person', personId: standIn };
  if (standIn !== personId && !isInChain(run, call, instead)) return forward(run, call, instead, 'away');
  const always = alwaysAt(person.reach, run.now);
  if (always && !isInChain(run, call, always)) return forward(run, call, always, 'always');
  ringOnward(run, call);
}

/**
 * Whether somebody gives a call to others, who are rung by do not disturb, forward always and the phones of their reach:
 * what becomes of it where they do not take it is for the giver to say.
 */
export const isPassed = ({ passing, request }: CallState): boolean =>
  passing !== null || request.about !== undefined;

/** Whether a call has been there already: then the forward is skipped, and not the phones of whoever forwards. */
function isInChain(run: Run, call: CallState, target: ForwardTarget): boolean {
  if (!call.chain.includes(idOfTarget(target))) return false;
  run.say(call, { t: 0, kind: 'forward skipped', to: target, why: 'already in the chain' });
  return true;
}

/** Whoever says their name before somebody's phones ring does that first; then their phones ring. */
export function ringOnward(run: Run, call: CallState): void {
  const person = run.world(call).system.people[call.person!.personId]!;
  if (isScreened(run, call, person)) {
    call.how = { ringBusy: false, confirm: false, screened: true };
    if (!wasNamed(call)) return askName(run, call);
  }
  nextReachStep(run, call);
}

function isScreened(run: Run, call: CallState, person: Person): boolean {
  const { from } = call.request;
  if (from.kind !== 'outside' || isPassed(call) || !person.screening || person.screening === 'nobody')
    return false;
  const known = from.number !== null && run.world(call).contacts.has(from.number);
  return person.screening === 'everybody' || !known;
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
      [{ personId: ring.personId, phones: mine, outside: null }],
      Math.min(step.seconds * 1000, patience),
    );
    note(call, how);
    if (how === 'ringing') {
      ring.rung = true;
      return;
    }
    run.say(call, { t: 0, kind: 'ringing over', how });
    if (how === 'all on calls') ring.sawBusy = true;
  }
  const [target, why] = afterReach(reach, ring);
  forward(run, call, target, why);
}

type Why = Extract<Happening, { kind: 'redirected' }>['why'];
const afterReach = (reach: Reach, ring: NonNullable<CallState['person']>): [ForwardTarget | null, Why] =>
  ring.rung
    ? [reach.onNotAnswered, 'not answered']
    : ring.sawBusy
      ? [reach.onBusy, 'busy']
      : [reach.onUnreachable, 'unreachable'];

/** One step of a person's reach is over. Declining counts as busy, unless it has a way of its own: they are there and do not want it now. */
function personOver(run: Run, call: CallState, how: RingEnd): void {
  if (how !== 'declined') return nextReachStep(run, call);
  const person = run.world(call).system.people[call.person!.personId]!;
  const { onDeclined, onBusy } = person.reach;
  if (onDeclined) forward(run, call, onDeclined, 'declined');
  else forward(run, call, onBusy, 'busy');
}

/** What somebody's own settings send on: a call that was passed to them comes back instead. */
const OF_THEIR_OWN: ReadonlySet<Why> = new Set([
  'busy',
  'declined',
  'not to be disturbed',
  'not answered',
  'unreachable',
]);

function forward(run: Run, call: CallState, target: ForwardTarget | null, why: Why): void {
  const { personId } = call.person!;
  call.person = null;
  const own = OF_THEIR_OWN.has(why);
  if (!target || (own && isPassed(call))) return goOnward(run, call);
  redirect(run, call, personId, target, why);
}

/** The call goes to a target; where nobody takes it there, to `call.onward`. @param from a person or a mailbox */
export function redirect(run: Run, call: CallState, from: string, target: ForwardTarget, why: Why): void {
  const to = idOfTarget(target);
  if (isInChain(run, call, target)) return goOnward(run, call);
  if (++call.redirects > MOST_REDIRECTS) return run.end(call, 'system', { kind: 'too many redirects' });
  run.say(call, { t: 0, kind: 'redirected', from, to: target, why });
  if (target.to === 'person') return ringPerson(run, call, target.personId, null);
  if (target.to === 'group') {
    call.chain.push(to);
    return ringMembers(run, call, to);
  }
  if (target.to === 'mailbox') {
    if (run.world(call).system.mailboxes[to]) return voicemail(run, call, to);
    run.say(call, { t: 0, kind: 'no mailbox', stepId: null });
    return goOnward(run, call);
  }
  call.chain.push(to);
  // An outside mobile starts to ring later: the usual time is counted from there.
  call.queue = [];
  round(run, call, offerOutside(run, call, to, (USUAL_RING_SECONDS + 6) * 1000));
}

/** What a trace calls a target. */
function idOfTarget(target: ForwardTarget): string {
  switch (target.to) {
    case 'person':
      return target.personId;
    case 'group':
      return target.groupId;
    case 'outside':
      return target.number;
    case 'mailbox':
      return target.mailboxId;
  }
}

/** The one person a call is for while it rings: by their own reach, or the only one of a step; null where it is for several. */
export function calledPerson(run: Pick<Run, 'world'>, call: CallState): string | null {
  if (call.waiting) return null;
  if (call.person) return call.person.personId;
  // Sent on from there it is for others.
  const way = call.trace.findLast((e) => e.kind === 'step' || e.kind === 'group' || e.kind === 'redirected');
  if (way?.kind !== 'step') return null;
  const stop =
    call.planId && call.stepId ? run.world(call).routes.get(call.planId)?.stops.get(call.stepId) : undefined;
  if (stop?.step.kind !== 'ring' || stop.step.targets.length !== 1) return null;
  const [target] = stop.step.targets;
  return target!.kind === 'person' ? target!.id : null;
}

/** The mailbox somebody has that is there, or null. */
export function ownMailbox(run: Run, call: CallState, personId: string): string | null {
  const { people, mailboxes } = run.world(call).system;
  const mailboxId = people[personId]?.mailboxId;
  return mailboxId && mailboxes[mailboxId] ? mailboxId : null;
}

/** Whoever is rung has the caller leave a message with them. */
export function sendToMailbox(run: Run, call: CallState, personId: string, mailboxId: string): void {
  call.person = null;
  run.say(call, {
    t: 0,
    kind: 'redirected',
    from: personId,
    to: { to: 'mailbox', mailboxId },
    why: 'chosen',
  });
  voicemail(run, call, mailboxId);
}

function goOnward(run: Run, call: CallState): void {
  const { onward, saw } = call;
  call.person = null;
  call.how = USUAL_HOW;
  if (call.passing) return run.notTaken(call, whyNobody(call));
  if (onward.kind === 'step') {
    if (!saw.rung && saw.busy && !saw.nobody && onward.busy !== undefined)
      return run.enter(call, onward.busy);
    if (!saw.rung && saw.nobody && onward.unreachable !== undefined)
      return run.enter(call, onward.unreachable);
    return run.enter(call, onward.stepId);
  }
  if (onward.kind === 'mailbox') return voicemail(run, call, onward.mailboxId);
  if (onward.kind === 'own phone')
    return run.end(call, 'system', { kind: 'not lifted', phone: onward.phone });
  if (onward.kind === 'outside') return run.end(call, 'system', outsideOver(call, onward.number));
  if (onward.kind === 'nobody') return leftAlone(run, call);
  const mailboxId = ownMailbox(run, call, onward.personId);
  if (mailboxId) return voicemail(run, call, mailboxId);
  leftAlone(run, call);
}

/** How a call to an outside number ended that nobody took. */
function outsideOver({ trace }: CallState, number: string): Outcome {
  const leg = lastOf(trace, 'leg ended');
  const how =
    leg?.how === 'busy' || leg?.how === 'not in service' || leg?.how === 'declined'
      ? leg.how
      : 'not answered';
  return { kind: 'outside', number, how };
}

/** Why nobody took a call, by what came of all that was tried. */
function whyNobody({ saw, trace }: CallState): RingEnd {
  const last = lastOf(trace, 'ringing over');
  if (saw.rung) return last?.how === 'declined' ? 'declined' : 'nobody answered';
  return saw.busy && !saw.nobody ? 'all on calls' : 'nobody could be rung';
}

/** Nobody took it and there is no mailbox: whoever dialled from a menu goes on there, everybody else is at the end. */
export function leftAlone(run: Run, call: CallState): void {
  const { backTo } = call;
  if (call.passing) return run.notTaken(call, whyNobody(call));
  if (!backTo?.stepId) return run.end(call, 'system', { kind: 'nobody answered' });
  call.backTo = undefined;
  if (++call.redirects > MOST_REDIRECTS) return run.end(call, 'system', { kind: 'too many redirects' });
  call.onward = { kind: 'step', stepId: null };
  call.planId = backTo.planId;
  run.say(call, { t: 0, kind: 'plan', planId: backTo.planId });
  run.enter(call, backTo.stepId);
}
