/** Where an extension leads. */
import type { ExtensionInUse, PassTarget } from '../../system';
import { ringGroup, ringPerson } from '../people/people';
import { enterQueue } from '../queues/queueing';
import type { CallState, Run } from '../base/state';

/** The call goes to whatever an extension belongs to. */
export function reachExtension(run: Run, call: CallState, { kind, id }: ExtensionInUse): void {
  if (kind === 'person') return reachPerson(run, call, id);
  if (kind === 'group') return ringGroup(run, call, id);
  if (kind === 'queue') return enterQueue(run, call, id, null);
  call.planId = id;
  run.say(call, { t: 0, kind: 'plan', planId: id });
  run.enter(call, run.world(call).routes.get(id)!.first);
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
  }
}

/** Somebody is dialled: by their own rules, and to their own mailbox in the end. */
export function reachPerson(run: Run, call: CallState, personId: string): void {
  call.onward = { kind: 'own mailbox', personId };
  ringPerson(run, call, personId, null);
}
