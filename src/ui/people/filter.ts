/** Filtering people by anything they are known by, prepared once so that a key press only compares. */
import type { Person, System } from '$core/system';

export interface Searchable {
  person: Person;
  text: string;
}

/** Everybody in the order of extensions, with what is searched. */
export function searchable({ people, sites, groups, phones }: System): Searchable[] {
  const more = new Map<string, string>();
  const add = (id: string, text: string) => more.set(id, `${more.get(id) ?? ''} ${text}`);
  for (const g of Object.values(groups))
    for (const m of g.members) if (m.kind === 'person') add(m.id, g.name);
  for (const p of Object.values(phones)) if (p.personId && p.number) add(p.personId, p.number);
  return Object.values(people)
    .map((person) => ({
      person,
      text: [
        person.extension,
        ...person.further.map((f) => f.extension),
        person.name,
        person.email,
        person.role,
        sites[person.siteId ?? '']?.name ?? '',
        more.get(person.id) ?? '',
      ]
        .join('\n')
        .toLowerCase(),
    }))
    .sort((a, b) => (a.person.extension < b.person.extension ? -1 : 1));
}

/** Those in whose text every word of a query occurs. */
export function filterPeople(all: readonly Searchable[], query: string): Searchable[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return words.length ? all.filter(({ text }) => words.every((w) => text.includes(w))) : [...all];
}
