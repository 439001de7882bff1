/** A business as an earlier version stored or saved it, brought to today's shape. */
import { SYSTEM_VERSION, upgradePatches, upgradeStanding, upgradeSystem } from '../core/system';
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

/** Everything of a business. What is not understood is left as it is, for the schema to refuse. */
export function upgradeWhole(raw: unknown, from: number): unknown {
  if (from >= SYSTEM_VERSION || !isFields(raw) || !isFields(raw.draft) || !isFields(raw.business)) return raw;
  const { standing } = raw;
  return {
    ...raw,
    draft: upgradeVersion(raw.draft, from),
    versions: all(raw.versions, (v) => upgradeVersion(v, from)),
    edits: all(raw.edits, (e) => upgradeEdit(e, from)),
    standing: isFields(standing)
      ? { ...standing, standing: upgradeStanding(standing.standing, from, raw.draft.system) }
      : standing,
    invitations: all(raw.invitations, upgradeInvitation),
    dealings: raw.dealings ?? noDealings(String(raw.business.id)),
  };
}
