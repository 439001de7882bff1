/** Whether a business from outside is one that could have come to be here. */
import { brokenRule, patchSystem, System } from '../../core/system';
import type { Whole } from '../businesses';
import { MANIES, MANY } from '../stored/kinds';

type Patches = Parameters<typeof patchSystem>[1];

/** The first thing that is not as it must be, in words; undefined where all is well. */
export function brokenIn(whole: Whole): string | undefined {
  return strangers(whole) ?? twice(whole) ?? systems(whole) ?? history(whole);
}

/** Records of another business would be written over that one's. */
function strangers(whole: Whole): string | undefined {
  const { id } = whole.business;
  const all: Record<string, readonly { businessId: string }[]> = {
    'the draft': [whole.draft],
    'the standing state': [whole.standing],
    'the dealings with the carrier': [whole.dealings],
    ...Object.fromEntries(MANIES.map((kind) => [MANY[kind].one, whole[kind]])),
    'a sound': whole.sounds ?? [],
    'a file': whole.files ?? [],
  };
  for (const [what, records] of Object.entries(all)) {
    const stranger = records.find((r) => r.businessId !== id);
    if (stranger)
      return `${what} belongs to another business, ${stranger.businessId}.`.replace(/^./, (c) =>
        c.toUpperCase(),
      );
  }
  return undefined;
}

function twice(whole: Whole): string | undefined {
  const found = MANIES.find((kind) => {
    const keys = whole[kind].map((r) => (r as unknown as Record<string, unknown>)[MANY[kind].key]);
    return new Set(keys).size < keys.length;
  });
  return found && `Two ${MANY[found].all} are the same.`;
}

/** What is done lies within the history, without gaps, and every edit can be undone or done again. */
function history({ draft, edits, versions }: Whole): string | undefined {
  if (versions.some((v, i) => i > 0 && v.n <= versions[i - 1]!.n)) return 'The versions are not in order.';
  const gap = edits.find((e, i) => i > 0 && e.seq !== edits[i - 1]!.seq + 1);
  if (gap) return `Its history has a gap before edit ${gap.seq}.`;
  const [first, last] = [edits[0]?.seq ?? 1, edits.at(-1)?.seq ?? 0];
  if (draft.done > last || draft.done < first - 1)
    return `It says that ${draft.done} edits are done, and its history goes to ${last}.`;
  const goes = (list: typeof edits, patches: 'patches' | 'inverse'): string | undefined => {
    let { system } = draft;
    for (const edit of list) {
      try {
        system = patchSystem(system, edit[patches] as Patches);
      } catch {
        return `“${edit.words}” cannot be ${patches === 'inverse' ? 'undone' : 'done again'}.`;
      }
    }
    return list.length && !System.safeParse(system).success
      ? `Its history leads to a system that cannot be used.`
      : undefined;
  };
  return (
    goes(edits.filter((e) => e.seq <= draft.done).reverse(), 'inverse') ??
    goes(
      edits.filter((e) => e.seq > draft.done),
      'patches',
    )
  );
}

function systems({ draft, versions }: Whole): string | undefined {
  const broken = brokenRule(draft.system);
  if (broken) return `In the draft: ${broken}`;
  const seen = new Set<unknown>([draft.system]);
  for (const { n, system } of versions) {
    if (seen.has(system)) continue;
    seen.add(system);
    const wrong = brokenRule(system);
    if (wrong) return `In version ${n}: ${wrong}`;
  }
  return undefined;
}
