/** The primitives of sealed channels, all of them the platform's own (Web Crypto): X25519, HKDF of SHA-256, AES-GCM. */

export type Bytes = Uint8Array<ArrayBuffer>;

export interface KeyPair {
  /** 32 bytes (RFC 7748 §5). */
  publicKey: Bytes;
  privateKey: CryptoKey;
}

const X25519 = { name: 'X25519' };
const subtle = () => globalThis.crypto.subtle;

export const joined = (...parts: readonly Uint8Array[]): Bytes => {
  const all = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
};

export const random = (length: number): Bytes => crypto.getRandomValues(new Uint8Array(length));

export const sha256 = async (...parts: readonly Uint8Array[]): Promise<Bytes> =>
  new Uint8Array(await subtle().digest('SHA-256', joined(...parts)));

/** A pair of keys. @param mayLeave whether the private one may be read out, for a copy of it elsewhere */
export async function makeKeys(mayLeave = false): Promise<KeyPair> {
  const made = (await subtle().generateKey(X25519, mayLeave, ['deriveBits'])) as CryptoKeyPair;
  return { publicKey: await rawOf(made.publicKey), privateKey: made.privateKey };
}
const rawOf = async (key: CryptoKey): Promise<Bytes> => new Uint8Array(await subtle().exportKey('raw', key));

/** PKCS #8 (RFC 8410 §7) of a private key that may leave. */
export const writePrivate = async (key: CryptoKey): Promise<Bytes> =>
  new Uint8Array(await subtle().exportKey('pkcs8', key));
/** @throws where it is not one */
export const readPrivate = (pkcs8: Bytes): Promise<CryptoKey> =>
  subtle().importKey('pkcs8', pkcs8, X25519, false, ['deriveBits']);

/**
 * The shared secret of one's own and another's key (RFC 7748 §6.1).
 * @throws where the other's key is no point that gives one: the result would be all zeros
 */
export async function agree(own: CryptoKey, others: Bytes): Promise<Bytes> {
  const key = await subtle().importKey('raw', others, X25519, true, []);
  const bits = await subtle().deriveBits({ ...X25519, public: key } as AlgorithmIdentifier, own, 256);
  return new Uint8Array(bits);
}

/** So many keys of 32 bytes out of one chaining key and what is mixed in: HKDF (RFC 5869) without information. */
export async function hkdf(chaining: Bytes, mixed: Bytes, keys: number): Promise<Bytes[]> {
  const key = await subtle().importKey('raw', mixed, 'HKDF', false, ['deriveBits']);
  const how = { name: 'HKDF', hash: 'SHA-256', salt: chaining, info: new Uint8Array() };
  const bits = new Uint8Array(await subtle().deriveBits(how, key, keys * 256));
  return Array.from({ length: keys }, (_, i) => bits.slice(i * 32, i * 32 + 32));
}

export const gcmKey = (key: Bytes): Promise<CryptoKey> =>
  subtle().importKey('raw', key, 'AES-GCM', false, ['encrypt', 'decrypt']);

/** The nonce of the n-th message: 32 zero bits and n, big-endian (Noise revision 34, §12.3). */
function nonce(n: number): Bytes {
  const bytes = new Uint8Array(12);
  new DataView(bytes.buffer).setBigUint64(4, BigInt(n));
  return bytes;
}

export const gcmSeal = async (key: CryptoKey, n: number, beside: Bytes, plain: Bytes): Promise<Bytes> =>
  new Uint8Array(
    await subtle().encrypt({ name: 'AES-GCM', iv: nonce(n), additionalData: beside }, key, plain),
  );
/** @throws where it is not what was sealed */
export const gcmOpen = async (key: CryptoKey, n: number, beside: Bytes, sealed: Bytes): Promise<Bytes> =>
  new Uint8Array(
    await subtle().decrypt({ name: 'AES-GCM', iv: nonce(n), additionalData: beside }, key, sealed),
  );
