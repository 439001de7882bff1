/** Data written by an earlier version, brought to the shape of this one. Each version's step stands here, oldest first. */
import { profileOf } from '../numbering/profiles';
import { civicAddress, newPerson, newPhone, newSite, USUAL_DIGIT_SECONDS, usualInvitation } from './defaults';
import type { Person, Phone } from './shape/people';
import type { CivicAddress, Site } from './shape/places';
import { newRegistration } from './standing/registration';
import { SYSTEM_VERSION } from './shape/schema';

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

/** What version 3 added: accounts and keys of phones, names and hours of people, groups, what an invitation says. */
const TO_3: Record<string, (item: Fields) => Fields> = {
  business: (b) => ({ invitation: usualInvitation(), ...b }),
  people: (p) => ({ ...newPerson(p as unknown as Person), ...p, away: awayTo3(p.away) }),
  phones: (p) => ({ ...newPhone(p as unknown as Phone), ...p }),
};
const spanTo3 = (span: unknown): unknown => (isFields(span) ? { standInId: null, ...span } : span);
const awayTo3 = (away: unknown): unknown => (Array.isArray(away) ? away.map(spanTo3) : away);

/** Collections that version 4 added; what else it added is absent where it says nothing. */
const NEW_IN_4 = ['queues', 'rotas', 'contacts', 'lists', 'promises'] as const;
/** Those that version 6 added. */
const NEW_IN_6 = ['shortcuts', 'wordings'] as const;

/** And version 7. */
const NEW_IN_7 = ['followUps', 'dialogues', 'calendars'] as const;

/** And version 8. */
const NEW_IN_8 = ['ownAnswers', 'buttons', 'rooms'] as const;

/** From which version on each set of additions was there. */
const STEPS: readonly [number, Record<string, (item: Fields) => Fields>][] = [
  [2, TO_2],
  [3, TO_3],
];
const stepsFrom = (version: number) => STEPS.filter(([to]) => version < to).map(([, change]) => change);

/** A system as stored by any earlier version, in today's shape. What is not understood is left for the schema to refuse. */
export function upgradeSystem(raw: unknown, version: number): unknown {
  if (version >= SYSTEM_VERSION || !isFields(raw) || !isFields(raw.business)) return raw;
  let system: Fields = {
    groups: {},
    ...Object.fromEntries([...NEW_IN_4, ...NEW_IN_6, ...NEW_IN_7, ...NEW_IN_8].map((c) => [c, {}])),
    ...raw,
  };
  for (const change of stepsFrom(version)) {
    const changed = Object.entries(change).map(([collection, one]) => {
      const value = system[collection];
      return [collection, collection === 'business' ? one(value as Fields) : each(value, one)];
    });
    system = { ...system, ...(Object.fromEntries(changed) as Fields) };
  }
  return system;
}

/** Patches that bring back whole objects of an earlier version bring them back in today's shape. */
export function upgradePatches(raw: unknown, version: number): unknown {
  if (version >= SYSTEM_VERSION || !Array.isArray(raw)) return raw;
  return raw.map((patch: unknown) => {
    if (!isFields(patch) || !Array.isArray(patch.path)) return patch;
    // A whole system that was brought back, or what it took the place of.
    if (!patch.path.length) return { ...patch, value: upgradeSystem(patch.value, version) };
    const [collection, , field] = patch.path as unknown[];
    if (collection === 'people' && field === 'away')
      return { ...patch, value: (patch.path.length === 3 ? awayTo3 : spanTo3)(patch.value) };
    if (!isFields(patch.value)) return patch;
    if (patch.path.length === 2 && typeof collection === 'string' && collection !== 'business')
      return {
        ...patch,
        value: stepsFrom(version).reduce(
          (value, change) => change[collection]?.(value) ?? value,
          patch.value,
        ),
      };
    if (patch.path.length === 3 && collection === 'sites' && field === 'address')
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
  return {
    proved,
    arrivals: {},
    intercepts: {},
    accounts: {},
    overrides: {},
    logins: {},
    ...raw,
    registrations: each(raw.registrations, (r) => newRegistration(r as { pairedAt: number })),
  };
}
