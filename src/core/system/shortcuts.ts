/** Shortcuts: whom they lead to, and what is dialled for a short code. */
import type { Shortcut } from './shape/shortcuts';
import type { System } from './shape/schema';
import type { Standing } from './standing/standing';

export interface Leads {
  /** What is dialled: an extension or E.164. */
  digits: string;
  name: string;
  /** A colleague, by id. */
  personId: string | null;
}

/** Whom a shortcut leads to; undefined where they are gone, or have no number or extension. */
export function leadsTo({ target }: Shortcut, { contacts, people }: System): Leads | undefined {
  switch (target.kind) {
    case 'contact': {
      const contact = contacts[target.contactId];
      const number = contact?.numbers.find((n) => n === target.number) ?? contact?.numbers[0] ?? undefined;
      return contact && number ? { digits: number, name: contact.name, personId: null } : undefined;
    }
    case 'person': {
      const person = people[target.personId];
      return person?.extension
        ? { digits: person.extension, name: person.name, personId: person.id }
        : undefined;
    }
    case 'number':
      return { digits: target.number, name: target.name, personId: null };
    default:
      return target satisfies never;
  }
}

/** Somebody's own shortcuts and those of the business: their own come first. */
export const shortcutsOf = (
  { shortcuts }: Pick<System, 'shortcuts'>,
  standing: Pick<Standing, 'shortcuts'>,
  personId: string | null,
): Shortcut[] => [
  ...((personId && standing.shortcuts?.[personId]?.value) || []),
  ...Object.values(shortcuts),
];

/**
 * What a short code stands for, where somebody dials it inside: one's own goes before the business's.
 * @returns undefined where it is none
 */
export function behindCode(
  code: string,
  system: System,
  standing: Pick<Standing, 'shortcuts'>,
  personId: string | null,
): Leads | undefined {
  if (!/^\d\d$/.test(code)) return undefined;
  for (const shortcut of shortcutsOf(system, standing, personId))
    if (shortcut.code === code) {
      const leads = leadsTo(shortcut, system);
      if (leads) return leads;
    }
  return undefined;
}
