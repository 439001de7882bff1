/** What a link carries that makes a phone of another machine: in its fragment, which is sent to no server. */

export interface JoinLink {
  /** Where the exchange is found at the relay. */
  address: string;
  /** The key the exchange is known by, base64url. */
  publicKey: string;
  invitationId: string;
  /** 256 bits that only the link says, base64url. */
  secret: string;
}

const MARK = 'join=';

/** @returns the fragment, without its sign */
export const writeJoin = ({ address, publicKey, invitationId, secret }: JoinLink): string =>
  `${MARK}${[address, publicKey, secret, invitationId].join('.')}`;

/** @param fragment with its sign or without @returns undefined for anything else */
export function readJoin(fragment: string): JoinLink | undefined {
  const match = /^#?join=([\w-]{22})\.([\w-]{43})\.([\w-]{43})\.([\w-]{1,60})$/.exec(fragment);
  if (!match) return undefined;
  const [, address, publicKey, secret, invitationId] = match as unknown as [
    string,
    string,
    string,
    string,
    string,
  ];
  return { address, publicKey, secret, invitationId };
}
