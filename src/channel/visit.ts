/** What the address of a call button's page carries, so that a visitor's browser finds the exchange: in its fragment, which is sent to no server. */

export interface VisitLink {
  /** Where the exchange is found at the relay. */
  address: string;
  /** The key the exchange is known by, base64url. */
  publicKey: string;
}

/** @returns the fragment, without its sign */
export const writeVisit = ({ address, publicKey }: VisitLink): string => `at=${address}.${publicKey}`;

/** @param fragment with its sign or without @returns undefined for anything else */
export function readVisit(fragment: string): VisitLink | undefined {
  const [, address, publicKey] = /^#?at=([\w-]{22})\.([\w-]{43})$/.exec(fragment) ?? [];
  return address && publicKey ? { address, publicKey } : undefined;
}
