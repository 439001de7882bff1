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

/** The profile of a country (ISO 3166-1, two letters); the United States' where there is none yet. */
export const profileOf = (country: string): Profile => PROFILES.find((p) => p.country === country) ?? us;
