/** What is left of a dialogue whose questions were put after a talk: the answers, tasks, and what is for reading. */
import { isSo, type Answer } from '../asking';
import { isSpoken, type Trace } from '../calls';
import type { Dialogue, DialogueStepOf } from '../system';
import { filledBy } from '../texting';
import type { Run } from './run';

export interface AfterCall {
  run: Run;
  tasks: { personId: string | null; text: string }[];
  /** Texts to the caller: what nobody would hear, such as an address of the web. */
  texts: string[];
}

/**
 * @param who `theirs` null is a caller who hides their number @param at when the call came, epoch milliseconds
 * @param valueOf the fields of ready-made answers @returns null where nothing was asked afterwards
 */
export function afterCall(
  dialogue: Dialogue,
  trace: Trace,
  who: { id: string; callId: string; ours: string; theirs: string | null },
  at: number,
  valueOf: (field: string) => string,
): AfterCall | null {
  const begun = trace.findIndex((e) => e.kind === 'asked afterwards' && e.dialogueId === dialogue.id);
  if (begun < 0) return null;
  const since = trace.slice(begun);
  const { steps, name, id: dialogueId } = dialogue;
  const asks = steps.filter((s): s is DialogueStepOf<'ask'> => s.kind === 'ask');
  const put = [...new Set(since.flatMap((e) => (e.kind === 'asked' ? e.label : [])))];
  const answers = since.flatMap((e): Answer[] => {
    const by = e.kind === 'noted' ? asks.find((s) => s.label === e.label)?.by : undefined;
    // What was not understood is no answer.
    if (e.kind !== 'noted' || !by || !e.text || (by !== 'words' && e.value === undefined)) return [];
    return [{ label: e.label, said: e.text, value: e.value ?? null }];
  });
  const open = steps.findIndex(
    (s) => s.kind === 'ask' && put.includes(s.label) && !answers.some((a) => a.label === s.label),
  );
  const fill = (text: string): string =>
    filledBy(
      text,
      (field) => answers.findLast((a) => a.label.toLowerCase() === field)?.said ?? valueOf(field),
    ).text;
  const meant = steps.filter((s) => !s.only || isSo(s.only, answers));
  const said = answers.map((a) => `${a.label}: ${a.said}`).join('; ');
  return {
    run: {
      id: who.id,
      dialogueId,
      name,
      steps,
      ours: who.ours,
      theirs: who.theirs,
      callId: who.callId,
      put,
      at: at + since[0]!.t,
      until: at + since.at(-1)!.t,
      step: open < 0 ? steps.length : open,
      misread: 0,
      answers,
      state: open < 0 ? 'done' : 'left',
      personId: null,
    },
    tasks: answers.length
      ? meant.flatMap((s) =>
          s.kind === 'task'
            ? [{ personId: s.personId, text: fill(s.text) }]
            : s.kind === 'hand over'
              ? [{ personId: s.personId, text: `Call back: ${said}` }]
              : [],
        )
      : [],
    texts: answers.length
      ? meant.flatMap((s) => (s.kind === 'say' && !isSpoken(s) ? [fill(s.text)] : []))
      : [],
  };
}
