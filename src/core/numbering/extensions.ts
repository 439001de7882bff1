/** The one namespace of extensions, and what may stand in it. */
import { profileOf } from './profiles';

/** What extensions are checked against besides each other. */
export interface Numbering {
  country: string;
  extensionLength: number;
  outsideDigit: string;
  reserved?: readonly { from: string; to: string; note: string }[];
}
export interface Taken {
  extension: string;
  who: string;
}

/** Extensions in use, made ready to be asked about thousands of times. */
export class ExtensionIndex {
  private own = new Map<string, Taken>();
  /** Every beginning of an extension, with one that has it. */
  private beginnings = new Map<string, Taken>();

  constructor(taken: Iterable<Taken>) {
    for (const t of taken) this.add(t);
  }

  add(t: Taken): void {
    this.own.set(t.extension, t);
    for (let n = 1; n < t.extension.length; n++) this.beginnings.set(t.extension.slice(0, n), t);
  }

  remove(extension: string): void {
    this.own.delete(extension);
    for (let n = 1; n < extension.length; n++) {
      const head = extension.slice(0, n);
      if (this.beginnings.get(head)?.extension !== extension) continue;
      const other = [...this.own.values()].find((t) => t.extension.startsWith(head) && t.extension !== head);
      if (other) this.beginnings.set(head, other);
      else this.beginnings.delete(head);
    }
  }

  /** Who has an extension. */
  owner(extension: string): Taken | undefined {
    return this.own.get(extension);
  }

  /** The extension in use that an extension equals, begins or is begun by. @param except one that counts as not in use */
  clash(extension: string, except?: string): Taken | undefined {
    const same = extension === except ? undefined : this.own.get(extension);
    const longer = same ?? this.beginnings.get(extension);
    if (longer) return longer;
    for (let n = 2; n < extension.length; n++) {
      const shorter = this.own.get(extension.slice(0, n));
      if (shorter) return shorter;
    }
    return undefined;
  }
}

/**
 * What is wrong with an extension, in words, or undefined when it may be used: it is taken, is the beginning of another
 * (or another of it), starts with the outside-line digit, or equals, begins or is begun by an emergency number.
 * @param except one of those taken that counts as free: whose extension it is already
 */
export function checkExtension(
  extension: string,
  taken: readonly Taken[] | ExtensionIndex,
  business: Numbering,
  except?: string,
): string | undefined {
  if (!/^\d{2,6}$/.test(extension)) return 'An extension is 2 to 6 digits.';
  const { emergency: all } = profileOf(business.country);
  if (all.includes(extension)) return `${extension} is an emergency number: it can never be an extension.`;
  if (business.outsideDigit && extension.startsWith(business.outsideDigit))
    return `Extensions cannot start with ${business.outsideDigit}: people dial that for an outside line.`;
  for (const emergency of all)
    if (emergency.startsWith(extension) || extension.startsWith(emergency))
      return `${extension} would get in the way of the emergency number ${emergency}.`;
  const other = (taken instanceof ExtensionIndex ? taken : new ExtensionIndex(taken)).clash(
    extension,
    except,
  );
  if (!other) return undefined;
  if (other.extension === extension) return `${extension} belongs to ${other.who}.`;
  if (other.extension.startsWith(extension))
    return `${extension} is the beginning of ${other.extension} (${other.who}).`;
  return `${extension} begins with ${other.extension} (${other.who}).`;
}

/** Whether digits are a service number of a profile, in which x is any digit. */
export const fitsService = (digits: string, service: string): boolean =>
  digits.length === service.length && [...service].every((c, i) => c === 'x' || c === digits[i]);

/** Whether an extension hides a service such as 411: where people dial nothing first for an outside line, it comes before it. */
export const hidesService = (extension: string, { country, outsideDigit }: Numbering): boolean =>
  !outsideDigit && profileOf(country).dialling.services.some((s) => fitsService(extension, s));

/** What an extension is reserved for, or undefined. One that would hide a service is kept free as well. */
export const reservedFor = (extension: string, business: Numbering): string | undefined =>
  business.reserved?.find(
    (r) => r.from.length === extension.length && r.from <= extension && extension <= r.to,
  )?.note ??
  (hidesService(extension, business)
    ? `the service ${extension} of ${profileOf(business.country).name}`
    : undefined);

/**
 * The lowest free extension of the business's length from x01 up that is not reserved, starting in the hundred most
 * people are in (201 in an empty system with three digits). Undefined when all are taken.
 */
export function nextFreeExtension(taken: readonly Taken[], business: Numbering): string | undefined {
  const length = business.extensionLength;
  const own = taken.filter((t) => t.extension.length === length).map((t) => Number(t.extension));
  const first = own.length ? Math.min(...own) : 2 * 10 ** (length - 1) + 1;
  const end = 10 ** length;
  const index = new ExtensionIndex(taken);
  for (let i = 0; i < end; i++) {
    const extension = String((first + i) % end).padStart(length, '0');
    if (extension.startsWith('0') || reservedFor(extension, business)) continue;
    if (!checkExtension(extension, index, business)) return extension;
  }
  return undefined;
}

export interface MapCell {
  extension: string;
  state: 'taken' | 'free' | 'reserved' | 'blocked';
  /** Who has it, what it is kept for, or what it clashes with. */
  words: string;
}

/** A hundred extensions of the business's length that begin with the same digits, as the map shows them. @param head the digits before the last two */
export function hundredOf(head: string, index: ExtensionIndex, business: Numbering): MapCell[] {
  return Array.from({ length: 100 }, (_, i) => {
    const extension = head + String(i).padStart(2, '0');
    const owner = index.owner(extension);
    if (owner) return { extension, state: 'taken', words: owner.who };
    const blocked = checkExtension(extension, index, business);
    if (blocked) return { extension, state: 'blocked', words: blocked };
    const reserved = reservedFor(extension, business);
    return reserved
      ? { extension, state: 'reserved', words: reserved }
      : { extension, state: 'free', words: 'free' };
  });
}

export interface Renumbered {
  /** What moves, in the order given. */
  rows: { id: string; who: string; from: string; to: string; problem: string | undefined }[];
  /** Reserved ones, moved alike. */
  reserved: { from: string; to: string; note: string }[];
  length: number;
}

/**
 * New extensions of another length: digits put in front, or taken away there.
 * @param front digits put in front of each; where the new length is shorter the last digits stay and this is not used
 */
export function renumber(
  people: readonly { id: string; who: string; extension: string }[],
  length: number,
  front: string,
  business: Numbering,
): Renumbered {
  const move = (extension: string): string =>
    extension.length >= length
      ? extension.slice(extension.length - length)
      : front.slice(0, length - extension.length).padEnd(length - extension.length, '0') + extension;
  const moved = people.map(({ id, who, extension }) => ({ id, who, from: extension, to: move(extension) }));
  const reserved = (business.reserved ?? [])
    .map(({ from, to, note }) => ({ from: move(from), to: move(to), note }))
    // Cut to fewer digits, a block may turn round: it is then none any more.
    .filter(({ from, to }) => from <= to);
  const next = { ...business, extensionLength: length };
  return {
    length,
    reserved,
    rows: moved.map((row) => {
      const others = moved.filter((o) => o.id !== row.id).map((o) => ({ extension: o.to, who: o.who }));
      return { ...row, problem: checkExtension(row.to, others, next) };
    }),
  };
}
