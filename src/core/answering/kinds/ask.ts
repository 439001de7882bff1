import type { AskStep } from '../../system';
import { spokenSeconds } from '../spoken';
import { count, goesOn, list, type StepKind } from './kind';

/** So long an answer is reckoned with. Common practice, no source. */
const ANSWER_SECONDS = 5;

export const ask: StepKind<AskStep> = {
  name: 'Ask',
  does: 'name, reason or number, kept as notes',
  verb: 'asks',
  what: (step) => list(step.questions.map((q) => q.label)) || 'nothing yet',
  detail: (step) =>
    step.answers.length ? `${count(step.answers.length, 'simple answer')} given by itself` : '',
  asks: (step) => step.questions.map((q) => q.label),
  seconds: (step) => step.questions.reduce((all, q) => all + spokenSeconds(q.says) + ANSWER_SECONDS, 0),
  waysOn: goesOn,
  lacks: (step, { name }) =>
    step.questions.length
      ? undefined
      : ['no-questions', `${name} asks no question`, 'Write a question, or remove the step.'],
};
