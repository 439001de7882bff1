/** Checks of dialogues by text: words that are never heard, and questions that nobody is left to see the answers of. */
import { asksAnything } from '../../calls';
import { wrongWords } from '../../dialogues';
import type { Check, Finding } from '../finding';

export const dialogues: Check = ({ system }) => {
  const all = Object.values(system.dialogues);
  const afterwards = new Set(Object.values(system.numbers).flatMap((n) => n.afterwardsId ?? []));
  const begun = new Set([
    ...afterwards,
    ...Object.values(system.followUps).flatMap((f) =>
      f.then.flatMap((t) => (t.do === 'ask' ? (t.dialogueId ?? []) : [])),
    ),
  ]);
  return all.flatMap((one): Finding[] => {
    const found: Finding[] = [];
    const add = (what: string, severity: Finding['severity'], title: string, detail: string) =>
      found.push({
        id: `dialogue:${what}:${one.id}`,
        severity,
        place: { kind: 'dialogue', id: one.id },
        title,
        detail,
      });
    const wrong = wrongWords(one.words);
    if (wrong) add('words', 'warning', `${one.name} waits for a word that it never hears`, wrong);
    if (!one.words.length && !begun.has(one.id))
      add(
        'never',
        'hint',
        `Nothing begins the dialogue ${one.name}`,
        'Give it words, let a follow-up begin it, or let a number ask it after a talk.',
      );
    if (afterwards.has(one.id) && !asksAnything(one))
      add(
        'unasked',
        'warning',
        `${one.name} asks nothing that could be asked after a talk`,
        'Give it a question, or choose another dialogue for the number.',
      );
    const earlier = all
      .slice(0, all.indexOf(one))
      .find((other) =>
        other.words.some((w) => one.words.some((mine) => mine.toLowerCase() === w.toLowerCase())),
      );
    if (earlier)
      add(
        'same',
        'warning',
        `${one.name} has a word that begins ${earlier.name}`,
        'The first of the two is begun, and never the other by that word.',
      );
    return found;
  });
};
