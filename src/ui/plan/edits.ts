/** The edits of the plan sheet, as commands with their words. */
import { stepInWords } from '$core/answering';
import { branchesOf, whereIs, type Plan, type Step, type StepList } from '$core/system';
import { freshId } from '../ids';
import { session } from '../session.svelte';

/** The kinds of step that can be added, with what each does. */
export const STEP_KINDS: { kind: Step['kind']; name: string; does: string }[] = [
  { kind: 'play', name: 'Play', does: 'the caller hears a recording' },
  { kind: 'ring', name: 'Ring', does: 'people, for so many seconds' },
  { kind: 'hours', name: 'By hours', does: 'a way for each kind of opening time' },
  { kind: 'voicemail', name: 'Voicemail', does: 'the caller leaves a message' },
  { kind: 'end', name: 'End', does: 'hang up, or busy tone' },
];

const named = (step: Step): string => {
  const { verb, what } = stepInWords(step, session.system!);
  return `${verb} ${what}`;
};

function freshStep(kind: Step['kind']): Step {
  const id = freshId('step');
  const system = session.system!;
  const first = (items: Record<string, unknown>): string | null => {
    const ids = Object.keys(items);
    return ids.length === 1 ? ids[0]! : null;
  };
  switch (kind) {
    case 'play':
      return { id, kind, recordingId: null };
    case 'ring': {
      const person = first(system.people);
      return {
        id,
        kind,
        targets: person ? [{ kind: 'person', id: person }] : [],
        pattern: 'together',
        seconds: 18,
        followReach: false,
      };
    }
    case 'hours':
      return {
        id,
        kind,
        hoursId: first(system.hours),
        branches: [{ period: 'Open', steps: [] }],
        otherwise: [],
      };
    case 'voicemail':
      return { id, kind, mailboxId: first(system.mailboxes) };
    case 'end':
      return { id, kind, how: 'plain' };
  }
}

/** Adds a step. @returns its id */
export function addStep(plan: Plan, kind: Step['kind'], place: StepList, index: number): string {
  const step = freshStep(kind);
  const name = STEP_KINDS.find((k) => k.kind === kind)!.name;
  session.edit(`Add “${name}” to ${plan.name}`, [{ do: 'step.add', planId: plan.id, place, index, step }]);
  return step.id;
}

/** Changes a step. @returns what is wrong with the change, or undefined */
export function setStep(plan: Plan, step: Step, field: string): string | undefined {
  const result = session.edit(`${plan.name}: ${named(step)}`, [{ do: 'step.set', planId: plan.id, step }], {
    mergeKey: `${step.id}:${field}`,
    quiet: true,
  });
  return result.ok ? undefined : result.problems[0]?.message;
}

export function removeStep(plan: Plan, step: Step): void {
  const inside = branchesOf(step).flat().length;
  const also = inside ? ` with the ${inside} inside it` : '';
  session.edit(
    `Remove “${named(step)}”${also} from ${plan.name}`,
    [{ do: 'step.remove', planId: plan.id, stepId: step.id }],
    { undoable: true },
  );
}

/** Moves a step by one; at the edge of a branch it goes out of it, next to the step the branch belongs to. */
export function moveStep(plan: Plan, step: Step, by: -1 | 1): void {
  const found = whereIs(plan.steps, step.id);
  if (!found) return;
  let { place, index } = found;
  index += by;
  if (index < 0 || index >= found.list.length) {
    if (!place) return;
    const parent = whereIs(plan.steps, place.parentId)!;
    index = parent.index + (by === 1 ? 1 : 0);
    place = parent.place;
  }
  session.edit(`Move “${named(step)}” in ${plan.name}`, [
    { do: 'step.move', planId: plan.id, stepId: step.id, place, index },
  ]);
}
