/** Plans in plain words. */
import { writeNumber } from '../numbering/numbers';
import type { Plan, Step } from '../system/shape/plans';
import type { System } from '../system/shape/schema';
import { listsOf } from '../system/steps';
import { readingOf } from './kinds';
import { list } from './kinds/kind';

/** One step as a line: a verb in front, then what it does, without what comes after. */
export function stepInWords(step: Step, system: System): { verb: string; what: string } {
  const { name, what } = readingOf(step);
  return { verb: name, what: what(step, system) };
}

/** What else is said of a step, on a second line; empty for nothing. */
export const detailInWords = (step: Step, system: System): string =>
  readingOf(step).detail?.(step, system) ?? '';

/** What opens a branch of a step, in words. @param branch counts from 0; -1 is otherwise */
export const branchInWords = (step: Step, branch: number, system: System): string =>
  branch < 0 ? 'Otherwise' : (readingOf(step).opens?.(step, branch, system) ?? '');

/** A list of steps as one sentence: "Plays “Welcome”, then rings Rosa 18 s, then voicemail Rosa." */
export function planInWords(plan: Plan, system: System): string {
  if (!plan.steps.length) return 'Nothing yet: a caller is cut off.';
  const sentence = stepsInWords(plan.steps, system);
  return sentence[0]!.toUpperCase() + sentence.slice(1) + '.';
}

function stepsInWords(steps: readonly Step[], system: System): string {
  return steps
    .map((step) => {
      const { verb, what } = readingOf(step);
      const says = `${verb} ${what(step, system)}`;
      const branches = listsOf(step).flatMap(([branch, inside]) => {
        if (branch === -1 && !inside.length) return [];
        const opens = openingWords(step, branch, system);
        return [`${opens}: ${stepsInWords(inside, system) || 'goes on'}`];
      });
      return branches.length ? `${says} (${branches.join('; ')})` : says;
    })
    .join(', then ');
}

function openingWords(step: Step, branch: number, system: System): string {
  if (branch === -1) return 'otherwise';
  const { opensInSentence } = readingOf(step);
  if (opensInSentence) return opensInSentence(step, branch);
  const words = branchInWords(step, branch, system);
  return words[0]!.toLowerCase() + words.slice(1);
}

/** A plan said line by line, branches indented: to be read out, or pasted into a mail. */
export function explainPlan(plan: Plan, system: System): string {
  const lines: string[] = [`${plan.name}`, ''];
  const numbers = Object.values(system.numbers).filter((n) => n.planId === plan.id);
  if (numbers.length)
    lines.splice(
      1,
      0,
      `Answers ${list(numbers.map((n) => `${n.label}, ${writeNumber(n.e164, system.business.country)}`))}.`,
    );
  const say = (steps: readonly Step[], indent: string) => {
    for (const [i, step] of steps.entries()) {
      const { verb, what } = stepInWords(step, system);
      lines.push(`${indent}${i + 1}. ${verb} ${what}.${step.note ? ` (${step.note})` : ''}`);
      const says = 'recordingId' in step && step.recordingId ? system.recordings[step.recordingId]?.text : '';
      if (says) lines.push(`${indent}   It says: ${says}`);
      for (const [branch, inside] of listsOf(step)) {
        if (branch === -1 && !inside.length) continue;
        const opens = branchInWords(step, branch, system);
        lines.push(`${indent}   ${opens}:${inside.length ? '' : ' goes on.'}`);
        say(inside, `${indent}      `);
      }
    }
  };
  say(plan.steps, '');
  if (!plan.steps.length) lines.push('Nothing yet: a caller is cut off.');
  else lines.push('', 'A branch that runs out goes on with the step after the one it belongs to.');
  return lines.join('\n');
}
