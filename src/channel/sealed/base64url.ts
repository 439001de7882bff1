/** Bytes as text that may stand in an address (RFC 4648 §5, without padding). */
import type { Bytes } from './primitives';

export const base64Url = (bytes: Uint8Array): string =>
  btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');

/** @returns undefined for what is none */
export function ofBase64Url(text: string): Bytes | undefined {
  if (!/^[\w-]*$/.test(text)) return undefined;
  try {
    return Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0));
  } catch {
    return undefined;
  }
}
