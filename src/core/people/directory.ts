/** The directory: people, rooms and groups with their numbers, as somebody is allowed to see them. */
import { allSteps, groupsOf, isLinked, type Person, type RingStep, type System } from '../system';
import { may } from './roles';

/** Who looks: a person by id, or null for whoever runs the system and is nobody in it yet. */
export type Looker = string | null;

export interface DirectoryEntry {
  kind: 'person' | 'room' | 'group';
  id: string;
  name: string;
  /** What lists sort by. */
  family: string;
  /** Empty where it has none. */
  extension: string;
  /** E.164. */
  direct: string[];
  mobile: string[];
  email: string;
  siteId: string | null;
  /** Names of groups somebody is in, or of a group's members. */
  groups: string[];
}

/** The name somebody is sorted by: what was given, else the last word of the name. */
export const familyOf = ({ name, familyName }: Pick<Person, 'name' | 'familyName'>): string =>
  familyName || (name.trim().split(/\s+/).at(-1) ?? '');

const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true });
/** By family name, then by name, as a printed list stands. */
export const byName = (
  a: Pick<DirectoryEntry, 'family' | 'name'>,
  b: Pick<DirectoryEntry, 'family' | 'name'>,
): number => collator.compare(a.family, b.family) || collator.compare(a.name, b.name);

/** Direct numbers by whose they are: those whose plan rings this one person first. */
export function directNumbersOf(system: System): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const { planId, use, e164 } of Object.values(system.numbers)) {
    const plan = use === 'direct' && planId ? system.plans[planId] : undefined;
    const ring = plan && [...allSteps(plan.steps)].find((s): s is RingStep => s.kind === 'ring');
    const [only, other] = ring?.targets ?? [];
    if (only?.kind !== 'person' || other) continue;
    found.set(only.id, [...(found.get(only.id) ?? []), e164]);
  }
  return found;
}

/** Whether somebody may see a person's private mobile number. */
export function mayLook(system: System, looker: Looker, person: Person): boolean {
  const who = looker === null ? undefined : system.people[looker];
  if (looker === null || (who && may(who.role, 'every number')) || looker === person.id) return true;
  if (person.mobileSeenBy !== 'their groups') return person.mobileSeenBy === 'everybody';
  const theirs = new Set(groupsOf(system, person.id).map((g) => g.id));
  return groupsOf(system, looker).some((g) => theirs.has(g.id));
}

/** Everybody and every group, by name. */
export function directory(system: System, looker: Looker): DirectoryEntry[] {
  const direct = directNumbersOf(system);
  const mobiles = new Map<string, string[]>();
  for (const phone of Object.values(system.phones))
    if (isLinked(phone) && phone.personId)
      mobiles.set(phone.personId, [...(mobiles.get(phone.personId) ?? []), phone.number]);
  const groupsWith = new Map<string, string[]>();
  for (const group of Object.values(system.groups))
    for (const m of group.members)
      if (m.kind === 'person') groupsWith.set(m.id, [...(groupsWith.get(m.id) ?? []), group.name]);
  const people = Object.values(system.people).map((p): DirectoryEntry => ({
    kind: p.role === 'shared room' ? 'room' : 'person',
    id: p.id,
    name: p.name,
    family: p.role === 'shared room' ? p.name : familyOf(p),
    extension: p.extension,
    direct: direct.get(p.id) ?? [],
    mobile: mayLook(system, looker, p) ? (mobiles.get(p.id) ?? []) : [],
    email: p.email,
    siteId: p.siteId,
    groups: groupsWith.get(p.id) ?? [],
  }));
  const groups = Object.values(system.groups).map((g): DirectoryEntry => ({
    kind: 'group',
    id: g.id,
    name: g.name,
    family: g.name,
    extension: g.extension ?? '',
    direct: [],
    mobile: [],
    email: '',
    siteId: null,
    groups: g.members.flatMap((m) => (m.kind === 'person' ? (system.people[m.id]?.name ?? []) : [])),
  }));
  return [...people, ...groups].sort(byName);
}
