import type { Profile } from '../profile';
import { au } from './au';
import { ca } from './ca';
import { de } from './de';
import { fr } from './fr';
import { gb } from './gb';
import { ie } from './ie';
import { nz } from './nz';
import { us } from './us';

export const PROFILES: readonly Profile[] = [us, ca, gb, ie, au, nz, de, fr];

/** The profile of a country (ISO 3166-1, two letters), or undefined where there is none yet. */
export const knownProfile = (country: string): Profile | undefined =>
  PROFILES.find((p) => p.country === country);

/**
 * The same for how numbers and money are written; the United States' where there is none yet. What summons help is never
 * asked of it for a country it does not know, and no business is in one: see `knownProfile`.
 */
export const profileOf = (country: string): Profile => knownProfile(country) ?? us;
