/** The second at which an unanswered call reaches each step, for the margin of the plan sheet. */
import { flatTargets } from '../system/groups';
import type { Plan, Step } from '../system/plans';
import type { System } from '../system/schema';
import { branchesOf } from '../system/steps';
import { recordingSeconds, spokenSeconds } from './spoken';

/**
 * Seconds from arrival at which a call that nobody answers reaches each step, by step id. Where branches of different
 * length join again the later time is given. A ring step is counted with its whole time, as if somebody could be rung; a
 * menu with one hearing of what it says; a queue with the longest wait.
 */
export function arrivalTimes(plan: Plan, system: System): Map<string, number> {
  const times = new Map<string, number>();
  const walk = (steps: readonly Step[], start: number): number => {
    let at = start;
    for (const step of steps) {
      times.set(step.id, at);
      const inside = at + secondsBeforeBranches(step, system);
      const ends = branchesOf(step).map((b) => walk(b, inside));
      at = Math.max(at + stepSeconds(step, system), ...ends);
    }
    return at;
  };
  walk(plan.steps, 0);
  return times;
}

const said = (id: string | null | undefined, system: System): number =>
  id ? recordingSeconds(system.recordings[id]) : 0;

/** Seconds until a call enters a branch of a step. */
function secondsBeforeBranches(step: Step, system: System): number {
  return step.kind === 'menu' ? said(step.recordingId, system) : 0;
}

function stepSeconds(step: Step, system: System): number {
  switch (step.kind) {
    case 'play':
    case 'end':
      return said(step.recordingId, system);
    case 'menu':
      return (said(step.recordingId, system) + step.seconds) * step.tries;
    case 'ring':
      return step.pattern === 'together'
        ? step.seconds
        : step.seconds * flatTargets(step.targets, system).length;
    case 'queue':
      return (step.queueId && system.queues[step.queueId]?.longestWait) || 0;
    case 'forward':
      return step.number ? step.seconds : 0;
    case 'ask':
      return step.questions.reduce((all, q) => all + spokenSeconds(q.says) + ANSWER_SECONDS, 0);
    default:
      return 0;
  }
}

/** So long an answer is reckoned with. Common practice, no source. */
const ANSWER_SECONDS = 5;
