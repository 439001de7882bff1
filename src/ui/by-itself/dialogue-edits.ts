/** Changing a dialogue: each field is an edit of its own, in words. */
import type { Dialogue, DialogueStep } from '$core/system';
import { freshId } from '../ids';
import { theBusiness } from '../window/session.svelte';

/** @returns what is wrong with it, or undefined where it was taken */
export function setDialogue(
  { id, name }: Dialogue,
  change: Partial<Omit<Dialogue, 'id'>>,
  words: string,
): string | undefined {
  return theBusiness().keep(`${name}: ${words}`, [{ do: 'dialogue.set', id, change }]);
}

export const STEP_KINDS: Record<DialogueStep['kind'], string> = {
  say: 'say something',
  ask: 'ask something',
  task: 'give somebody a task',
  book: 'offer times and book one',
  'hand over': 'hand over to a person',
};

/** A new step, as somebody would want it. @param labels those that are taken */
export function freshStep(kind: DialogueStep['kind'], labels: readonly string[]): DialogueStep {
  const base = { id: freshId('step'), only: null };
  switch (kind) {
    case 'say':
      return { ...base, kind, text: 'Thank you.' };
    case 'ask': {
      let n = 1;
      while (labels.includes(`answer ${n}`)) n++;
      return { ...base, kind, label: `Answer ${n}`, text: 'What is it about?', by: 'words' };
    }
    case 'task':
      return { ...base, kind, personId: null, text: 'Call {name|them}' };
    case 'book':
      return {
        ...base,
        kind,
        calendarId: Object.keys(theBusiness().system.calendars)[0] ?? null,
        text: 'These times are free:',
      };
    case 'hand over':
      return { ...base, kind, personId: null };
  }
}
