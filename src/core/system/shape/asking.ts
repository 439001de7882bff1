/** What is asked of callers and of those who write, and the business's own answers to what they ask. */
import { z } from 'zod';
import { Id, text } from './primitives';

const label = text(40).min(1);

/** What an answer must be for something to be done; it was asked for before. */
export const AnswerTest = z.discriminatedUnion('is', [
  z.object({ is: z.literal('at least'), label, n: z.number().int().min(1).max(5) }),
  z.object({ is: z.literal('at most'), label, n: z.number().int().min(1).max(5) }),
  /** Of what is answered by yes or no; of free times, that one was booked; of own answers, that one was known; of an appointment, that it was given back or moved. */
  z.object({ is: z.literal('yes'), label }),
  z.object({ is: z.literal('no'), label }),
  z.object({ is: z.literal('has'), label, words: z.array(text(40).min(1)).min(1).max(20) }),
]);

/** A question put to the caller; the answer is kept as a note on the call. */
export const Question = z.object({
  id: Id,
  /** What the note is called: Name, Boat. */
  label: text(40).min(1, 'Say what the note is called.'),
  says: text(300).min(1, 'Write the question.'),
  /**
   * Words; digits ended with #; 1 to 5 or yes or no, by key or word; anything, which is answered from the business's own
   * answers as long as the caller asks; one of the free times of a calendar; the code of an appointment they have in it, to give
   * it back or have another time.
   */
  by: z.enum(['voice', 'keys', '1 to 5', 'yes or no', 'own answers', 'free times', 'appointment']),
  /** Put only where an earlier answer was so; absent is always. */
  only: AnswerTest.optional(),
  /** Whose free times are offered, and whose appointments are changed. */
  calendarId: Id.nullable().optional(),
});

/** A simple answer to a common question, given where what the caller says holds one of the words. */
export const SimpleAnswer = z.object({
  words: z.array(text(40).min(1)).min(1, 'Give it a word.').max(20),
  says: text(500).min(1, 'Write the answer.'),
});

/** So many points for an answer that is so. */
export const Points = z.object({
  test: AnswerTest,
  points: z.number('Type a number of points.').int('Whole points only.').min(-100).max(100),
});

/** What opens a branch after the last question: an answer, or so many points. */
export const AskedTest = z.discriminatedUnion('is', [
  ...AnswerTest.options,
  z.object({
    is: z.literal('points'),
    n: z.number('Type a number of points.').int('Whole points only.').min(-1000).max(1000),
  }),
]);

/** A question that callers ask, in other words too, and what they are told. */
export const OwnAnswer = z.object({
  id: Id,
  /** As somebody would ask. */
  name: text(120).min(1, 'Write the question.'),
  /** Other ways to ask the same. */
  also: z.array(text(120).min(1)).max(20, 'At most 20 ways to ask.'),
  says: text(500).min(1, 'Write the answer.'),
});

export type AnswerTest = z.infer<typeof AnswerTest>;
export type AskedTest = z.infer<typeof AskedTest>;
export type Question = z.infer<typeof Question>;
export type SimpleAnswer = z.infer<typeof SimpleAnswer>;
export type Points = z.infer<typeof Points>;
export type OwnAnswer = z.infer<typeof OwnAnswer>;
