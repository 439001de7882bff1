/** The columns of the table of people: what each shows, and the edit that typing in it makes. */
import { Role, type Command, type Person, type System } from '$core/system';

export interface PeopleColumn {
  key: 'extension' | 'name' | 'email' | 'siteId' | 'role';
  label: string;
  /** What the edit changes, in words. */
  what: string;
  value: (p: Person) => string;
  choices?: (system: System) => (readonly [string, string])[];
}

export const PEOPLE_COLUMNS: readonly PeopleColumn[] = [
  { key: 'extension', label: 'Ext.', what: 'extension', value: (p) => p.extension },
  { key: 'name', label: 'Name', what: 'name', value: (p) => p.name },
  { key: 'email', label: 'E-mail', what: 'e-mail', value: (p) => p.email },
  {
    key: 'siteId',
    label: 'Site',
    what: 'site',
    value: (p) => p.siteId ?? '',
    choices: ({ sites }) => [['', 'none'], ...Object.values(sites).map((s) => [s.id, s.name] as const)],
  },
  {
    key: 'role',
    label: 'Role',
    what: 'role',
    value: (p) => p.role,
    choices: () => Role.options.map((r) => [r, r] as const),
  },
];

/** The command that puts a text into a cell. */
export const cellCommand = (column: PeopleColumn, id: string, text: string): Command => ({
  do: 'person.set',
  id,
  change: { [column.key]: column.key === 'siteId' ? text || null : text },
});
