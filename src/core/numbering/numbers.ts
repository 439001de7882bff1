/** Reading and writing telephone numbers. The rules and formats are libphonenumber-js's; fiction ranges are added to what it accepts. */
import { getCountryCallingCode, parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/max';
import { fictionRangeOf } from './fiction';

export interface ReadNumber {
  e164: string;
  country: string | undefined;
  type: string | undefined;
  /** Set when a digit for an outside line was taken off the front. */
  strippedDigit?: string;
}
export type NumberResult = { ok: true; number: ReadNumber } | { ok: false; message: string };

/**
 * Reads a number as people type or paste it: spaces, dashes, brackets, "tel:" (RFC 3966), with or without country code.
 * @param typed what was typed
 * @param country whose national format is assumed where no country code is given
 * @param outsideDigit digit people dial for an outside line ('' for none); taken off, and said so, when it is in front of a whole number
 */
export function readNumber(typed: string, country: string, outsideDigit = ''): NumberResult {
  const text = typed.trim().replace(/^tel:/i, '').replace(/;.*$/, '');
  if (!text) return { ok: false, message: 'Type a telephone number.' };
  if (/[a-z]/i.test(text))
    return { ok: false, message: `"${typed.trim()}" has letters in it. Type the digits.` };
  const read = parse(text, country);
  if (read) return { ok: true, number: read };
  if (outsideDigit && text.startsWith(outsideDigit)) {
    const without = parse(text.slice(outsideDigit.length), country);
    if (without) return { ok: true, number: { ...without, strippedDigit: outsideDigit } };
  }
  const digits = text.replace(/\D/g, '').length;
  if (digits > 15) return { ok: false, message: 'That is too long: a number has at most 15 digits.' };
  return { ok: false, message: `"${typed.trim()}" is not a whole telephone number.` };
}

function parse(text: string, country: string): ReadNumber | undefined {
  const parsed = parsePhoneNumberFromString(text, country as CountryCode);
  if (!parsed || parsed.ext) return undefined;
  const e164: string = parsed.number;
  if (parsed.isValid() && !isServiceExchange(e164, parsed.getType()))
    return { e164, country: parsed.country, type: parsed.getType() };
  const fiction = fictionRangeOf(e164);
  return fiction && { e164, country: fiction.country, type: undefined };
}

/**
 * North America: the exchange code of a geographic number is never N11; those are service codes such as 911.
 * Source: ATIS central office code assignment guidelines, from memory. The library lets them through.
 */
const isServiceExchange = (e164: string, type: string | undefined): boolean =>
  type === 'FIXED_LINE_OR_MOBILE' && /^\+1\d{3}[2-9]11\d{4}$/.test(e164);

const written = new Map<string, string>();

/**
 * A stored number as people read it: national format in the business's own country calling code,
 * with the country code elsewhere. What is not a number is given back as it is.
 */
export function writeNumber(e164: string, homeCountry: string): string {
  const key = homeCountry + e164;
  let text = written.get(key);
  if (text === undefined) {
    const parsed = parsePhoneNumberFromString(e164);
    text = !parsed
      ? e164
      : parsed.countryCallingCode === getCountryCallingCode(homeCountry as CountryCode)
        ? parsed.formatNational()
        : parsed.formatInternational();
    if (written.size > 5000) written.clear();
    written.set(key, text);
  }
  return text;
}
