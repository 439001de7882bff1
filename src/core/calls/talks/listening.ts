/** Whoever hears a mailbox listens while a caller speaks into it, and takes the call if they want to. */
import { partyOf, type End } from '../base/talk';
import type { CallIn, CallState, Run } from '../base/state';
import type { NotDone } from '../base/trace';
import { beginTalk, type NewEnd } from './ends';
import type { System } from '../../system';
import { SHORTEST_MESSAGE_MS } from '../mailbox/voicemail';

/** Whether a mailbox is somebody's own, or one they look after. */
export const ownsMailbox = (system: System, mailboxId: string, personId: string): boolean =>
  system.people[personId]?.mailboxId === mailboxId ||
  (system.mailboxes[mailboxId]?.ownerIds.includes(personId) ?? false);

/** Why somebody may not listen to what is being said, or take it; undefined where they may. */
function whyNot(run: Run, call: CallState, { personId }: NewEnd): NotDone | undefined {
  if (call.phase !== 'message') return 'nobody leaves a message there';
  const { system } = run.world(call);
  return personId !== null && ownsMailbox(system, call.mailboxId, personId) ? undefined : 'not your mailbox';
}

/** A phone hears what the caller says; it is not heard. @returns why not */
export function listenIn(run: Run, call: CallState, by: NewEnd): NotDone | undefined {
  const why = whyNot(run, call, by);
  if (why) return why;
  if (call.listening?.some((l) => l.phone === by.phone)) return undefined;
  call.listening = [...(call.listening ?? []), by];
  run.say(call, { t: 0, kind: 'listens in', ...by });
  return undefined;
}

/** It hears it no longer. */
export function listensNoLonger(run: Run, call: CallState, by: NewEnd): undefined {
  if (!call.listening?.some((l) => l.phone === by.phone)) return;
  call.listening = call.listening.filter((l) => l.phone !== by.phone);
  run.say(call, { t: 0, kind: 'listens no longer', ...by });
}

/** Somebody takes the call from the mailbox: what was said until then is kept. @returns why not */
export function takeFromMailbox(run: Run, call: CallIn<'message'>, by: NewEnd): NotDone | undefined {
  const why = whyNot(run, call, by);
  if (why) return why;
  const { mailboxId } = call;
  const ms = run.now - call.since;
  const kind = ms < SHORTEST_MESSAGE_MS ? 'not kept' : 'recorded';
  run.say(call, { t: 0, kind, mailboxId, seconds: Math.round(ms / 1000) });
  run.say(call, { t: 0, kind: 'picked up', ...by });
  run.say(call, { t: 0, kind: 'answered', ...by });
  beginTalk(run, call, by);
  return undefined;
}

/** Between whom sound goes: those in a talk; or who leaves a message, and those who listen in. */
export function soundEnds(
  call: Pick<CallState, 'phase' | 'ends' | 'request' | 'from' | 'listening'>,
): readonly End[] {
  if (call.phase !== 'message' || !call.listening?.length) return call.ends;
  return [
    { n: 1, phone: partyOf(call.request.from, call.from), personId: null },
    ...call.listening.map((l, i): End => ({ n: i + 2, ...l, listens: true })),
  ];
}
