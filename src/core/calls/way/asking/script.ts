/** What a caller is asked: by an Ask step, or, after a talk, by the questions of a dialogue. */
import { filled } from '../../../texting';
import type { Dialogue, DialogueStep, Question, SimpleAnswer, System } from '../../../system';
import type { CallState, Run } from '../../base/state';
import { stopOf } from '../../base/stop';

/** A question, or something that is just said. */
export type Line = Question | { id: string; said: string; only?: Question['only'] };

export interface Script {
  lines: readonly Line[];
  answers: readonly SimpleAnswer[];
}

export function scriptOf(run: Run, call: CallState): Script {
  const dialogue = call.afterwards && run.world(call).system.dialogues[call.afterwards.dialogueId];
  if (call.afterwards) return { lines: dialogue ? linesOf(dialogue, run, call) : [], answers: [] };
  const { step } = stopOf(run, call);
  return step.kind === 'ask' ? { lines: step.questions, answers: step.answers } : { lines: [], answers: [] };
}

/** What has an address of the web in it is for texts: nobody hears one. */
const isForReading = (text: string): boolean => /https?:\/\/|www\./i.test(text);

/** What of a dialogue can be put by voice: its questions and what it says, not its tasks, times and those who go on. */
export const isSpoken = (step: DialogueStep): boolean =>
  step.kind === 'ask' || (step.kind === 'say' && !isForReading(step.text));

/** Whether a dialogue asks anything that can be put after a talk. */
export const asksAnything = ({ steps }: Dialogue): boolean => steps.some((s) => s.kind === 'ask');

function linesOf({ steps }: Dialogue, run: Run, call: CallState): Line[] {
  const { system, contacts } = run.world(call);
  const { request, numberId } = call;
  const theirs = request.from.kind === 'outside' ? request.from.number : null;
  const fill = (text: string): string => spokenFields(text, system, contacts.get(theirs ?? ''), numberId);
  return steps.flatMap((step): Line[] => {
    if (!isSpoken(step)) return [];
    const only = step.only ? { only: step.only } : {};
    const { id } = step;
    if (step.kind === 'say') return [{ id, said: fill(step.text), ...only }];
    if (step.kind !== 'ask') return [];
    const { label, by } = step;
    return [{ id, label, says: fill(step.text), by: by === 'words' ? 'voice' : by, ...only }];
  });
}

/** How texts are stopped. */
const FOR_TEXTS = /(?:reply|write|text|send) stop to (?:end|stop) (?:texts|messages)\.?/gi;

function spokenFields(
  text: string,
  { business, numbers }: System,
  contact: { name: string; firm?: string | undefined } | undefined,
  numberId: string | null,
): string {
  const from = (numberId && numbers[numberId]?.e164) || '+10000000000';
  const made = filled(text, { contact, business, by: undefined, from });
  // A field that nothing is known for is not read out, nor what only texts have to say.
  return made.empty
    .reduce((all, field) => all.replaceAll(field, ''), made.text)
    .replace(FOR_TEXTS, '')
    .replace(/\s+/g, ' ')
    .trim();
}
