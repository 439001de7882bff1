/** SIP accounts: what a phone is told, and what the registrar keeps of it. */
import type { Account, Codec, Transport } from '../../core/system';
import { ha1Of } from './digest';

/** The server phones register with. */
export const SERVER = 'sip.upperline.example';
/** SIP's own ports (RFC 3261 §19.1.2). */
export const PORTS: Record<Transport, number> = { tls: 5061, tcp: 5060, udp: 5060 };

/** Letters and digits that cannot be taken for one another: no 0 O, 1 l I. */
const ALPHABET = '23456789abcdefghijkmnpqrstuvwxyzABCDEFGHJKLMNPQRSTUVWXYZ';
const PASSWORD_LENGTH = 20;
/** Strength of a generated password in bits: characters times the bits of each, all equally likely. */
export const PASSWORD_BITS = Math.floor(PASSWORD_LENGTH * Math.log2(ALPHABET.length));

/** Everything a standards-based SIP phone must be told. */
export interface AccountDetails {
  format: 'upper-line-account';
  version: 1;
  /** Whose it is, for people. */
  owner: string;
  extension: string;
  account: string;
  server: string;
  port: number;
  transport: Transport;
  realm: string;
  user: string;
  authName: string;
  password: string;
  /** Seconds a registration is asked for. */
  expires: number;
  /** In the order they are offered. */
  codecs: Codec[];
  /** RFC 3435. */
  digitMap: string;
}

/**
 * A password. @param bytes at least 64 random ones; those that would make a character likelier than another are skipped
 */
export function passwordFrom(bytes: Uint8Array): string {
  const fair = Math.floor(256 / ALPHABET.length) * ALPHABET.length;
  const characters = [...bytes].filter((b) => b < fair).map((b) => ALPHABET[b % ALPHABET.length]!);
  if (characters.length < PASSWORD_LENGTH) throw new RangeError('Too few random bytes for a password.');
  return characters.slice(0, PASSWORD_LENGTH).join('');
}

/** The realm a business's accounts are in. */
export const realmOf = (businessId: string): string => `${businessId}.${SERVER}`;

/** An account made anew, as the registrar keeps it. @param now epoch milliseconds */
export const newAccount = (user: string, realm: string, password: string, now: number): Account => ({
  user,
  ha1: { MD5: ha1Of('MD5', user, realm, password), 'SHA-256': ha1Of('SHA-256', user, realm, password) },
  madeAt: now,
  wrongTries: 0,
  lockedUntil: null,
});
