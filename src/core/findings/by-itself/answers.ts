/** Checks of own answers: those that nobody tells, those that are missing where a plan tells them, and two for one question. */
import { answerFor } from '../../asking';
import { allSteps } from '../../system';
import type { Check, Finding } from '../finding';

export const answers: Check = ({ system }) => {
  const all = Object.values(system.ownAnswers);
  const telling = Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)].flatMap((step) =>
      step.kind === 'ask' && step.questions.some((q) => q.by === 'own answers') ? [{ plan, step }] : [],
    ),
  );
  if (!all.length)
    return telling.map(({ plan, step }): Finding => ({
      id: `answers:none:${step.id}`,
      severity: 'warning',
      place: { kind: 'plan', id: plan.id, stepId: step.id },
      title: `${plan.name} answers what callers ask, and there are no own answers`,
      detail: 'Every caller hears that it does not know: write some under Own answers.',
    }));
  const untold: Finding[] = telling.length
    ? []
    : [
        {
          id: 'answers:untold',
          severity: 'hint',
          place: { kind: 'own answer', id: all[0]!.id },
          title: 'No plan tells your own answers',
          detail: 'Let an Ask step of a plan ask what callers would like to know.',
        },
      ];
  const taken = all.flatMap((one): Finding[] => {
    const found = answerFor(system.ownAnswers, one.name)?.answer;
    return found && found.id !== one.id
      ? [
          {
            id: `answers:taken:${one.id}`,
            severity: 'warning',
            place: { kind: 'own answer', id: one.id },
            title: `“${one.name}” is answered by “${found.name}”`,
            detail: 'They are too much alike: put both into one, or use words that only one of them has.',
          },
        ]
      : [];
  });
  return [...untold, ...taken];
};
