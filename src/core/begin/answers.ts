/** What is asked of whoever begins, in plain words, and how what they type is read. */
import { readSpans, type Span } from '../hours';
import type { System } from '../system';

interface Asked {
  id: string;
  /** In plain words. */
  ask: string;
  help: string;
}
export type Question = Asked &
  (
    | {
        /** Names, separated by commas: of people there are, or of some to be added. */
        kind: 'people';
        least: number;
        most: number;
        /** Whom it begins with, where there are people already. */
        first?: (people: readonly string[]) => readonly string[];
      }
    | { kind: 'times'; usual: string }
    | { kind: 'words'; usual: string }
    | { kind: 'choice'; choices: readonly (readonly [value: string, text: string])[] }
  );

/** What was typed, by the id of the question. */
export type Answers = Readonly<Record<string, string>>;

/** Somebody named: there already, or to be added. */
export interface Named {
  id: string | null;
  name: string;
}
export interface Read {
  people: Record<string, Named[]>;
  times: Record<string, Span[]>;
  words: Record<string, string>;
}

const LONGEST_NAME = 60;

/** Everybody who has a phone of their own. */
export const staffOf = (system: System): string[] =>
  Object.values(system.people)
    .filter((p) => p.role !== 'shared room')
    .map((p) => p.id);

/** What stands in the field before anything is typed. */
export function usualAnswer(question: Question, system: System): string {
  switch (question.kind) {
    case 'people': {
      const people = staffOf(system).map((id) => system.people[id]!.name);
      return (question.first?.(people) ?? people).slice(0, question.most).join(', ');
    }
    case 'times':
    case 'words':
      return question.usual;
    case 'choice':
      return question.choices[0]![0];
  }
}

/** Who is meant by a name: by the whole of it, or by a first name that only one person has. @param before those named already */
function named(system: System, typed: string, before: readonly Named[]): Named {
  const name = typed.trim().replace(/\s+/g, ' ');
  const there = staffOf(system).map((id): Named => ({ id, name: system.people[id]!.name }));
  const added = before.filter((n) => n.id === null);
  const people = [...there, ...added.filter((n, i) => added.findIndex((m) => m.name === n.name) === i)];
  const same = people.filter((p) => p.name.toLowerCase() === name.toLowerCase());
  const first = people.filter((p) => p.name.toLowerCase().split(' ')[0] === name.toLowerCase());
  const found = same[0] ?? (first.length === 1 ? first[0] : undefined);
  return found ?? { id: null, name };
}

/** @returns what was typed, read; or what is wrong, by the id of the question */
export function readAnswers(
  questions: readonly Question[],
  answers: Answers,
  system: System,
): { ok: true; read: Read } | { ok: false; problems: Record<string, string> } {
  const read: Read = { people: {}, times: {}, words: {} };
  const problems: Record<string, string> = {};
  for (const question of questions) {
    const { id } = question;
    const typed = answers[id] ?? usualAnswer(question, system);
    switch (question.kind) {
      case 'people': {
        const names = typed
          .split(/[,;\n]/)
          .map((n) => n.trim())
          .filter(Boolean);
        const all = names.map((n) => named(system, n, Object.values(read.people).flat()));
        const long = names.find((n) => n.length > LONGEST_NAME);
        const unique = all.filter(
          (n, i) => all.findIndex((m) => m.name.toLowerCase() === n.name.toLowerCase()) === i,
        );
        if (long)
          problems[id] =
            `“${long.slice(0, 20)}…” is longer than ${LONGEST_NAME} letters. Separate names by commas.`;
        else if (unique.length < question.least)
          problems[id] = question.least === 1 ? 'Name somebody.' : `Name at least ${question.least} people.`;
        else if (unique.length > question.most)
          problems[id] = `At most ${question.most} here: more can be added afterwards.`;
        read.people[id] = unique;
        break;
      }
      case 'times': {
        const spans = readSpans(typed);
        if (!spans.ok) problems[id] = spans.message;
        else read.times[id] = spans.spans;
        break;
      }
      case 'words':
        if (!typed.trim()) problems[id] = 'Give it a name.';
        else if (typed.trim().length > LONGEST_NAME) problems[id] = `At most ${LONGEST_NAME} letters.`;
        read.words[id] = typed.trim();
        break;
      case 'choice':
        read.words[id] = question.choices.some(([value]) => value === typed)
          ? typed
          : question.choices[0]![0];
        break;
    }
  }
  return Object.keys(problems).length ? { ok: false, problems } : { ok: true, read };
}
