/** Which objects an object points at: by the names of its fields, which say of what kind. */
import type { System } from './schema';

type Collection = Exclude<keyof System, 'business'>;

/** Fields that name an object, or a list of them. */
const FIELDS: Record<string, Collection> = {
  personId: 'people',
  personIds: 'people',
  standInId: 'people',
  ownerId: 'people',
  ownerIds: 'people',
  memberIds: 'people',
  turns: 'people',
  callerIdFor: 'people',
  phoneIds: 'phones',
  siteId: 'sites',
  mailboxId: 'mailboxes',
  hoursId: 'hours',
  planId: 'plans',
  queueId: 'queues',
  recordingId: 'recordings',
  greetingId: 'recordings',
  holdMusicId: 'recordings',
  listId: 'lists',
  listIds: 'lists',
  groupId: 'groups',
  numberId: 'numbers',
};
/** What is rung names its kind beside its id. */
const TARGETS: Record<string, Collection> = {
  person: 'people',
  phone: 'phones',
  group: 'groups',
  rota: 'rotas',
};
const WORDS: Record<Collection, string> = {
  sites: 'site',
  numbers: 'number',
  people: 'person',
  groups: 'group',
  phones: 'phone',
  queues: 'queue',
  hours: 'set of hours',
  rotas: 'rota',
  plans: 'plan',
  mailboxes: 'mailbox',
  recordings: 'recording',
  contacts: 'contact',
  lists: 'list',
  promises: 'promise',
};

/** The first thing that an object, or what is in it, points at and that is not there. */
export function goneFrom(
  system: System,
  within: unknown,
  field = '',
): { field: string; message: string; id: string } | undefined {
  if (Array.isArray(within)) {
    for (const item of within) {
      const gone = goneFrom(system, item, field);
      if (gone) return gone;
    }
    return undefined;
  }
  if (typeof within !== 'object' || within === null) return undefined;
  const target = targetOf(within);
  if (target) return missing(system, target.collection, target.id, field);
  for (const [name, value] of Object.entries(within)) {
    const collection = Object.hasOwn(FIELDS, name) ? FIELDS[name] : undefined;
    const ids = typeof value === 'string' ? [value] : Array.isArray(value) ? value : [];
    if (collection && !(name === 'callerIdFor' && value === 'everybody')) {
      for (const id of ids) {
        const gone = typeof id === 'string' ? missing(system, collection, id, field || name) : undefined;
        if (gone) return gone;
      }
    }
    const gone = goneFrom(system, value, field || name);
    if (gone) return gone;
  }
  return undefined;
}

function targetOf(within: object): { collection: Collection; id: string } | undefined {
  const { kind, id, ...rest } = within as { kind?: unknown; id?: unknown };
  if (typeof kind !== 'string' || typeof id !== 'string' || Object.keys(rest).length) return undefined;
  const collection = Object.hasOwn(TARGETS, kind) ? TARGETS[kind] : undefined;
  return collection && { collection, id };
}

const missing = (system: System, collection: Collection, id: string, field: string) =>
  Object.hasOwn(system[collection], id)
    ? undefined
    : { field, id, message: `There is no such ${WORDS[collection]}.` };
