/** A dialogue as it runs: what it says to what is written, whom it gives what to do, and when it is over. */
import { z } from 'zod';
import { DialogueStep, E164, Id, type Dialogue } from '../system';
import { filledBy, wishOf } from '../texting';
import { isSo, readAnswer } from '../asking';

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
  /** Null for a caller who hid their number. */
  theirs: E164.nullable(),
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
  /** Times that were offered last, epoch milliseconds. */
  offers: z.array(z.number()).max(9).optional(),
  /** The call after which it was asked by voice, and which questions were put. */
  callId: Id.optional(),
  put: z.array(z.string().max(40)).max(40).optional(),
  /** The appointment that is to be moved: it stays until there is another. */
  movingId: Id.optional(),
});
export type Run = z.infer<typeof Run>;

/** What comes of what is written. */
export interface Turn {
  run: Run;
  /** Texts that are sent, in order. */
  says: string[];
  tasks: { personId: string | null; text: string }[];
  /** A time that is taken now, with the code that was told. */
  books: { calendarId: string; from: number; code: string } | null;
}

/** So often a question is asked again; then a person goes on. Common practice, no source. */
const MOST_MISREAD = 2;
const DAY_MS = 86_400_000;

/** What it is told by: of whom it talks with, and of calendars. */
export interface Context {
  /** The fields of ready-made answers; empty where nothing is known. */
  valueOf: (field: string) => string;
  /** The next free times of a calendar, or those of a day, ISO. */
  free: (calendarId: string, day: string | null) => readonly number[];
  /** Whether one of them is free still. */
  isFree: (calendarId: string, at: number) => boolean;
  /** A moment as it is said. */
  said: (at: number) => string;
  /** A day as somebody writes it; undefined where it is none. */
  day: (typed: string) => string | undefined;
  /** A code that no other appointment has. */
  code: () => string;
}

/** So many times are offered at once. */
const OFFERED = 3;

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
  context: Context,
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
  return goOn({ run, says: [], tasks: [], books: null }, context);
}

/** Does steps until a question waits, or none is left. */
function goOn(turn: Turn, context: Context): Turn {
  let { run } = turn;
  const { says, tasks, books } = turn;
  const fill = (text: string) =>
    filledBy(
      text,
      (field) => run.answers.findLast((a) => a.label.toLowerCase() === field)?.said ?? context.valueOf(field),
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
        return { run: { ...run, misread: 0 }, says, tasks, books };
      case 'task':
        tasks.push({ personId: step.personId, text: fill(step.text) });
        break;
      case 'book': {
        const offers = step.calendarId ? context.free(step.calendarId, null).slice(0, OFFERED) : [];
        if (!offers.length) {
          says.push('There is no free time left that could be offered. One of us writes to you.');
          return { run: { ...run, step: run.steps.length, state: 'handed over' }, says, tasks, books };
        }
        says.push(offered(fill(step.text), offers, context));
        return { run: { ...run, misread: 0, offers: [...offers] }, says, tasks, books };
      }
      case 'hand over':
        return {
          run: { ...run, step: run.steps.length, state: 'handed over', personId: step.personId },
          says,
          tasks,
          books,
        };
    }
  }
  return { run: { ...run, state: 'done' }, says, tasks, books };
}

/** "1: Tue 24 Nov, 10:00. 2: …" */
const offered = (before: string, offers: readonly number[], { said }: Context): string =>
  `${before} ${offers.map((at, i) => `${i + 1}: ${said(at)}`).join('. ')}. Write the number, or another day.`;

/**
 * Somebody answers. A stop ends it, and nothing more is said here: that is answered for itself.
 * @param at epoch milliseconds
 */
export function answer(run: Run, said: string, at: number, context: Context): Turn {
  const none = { says: [], tasks: [], books: null };
  if (run.state !== 'open') return { run, ...none };
  const wish = wishOf(said);
  if (wish === 'stop' || wish === 'refusal') return { run: { ...run, state: 'stopped' }, ...none };
  if (wish) return { run, ...none };
  if (at > run.until) return { run: { ...run, state: 'left' }, ...none };
  const step = run.steps[run.step];
  if (step?.kind === 'book') return choose(run, step, said, context);
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
      context,
    );
  // Whoever writes something else gets a person.
  if (run.misread >= MOST_MISREAD) return { run: { ...run, state: 'handed over' }, ...none };
  return { ...none, run: { ...run, misread: run.misread + 1 }, says: [HELP[step.by]] };
}
const fresh = (): Omit<Turn, 'run'> => ({ says: [], tasks: [], books: null });

/** One of the offered times is taken, or another day asked for. Offered is not held: what has gone meanwhile is said. */
function choose(
  run: Run,
  step: Extract<DialogueStep, { kind: 'book' }>,
  said: string,
  context: Context,
): Turn {
  const { calendarId } = step;
  const { offers = [] } = run;
  const offer = (before: string, times: readonly number[]): Turn => ({
    run: { ...run, offers: [...times], misread: 0 },
    ...fresh(),
    says: [offered(before, times, context)],
  });
  const [, digit] = /^\s*#?([1-9])\s*[.!)]?\s*$/.exec(said) ?? [];
  const from = digit ? offers[Number(digit) - 1] : undefined;
  if (from !== undefined && calendarId) {
    if (!context.isFree(calendarId, from)) {
      const others = context.free(calendarId, null).slice(0, OFFERED);
      return others.length
        ? offer('That time has just gone. Free are', others)
        : {
            run: { ...run, state: 'handed over' },
            ...fresh(),
            says: ['That time has just gone. One of us writes to you.'],
          };
    }
    const code = context.code();
    const words = context.said(from);
    const answers = [...run.answers, { label: 'Time', said: words, value: null }];
    return goOn(
      {
        run: { ...run, step: run.step + 1, answers },
        ...fresh(),
        says: [
          `${run.movingId ? 'Moved' : 'Booked'}: ${words}. Write OFF ${code} to give it back, MOVE ${code} for another time.`,
        ],
        books: { calendarId, from, code },
      },
      context,
    );
  }
  const day = context.day(said);
  if (day && calendarId) {
    const times = context.free(calendarId, day).slice(0, OFFERED);
    if (times.length) return offer('On that day', times);
    const others = context.free(calendarId, null).slice(0, OFFERED);
    if (others.length) return offer('Nothing is free then, but', others);
  }
  if (run.misread >= MOST_MISREAD) return { run: { ...run, state: 'handed over' }, ...fresh() };
  return {
    run: { ...run, misread: run.misread + 1 },
    ...fresh(),
    says: ['Please write the number of a time, or a day such as 24 November.'],
  };
}
/** Whether a text was still for it: one that was never answered is left. @param at epoch milliseconds */
export const isOpen = (run: Run, at: number): boolean => run.state === 'open' && at <= run.until;
