/** Whether the server serves other machines, and where they find it. */
import { z } from 'zod';

const Sharing = z.object({
  /** Its address for other machines; null where it serves this one alone. */
  address: z.string().nullable(),
  /** SHA-256 of the certificate of its authority, as bytes in hexadecimal apart by colons. */
  fingerprint: z.string(),
});
export type Sharing = z.infer<typeof Sharing>;

/** @returns null where the server is not reached */
export async function readSharing(): Promise<Sharing | null> {
  try {
    return Sharing.parse(await (await fetch('/api/share')).json());
  } catch {
    return null;
  }
}
