/** Telephone samples as they travel: G.711. */
import { mulaw } from 'alawmulaw';

/** Samples a second on the telephone (ITU-T G.711). */
export const RATE = 8000;

/** 16-bit samples as µ-law, one byte each. */
export const encodeUlaw = (samples: Int16Array): Uint8Array => mulaw.encode(samples);

/** µ-law as 16-bit samples, as whoever listens hears them. */
export const decodeUlaw = (bytes: Uint8Array): Int16Array => mulaw.decode(bytes);
