/** The mail stand-in's delivery: letters take a moment, and some come back. */

/** A letter arrives so long after it was sent, and comes back so long after, in milliseconds. */
export const ARRIVES_MS = 1500;
export const RETURNS_MS = 20_000;

export interface Delivery {
  state: 'on its way' | 'arrived' | 'came back';
  /** Why it came back, with the status code of RFC 3463; empty otherwise. */
  words: string;
}

/** The part of an address behind the @, in small letters. */
export const domainOf = (address: string): string => address.split('@').at(-1)?.toLowerCase() ?? '';

/** Whether two texts differ by one character put in, left out, changed, or swapped with its neighbour. */
export function oneSlip(a: string, b: string): boolean {
  if (a === b || Math.abs(a.length - b.length) > 1) return false;
  let i = 0;
  while (i < a.length && a[i] === b[i]) i++;
  const same = (x: string, y: string) => x === y;
  return (
    same(a.slice(i + 1), b.slice(i + 1)) ||
    same(a.slice(i), b.slice(i + 1)) ||
    same(a.slice(i + 1), b.slice(i)) ||
    (a[i] === b[i + 1] && a[i + 1] === b[i] && same(a.slice(i + 2), b.slice(i + 2)))
  );
}

/** The domain most of some addresses are at, where at least two are. */
export function usualDomain(addresses: readonly string[]): string | undefined {
  const tally = new Map<string, number>();
  for (const a of addresses) if (a) tally.set(domainOf(a), (tally.get(domainOf(a)) ?? 0) + 1);
  const [first] = [...tally].sort((a, b) => b[1] - a[1]);
  return first && first[1] > 1 ? first[0] : undefined;
}

/**
 * Why a letter to an address would come back, or null. The rules stand on the bench: a domain in .invalid, and one that
 * is one slip away from the business's own, has no mail server; nobody… is not known there, and …full's box is full.
 */
export function refusal(address: string, usual: string | undefined): string | null {
  const [box = ''] = address.toLowerCase().split('@');
  const domain = domainOf(address);
  // RFC 6761 §6.4 keeps .invalid for names that never resolve.
  if (domain.endsWith('.invalid')) return `5.1.2 There is no mail server for ${domain}.`;
  if (usual && oneSlip(domain, usual)) return `5.1.2 There is no mail server for ${domain}. Is it ${usual}?`;
  if (box.startsWith('nobody')) return `5.1.1 ${domain} knows no ${box}.`;
  if (box.endsWith('full')) return `4.2.2 The mailbox of ${box} is full.`;
  return null;
}

/** Where a letter is. @param usual the domain most people of the business are at @param now epoch milliseconds */
export function deliveryOf(
  letter: { to: string; at: number },
  usual: string | undefined,
  now: number,
): Delivery {
  const age = now - letter.at;
  const words = refusal(letter.to, usual);
  if (age < (words ? RETURNS_MS : ARRIVES_MS)) return { state: 'on its way', words: '' };
  return words ? { state: 'came back', words } : { state: 'arrived', words: '' };
}
