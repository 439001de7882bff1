/** Reading and writing telephone numbers. The rules and formats are libphonenumber-js's; fiction ranges are added to what it accepts. */
import {
  getCountryCallingCode,
  parsePhoneNumberFromString,
  validatePhoneNumberLength,
  type CountryCode,
} from 'libphonenumber-js/max';
import { fictionRangeOf } from './fiction';
import { PROFILES } from './profiles';

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
  const behind = outsideDigit && text.startsWith(outsideDigit) ? text.slice(outsideDigit.length) : '';
  const without = behind ? parse(behind, country) : undefined;
  if (without && (!read || isDialledOut(text, behind)))
    return { ok: true, number: { ...without, strippedDigit: outsideDigit } };
  if (read) return { ok: true, number: read };
  return { ok: false, message: whatIsWrong(typed.trim(), text, country) };
}

/**
 * Both readings are numbers: is the first digit the one for an outside line? Where national numbers begin with 0, "9 030 …"
 * has no other reading that people mean, and "0 030 …" is set apart from it; "0030 …" is international, as people write it.
 * Common practice; no source.
 */
const isDialledOut = (text: string, behind: string): boolean =>
  /^\D*0/.test(behind) && (!text.startsWith('00') || /^\D/.test(behind));

/** Reads several numbers, parted by commas, semicolons or lines; the first that is none is named. */
export function readNumbers(
  typed: string,
  country: string,
  outsideDigit = '',
): { ok: true; numbers: string[] } | { ok: false; message: string } {
  const numbers: string[] = [];
  for (const part of typed.split(/[,;\n]/).filter((p) => p.trim())) {
    const read = readNumber(part, country, outsideDigit);
    if (!read.ok) return { ok: false, message: `“${part.trim()}”: ${read.message}` };
    numbers.push(read.number.e164);
  }
  return { ok: true, numbers };
}

/** What is wrong with a text that is no number, and where it would be one. */
function whatIsWrong(typed: string, text: string, country: string): string {
  if (text.replace(/\D/g, '').length > 15) return 'That is too long: a number has at most 15 digits.';
  // As it is written there: ten digits in North America, a 0 in front in the other countries.
  const asWritten = { '1': /^\D*[2-9](\D*\d){9}\D*$/, other: /^\D*0(\D*\d){7,}\D*$/ };
  const elsewhere = PROFILES.find(
    (p) =>
      p.country !== country &&
      asWritten[p.callingCode === '1' ? '1' : 'other'].test(text) &&
      !text.startsWith('+') &&
      parse(text, p.country)?.country === p.country,
  );
  if (elsewhere) {
    const there = writeNumber(parse(text, elsewhere.country)!.e164, country);
    return `"${typed}" is not a number here. It would be one in ${elsewhere.name}: then write ${there}.`;
  }
  const short = validatePhoneNumberLength(text, country as CountryCode);
  return short === 'TOO_SHORT' || short === 'NOT_A_NUMBER'
    ? `"${typed}" is too short: it is not a whole telephone number.`
    : `"${typed}" is not a telephone number: no such number can be given out.`;
}

function parse(text: string, country: string): ReadNumber | undefined {
  const parsed = parsePhoneNumberFromString(text, country as CountryCode);
  if (!parsed || parsed.ext) return undefined;
  const e164: string = parsed.number;
  if (parsed.isValid() && !isServiceExchange(e164, parsed.getType()))
    return { e164, country: parsed.country, type: parsed.getType() };
  const fiction = fictionRangeOf(e164);
  return (
    fiction && {
      e164,
      country: fiction.country,
      type: fiction.range.kind === 'mobile' ? 'MOBILE' : undefined,
    }
  );
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
