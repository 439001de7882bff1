/** Who is in a group, and which groups somebody is in. */
import type { Group, RingTarget } from './people';
import type { System } from './schema';

/** Ids of all groups that are within a group, at any depth; its own only where it is a part of itself. */
export function groupsWithin(system: System, id: string, found = new Set<string>()): Set<string> {
  for (const m of system.groups[id]?.members ?? [])
    if (m.kind === 'group' && !found.has(m.id)) groupsWithin(system, m.id, found.add(m.id));
  return found;
}

/** People and phones behind ring targets: groups are taken apart, and each stands once, in order. */
export function flatTargets(
  targets: readonly RingTarget[],
  system: System,
): Exclude<RingTarget, { kind: 'group' }>[] {
  const found = new Map<string, Exclude<RingTarget, { kind: 'group' }>>();
  const opened = new Set<string>();
  const add = (list: readonly RingTarget[]): void => {
    for (const t of list) {
      if (t.kind !== 'group') found.set(`${t.kind} ${t.id}`, found.get(`${t.kind} ${t.id}`) ?? t);
      else if (!opened.has(t.id)) {
        opened.add(t.id);
        add(system.groups[t.id]?.members ?? []);
      }
    }
  };
  add(targets);
  return [...found.values()];
}

/** Groups somebody is a member of, directly. */
export const groupsOf = (system: System, personId: string): Group[] =>
  Object.values(system.groups).filter((g) => g.members.some((m) => m.kind === 'person' && m.id === personId));

/** What a ring target is called. */
export const targetName = (t: RingTarget, { people, phones, groups }: System): string =>
  ({
    person: people[t.id]?.name ?? 'somebody removed',
    phone: phones[t.id]?.name ?? 'a removed phone',
    group: groups[t.id]?.name ?? 'a removed group',
  })[t.kind];
