/** The second at which an unanswered call reaches each step, for the margin of the plan sheet. */
import type { Plan, Step } from '../system/shape/plans';
import type { System } from '../system/shape/schema';
import { branchesOf } from '../system/steps';
import { readingOf } from './kinds';

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
      const { seconds, secondsToBranch } = readingOf(step);
      const inside = at + (secondsToBranch?.(step, system) ?? 0);
      const ends = branchesOf(step).map((b) => walk(b, inside));
      at = Math.max(at + seconds(step, system), ...ends);
    }
    return at;
  };
  walk(plan.steps, 0);
  return times;
}
