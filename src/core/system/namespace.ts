/** The one namespace of extensions: everything that can be dialled inside. */
import type { System } from './shape/schema';

export interface ExtensionInUse {
  extension: string;
  /** Whose it is, as it is told. */
  who: string;
  kind: 'person' | 'group' | 'queue' | 'plan' | 'mailbox';
  id: string;
  /** The field of the object it stands in. */
  field: 'extension' | 'further';
  /** Last day on which it leads there, ISO; null for good. */
  until: string | null;
}

/** Every extension in use: people's own, their further ones, and those of groups, queues, plans and mailboxes. */
export const extensionsInUse = ({
  people,
  groups,
  queues,
  plans,
  mailboxes,
}: Pick<System, 'people' | 'groups' | 'queues' | 'plans' | 'mailboxes'>): ExtensionInUse[] => [
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
  ...dialled('group', groups),
  ...dialled('queue', queues),
  ...dialled('plan', plans),
  ...dialled('mailbox', mailboxes),
];

const dialled = (
  kind: ExtensionInUse['kind'],
  items: Record<string, { id: string; name: string; extension?: string | null }>,
): ExtensionInUse[] =>
  Object.values(items).flatMap(({ id, name, extension }) =>
    extension ? [{ extension, who: name, kind, id, field: 'extension', until: null }] : [],
  );
