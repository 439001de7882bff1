/** Conversations by text that go by themselves: answers to words, small questions and surveys, with a person at their end. */
import { z } from 'zod';
import { AnswerTest } from './asking';
import { Id, name, text } from './primitives';

const base = {
  id: Id,
  /** Only where an answer was so; null is always. */
  only: AnswerTest.nullable(),
};

export const DialogueStep = z.discriminatedUnion('kind', [
  z.object({ ...base, kind: z.literal('say'), text: text(1600).min(1, 'Write what it says.') }),
  z.object({
    ...base,
    kind: z.literal('ask'),
    /** What the answer is kept as. */
    label: text(40).min(1, 'Say what the answer is called.'),
    text: text(1000).min(1, 'Write the question.'),
    by: z.enum(['words', '1 to 5', 'yes or no']),
  }),
  z.object({
    ...base,
    kind: z.literal('task'),
    personId: Id.nullable(),
    text: text(300).min(1, 'Write what is to be done.'),
  }),
  /** Free times of a calendar are offered, and one is made an appointment. */
  z.object({
    ...base,
    kind: z.literal('book'),
    calendarId: Id.nullable(),
    text: text(400).min(1, 'Write what it asks.'),
  }),
  /** A person goes on from here; it waits for them among the conversations. */
  z.object({ ...base, kind: z.literal('hand over'), personId: Id.nullable() }),
]);

export const Dialogue = z.object({
  id: Id,
  name,
  /** A text with one of these begins it; none where only a follow-up does. */
  words: z.array(text(40).min(1)).max(30, 'At most 30 words.'),
  /** To which numbers of ours; none is all. */
  numberIds: z.array(Id).max(200),
  steps: z.array(DialogueStep).min(1, 'Give it a step.').max(40, 'At most 40 steps.'),
  /** Days for which an answer is waited for. */
  days: z
    .number('Type a number of days.')
    .int('Whole days only.')
    .min(1, 'At least 1 day.')
    .max(30, 'At most 30 days.'),
});

export type DialogueStep = z.infer<typeof DialogueStep>;
export type DialogueStepOf<K extends DialogueStep['kind']> = Extract<DialogueStep, { kind: K }>;
export type Dialogue = z.infer<typeof Dialogue>;
