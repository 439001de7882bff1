/** The one namespace of extensions: everything that can be dialled inside. */
import type { System } from './schema';

export interface ExtensionInUse {
  extension: string;
  /** Whose it is, as it is told. */
  who: string;
  kind: 'person' | 'group';
  id: string;
  /** The field of the object it stands in. */
  field: 'extension' | 'further';
  /** Last day on which it leads there, ISO; null for good. */
  until: string | null;
}

/** Every extension in use: people's own, their further ones, and those of groups. */
export const extensionsInUse = ({ people, groups }: Pick<System, 'people' | 'groups'>): ExtensionInUse[] => [
  ...Object.values(people).flatMap(({ id, name, extension, further }): ExtensionInUse[] => [
    { extension, who: name, kind: 'person', id, field: 'extension', until: null },
    ...further.map((f): ExtensionInUse => ({
      extension: f.extension,
      who: f.note ? `${name} (${f.note})` : name,
      kind: 'person',
      id,
      field: 'further',
      until: f.until,
    })),
  ]),
  ...Object.values(groups).flatMap(({ id, name, extension }): ExtensionInUse[] =>
    extension === null ? [] : [{ extension, who: name, kind: 'group', id, field: 'extension', until: null }],
  ),
];
