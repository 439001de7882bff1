/** What an edit touches: whoever meets that is looked at first where not all can be. */
import { allSteps, type Step, type System } from '../system';
import { same, text } from './same';

/** Sections whose objects lead calls on to others: where those are touched, so are they. */
const LEAD_ON = ['groups', 'queues', 'rotas', 'mailboxes', 'people', 'phones', 'plans'] as const;
/** Sections whose objects are named by others. */
const NAMED = [...LEAD_ON, 'hours', 'recordings', 'lists'] as const;

export interface Touched {
  /** Whether a step, the steps in its branches aside, is another one or names something that is. */
  step: (step: Step) => boolean;
  /** Whether an object is another one, or leads on to one that is. */
  object: (id: string) => boolean;
}

/** What is not the same in two systems. */
export function touchedBetween(before: System, after: System): Touched {
  const changed = new Set<string>();
  for (const section of NAMED) {
    const [old, young]: Record<string, unknown>[] = [before[section], after[section]];
    for (const id of Object.keys({ ...old, ...young })) if (!same(old![id], young![id])) changed.add(id);
  }
  const names = (text: string): boolean => [...changed].some((id) => text.includes(`"${id}"`));
  for (let grew = changed.size > 0; grew;) {
    grew = false;
    for (const section of LEAD_ON)
      for (const [id, object] of [...Object.entries(before[section]), ...Object.entries(after[section])])
        if (!changed.has(id) && names(text(object))) {
          changed.add(id);
          grew = true;
        }
  }
  const [was, is] = [ownTexts(before), ownTexts(after)];
  return {
    step: (step) => was.get(step.id) !== is.get(step.id) || names(ownText(step)),
    object: (id) => changed.has(id),
  };
}

/** A step as text, without the steps in its branches. */
const ownText = (step: Step): string =>
  JSON.stringify(step, (key, value: unknown) => (key === 'steps' || key === 'otherwise' ? undefined : value));

const ownTexts = (system: System): Map<string, string> =>
  new Map(
    Object.values(system.plans).flatMap((p) =>
      [...allSteps(p.steps)].map((s) => [s.id, ownText(s)] as const),
    ),
  );
