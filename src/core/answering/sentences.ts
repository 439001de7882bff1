/** Plans in plain words. */
import { targetName } from '../system/groups';
import type { Plan, Step, System } from '../system/schema';

const list = (names: string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** Names of those a ring step rings, in order. */
export const ringNames = (step: Extract<Step, { kind: 'ring' }>, system: System): string[] =>
  step.targets.map((t) => targetName(t, system));

/** One step as a line: a verb in front, then what it does, without what comes after. */
export function stepInWords(step: Step, system: System): { verb: string; what: string } {
  switch (step.kind) {
    case 'play': {
      const recording = step.recordingId ? system.recordings[step.recordingId] : undefined;
      return { verb: 'Play', what: recording ? `“${recording.name}”` : 'nothing yet' };
    }
    case 'hours':
      return {
        verb: 'By hours',
        what: (step.hoursId && system.hours[step.hoursId]?.name) || 'no hours chosen yet',
      };
    case 'ring': {
      const names = ringNames(step, system);
      if (!names.length) return { verb: 'Ring', what: 'nobody yet' };
      const how =
        names.length < 2 ? '' : step.pattern === 'together' ? ', all together' : ', one after the other';
      const each = names.length > 1 && step.pattern === 'in order' ? ' each' : '';
      return { verb: 'Ring', what: `${list(names)}${how}, ${step.seconds} s${each}` };
    }
    case 'voicemail':
      return {
        verb: 'Voicemail',
        what: (step.mailboxId && system.mailboxes[step.mailboxId]?.name) || 'no mailbox chosen yet',
      };
    case 'end':
      return { verb: 'End', what: step.how === 'busy' ? 'with busy tone' : 'the call' };
  }
}

/** A list of steps as one sentence: "Plays “Welcome”, then rings Rosa 18 s, then voicemail Rosa." */
export function planInWords(plan: Plan, system: System): string {
  if (!plan.steps.length) return 'Nothing yet: a caller is cut off.';
  const sentence = stepsInWords(plan.steps, system);
  return sentence[0]!.toUpperCase() + sentence.slice(1) + '.';
}

function stepsInWords(steps: readonly Step[], system: System): string {
  const VERBS: Record<Step['kind'], string> = {
    play: 'plays',
    hours: 'by',
    ring: 'rings',
    voicemail: 'voicemail',
    end: 'ends',
  };
  return steps
    .map((step) => {
      const { what } = stepInWords(step, system);
      if (step.kind !== 'hours') return `${VERBS[step.kind]} ${what}`;
      const branches = step.branches.map(
        (b) => `when ${b.period}: ${stepsInWords(b.steps, system) || 'goes on'}`,
      );
      if (step.otherwise.length) branches.push(`otherwise: ${stepsInWords(step.otherwise, system)}`);
      return `by ${what} (${branches.join('; ')})`;
    })
    .join(', then ');
}
