/** A mailbox takes a message: greeting, tone, what the caller says. */
import { spokenSeconds } from '../answering';
import type { Occasion } from '../system';
import { RANK, type CallState, type Run } from './state';

/** The tone after a greeting, in milliseconds. */
const TONE_MS = 500;
/** A greeting of the system's own, for a mailbox that has none: milliseconds. */
const PLAIN_GREETING_MS = 4000;
/** A message shorter than this is not kept, in milliseconds: somebody changed their mind. Common practice, no source. */
export const SHORTEST_MESSAGE_MS = 2000;
/** What is said before the greeting where a step gives a reason. */
const REASONS: Record<Occasion, string> = {
  'not answered': '',
  busy: 'We are on other calls.',
  closed: 'We are closed now.',
  holiday: 'We are closed for the holiday.',
};

/** The call comes to a mailbox that is there. */
export function voicemail(run: Run, call: CallState, mailboxId: string, occasion?: Occasion): void {
  const world = run.world(call);
  const { greetingId } = world.system.mailboxes[mailboxId]!;
  const reason = occasion ? spokenSeconds(REASONS[occasion]) * 1000 : 0;
  const ms = reason + ((greetingId && world.promptMs.get(greetingId)) || PLAIN_GREETING_MS);
  call.mailboxId = mailboxId;
  run.begin(call, 'greeting');
  call.until = run.now + ms;
  run.say(call, {
    kind: 'greeting started',
    mailboxId,
    recordingId: greetingId,
    ...(occasion ? { occasion } : {}),
  });
  run.after(call, ms, 'time out', RANK.timeout);
}

/** The greeting has ended: the tone. */
export function tone(run: Run, call: CallState): void {
  run.begin(call, 'tone');
  run.say(call, { kind: 'tone', mailboxId: call.mailboxId! });
  run.after(call, TONE_MS, 'time out', RANK.timeout);
}

/** The tone has ended: the caller speaks. */
export function record(run: Run, call: CallState): void {
  const mailboxId = call.mailboxId!;
  const longest = run.world(call).system.mailboxes[mailboxId]!.longest * 1000;
  const speaks = call.request.behaviour ? call.request.behaviour.caller.message * 1000 : longest;
  if (speaks === 0) return run.end(call, 'caller', { kind: 'no message', mailboxId });
  run.begin(call, 'message');
  call.until = run.now + longest;
  run.say(call, { kind: 'recording started', mailboxId });
  run.after(call, Math.min(speaks, longest), 'time out', RANK.timeout);
}

/** The recording stops: by the caller, or because it is as long as it may be. */
export function endMessage(run: Run, call: CallState, by: 'caller' | 'system'): void {
  const mailboxId = call.mailboxId!;
  const ms = run.now - call.since;
  const seconds = Math.round(ms / 1000);
  if (ms < SHORTEST_MESSAGE_MS) {
    run.say(call, { kind: 'not kept', mailboxId, seconds });
    return run.end(call, by, { kind: 'hung up', during: 'message' });
  }
  run.say(call, { kind: 'recorded', mailboxId, seconds });
  run.end(call, by, { kind: 'message', mailboxId, seconds });
}
