/** Sounds and files, found by the hash of their bytes. */
import { z } from 'zod';
import { Id } from '../../../core/system';

const Hash = z.string().regex(/^[0-9a-f]{64}$/);

/** A recording as a data URL: sound, and nothing else (RFC 2397). */
export const SoundUrl = z
  .string()
  .max(20_000_000)
  .refine(
    (url) => /^data:audio\/[\w.+-]+(;[\w-]+=[\w.,"-]+)*;base64,[A-Za-z0-9+/]*={0,2}$/.test(url),
    'The sound is not one.',
  );

/** The samples of a sound, G.711 µ-law at 8 kHz, by the hash that recordings name. */
export const SoundRecord = z.object({
  businessId: Id,
  hash: Hash,
  ulaw: z.base64().max(8_000_000),
  /** When it was put here, in real time; what is new may not be named yet. */
  storedAt: z.number().optional(),
});
export type SoundRecord = z.infer<typeof SoundRecord>;

/** A picture or paper that something names by the hash of its bytes. */
export const FileRecord = z.object({
  businessId: Id,
  hash: Hash,
  base64: z.base64().max(20_000_000),
  /** When it was put here, in real time; what is new may not be named yet. */
  storedAt: z.number().optional(),
});
export type FileRecord = z.infer<typeof FileRecord>;

/** A recording of a call, by the hashes of its channels. */
export const CallSoundKept = z.object({
  /** The phone it was made on. */
  phone: Id,
  at: z.number(),
  seconds: z.number(),
  ours: Hash,
  theirs: Hash,
  consent: z.enum(['one', 'all']),
  /** Somebody's, by id, or a rule's where that is null. */
  by: Id.nullable(),
  /** It was longer than may be kept. */
  cut: z.boolean().optional(),
  /** What was typed meanwhile: all that is in words of a talk. */
  said: z
    .array(z.object({ by: z.string().max(200), text: z.string().max(500) }))
    .max(500)
    .optional(),
  /** When it goes by itself, epoch milliseconds; null is never. */
  until: z.number().nullable(),
});
export type CallSoundKept = z.infer<typeof CallSoundKept>;
