import { answeringHelp, answerInWords, asksOfCalendar, saysFor } from '../../asking';
import type { AskedTest, AskStep, Question } from '../../system';
import { spokenSeconds } from '../spoken';
import { count, list, type StepKind } from './kind';

/** So long an answer is reckoned with. Common practice, no source. */
const ANSWER_SECONDS = 5;

/** "Urgent is yes", "a time was booked", "at least 3 points". @param questions what was asked before */
export function askedInWords(test: AskedTest, questions: readonly Question[]): string {
  if (test.is === 'points') return `at least ${count(test.n, 'point')}`;
  const by = questions.find((q) => q.label.toLowerCase() === test.label.toLowerCase())?.by;
  if (by === 'free times' && test.is === 'yes') return 'a time was booked';
  if (by === 'free times' && test.is === 'no') return 'no time was booked';
  if (by === 'appointment' && test.is === 'yes') return 'an appointment was given back or moved';
  if (by === 'appointment' && test.is === 'no') return 'no appointment was changed';
  if (by === 'own answers' && test.is === 'yes') return 'an own answer was given';
  if (by === 'own answers' && test.is === 'no') return 'no own answer was known';
  return answerInWords(test);
}

const capital = (words: string): string => words[0]!.toUpperCase() + words.slice(1);

export const ask: StepKind<AskStep> = {
  name: 'Ask',
  does: 'questions, answers to what callers ask, appointments',
  verb: 'asks',
  what: (step) => list(step.questions.map((q) => q.label)) || 'nothing yet',
  detail: (step, system) => {
    const own = step.questions.some((q) => q.by === 'own answers');
    const of = (by: Question['by']) =>
      step.questions.flatMap((q) =>
        q.by === by ? (system.calendars[q.calendarId ?? '']?.name ?? 'a calendar that is not chosen') : [],
      );
    const [book, change] = [of('free times'), of('appointment')];
    return [
      step.answers.length ? `${count(step.answers.length, 'simple answer')} given by itself` : '',
      own ? `answers ${count(Object.keys(system.ownAnswers).length, 'question')} by itself` : '',
      book.length ? `books times of ${list(book)}` : '',
      change.length ? `gives back and moves appointments of ${list(change)}` : '',
    ]
      .filter(Boolean)
      .join(' · ');
  },
  asks: (step) => step.questions.map((q) => ({ label: q.label, help: answeringHelp(q) })),
  opens: (step, branch) => capital(askedInWords(step.branches![branch]!.test, step.questions)),
  seconds: (step) => step.questions.reduce((all, q) => all + spokenSeconds(q.says) + ANSWER_SECONDS, 0),
  secondsToBranch: (step) => ask.seconds(step, undefined as never),
  waysOn: ({ branches, next }) => [...branches, next],
  lacks: (step, { name }) => {
    if (!step.questions.length)
      return ['no-questions', `${name} asks no question`, 'Write a question, or remove the step.'];
    const timeless = step.questions.find((q) => asksOfCalendar(q) && !q.calendarId);
    if (!timeless) return undefined;
    return timeless.by === 'appointment'
      ? [
          'no-calendar',
          `${name} changes appointments of no calendar`,
          'Choose which: until then none is found.',
        ]
      : [
          'no-calendar',
          `${name} offers times of no calendar`,
          'Choose which: until then no time is offered.',
        ];
  },
  openedBy: (step, branch) => {
    const says = saysFor(step.branches![branch]!.test, step.questions, step.points ?? []);
    return { says: says ?? null };
  },
};
