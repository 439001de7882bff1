/** Who is in a group, and which groups somebody is in. */
import { writeNumber } from '../numbering/numbers';
import { once } from '../once';
import type { Rota } from './shape/hours';
import type { Group, RingTarget } from './shape/people';
import type { System } from './shape/schema';

/** Ids of all groups that are within a group, at any depth; its own only where it is a part of itself. */
export function groupsWithin(system: System, id: string, found = new Set<string>()): Set<string> {
  for (const m of system.groups[id]?.members ?? [])
    if (m.kind === 'group' && !found.has(m.id)) groupsWithin(system, m.id, found.add(m.id));
  return found;
}

/** A target that is no group and no rota. */
export type FlatTarget = Exclude<RingTarget, { kind: 'group' | 'rota' }>;

/**
 * Who is behind ring targets: groups and rotas are taken apart, and each stands once, in order.
 * @param onDuty who is on duty in a rota; without it, everybody who ever is
 */
export function flatTargets(
  targets: readonly RingTarget[],
  system: System,
  onDuty: (rotaId: string) => readonly string[] = (id) => everybodyIn(system.rotas[id]),
): FlatTarget[] {
  const found = new Map<string, FlatTarget>();
  const opened = new Set<string>();
  const keep = (t: FlatTarget) => found.set(`${t.kind} ${t.id}`, found.get(`${t.kind} ${t.id}`) ?? t);
  const add = (list: readonly RingTarget[]): void => {
    for (const t of list) {
      if (t.kind === 'rota') for (const id of onDuty(t.id)) keep({ kind: 'person', id });
      else if (t.kind !== 'group') keep(t);
      else if (!opened.has(t.id)) {
        opened.add(t.id);
        add(system.groups[t.id]?.members ?? []);
      }
    }
  };
  add(targets);
  return [...found.values()];
}

/** Everybody who has a turn in a rota, or was swapped into one. */
export const everybodyIn = (rota: Rota | undefined): string[] => [
  ...new Set(
    [...(rota?.turns ?? []), ...(rota?.swaps ?? []).map((s) => s.personId)].filter((id) => id !== null),
  ),
];

/** Groups somebody is a member of, directly. */
export const groupsOf = (system: System, personId: string): Group[] =>
  Object.values(system.groups).filter((g) => g.members.some((m) => m.kind === 'person' && m.id === personId));

/** What a ring target is called. */
export function targetName(t: RingTarget, { people, phones, groups, rotas, business }: System): string {
  switch (t.kind) {
    case 'person':
      return people[t.id]?.name ?? 'somebody removed';
    case 'phone':
      return phones[t.id]?.name ?? 'a removed phone';
    case 'group':
      return groups[t.id]?.name ?? 'a removed group';
    case 'rota':
      return `whoever is on duty (${rotas[t.id]?.name ?? 'a removed rota'})`;
    case 'outside':
      return writeNumber(t.id, business.country);
    case 'owner':
      return 'whoever looks after the caller';
  }
}

/** Everybody who serves each queue: its own people in their order, then those of its groups; each once. */
const serving = once((system: System): ReadonlyMap<string, readonly string[]> => {
  const behind = (groupIds: readonly string[]) =>
    flatTargets(
      groupIds.map((id) => ({ kind: 'group' as const, id })),
      system,
    ).flatMap((t) => (t.kind === 'person' ? t.id : []));
  return new Map(
    Object.values(system.queues).map(({ id, memberIds, groupIds = [] }) => [
      id,
      groupIds.length ? [...new Set([...memberIds, ...behind(groupIds)])] : memberIds,
    ]),
  );
});

/** Everybody who serves a queue, of its own or through a group. @param queueId of the system */
export const servingOf = (system: System, queueId: string): readonly string[] =>
  serving(system).get(queueId) ?? [];
