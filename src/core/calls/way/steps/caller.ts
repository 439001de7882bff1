import type { CallerStep, CallerTest } from '../../../system';
import type { CallState, Run } from '../../base/state';
import { isBlocked } from '../../people/unwanted';
import type { Walk } from './kind';

export const caller: Walk<CallerStep> = (run, call, { step, branches, otherwise }) => {
  const i = branchFor(run, call, step);
  run.say(call, { t: 0, kind: 'caller', stepId: step.id, branch: i < 0 ? null : i });
  return i < 0 ? otherwise : branches[i]!;
};

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
