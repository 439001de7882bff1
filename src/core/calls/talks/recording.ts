/**
 * Recording a call: begun by somebody or by rule, with everybody's consent where that is usual, and never before the notice
 * was heard to its end. Whoever begins it ends it by leaving; what was begun by rule goes on.
 */
import { recordingSeconds, spokenSeconds } from '../../answering';
import { consentAt, placeOf, type Consent } from '../../numbering';
import { RECORDING_NOTICE, type CallRecording, type System } from '../../system';
import { CALLER, isOurs, type End } from '../base/talk';
import { RANK, type CallState, type Run } from '../base/state';
import { outsideNumber, type NotDone } from '../base/trace';
import type { Talk } from './ends';

type Who = Pick<End, 'phone' | 'personId'>;

const rulesOf = (run: Run, call: CallState): CallRecording | undefined =>
  run.world(call).system.business.recording;

/** Where an end is taken to be, as the table of consent names places: a state of the US, a country, or not known. */
function placeOfEnd(
  call: CallState,
  { phone, personId }: Pick<End, 'phone' | 'personId'>,
  system: System,
): string | null {
  const home = system.business.country;
  const outside = phone === CALLER ? callerNumber(call) : outsideNumber(phone);
  if (outside !== undefined) return placeOf(outside, home);
  const own = system.phones[phone];
  const owner = personId ?? own?.personId;
  const address = own?.address ?? system.sites[system.people[owner ?? '']?.siteId ?? '']?.address;
  if (!address) return null;
  return address.country === 'US' && address.A1 ? `US-${address.A1}` : address.country;
}
const callerNumber = ({ request: { from } }: CallState): string | null =>
  from.kind === 'outside' ? from.number : null;

/** Whose consent is usual for these: of several places the strictest counts. */
export function consentOf(
  call: CallState,
  ends: readonly Pick<End, 'phone' | 'personId'>[],
  system: System,
): Consent {
  const changed = system.business.recording?.consent ?? {};
  return ends.some((e) => consentAt(placeOfEnd(call, e, system), changed) === 'all') ? 'all' : 'one';
}

/** Whether a plan has said so already to whoever called: the notice was heard to its end. */
const heardNotice = (call: CallState, noticeId: string | null): boolean =>
  noticeId !== null && call.trace.some((e) => e.kind === 'prompt ended' && e.recordingId === noticeId);

/** Why somebody may not have a call recorded, by the rules of the business. */
export function mayHaveRecorded(run: Run, call: CallState, personId: string | null): NotDone | undefined {
  const who = rulesOf(run, call)?.mayRecordFor;
  if (!who) return 'calls are not recorded here';
  return who === 'everybody' || (personId !== null && who.includes(personId))
    ? undefined
    : 'you may not record';
}

/** Somebody has the call recorded, or it is by rule where that is null. @returns why not */
export function startRecording(run: Run, call: Talk, by: End | null): NotDone | undefined {
  const rules = rulesOf(run, call);
  if (!rules) return 'calls are not recorded here';
  if (by) {
    const why = mayHaveRecorded(run, call, by.personId);
    if (why) return why;
    if (call.recorded) return 'it is recorded already';
  } else if (call.recorded) return undefined;
  const { system } = run.world(call);
  const consent = consentOf(call, call.ends, system);
  const who = { by: by?.phone ?? null, personId: by?.personId ?? null };
  call.recorded = { ...who, consent, is: 'announced', since: run.now };
  const told =
    consent === 'one'
      ? []
      : call.ends.filter((e) => !(e.phone === CALLER && heardNotice(call, rules.noticeId)));
  if (!told.length) {
    begins(run, call);
    return undefined;
  }
  const ms = notice(run, call);
  run.after(call, ms, 'recording', RANK.timeout, call.endCount);
  return undefined;
}

/** The notice is said to all. @returns how long it takes, in milliseconds */
export function notice(run: Run, call: CallState): number {
  const noticeId = rulesOf(run, call)?.noticeId ?? null;
  const recording = noticeId ? run.world(call).system.recordings[noticeId] : undefined;
  const seconds = recording ? recordingSeconds(recording) : spokenSeconds(RECORDING_NOTICE);
  const ms = Math.round(seconds * 1000);
  run.say(call, { t: 0, kind: 'record notice', recordingId: recording ? noticeId : null, ms });
  return ms;
}

/** The notice is over: what was cut short was not heard, for then this timer is void. @param endCount of when it began */
export function noticeOver(run: Run, call: CallState, endCount: number): void {
  if (call.phase !== 'talking' || call.recorded?.is !== 'announced') return;
  // Somebody came in meanwhile: they hear it whole, too.
  if (call.endCount !== endCount && call.recorded.consent === 'all' && rulesOf(run, call))
    return run.after(call, notice(run, call), 'recording', RANK.timeout, call.endCount);
  begins(run, call);
}

/** All have been told, where they are to be: it is recorded from here. */
export function begins(run: Run, call: CallState): void {
  const { recorded } = call;
  if (!recorded) return;
  call.recorded = { ...recorded, is: 'on', since: run.now };
  run.say(call, {
    t: 0,
    kind: 'record on',
    by: recorded.by,
    personId: recorded.personId,
    consent: recorded.consent,
  });
}

/** A gap, for a card number; or on after one. */
export function pauseRecording(run: Run, call: CallState, end: Who): NotDone | undefined {
  const { recorded } = call;
  if (!recorded || recorded.is === 'announced') return 'it is not recorded';
  const paused = recorded.is === 'on';
  call.recorded = { ...recorded, is: paused ? 'paused' : 'on' };
  run.say(call, {
    t: 0,
    kind: paused ? 'record paused' : 'record again',
    phone: end.phone,
    personId: end.personId,
  });
  return undefined;
}

/** What somebody began somebody ends; what is by rule nobody does. */
export function stopRecording(run: Run, call: CallState, end: Who): NotDone | undefined {
  const { recorded } = call;
  if (!recorded) return 'it is not recorded';
  if (recorded.by === null) return 'it is recorded by rule';
  ends(run, call, end);
  return undefined;
}

function ends(run: Run, call: CallState, { phone, personId }: Who): void {
  const was = call.recorded?.is;
  call.recorded = undefined;
  if (was && was !== 'announced') run.say(call, { t: 0, kind: 'record off', phone, personId });
}

/** Two begin to talk: what is by rule is recorded. */
export function recordByRule(run: Run, call: Talk): void {
  const rules = rulesOf(run, call);
  if (!rules) return;
  // A notice that was cut short by passing the call on was not heard: it is said anew.
  if (call.recorded?.is === 'announced' && call.recorded.by === null) call.recorded = undefined;
  const { numberIds, personIds, planIds } = rules;
  const byNumber = call.numberId !== null && numberIds.includes(call.numberId);
  const byPerson = () =>
    call.ends.some((e) => isOurs(e) && e.personId !== null && personIds.includes(e.personId));
  const byPlan = () => call.trace.some((e) => e.kind === 'step' && planIds!.includes(e.planId));
  if (byNumber || (personIds.length && byPerson()) || (planIds?.length && byPlan()))
    startRecording(run, call, null);
}

/** Somebody comes into a talk that is recorded: where everybody must agree they hear the notice. */
export function newcomerIsTold(run: Run, call: CallState): void {
  const { recorded } = call;
  const rules = rulesOf(run, call);
  // Two who begin to talk are told together, once both are there.
  if (!recorded || recorded.is === 'announced' || !rules || call.ends.length < 2) return;
  const { system } = run.world(call);
  const consent = consentOf(call, call.ends, system);
  if (consent === 'one') return;
  call.recorded = { ...recorded, consent };
  notice(run, call);
}

/** Whoever had it recorded is out of the call. */
export function leavesRecording(run: Run, call: CallState, end: Pick<End, 'phone' | 'personId'>): void {
  if (call.recorded && call.recorded.by === end.phone) ends(run, call, end);
}
