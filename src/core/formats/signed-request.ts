/**
 * Requests signed so that whoever gets them can tell that they come from here and are whole: HTTP Message Signatures (RFC 9421)
 * with hmac-sha256 (RFC 2104), and Content-Digest (RFC 9530) with SHA-256.
 */
import { hmac } from '@noble/hashes/hmac.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';

const base64 = (bytes: Uint8Array): string => btoa(String.fromCharCode(...bytes));

/** The code of a message under a secret, in base64. @param secret its bytes */
export const codeOf = (secret: Uint8Array, message: string): string =>
  base64(hmac(sha256, secret, utf8ToBytes(message)));

/** What is signed, a component a line: its name in lower case, a derived one with @, and its value. */
export interface Component {
  name: string;
  value: string;
}

/** The parameters of a signature, as they stand in it and in `Signature-Input`. @param created seconds since 1970 */
export const parametersOf = (components: readonly Component[], created: number, keyId: string): string =>
  `(${components.map((c) => `"${c.name}"`).join(' ')});created=${created};keyid="${keyId}"`;

/** The signature base, RFC 9421 section 2.5. */
export const baseOf = (components: readonly Component[], parameters: string): string =>
  [...components.map((c) => `"${c.name}": ${c.value}`), `"@signature-params": ${parameters}`].join('\n');

export interface Signed {
  headers: Record<string, string>;
  body: string;
}

/** The label under which the signature stands. */
const LABEL = 'upper-line';
/** The name of the one secret there is. */
const KEY_ID = 'hooks';

/**
 * A request that hands something over.
 * @param key what is done only once, however often it comes @param at epoch milliseconds
 */
export function signedRequest(url: string, body: string, key: string, secret: string, at: number): Signed {
  const digest = `sha-256=:${base64(sha256(utf8ToBytes(body)))}:`;
  const components: Component[] = [
    { name: '@method', value: 'POST' },
    { name: '@target-uri', value: url },
    { name: 'content-digest', value: digest },
    { name: 'content-type', value: 'application/json' },
    { name: 'idempotency-key', value: `"${key}"` },
  ];
  const parameters = parametersOf(components, Math.floor(at / 1000), KEY_ID);
  const code = codeOf(utf8ToBytes(secret), baseOf(components, parameters));
  return {
    body,
    headers: {
      'Content-Type': 'application/json',
      'Content-Digest': digest,
      'Idempotency-Key': `"${key}"`,
      'Signature-Input': `${LABEL}=${parameters}`,
      Signature: `${LABEL}=:${code}:`,
    },
  };
}

/** Whether a request is as it was signed. */
export function isAsSigned(url: string, { headers, body }: Signed, secret: string): boolean {
  const parameters = (headers['Signature-Input'] ?? '').replace(`${LABEL}=`, '');
  const names = [...parameters.matchAll(/"([^"]+)"(?=[^;]*\))/g)].map((m) => m[1]!);
  const header = (name: string) => Object.entries(headers).find(([n]) => n.toLowerCase() === name)?.[1] ?? '';
  const components = names.map((name) => ({
    name,
    value: name === '@method' ? 'POST' : name === '@target-uri' ? url : header(name),
  }));
  return (
    headers['Content-Digest'] === `sha-256=:${base64(sha256(utf8ToBytes(body)))}:` &&
    headers.Signature === `${LABEL}=:${codeOf(utf8ToBytes(secret), baseOf(components, parameters))}:`
  );
}
