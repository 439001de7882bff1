/** Addresses in scripts: `sip:` and `tel:` URIs, whatever somebody wrote in them. */
import { readNumber } from '../../numbering';

/** A part of an address as it is meant (RFC 3986 §2.1); what is not escaped right is left as it stands. */
export function unescaped(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** The user and host of a SIP address, in small letters: “203” of “sip:203@pbx.example”. */
export function sipOf(url: string): { user: string; host: string } | undefined {
  const match = /^sips?:([^@;?]+)@([^;?]+)/i.exec(url.trim());
  return match ? { user: unescaped(match[1]!).toLowerCase(), host: match[2]!.toLowerCase() } : undefined;
}

/**
 * The number of a `tel:` address (RFC 3966), E.164. Signs between its digits mean nothing (§5.1.1), and a local one stands in
 * its context (§5.1.5), or is one of the country. @returns undefined where it is no number
 */
export function telOf(url: string, country: string): string | undefined {
  const match = /^tel:([^;?]+)(.*)$/i.exec(url.trim());
  if (!match) return undefined;
  const context = /;phone-context=(\+[\d().-]+)/i.exec(match[2]!)?.[1] ?? '';
  const digits = unescaped(match[1]!);
  const read = readNumber(digits.startsWith('+') ? digits : `${context}${digits}`, country);
  return read.ok ? read.number.e164 : undefined;
}
