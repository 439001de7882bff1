/** The one namespace of extensions, and what may stand in it. */
import { profileOf } from './profiles';

interface Dialling {
  country: string;
  extensionLength: number;
  outsideDigit: string;
}
interface Taken {
  extension: string;
  who: string;
}

/**
 * What is wrong with an extension, in words, or undefined when it may be used: it is taken, is the beginning of another
 * (or another of it), starts with the outside-line digit, or equals, begins or is begun by an emergency number.
 */
export function checkExtension(
  extension: string,
  taken: readonly Taken[],
  business: Dialling,
): string | undefined {
  if (!/^\d{2,6}$/.test(extension)) return 'An extension is 2 to 6 digits.';
  if (business.outsideDigit && extension.startsWith(business.outsideDigit))
    return `Extensions cannot start with ${business.outsideDigit}: people dial that for an outside line.`;
  for (const emergency of profileOf(business.country).emergency)
    if (emergency.startsWith(extension) || extension.startsWith(emergency))
      return `${extension} would get in the way of the emergency number ${emergency}.`;
  for (const other of taken) {
    if (other.extension === extension) return `${extension} belongs to ${other.who}.`;
    if (other.extension.startsWith(extension))
      return `${extension} is the beginning of ${other.extension} (${other.who}).`;
    if (extension.startsWith(other.extension))
      return `${extension} begins with ${other.extension} (${other.who}).`;
  }
  return undefined;
}

/**
 * The lowest free extension of the business's length from x01 up, starting in the hundred most people are in
 * (201 in an empty system with three digits). Undefined when all are taken.
 */
export function nextFreeExtension(taken: readonly Taken[], business: Dialling): string | undefined {
  const length = business.extensionLength;
  const own = taken.filter((t) => t.extension.length === length).map((t) => Number(t.extension));
  const first = own.length ? Math.min(...own) : 2 * 10 ** (length - 1) + 1;
  const end = 10 ** length;
  for (let i = 0; i < end; i++) {
    const extension = String((first + i) % end).padStart(length, '0');
    if (!extension.startsWith('0') && !checkExtension(extension, taken, business)) return extension;
  }
  return undefined;
}
