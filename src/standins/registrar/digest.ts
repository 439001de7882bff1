/**
 * Digest access authentication as SIP uses it: RFC 7616 (HTTP), RFC 3261 §22 and RFC 8760 (SIP, MD5 and SHA-256).
 * Hashes come from a library; loaded with whatever first registers a phone.
 */
import { md5 } from '@noble/hashes/legacy.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** Strongest first: a server offers them in the order of its preference (RFC 8760 §2.3). */
export const ALGORITHMS = ['SHA-256', 'MD5'] as const;
export type Algorithm = (typeof ALGORITHMS)[number];

/** H(data) as hexadecimal in small letters. */
export const hash = (algorithm: Algorithm, data: string): string =>
  bytesToHex((algorithm === 'MD5' ? md5 : sha256)(utf8ToBytes(data)));

/** H(A1) with A1 = user:realm:password (RFC 7616 §3.4.2): what a server keeps instead of the password. */
export const ha1Of = (algorithm: Algorithm, user: string, realm: string, password: string): string =>
  hash(algorithm, `${user}:${realm}:${password}`);

export interface Challenge {
  realm: string;
  nonce: string;
  algorithm: Algorithm;
  qop: 'auth';
  /** The nonce was right once and is too old; the password is not in doubt (RFC 7616 §3.3). */
  stale: boolean;
}

export interface Authorization {
  username: string;
  realm: string;
  nonce: string;
  uri: string;
  algorithm: Algorithm;
  /** Null is the older form without it (RFC 2617 §3.2.2.1). */
  qop: 'auth' | null;
  /** Count of uses of the nonce, eight hexadecimal digits. */
  nc: string;
  cnonce: string;
  response: string;
}

/**
 * The response to a challenge (RFC 7616 §3.4.1): KD(H(A1), nonce:nc:cnonce:qop:H(A2)) with A2 = method:uri.
 * @param method of the request, such as REGISTER @returns hexadecimal in small letters
 */
export function digestResponse(
  ha1: string,
  method: string,
  a: Pick<Authorization, 'algorithm' | 'nonce' | 'nc' | 'cnonce' | 'qop' | 'uri'>,
): string {
  const ha2 = hash(a.algorithm, `${method}:${a.uri}`);
  const middle = a.qop ? `${a.nonce}:${a.nc}:${a.cnonce}:${a.qop}` : a.nonce;
  return hash(a.algorithm, `${ha1}:${middle}:${ha2}`);
}

/** Answers a challenge with a password, as a phone does. @param cnonce made by the phone */
export function answerChallenge(
  challenge: Challenge,
  given: { username: string; password: string; method: string; uri: string; cnonce: string },
): Authorization {
  const { realm, nonce, algorithm, qop } = challenge;
  const { username, uri, cnonce } = given;
  const known = { algorithm, nonce, nc: '00000001', cnonce, qop, uri };
  const ha1 = ha1Of(algorithm, username, realm, given.password);
  return { username, realm, ...known, response: digestResponse(ha1, given.method, known) };
}
