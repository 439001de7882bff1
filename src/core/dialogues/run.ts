/** A dialogue as it runs: what it says to what is written, whom it gives what to do, and when it is over. */
import { z } from 'zod';
import { DialogueStep, E164, Id, type Dialogue } from '../system';
import { filledBy, wishOf } from '../texting';
import { isSo, readAnswer } from './answers';

const Answer = z.object({
  label: z.string().max(40),
  said: z.string().max(2000),
  value: z.number().nullable(),
});

export const Run = z.object({
  id: Id,
  dialogueId: Id,
  /** What it was called, and its steps, when it began: what is changed later is for those that begin later. */
  name: z.string().max(80),
  steps: z.array(DialogueStep).max(40),
  /** E.164. */
  ours: E164,
  theirs: E164,
  /** When it began, and until when an answer is waited for; epoch milliseconds. */
  at: z.number(),
  until: z.number(),
  /** The step it is at: a question that waits; past the last when it is over. */
  step: z.number().int().min(0),
  /** How often an answer to that question was not understood. */
  misread: z.number().int().min(0),
  answers: z.array(Answer).max(40),
  state: z.enum(['open', 'done', 'handed over', 'stopped', 'left']),
  /** Who goes on with it. */
  personId: Id.nullable(),
});
export type Run = z.infer<typeof Run>;

/** What comes of what is written. */
export interface Turn {
  run: Run;
  /** Texts that are sent, in order. */
  says: string[];
  tasks: { personId: string | null; text: string }[];
}

/** So often a question is asked again; then a person goes on. Common practice, no source. */
const MOST_MISREAD = 2;
const DAY_MS = 86_400_000;

/** What is known of whom it talks with: the fields of ready-made answers. @returns empty where nothing is */
export type ValueOf = (field: string) => string;

const HELP = {
  words: 'Please write a few words.',
  '1 to 5': 'Please answer with a number from 1 to 5.',
  'yes or no': 'Please answer yes or no.',
} as const;

/** A dialogue that begins. @param at epoch milliseconds */
export function begin(
  { id: dialogueId, name, steps, days }: Dialogue,
  who: { id: string; ours: string; theirs: string },
  at: number,
  valueOf: ValueOf,
): Turn {
  const run: Run = {
    ...who,
    dialogueId,
    name,
    steps,
    at,
    until: at + days * DAY_MS,
    step: 0,
    misread: 0,
    answers: [],
    state: 'open',
    personId: null,
  };
  return goOn({ run, says: [], tasks: [] }, valueOf);
}

/** Does steps until a question waits, or none is left. */
function goOn(turn: Turn, valueOf: ValueOf): Turn {
  let { run } = turn;
  const { says, tasks } = turn;
  const fill = (text: string) =>
    filledBy(
      text,
      (field) => run.answers.findLast((a) => a.label.toLowerCase() === field)?.said ?? valueOf(field),
    ).text;
  for (; run.step < run.steps.length; run = { ...run, step: run.step + 1 }) {
    const step = run.steps[run.step]!;
    if (step.only && !isSo(step.only, run.answers)) continue;
    switch (step.kind) {
      case 'say':
        says.push(fill(step.text));
        break;
      case 'ask':
        says.push(fill(step.text));
        return { run: { ...run, misread: 0 }, says, tasks };
      case 'task':
        tasks.push({ personId: step.personId, text: fill(step.text) });
        break;
      case 'hand over':
        return {
          run: { ...run, step: run.steps.length, state: 'handed over', personId: step.personId },
          says,
          tasks,
        };
    }
  }
  return { run: { ...run, state: 'done' }, says, tasks };
}

/**
 * Somebody answers. A stop ends it, and nothing more is said here: that is answered for itself.
 * @param at epoch milliseconds
 */
export function answer(run: Run, said: string, at: number, valueOf: ValueOf): Turn {
  const none = { says: [], tasks: [] };
  if (run.state !== 'open') return { run, ...none };
  const wish = wishOf(said);
  if (wish === 'stop' || wish === 'refusal') return { run: { ...run, state: 'stopped' }, ...none };
  if (wish) return { run, ...none };
  if (at > run.until) return { run: { ...run, state: 'left' }, ...none };
  const step = run.steps[run.step];
  if (step?.kind !== 'ask') return { run: { ...run, state: 'done' }, ...none };
  const read = readAnswer(step, said);
  if (read)
    return goOn(
      {
        run: {
          ...run,
          step: run.step + 1,
          answers: [...run.answers, { ...read, said: read.said.slice(0, 2000) }],
        },
        ...fresh(),
      },
      valueOf,
    );
  // Whoever writes something else gets a person.
  if (run.misread >= MOST_MISREAD) return { run: { ...run, state: 'handed over' }, ...none };
  return { run: { ...run, misread: run.misread + 1 }, says: [HELP[step.by]], tasks: [] };
}
const fresh = (): { says: string[]; tasks: Turn['tasks'] } => ({ says: [], tasks: [] });

/** Whether a text was still for it: one that was never answered is left. @param at epoch milliseconds */
export const isOpen = (run: Run, at: number): boolean => run.state === 'open' && at <= run.until;
