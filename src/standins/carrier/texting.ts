/** Texts as the carrier takes them, and what becomes of each: delivered, late, or failed as real ones fail. */
import { z } from 'zod';
import { fictionRangeOf, profileOf } from '../../core/numbering';
import { E164, Id } from '../../core/system/shape/primitives';
import type { NumberHeld } from '../../core/system/shape/schema';
import { MOST_PARTS, partsOf } from '../../core/texting';
import { needsApproval, textingStanding, type TextingRequest } from './approval';

/** Kinds of file that the network carries, as their bytes say. Common practice, no source. */
export const CARRIED = {
  'image/jpeg': 'JPEG picture',
  'image/png': 'PNG picture',
  'image/gif': 'GIF picture',
  'image/webp': 'WebP picture',
  'application/pdf': 'PDF',
} as const;
/** All files of a text together, in bytes. Common practice, no source: about 1 MB. */
export const MOST_BYTES = 1_000_000;
export const MOST_FILES = 5;

export const TextFile = z.object({
  /** SHA-256 of its bytes, by which they are found. */
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  name: z.string().trim().min(1).max(120),
  type: z.enum(Object.keys(CARRIED) as [keyof typeof CARRIED, ...(keyof typeof CARRIED)[]]),
  /** Bytes. */
  size: z.number().int().min(1),
});
export type TextFile = z.infer<typeof TextFile>;
/** Those of one text. */
export const TextFiles = z
  .array(TextFile)
  .max(MOST_FILES, `At most ${MOST_FILES} files.`)
  .refine(
    (files) => files.reduce((n, f) => n + f.size, 0) <= MOST_BYTES,
    'The files come to more than 1 MB together: more is not carried.',
  );

/** Why the network did not deliver a text. */
export const FAILURES = {
  'no such number': 'Nobody has this number.',
  landline: 'This number takes calls only: it is a landline.',
  blocked: 'Their network took it for unwanted, and blocked it.',
  'no files': 'Their phone takes words only, no pictures or files.',
  unreachable: 'Their phone was off for three days.',
  pace: 'Too many at once: this number sends one part a second, and a minute of them was waiting.',
  stopped: 'They want no texts, and said so before it went.',
  late: 'No window of Upper Line was open when it was to go, nor for twelve hours after.',
} as const;
export type Failure = keyof typeof FAILURES;

/** What the network made of a text that went out. */
export const Fate = z.object({
  /** Milliseconds after it left. */
  after: z.number().min(0),
  failed: z.enum(Object.keys(FAILURES) as [Failure, ...Failure[]]).optional(),
});
export type Fate = z.infer<typeof Fate>;

export const TextMessage = z
  .object({
    id: Id,
    /** Sent by the business, or to it. */
    way: z.enum(['out', 'in']),
    from: E164,
    to: E164,
    /** Empty only where there are files. */
    text: z
      .string()
      .trim()
      .normalize('NFC')
      .max(1600, 'This is longer than 1,600 letters: send it as two.')
      .refine(
        (text) => partsOf(text).parts.length <= MOST_PARTS,
        `This takes more than ${MOST_PARTS} parts. Make it shorter, or send it as two.`,
      ),
    files: TextFiles.optional(),
    /** When it was written, or came, or has gone where it was to go later. */
    at: z.number(),
    /** Who of ours wrote it, by name; absent is whoever runs the system. */
    by: z.string().max(120).optional(),
    /** It was answered by itself: a stop, or who writes. */
    byItself: z.boolean().optional(),
    /** It has not gone yet: it is to go then. */
    sendAt: z.number().optional(),
    /** Absent in those that came, that wait, and in what was stored before it was kept: delivered at once. */
    fate: Fate.optional(),
  })
  .refine(({ text, files }) => text !== '' || (files?.length ?? 0) > 0, {
    path: ['text'],
    message: 'Write something.',
  });
export type TextMessage = z.infer<typeof TextMessage>;

/** Whether the carrier carries texts from and to a number at all. */
export const carriesTexts = ({ country, kind }: Pick<NumberHeld, 'country' | 'kind'>): boolean =>
  profileOf(country).textable.includes(kind);

/** What the phone at an outside number makes of texts; set on the bench. */
export const TextHabit = z.enum([
  'takes them',
  'calls only',
  'not in service',
  'blocks them',
  'words only',
  'is off',
]);
export type TextHabit = z.infer<typeof TextHabit>;
export const TextHabits = z.record(E164, TextHabit);
export type TextHabits = z.infer<typeof TextHabits>;

/** The habit of a number nothing was set for: landlines of countries that tell them apart take calls only. */
function usualHabit(e164: string): TextHabit {
  const known = fictionRangeOf(e164);
  if (!known) return 'takes them';
  return profileOf(known.country).textable.includes(known.range.kind) ? 'takes them' : 'calls only';
}

/** One part a second and number, and so many may wait. Common practice, no source: for usual numbers in North America. */
export const PACE_MS = 1000;
const MOST_WAITING = 60;
/** A text takes so long at least, in milliseconds; invented. */
const USUAL_MS = 1500;
/** A phone that is off is tried for so long: the validity period (3GPP TS 23.040, 9.2.3.12); three days is common practice. */
const TRIED_MS = 3 * 86_400_000;

/**
 * What becomes of a text that leaves now.
 * @param before texts that went before, of any number; those of the last minute count @param at epoch milliseconds
 */
export function fateOf(
  text: Pick<TextMessage, 'from' | 'to' | 'text' | 'files'>,
  before: readonly TextMessage[],
  habits: TextHabits,
  at: number,
): Fate {
  const mine = partsOf(text.text).parts.length;
  const waiting = before
    .filter((t) => t.way === 'out' && t.from === text.from && !t.sendAt && t.fate?.failed !== 'pace')
    .reduce((n, t) => {
      const left = (t.fate?.after ?? 0) - USUAL_MS - (at - t.at);
      return Math.max(n, left / PACE_MS);
    }, 0);
  if (waiting + mine > MOST_WAITING) return { after: 0, failed: 'pace' };
  const after = USUAL_MS + Math.round((waiting + mine) * PACE_MS);
  const habit = habits[text.to] ?? usualHabit(text.to);
  switch (habit) {
    case 'takes them':
      return { after };
    case 'calls only':
      return { after, failed: 'landline' };
    case 'not in service':
      return { after, failed: 'no such number' };
    case 'blocks them':
      return { after, failed: 'blocked' };
    case 'words only':
      return text.files?.length ? { after, failed: 'no files' } : { after };
    case 'is off':
      return { after: TRIED_MS, failed: 'unreachable' };
  }
}

export type Delivery =
  /** It is to go later. */
  | { state: 'later'; at: number }
  /** Until the business may text. */
  | { state: 'held' }
  | { state: 'on its way'; since: number }
  | { state: 'delivered'; at: number }
  | { state: 'failed'; at: number; why: Failure };

/** Where a text is at a moment, epoch milliseconds. Only what the business sends waits or fails. */
export function deliveryOf(
  text: Pick<TextMessage, 'way' | 'from' | 'at' | 'sendAt' | 'fate'>,
  requests: readonly TextingRequest[],
  now: number,
): Delivery {
  if (text.way === 'in') return { state: 'delivered', at: text.at };
  if (text.sendAt !== undefined) return { state: 'later', at: text.sendAt };
  const failed = text.fate?.failed;
  // What the carrier did not take at all does not wait for anything.
  if (failed && text.fate?.after === 0) return { state: 'failed', at: text.at, why: failed };
  const standing = needsApproval(text.from) ? textingStanding(requests, now) : null;
  if (standing && standing.stage !== 'approved') return { state: 'held' };
  const left = standing ? Math.max(text.at, standing.since) : text.at;
  const at = left + (text.fate?.after ?? 0);
  if (now < at) return { state: 'on its way', since: left };
  return failed ? { state: 'failed', at, why: failed } : { state: 'delivered', at };
}
