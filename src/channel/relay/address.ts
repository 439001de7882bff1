/** Where an exchange is found at a relay. */
import { base64Url } from '../sealed/base64url';
import { sha256 } from '../sealed/primitives';

/** The address of whoever knows a token: 128 bits of its SHA-256, so that nobody else can answer there. */
export const addressOf = async (token: string): Promise<string> =>
  base64Url((await sha256(new TextEncoder().encode(token))).slice(0, 16));
