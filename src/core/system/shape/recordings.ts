/** Recordings: what callers hear, as words, and as sound once there is some. */
import { z } from 'zod';
import { Id, name, text } from './primitives';

/** The sound of a recording in telephone form. Its samples are kept beside the document, by their hash. */
export const Sound = z.object({
  /** SHA-256 of its µ-law bytes, hex. */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  seconds: z.number().min(0).max(600),
  /** Spoken by the machine from its words, recorded in the browser, read from a file, or music made by code. */
  made: z.enum(['spoken', 'recorded', 'file', 'music']),
});

/** How the machine speaks. */
export const Voice = z.object({
  /** A language as BCP 47 writes it, in small letters: en-us. */
  language: z
    .string()
    .regex(/^[a-z]{2,3}(-[a-z0-9]{1,8})*$/)
    .max(35),
  /** 1 is as usual. */
  speed: z.number().min(0.5).max(2),
});

export const Recording = z.object({
  id: Id,
  name,
  /** What it says. */
  text: text(2000),
  /** Absent or null: there is none yet, and its length is reckoned from its words. */
  sound: Sound.nullable().optional(),
  /** Absent: as the business has it. */
  voice: Voice.optional(),
});

/** A word the machine says wrongly, and how it is to be spelt for it. */
export const Respelling = z.object({
  word: text(40).min(1, 'Write the word.'),
  say: text(80).min(1, 'Write how it is said.'),
});

export type Sound = z.infer<typeof Sound>;
export type Voice = z.infer<typeof Voice>;
export type Recording = z.infer<typeof Recording>;
export type Respelling = z.infer<typeof Respelling>;
