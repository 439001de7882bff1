/** Steps of plans as reports name them. */
import { stepInWords } from '../../answering';
import { allSteps, type Plan, type Step, type System } from '../../system';

export interface NamedStep {
  plan: Plan;
  step: Step;
  name: string;
}
/** All steps of all plans, as they are now. */
export const namedSteps = (system: System): NamedStep[] =>
  Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)].map((step) => {
      const { verb, what } = stepInWords(step, system);
      // The keys of a menu stand in rows of their own.
      const says =
        step.kind === 'menu' && step.recordingId ? system.recordings[step.recordingId]?.name : undefined;
      return { plan, step, name: `${plan.name}: ${says ? `${verb} “${says}”` : `${verb} ${what}`}`.trim() };
    }),
  );
