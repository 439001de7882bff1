/** Where an extension leads. */
import type { ExtensionInUse, PassTarget, System } from '../../system';
import { dialIn } from '../mailbox/inbox';
import { voicemail } from '../mailbox/voicemail';
import { ringGroup, ringPerson } from '../people/people';
import { enterQueue } from '../queues/queueing';
import type { CallState, Run } from '../base/state';

/** The call goes to whatever an extension belongs to. */
export function reachExtension(run: Run, call: CallState, { kind, id }: ExtensionInUse): void {
  switch (kind) {
    case 'person':
      return reachPerson(run, call, id);
    case 'group':
      return ringGroup(run, call, id);
    case 'queue':
      return enterQueue(run, call, id, null);
    case 'plan':
      call.planId = id;
      run.say(call, { t: 0, kind: 'plan', planId: id });
      return run.enter(call, run.world(call).routes.get(id)!.first);
    case 'mailbox':
      // Whoever hears it listens; anybody else has something to leave.
      return hears(run.world(call).system, call, id) ? dialIn(run, call, id) : voicemail(run, call, id);
  }
}

/** Whether a call comes from a phone of one of those who hear a mailbox. */
function hears(system: System, { request: { from } }: CallState, mailboxId: string): boolean {
  const personId = from.kind === 'phone' ? system.phones[from.phoneId]?.personId : undefined;
  return (
    !!personId &&
    (system.people[personId]?.mailboxId === mailboxId ||
      (system.mailboxes[mailboxId]?.ownerIds.includes(personId) ?? false))
  );
}

/** What an extension belongs to, as somewhere a call is passed on to. */
export function asTarget({ kind, id }: ExtensionInUse): PassTarget {
  switch (kind) {
    case 'person':
      return { to: 'person', personId: id };
    case 'group':
      return { to: 'group', groupId: id };
    case 'queue':
      return { to: 'queue', queueId: id };
    case 'plan':
      return { to: 'plan', planId: id };
    case 'mailbox':
      return { to: 'mailbox', mailboxId: id };
  }
}

/** Somebody is dialled: by their own rules, and to their own mailbox in the end. */
export function reachPerson(run: Run, call: CallState, personId: string): void {
  call.onward = { kind: 'own mailbox', personId };
  ringPerson(run, call, personId, null);
}
