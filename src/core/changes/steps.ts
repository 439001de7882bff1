/** How the steps of a plan differ: which came, went, say something else, or stand elsewhere. */
import { branchInWords, detailInWords, stepInWords } from '../answering';
import { allSteps, listsOf, whereIs, type Plan, type Step, type StepList, type System } from '../system';
import { whatDiffers } from './values';

export interface StepChange {
  stepId: string;
  what: 'new' | 'gone' | 'changed' | 'moved';
  was: string | null;
  is: string | null;
}

/** A step by itself: what it does, its detail, and what its branches are opened by; not what stands below them. */
function inWords(step: Step, system: System): string[] {
  const { verb, what } = stepInWords(step, system);
  const detail = detailInWords(step, system);
  const opened = listsOf(step).flatMap(([branch]) =>
    branch < 0 ? [] : [branchInWords(step, branch, system)],
  );
  return [
    `${verb} ${what}`.trim(),
    ...detail.split(' · '),
    opened.length ? `by ${opened.join(', ')}` : '',
    step.note ?? '',
  ].filter(Boolean);
}

/** A step without what stands below it: two that are alike are the same step. */
function alone(step: Step): string {
  const bare: Record<string, unknown> = { ...step };
  delete bare['otherwise'];
  if (Array.isArray(bare['branches']))
    bare['branches'] = (bare['branches'] as { steps: unknown }[]).map(({ steps: _, ...opens }) => opens);
  return JSON.stringify(bare);
}

const placeOf = (place: StepList): string => (place ? `${place.parentId} ${place.branch}` : '');

/** Steps that both have, list by list, in the order of each; of a list in another order the fewest that had to move are told. */
function movedIn(before: Plan, after: Plan, common: ReadonlySet<string>): Set<string> {
  const moved = new Set<string>();
  const lists = (plan: Plan) => {
    const found = new Map<string, string[]>();
    for (const { id } of allSteps(plan.steps)) {
      if (!common.has(id)) continue;
      const place = placeOf(whereIs(plan.steps, id)!.place);
      found.set(place, [...(found.get(place) ?? []), id]);
    }
    return found;
  };
  const [was, is] = [lists(before), lists(after)];
  const home = new Map([...was].flatMap(([place, ids]) => ids.map((id) => [id, place] as const)));
  for (const [place, ids] of is) {
    for (const id of ids) if (home.get(id) !== place) moved.add(id);
    const stayed = ids.filter((id) => home.get(id) === place);
    const order = (was.get(place) ?? []).filter((id) => stayed.includes(id));
    // Those of the longest run that kept its order have not moved.
    const at = stayed.map((id) => order.indexOf(id));
    const best: number[][] = [];
    for (const [i, n] of at.entries()) {
      const longest = best.slice(0, i).filter((run) => at[run.at(-1)!]! < n);
      best.push([...longest.reduce((a, b) => (b.length > a.length ? b : a), [] as number[]), i]);
    }
    const kept = new Set(best.reduce((a, b) => (b.length > a.length ? b : a), [] as number[]));
    for (const [i, id] of stayed.entries()) if (!kept.has(i)) moved.add(id);
  }
  return moved;
}

/** @param was the plan and the system it was in; likewise `is` */
export function stepChanges(was: readonly [Plan, System], is: readonly [Plan, System]): StepChange[] {
  const [before, then] = was;
  const [after, now] = is;
  const old = new Map([...allSteps(before.steps)].map((s) => [s.id, s]));
  const fresh = new Map([...allSteps(after.steps)].map((s) => [s.id, s]));
  const common = new Set([...old.keys()].filter((id) => fresh.has(id)));
  const moved = movedIn(before, after, common);
  const changes: StepChange[] = [];
  for (const [stepId, step] of fresh) {
    const had = old.get(stepId);
    if (!had) {
      changes.push({ stepId, what: 'new', was: null, is: inWords(step, now).join('; ') });
      continue;
    }
    const [a, b] = [inWords(had, then), inWords(step, now)];
    if (alone(had) !== alone(step)) {
      const { was, is } = whatDiffers(a, b);
      changes.push({ stepId, what: 'changed', was, is: was === is ? `${is}, changed` : is });
    }
    if (moved.has(stepId)) changes.push({ stepId, what: 'moved', was: a[0]!, is: b[0]! });
  }
  for (const [stepId, step] of old)
    if (!fresh.has(stepId))
      changes.push({ stepId, what: 'gone', was: inWords(step, then).join('; '), is: null });
  return changes;
}
