/** What a member of staff gets who dials some digits on one of the system's phones. */
import { readNumber } from './numbers';
import { profileOf } from './profiles';

interface Dialling {
  country: string;
  extensionLength: number;
  outsideDigit: string;
}

export type Dialled =
  | { kind: 'emergency'; number: string }
  | { kind: 'extension'; extension: string }
  | { kind: 'outside'; e164: string }
  | { kind: 'nothing'; message: string };

/**
 * Sorts dialled digits. An emergency number goes straight out, with or without the outside-line digit in front
 * (47 CFR §9.16: no prefix may be needed).
 * @param isExtension whether somebody has this extension
 */
export function sortDialled(
  digits: string,
  business: Dialling,
  isExtension: (extension: string) => boolean,
): Dialled {
  const clean = digits.replace(/[^\d+*#]/g, '');
  const outside = business.outsideDigit;
  for (const number of profileOf(business.country).emergency)
    if (clean === number || (outside && clean === outside + number)) return { kind: 'emergency', number };
  if (isExtension(clean)) return { kind: 'extension', extension: clean };
  const read = readNumber(clean, business.country, outside);
  if (read.ok) return { kind: 'outside', e164: read.number.e164 };
  return { kind: 'nothing', message: `Nobody has ${digits}, and it is not a whole telephone number.` };
}
