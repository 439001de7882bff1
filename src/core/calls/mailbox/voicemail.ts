/** A mailbox takes a message: greeting, tone, what the caller says. */
import { greetingAt, spokenSeconds, type Moment } from '../../answering';
import { localTime } from '../../hours';
import { zoneOf, type Mailbox, type Occasion, type System } from '../../system';
import { awayAt } from '../rules/away';
import { usualKeys } from '../rules/keys';
import { RANK, type CallIn, type CallState, type Run } from '../base/state';
import { lastOf } from '../base/trace';

/** The call is with a mailbox: its greeting, its tone, or a message being left. */
export type AtMailbox = CallIn<'greeting'> | CallIn<'tone'> | CallIn<'message'>;

/** The tone after a greeting, in milliseconds. */
const TONE_MS = 500;
/** A greeting of the system's own, for a mailbox that has none: milliseconds. */
const PLAIN_GREETING_MS = 4000;
/** A message shorter than this is not kept, in milliseconds: somebody changed their mind. Common practice, no source. */
export const SHORTEST_MESSAGE_MS = 2000;
/** Seconds of silence after which a message ends where a mailbox does not say. Common practice, no source. */
export const USUAL_SILENCE_SECONDS = 6;
/** What is said before the greeting where a step gives a reason. */
const REASONS: Record<Occasion, string> = {
  'not answered': '',
  busy: 'We are on other calls.',
  closed: 'We are closed now.',
  holiday: 'We are closed for the holiday.',
};

/** The call comes to a mailbox that is there. @param said the occasion its step gives, where it gives one */
export function voicemail(run: Run, call: CallState, mailboxId: string, said?: Occasion): void {
  const world = run.world(call);
  const mailbox = world.system.mailboxes[mailboxId]!;
  const own = greetingAt(mailbox, momentOfCall(run, call, mailbox, said));
  // A greeting made for the occasion says the reason itself.
  const reason = said && !own ? spokenSeconds(REASONS[said]) * 1000 : 0;
  const recordingId = own?.recordingId ?? mailbox.greetingId;
  const ms = reason + ((recordingId && world.promptMs.get(recordingId)) || PLAIN_GREETING_MS);
  run.begin(call, 'greeting', { mailboxId });
  call.until = run.now + ms;
  run.say(call, {
    t: 0,
    kind: 'greeting started',
    mailboxId,
    recordingId,
    ...(said ? { occasion: said } : {}),
    ...(own ? { greetingId: own.id } : {}),
  });
  run.after(call, ms, 'time out', RANK.timeout);
  if (mailbox.zero || run.standing.pins?.[mailboxId]) usualKeys(run, call);
}

/** What greetings go by: what the step says, or else how the call came here, a holiday before closed before busy. */
function momentOfCall(run: Run, call: CallState, mailbox: Mailbox, said: Occasion | undefined): Moment {
  const { system, contacts } = run.world(call);
  const { from } = call.request;
  const contact = from.kind === 'outside' && from.number ? contacts.get(from.number) : undefined;
  const hours = lastOf(call.trace, 'hours');
  const rung = lastOf(call.trace, 'ringing over');
  const busy = rung?.how === 'all on calls';
  const holiday = hours?.holiday === true;
  const closed = hours !== undefined && hours.hoursId !== null && hours.period === null;
  return {
    date: localTime(system.business.timeZone, run.now).date,
    occasion: said ?? (holiday ? 'holiday' : closed ? 'closed' : busy ? 'busy' : 'not answered'),
    period: hours?.period,
    listIds: contact?.listIds ?? [],
    away: everybodyAway(mailbox, system, run.now),
  };
}

/** Whether all who hear a mailbox are away; nobody is nobody's absence. */
export const everybodyAway = (mailbox: Mailbox, system: System, now: number): boolean =>
  mailbox.ownerIds.length > 0 &&
  mailbox.ownerIds.every((id) => {
    const person = system.people[id];
    return person !== undefined && awayAt(person, zoneOf(person, system), now) !== undefined;
  });

/** The greeting has ended: the tone. */
export function tone(run: Run, call: CallIn<'greeting'>): void {
  const { mailboxId } = call;
  if (run.world(call).system.mailboxes[mailboxId]!.noTone) return record(run, call);
  run.begin(call, 'tone', { mailboxId });
  run.say(call, { t: 0, kind: 'tone', mailboxId });
  run.after(call, TONE_MS, 'time out', RANK.timeout);
}

/** The tone has ended: the caller speaks. */
export function record(run: Run, call: CallIn<'greeting'> | CallIn<'tone'>): void {
  const { mailboxId } = call;
  const mailbox = run.world(call).system.mailboxes[mailboxId]!;
  const longest = mailbox.longest * 1000;
  const caller = call.request.behaviour?.caller;
  const speaks = caller ? caller.message * 1000 : longest;
  if (speaks === 0 && !caller?.stays) return run.end(call, 'caller', { kind: 'no message', mailboxId });
  run.begin(call, 'message', { mailboxId });
  call.until = run.now + longest;
  run.say(call, { t: 0, kind: 'recording started', mailboxId });
  const silence = silenceMs(mailbox);
  const stays = caller?.stays ? (silence === null ? longest : speaks + silence) : speaks;
  run.after(call, Math.min(stays, longest), 'time out', RANK.timeout);
}

/** Milliseconds of silence that end a message, or null where none do. */
export const silenceMs = ({ silence }: Mailbox): number | null =>
  silence === null ? null : (silence ?? USUAL_SILENCE_SECONDS) * 1000;

/** The recording has run its time: the caller hung up, was silent for long, or it is as long as it may be. */
export function messageOver(run: Run, call: CallIn<'message'>): void {
  const caller = call.request.behaviour?.caller;
  if (run.now >= (call.until ?? Infinity)) return endMessage(run, call, 'system');
  if (!caller?.stays) return endMessage(run, call, 'caller');
  endMessage(run, call, 'system', run.now - call.since - caller.message * 1000);
}

/** The recording stops. @param silent milliseconds of silence at its end, which are not kept */
export function endMessage(run: Run, call: CallIn<'message'>, by: 'caller' | 'system', silent = 0): void {
  const { mailboxId } = call;
  const ms = Math.max(0, run.now - call.since - silent);
  const seconds = Math.round(ms / 1000);
  if (ms < SHORTEST_MESSAGE_MS) {
    run.say(call, { t: 0, kind: 'not kept', mailboxId, seconds });
    return run.end(call, by, { kind: 'hung up', during: 'message' });
  }
  run.say(call, { t: 0, kind: 'recorded', mailboxId, seconds });
  run.end(call, by, { kind: 'message', mailboxId, seconds });
}
