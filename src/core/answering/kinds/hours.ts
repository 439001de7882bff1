import { kindsOf } from '../../hours';
import { periodInWords } from '../../hours/words';
import type { HoursStep } from '../../system';
import type { StepKind } from './kind';

export const hours: StepKind<HoursStep> = {
  name: 'By hours',
  does: 'a way for each kind of opening time',
  verb: 'by',
  what: (step, system) => (step.hoursId && system.hours[step.hoursId]?.name) || 'no hours chosen yet',
  opens: (step, branch, system) => {
    const { period } = step.branches[branch]!;
    const set = step.hoursId ? system.hours[step.hoursId] : undefined;
    return set ? `${period} · ${periodInWords(set, period)}` : period;
  },
  opensInSentence: (step, branch) => `when ${step.branches[branch]!.period}`,
  seconds: () => 0,
  waysOn: ({ branches, otherwise }) => [...branches, otherwise],
  onward: null,
  lacks: (step, { name }, system) => {
    const set = step.hoursId ? system.hours[step.hoursId] : undefined;
    if (!set)
      return [
        'no-hours',
        `${name} asks hours that are not chosen`,
        'Every call goes the way of “otherwise”.',
      ];
    const kinds = kindsOf(set);
    const stray = step.branches.find((b) => !kinds.includes(b.period));
    return (
      stray && [
        'stray-branch',
        `“${stray.period}” never comes in ${set.name}`,
        `No call to ${name} takes that branch.`,
      ]
    );
  },
};
