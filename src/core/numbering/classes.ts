/** Of what kind an outside number is for whoever pays for the call: at home, abroad, or with a price of its own. */
import { parsePhoneNumberFromString } from 'libphonenumber-js/max';
import { fictionRangeOf } from './fiction';
import { PROFILES } from './profiles';

export interface NumberClass {
  /** ISO 3166 two-letter code; null where the number does not tell. */
  country: string | null;
  kind: 'inland' | 'abroad' | 'premium' | 'free';
}

const known = new Map<string, NumberClass>();

/**
 * Premium is what the numbering plan of its country says it is (ITU-T E.164 Annex A; which, by libphonenumber's metadata);
 * everything with another country code than home is abroad, and so are other countries within the same code.
 * @param e164 the number @param home ISO two-letter country of the business
 */
export function classOf(e164: string, home: string): NumberClass {
  const key = home + e164;
  let found = known.get(key);
  if (!found) {
    if (known.size > 5000) known.clear();
    known.set(key, (found = workedOut(e164, home)));
  }
  return found;
}

function workedOut(e164: string, home: string): NumberClass {
  const parsed = parsePhoneNumberFromString(e164);
  const fiction = fictionRangeOf(e164);
  const country = fiction?.country ?? parsed?.country ?? null;
  const type = parsed?.getType();
  if (type === 'PREMIUM_RATE' || type === 'SHARED_COST') return { country, kind: 'premium' };
  if (type === 'TOLL_FREE' && country === home) return { country, kind: 'free' };
  // A number that only says its calling code is at home where that is ours.
  const code = PROFILES.find((p) => p.country === home)?.callingCode;
  const isHome = country === home || (country === null && parsed?.countryCallingCode === code);
  return { country, kind: isHome ? 'inland' : 'abroad' };
}

/** The name of a country in English, or its code where that is not known. */
export function countryName(code: string): string {
  try {
    return new Intl.DisplayNames(['en'], { type: 'region' }).of(code) ?? code;
  } catch {
    return code;
  }
}
