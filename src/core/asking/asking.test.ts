/** Own answers found by words, or none: with other words, other forms and small mistakes; and what opens a branch. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import type { AnswerTest, OwnAnswer, Points, Question } from '../system';
import { answerFor, isSo, pointsOf, readAnswer, saysFor } from '.';

const { ownAnswers } = demoSystem();
const found = (said: string) => answerFor(ownAnswers, said)?.answer.name ?? null;

describe('an own answer is found', () => {
  it.each([
    ['When are you open?', 'When are you open?'],
    ['hello, are you opened on saturdays please', 'When are you open?'],
    ['what time do you close', 'When are you open?'],
    ['wher is your adress', 'Where are you?'],
    ['can I pay with a card', 'How can I pay?'],
    ['is there parkng for my trailer', 'Is there parking?'],
    ['how much is the guest berth', 'What does a night on the guest berth cost?'],
    ['could you store my boat in winter', 'Do you store boats over the winter?'],
  ])('for “%s”', (said, name) => expect(found(said)).toBe(name));
  it.each([
    'my engine does not start',
    'I want to speak with Tomas',
    'is the wedding still on',
    '',
    '???',
    'the',
    '<script>alert(1)</script>',
    '请问',
  ])('and none for “%s”', (said) => expect(found(said)).toBeNull());
  it('in any set of answers a question finds its own answer, as it is written', () => {
    const word = fc.stringMatching(/^[b-df-hj-np-tv-z]{2}[aeo][b-df-hj-np-tv-z]{2}[aeo]n$/);
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.array(word, { minLength: 3, maxLength: 5 }), {
          minLength: 2,
          maxLength: 30,
          selector: (w) => w.join(' '),
        }),
        (lists) => {
          const answers = Object.fromEntries(
            lists.map((words, i): [string, OwnAnswer] => [
              `a${i}`,
              { id: `a${i}`, name: words.join(' '), also: [], says: 'x' },
            ]),
          );
          for (const a of Object.values(answers)) {
            const got = answerFor(answers, a.name);
            // Another with the same words in another order is as good.
            const same = (x: string) => x.split(' ').sort().join(' ');
            expect(got && same(got.answer.name)).toBe(same(a.name));
          }
        },
      ),
      { numRuns: 30 },
    );
  });
});

const question = (label: string, by: Question['by'], only?: Question['only']): Question => ({
  id: label,
  label,
  says: 'x',
  by,
  ...(only ? { only } : {}),
});

describe('what somebody has to say', () => {
  const questions = [
    question('Urgent', 'yes or no'),
    question('How', '1 to 5', { is: 'yes', label: 'Urgent' }),
    question('Reason', 'voice'),
  ];
  it('to get into a branch, with what has to be asked before', () => {
    expect(saysFor({ is: 'at most', label: 'How', n: 2 }, questions, [])).toEqual({
      How: '2',
      Urgent: 'yes',
    });
    expect(saysFor({ is: 'has', label: 'reason', words: ['leak'] }, questions, [])).toEqual({
      Reason: 'leak',
    });
    expect(saysFor({ is: 'yes', label: 'Gone' }, questions, [])).toBeUndefined();
  });
  it('for so many points, and none where they are out of reach', () => {
    const points: Points[] = [
      { test: { is: 'yes', label: 'Urgent' }, points: 2 },
      { test: { is: 'has', label: 'Reason', words: ['leak'] }, points: 1 },
      { test: { is: 'no', label: 'Urgent' }, points: -5 },
    ];
    expect(saysFor({ is: 'points', n: 3 }, questions, points)).toEqual({ Urgent: 'yes', Reason: 'leak' });
    expect(saysFor({ is: 'points', n: 4 }, questions, points)).toBeUndefined();
  });
  it('opens it: what is said is read as what is wanted', () => {
    const tests: AnswerTest[] = [
      { is: 'at least', label: 'How', n: 4 },
      { is: 'at most', label: 'How', n: 2 },
      { is: 'no', label: 'Urgent' },
      { is: 'has', label: 'Reason', words: ['bilge pump'] },
    ];
    for (const test of tests) {
      const says = saysFor(test, questions, [])!;
      const answers = questions.flatMap((q) => {
        const by = q.by === '1 to 5' || q.by === 'yes or no' ? q.by : 'words';
        return says[q.label] ? (readAnswer({ label: q.label, by }, says[q.label]!) ?? []) : [];
      });
      expect(isSo(test, answers)).toBe(true);
    }
  });
});

it('points add up over what is so', () => {
  const answers = [
    { label: 'A', said: 'yes', value: 1 },
    { label: 'B', said: '4', value: 4 },
  ];
  expect(
    pointsOf(
      [
        { test: { is: 'yes', label: 'a' }, points: 2 },
        { test: { is: 'at least', label: 'B', n: 4 }, points: 3 },
        { test: { is: 'at least', label: 'B', n: 5 }, points: 10 },
      ],
      answers,
    ),
  ).toBe(5);
});
