/** What answers count for, and what somebody would have to say for a branch. */
import type { AskedTest, AnswerTest, Points, Question } from '../system';
import { isSo, type Answer, type AnsweredBy } from './answers';
import { sayingNo, sayingYes } from './kinds';

/** The points of all that is so. */
export const pointsOf = (points: readonly Points[], answers: readonly Answer[]): number =>
  points.reduce((sum, p) => sum + (isSo(p.test, answers) ? p.points : 0), 0);

/** A test that fits what was asked. */
export const usualTest = ({ label, by }: { label: string; by: AnsweredBy }): AnswerTest =>
  by === '1 to 5'
    ? { is: 'at most', label, n: 2 }
    : by === 'yes or no'
      ? { is: 'yes', label }
      : { is: 'has', label, words: ['urgent'] };

/** What is said where a test is so. */
function saidFor(test: AnswerTest, question: Question | undefined): string {
  switch (test.is) {
    case 'at least':
    case 'at most':
      return String(test.n);
    case 'yes':
      return question ? sayingYes(question) : 'yes';
    case 'no':
      return question ? sayingNo(question) : 'no';
    case 'has':
      return test.words[0]!;
  }
}

/**
 * What somebody says, by the label of what they are asked, who gets into a branch.
 * @returns undefined where nothing that is said opens it
 */
export function saysFor(
  test: AskedTest,
  questions: readonly Question[],
  points: readonly Points[],
): Record<string, string> | undefined {
  const asked = (label: string) => questions.find((q) => q.label.toLowerCase() === label.toLowerCase());
  const says: Record<string, string> = {};
  // A question that is put only after some answer needs that answer.
  const need = (one: AnswerTest, deep = 0): void => {
    const question = asked(one.label);
    if (!question || deep > questions.length) return;
    says[question.label] ??= saidFor(one, question);
    if (question.only) need(question.only, deep + 1);
  };
  if (test.is !== 'points') {
    need(test);
    return Object.keys(says).length ? says : undefined;
  }
  let sum = 0;
  for (const { test: one, points: n } of [...points].sort((a, b) => b.points - a.points)) {
    if (sum >= test.n) break;
    const question = asked(one.label);
    if (n <= 0 || !question || says[question.label] !== undefined) continue;
    need(one);
    sum += n;
  }
  return sum >= test.n && Object.keys(says).length ? says : undefined;
}
