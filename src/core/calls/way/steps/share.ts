import type { ShareStep } from '../../../system';
import { choose, given, open } from '../../rules/chance';
import type { CallState, Run } from '../../base/state';
import type { Walk } from './kind';

export const share: Walk<ShareStep> = (run, call, { step, branches, next }) => {
  const i = shareOut(run, call, step);
  return i < 0 ? next : branches[i]!;
};

/** The branch a call is given when calls are shared out, or -1 where there is none. */
function shareOut(run: Run, call: CallState, step: ShareStep): number {
  const many = step.branches.length;
  if (!many) return -1;
  if (step.how === 'in turn') {
    const branch = given(call, many) ?? ((run.memory.lastBranch[step.id] ?? -1) + 1) % many;
    run.memory.lastBranch[step.id] = branch;
    run.say(call, { t: 0, kind: 'shared', stepId: step.id, branch, among: step.branches.map((_, i) => i) });
    return branch;
  }
  const weights = step.branches.map((b) => b.share);
  const branch = choose(call, weights);
  if (branch >= 0) run.say(call, { t: 0, kind: 'shared', stepId: step.id, branch, among: open(weights) });
  return branch;
}
