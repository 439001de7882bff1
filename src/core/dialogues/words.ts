/** A dialogue as sentences, a step a line. */
import { answerInWords } from '../asking';
import type { AnswerTest, Dialogue, DialogueStep, System } from '../system';

const quoted = (text: string): string => `“${text}”`;

/** "where Satisfied is at least 4". */
export const testInWords = (test: AnswerTest): string => `where ${answerInWords(test)}`;

/** "Ask “How was it?”, 1 to 5, kept as Satisfied". */
export function stepSays(step: DialogueStep, system: System): string {
  const name = (id: string | null) => (id && system.people[id]?.name) || 'anybody';
  const say = (): string => {
    switch (step.kind) {
      case 'say':
        return `say ${quoted(step.text)}`;
      case 'ask':
        return `ask ${quoted(step.text)}, answered by ${step.by === 'words' ? 'words' : step.by}, kept as ${step.label}`;
      case 'task':
        return `give ${name(step.personId)} the task ${quoted(step.text)}`;
      case 'book':
        return `offer times of ${(step.calendarId && system.calendars[step.calendarId]?.name) || 'a calendar that is not chosen'}, ${quoted(step.text)}, kept as Time`;
      case 'hand over':
        return `hand over to ${name(step.personId)}`;
    }
  };
  const words = step.only ? `${testInWords(step.only)}: ${say()}` : say();
  return words.replace(/^./, (c) => c.toUpperCase());
}

/** How it begins: "When a text has “price”". */
export const beginsInWords = ({ words, numberIds }: Dialogue, system: System): string =>
  words.length
    ? `When a text${numberIds.length ? ` to ${numberIds.map((id) => system.numbers[id]?.label ?? 'a removed number').join(' or ')}` : ''} has ${words.map(quoted).join(' or ')}`
    : 'Begun by a follow-up only';
