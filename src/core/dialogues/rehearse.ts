/** A dialogue rehearsed: what somebody writes, and what would be said to it and done. Nothing is sent. */
import { writeNumber } from '../numbering';
import type { Dialogue, System } from '../system';
import { answerTo, wishOf } from '../texting';
import { answer, begin, type Context, type Turn } from './run';
import { beganBy } from './which';

export interface Line {
  who: 'they' | 'it' | 'note';
  text: string;
}

/** @param written what they write, in order @param who the numbers of both sides, E.164 @param at when, epoch milliseconds */
export function rehearsed(
  dialogue: Dialogue,
  written: readonly string[],
  who: { ours: string; theirs: string },
  at: number,
  system: System,
  context: Context,
): Line[] {
  const lines: Line[] = [];
  const alone = { ...system, dialogues: { [dialogue.id]: dialogue } };
  const { business } = system;
  const name = (id: string | null) => (id ? system.people[id]?.name : undefined);
  let turn: Turn | undefined;
  const tell = (next: Turn): void => {
    for (const text of next.says) lines.push({ who: 'it', text });
    for (const { personId, text } of next.tasks)
      lines.push({ who: 'note', text: `Task of ${name(personId) ?? 'anybody'}: ${text}` });
    const { state, personId } = next.run;
    if (state === 'handed over')
      lines.push({ who: 'note', text: `${name(personId) ?? 'A person'} goes on: it waits among the texts.` });
    if (state === 'done') lines.push({ who: 'note', text: 'It is over.' });
    turn = next;
  };
  const start = (): void => tell(begin(dialogue, { id: 'rehearsed', ...who }, at, context));
  // A dialogue that only a follow-up begins has the first word itself.
  if (!dialogue.words.length) start();
  for (const text of written) {
    lines.push({ who: 'they', text });
    if (wishOf(text)) {
      if (turn) turn = answer(turn.run, text, at, context);
      const number = writeNumber(who.ours, business.country);
      const answered = answerTo(text, at, { business: business.name, number, lastAt: -Infinity });
      if (answered) lines.push({ who: 'it', text: answered });
    } else if (turn?.run.state === 'open') tell(answer(turn.run, text, at, context));
    else if (beganBy(text, who.ours, alone)) start();
    else lines.push({ who: 'note', text: 'It knows nothing of that: a person gets it.' });
  }
  return lines;
}
