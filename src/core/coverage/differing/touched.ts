/** What an edit touches: whoever meets that is looked at first where not all can be. */
import { allSteps, type Step, type System } from '../../system';
import { once } from '../../once';
import type { Touched } from '../callers';
import { quoted, quotedIn, same } from '../texts';

/** Sections whose objects lead calls on to others: where those are touched, so are they. */
const LEAD_ON = ['groups', 'queues', 'rotas', 'mailboxes', 'people', 'phones', 'plans'] as const;
/** Sections whose objects are named by others. */
const NAMED = [...LEAD_ON, 'hours', 'recordings', 'lists'] as const;

/** What is not the same in two systems. */
export function touchedBetween(before: System, after: System): Touched {
  const changed = new Set<string>();
  for (const section of NAMED) {
    const [old, young]: Record<string, unknown>[] = [before[section], after[section]];
    if (old === young) continue;
    for (const id of Object.keys({ ...old, ...young })) if (!same(old![id], young![id])) changed.add(id);
  }
  const next = [...changed];
  const namers = [namersIn(before), namersIn(after)];
  for (let id = next.pop(); id !== undefined; id = next.pop())
    for (const by of namers)
      for (const namer of by.get(id) ?? [])
        if (!changed.has(namer)) {
          changed.add(namer);
          next.push(namer);
        }
  const [was, is] = [ownTexts(before), ownTexts(after)];
  return {
    step: (step) => {
      const text = ownText(step);
      return was.get(step.id) !== is.get(step.id) || [...quotedIn(text)].some((id) => changed.has(id));
    },
    object: (id) => changed.has(id),
  };
}

/** By id, the objects that lead calls on and name it. */
const namersIn = once((system: System): ReadonlyMap<string, readonly string[]> => {
  const by = new Map<string, string[]>();
  for (const section of LEAD_ON)
    for (const [id, object] of Object.entries(system[section]))
      for (const named of quoted(object)) {
        const namers = by.get(named);
        if (namers) namers.push(id);
        else by.set(named, [id]);
      }
  return by;
});

/** A step as text, without the steps in its branches. */
const ownText = once((step: Step): string =>
  JSON.stringify(step, (key, value: unknown) => (key === 'steps' || key === 'otherwise' ? undefined : value)),
);

const ownTexts = (system: System): Map<string, string> =>
  new Map(
    Object.values(system.plans).flatMap((p) =>
      [...allSteps(p.steps)].map((s) => [s.id, ownText(s)] as const),
    ),
  );
