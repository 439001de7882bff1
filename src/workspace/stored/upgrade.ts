/** A business as an earlier version stored or saved it, brought to today's shape. */
import { SYSTEM_VERSION, upgradePatches, upgradeStanding, upgradeSystem } from '../../core/system';
import type { Many } from './kinds';
import { noDealings } from './records';

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null;
const all = (list: unknown, change: (item: Fields) => Fields): unknown =>
  Array.isArray(list) ? list.map((item: unknown) => (isFields(item) ? change(item) : item)) : list;

export const upgradeVersion = (record: Fields, from: number): Fields => ({
  ...record,
  version: SYSTEM_VERSION,
  system: upgradeSystem(record.system, from),
});
export const upgradeHead = (record: Fields, from: number): Fields => ({
  ...record,
  patches: upgradePatches(record.patches, from),
});
export const upgradeEdit = (record: Fields, from: number): Fields => ({
  ...record,
  patches: upgradePatches(record.patches, from),
  inverse: upgradePatches(record.inverse, from),
});

/** The address it went to and its letter were not kept before version 3. */
export const upgradeInvitation = <T extends object>(
  record: T,
): T & { to: string; mailId: string | null } => ({
  to: '',
  mailId: null,
  ...record,
});

/** Texts were among the dealings before they were records of their own. */
export function withoutTexts(dealings: unknown): { dealings: unknown; texts: Fields[] } {
  if (!isFields(dealings) || !Array.isArray(dealings.texts)) return { dealings, texts: [] };
  const { texts, ...rest } = dealings;
  return {
    dealings: rest,
    texts: (texts as unknown[]).filter(isFields).map((text) => ({ ...text, businessId: rest.businessId })),
  };
}

/** Kinds of records that came when files were lines already. */
const NEW_MANY: readonly Many[] = [
  'texts',
  'threads',
  'faxes',
  'ownContacts',
  'circles',
  'words',
  'errands',
  'tasks',
  'runs',
  'rounds',
  'callLists',
  'listed',
  'bookings',
  'meetings',
  'devices',
];

/** Everything of a business. What is not understood is left as it is, for the schema to refuse. */
export function upgradeWhole(raw: unknown, from: number): unknown {
  if (!isFields(raw) || !isFields(raw.draft) || !isFields(raw.business)) return raw;
  const { dealings, texts } = withoutTexts(raw.dealings ?? noDealings(String(raw.business.id)));
  const added = Object.fromEntries(NEW_MANY.map((kind) => [kind, []]));
  const today = { ...added, ...raw, dealings, texts: raw.texts ?? texts };
  return from >= SYSTEM_VERSION ? today : upgradeOlder(today, from);
}

function upgradeOlder(raw: Fields, from: number): Fields {
  const { standing, draft } = raw;
  if (!isFields(draft)) return raw;
  return {
    ...raw,
    draft: upgradeVersion(draft, from),
    versions: all(raw.versions, (v) => upgradeVersion(v, from)),
    edits: all(raw.edits, (e) => upgradeEdit(e, from)),
    standing: isFields(standing)
      ? { ...standing, standing: upgradeStanding(standing.standing, from, draft.system) }
      : standing,
    invitations: all(raw.invitations, upgradeInvitation),
  };
}
