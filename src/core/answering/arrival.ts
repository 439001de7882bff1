/** The second at which an unanswered call reaches each step, for the margin of the plan sheet. */
import { flatTargets } from '../system/groups';
import type { Plan, Step, System } from '../system/schema';
import { spokenSeconds } from './spoken';

/**
 * Seconds from arrival at which a call that nobody answers reaches each step, by step id. Where branches of different
 * length join again the later time is given. A ring step is counted with its whole time, as if somebody could be rung.
 */
export function arrivalTimes(plan: Plan, system: System): Map<string, number> {
  const times = new Map<string, number>();
  const walk = (steps: readonly Step[], start: number): number => {
    let at = start;
    for (const step of steps) {
      times.set(step.id, at);
      at += step.kind === 'hours' ? 0 : stepSeconds(step, system);
      if (step.kind === 'hours') {
        const ends = [...step.branches.map((b) => b.steps), step.otherwise].map((b) => walk(b, at));
        at = Math.max(at, ...ends);
      }
    }
    return at;
  };
  walk(plan.steps, 0);
  return times;
}

function stepSeconds(step: Exclude<Step, { kind: 'hours' }>, system: System): number {
  if (step.kind === 'play')
    return step.recordingId ? spokenSeconds(system.recordings[step.recordingId]?.text ?? '') : 0;
  if (step.kind === 'ring')
    return step.pattern === 'together'
      ? step.seconds
      : step.seconds * flatTargets(step.targets, system).length;
  return 0;
}
