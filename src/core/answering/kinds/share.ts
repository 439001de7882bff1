import type { ShareStep } from '../../system';
import type { StepKind } from './kind';

export const share: StepKind<ShareStep> = {
  name: 'Share out',
  does: 'calls between several ways',
  verb: 'shares out',
  what: (step) =>
    step.branches.length < 2 ? 'to nowhere yet' : step.how === 'in turn' ? 'in turn' : 'by shares',
  opens: (step, branch) =>
    step.how === 'in turn' ? `Turn ${branch + 1}` : `${step.branches[branch]!.share} % of calls`,
  seconds: () => 0,
  waysOn: ({ step, branches, next }) => {
    const open = branches.filter((_, i) => step.how === 'in turn' || step.branches[i]!.share > 0);
    return open.length ? open : [next];
  },
  onward: null,
  lacks: (step, { name }) =>
    step.branches.length > 1
      ? undefined
      : ['no-ways', `${name} shares calls out to one way only`, 'Give it a second way, or remove the step.'],
};
