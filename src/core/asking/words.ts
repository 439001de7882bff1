/** Tests of answers, in words. */
import type { AnswerTest } from '../system';

const quoted = (text: string): string => `“${text}”`;

/** "Satisfied is at least 4". */
export function answerInWords(test: AnswerTest): string {
  switch (test.is) {
    case 'at least':
    case 'at most':
      return `${test.label} is ${test.is} ${test.n}`;
    case 'yes':
    case 'no':
      return `${test.label} is ${test.is}`;
    case 'has':
      return `${test.label} has ${test.words.map(quoted).join(' or ')}`;
  }
}
