/**
 * Whose consent to recording a call is usual where. Common practice, no source, and no legal advice: shipped as a table that
 * a business changes as it is told by whoever advises it.
 */
import { fictionRangeOf } from './fiction';
import { profileOf } from './profiles';
import { classOf } from './classes';

/** One of those who talk, or all of them. */
export type Consent = 'one' | 'all';

/** States of the US commonly listed as asking for everybody's. */
const US_ALL = ['CA', 'DE', 'FL', 'IL', 'MD', 'MA', 'MT', 'NV', 'NH', 'PA', 'WA'];
const COUNTRIES: Record<string, Consent> = {
  US: 'one',
  CA: 'one',
  GB: 'one',
  IE: 'one',
  NZ: 'one',
  AU: 'all',
  DE: 'all',
  FR: 'all',
};

/** Every place of the table: a country, or a state as "US-WA". */
export const CONSENT_TABLE: Readonly<Record<string, Consent>> = {
  ...COUNTRIES,
  ...Object.fromEntries(US_ALL.map((state) => [`US-${state}`, 'all' as const])),
};

/** @param changed the business's own words on places @param place a country or a state, or null where it is not known */
export function consentAt(place: string | null, changed: Readonly<Record<string, Consent>>): Consent {
  if (place === null) return 'all';
  const country = place.slice(0, 2);
  return changed[place] ?? CONSENT_TABLE[place] ?? changed[country] ?? CONSENT_TABLE[country] ?? 'all';
}

/**
 * Where whoever has a number is taken to be: the region of its area code at home, where that has one. Hidden, abroad and
 * mobile is not known.
 */
export function placeOf(e164: string | null, home: string): string | null {
  if (e164 === null) return null;
  const { kind, country } = classOf(e164, home);
  if (kind === 'abroad' || country === null) return null;
  if (fictionRangeOf(e164)?.range.kind === 'mobile') return null;
  const { callingCode, areas } = profileOf(country);
  const national = e164.slice(1 + callingCode.length);
  const area = areas.find((a) => national.startsWith(a.code.replace(/^0/, '')));
  if (callingCode === '1') return area?.region ? `${country}-${area.region}` : null;
  return area ? country : null;
}
