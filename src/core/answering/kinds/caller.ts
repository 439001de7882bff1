import type { CallerStep, CallerTest, System } from '../../system';
import type { StepKind } from './kind';

/** Who is meant by a test of the caller, in words. */
export function testInWords(test: CallerTest, system: System): string {
  switch (test.is) {
    case 'listed':
      return `On the list ${system.lists[test.listId]?.name ?? 'since removed'}`;
    case 'known':
      return 'A contact';
    case 'from':
      return `From ${test.prefix}…`;
    case 'hidden':
      return 'Number hidden';
    case 'suspected':
      return 'Suspected spam';
    case 'blocked':
      return 'Blocked';
  }
}

export const caller: StepKind<CallerStep> = {
  name: 'By caller',
  does: 'a way for each kind of caller',
  verb: 'by',
  what: (step) => (step.branches.length ? 'who it is' : 'nothing asked yet'),
  opens: (step, branch, system) => testInWords(step.branches[branch]!.test, system),
  seconds: () => 0,
  waysOn: ({ branches, otherwise }) => [...branches, otherwise],
  onward: null,
  lacks: (step, { name }) =>
    step.branches.length
      ? undefined
      : ['no-tests', `${name} asks nothing of the caller`, 'Every call goes the way of “otherwise”.'],
  openedBy: (step, branch) => ({ test: step.branches[branch]!.test }),
};
