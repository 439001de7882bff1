/** Data written by an earlier version, brought to the shape of this one. Each version's step stands here, oldest first. */
import { profileOf } from '../numbering/profiles';
import { civicAddress, newSite, USUAL_DIGIT_SECONDS } from './defaults';
import { SYSTEM_VERSION, type CivicAddress, type Site } from './schema';

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const each = (collection: unknown, change: (item: Fields) => Fields): Fields =>
  Object.fromEntries(
    Object.entries(isFields(collection) ? collection : {}).map(([id, item]) => [
      id,
      isFields(item) ? change(item) : (item as Fields),
    ]),
  );

/** What version 2 added to an object of each collection: numbers' uses, sites' emergency facts, dialling habits. */
const TO_2: Record<string, (item: Fields) => Fields> = {
  business: (b) => ({
    starCodes: profileOf(String(b.country)).starCodes,
    reserved: [],
    digitSeconds: USUAL_DIGIT_SECONDS,
    ...b,
  }),
  sites: (s) => ({
    ...newSite(s as unknown as Site),
    address: civicAddress(s.address as CivicAddress),
  }),
  numbers: (n) => ({
    use: 'department',
    callerIdFor: 'everybody',
    callerName: '',
    notes: '',
    address: null,
    ...n,
  }),
  phones: (p) => ({ address: null, checkAgainOn: null, ...p }),
};

/** A system as stored by any earlier version, in today's shape. What is not understood is left for the schema to refuse. */
export function upgradeSystem(raw: unknown, version: number): unknown {
  if (version >= SYSTEM_VERSION || !isFields(raw) || !isFields(raw.business)) return raw;
  return {
    ...raw,
    business: TO_2.business!(raw.business),
    sites: each(raw.sites, TO_2.sites!),
    numbers: each(raw.numbers, TO_2.numbers!),
    phones: each(raw.phones, TO_2.phones!),
  };
}

/** Patches that bring back whole objects of an earlier version bring them back in today's shape. */
export function upgradePatches(raw: unknown, version: number): unknown {
  if (version >= SYSTEM_VERSION || !Array.isArray(raw)) return raw;
  return raw.map((patch: unknown) => {
    if (!isFields(patch) || !Array.isArray(patch.path) || !isFields(patch.value)) return patch;
    const [collection] = patch.path as unknown[];
    if (patch.path.length === 2 && typeof collection === 'string' && collection !== 'business')
      return { ...patch, value: TO_2[collection]?.(patch.value) ?? patch.value };
    if (patch.path.length === 3 && collection === 'sites' && patch.path[2] === 'address')
      return { ...patch, value: civicAddress(patch.value as CivicAddress) };
    return patch;
  });
}

/** Standing state of an earlier version. Linked phones that were in use then count as proved. @param system in force */
export function upgradeStanding(raw: unknown, version: number, system: unknown): unknown {
  if (version >= SYSTEM_VERSION || !isFields(raw)) return raw;
  const phones = isFields(system) && isFields(system.phones) ? Object.values(system.phones) : [];
  const proved = Object.fromEntries(
    phones.flatMap((p) =>
      isFields(p) && typeof p.number === 'string' ? [[p.id, { number: p.number, at: 0 }]] : [],
    ),
  );
  return { proved, arrivals: {}, intercepts: {}, ...raw };
}
