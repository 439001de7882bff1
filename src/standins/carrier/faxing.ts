/** Faxes as the carrier takes them: called, sent page by page, and what goes wrong as it does with real ones. */
import { z } from 'zod';
import { E164, Id } from '../../core/system/shape/primitives';

/** What can be faxed, as its bytes say. */
export const FAXABLE = ['application/pdf', 'image/png', 'image/jpeg', 'image/gif', 'image/webp'] as const;
export const MOST_FAX_BYTES = 10_000_000;
export const MOST_PAGES = 100;

export const FaxFile = z.object({
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  name: z.string().trim().min(1).max(120),
  type: z.enum(FAXABLE),
  size: z.number().int().min(1).max(MOST_FAX_BYTES, 'The file has more than 10 MB.'),
});
export type FaxFile = z.infer<typeof FaxFile>;

/** What the machine at an outside number does with faxes; set on the bench. */
export const FaxHabit = z.enum(['takes them', 'no fax there', 'busy', 'not answered', 'breaks off']);
export type FaxHabit = z.infer<typeof FaxHabit>;
export const FaxHabits = z.record(E164, FaxHabit);
export type FaxHabits = z.infer<typeof FaxHabits>;

export const FAX_FAILURES = {
  busy: 'The line was busy.',
  'not answered': 'Nobody and nothing answered.',
  'no fax there': 'Somebody or something answered that is no fax.',
  'broke off': 'The connection broke off.',
} as const;
export type FaxFailure = keyof typeof FAX_FAILURES;

/** What became of a fax that was sent. */
export const FaxFate = z.object({
  /** Until the machines have found each other, or it failed, in milliseconds. */
  after: z.number().min(0),
  /** Pages that got through. */
  pages: z.number().int().min(0),
  failed: z.enum(Object.keys(FAX_FAILURES) as [FaxFailure, ...FaxFailure[]]).optional(),
});
export type FaxFate = z.infer<typeof FaxFate>;

export const Fax = z.object({
  id: Id,
  way: z.enum(['in', 'out']),
  from: E164,
  to: E164,
  at: z.number(),
  /** Who of ours sent it, by name. */
  by: z.string().max(120).optional(),
  file: FaxFile,
  pages: z.number().int().min(1).max(MOST_PAGES, `At most ${MOST_PAGES} pages.`),
  fate: FaxFate.optional(),
});
export type Fax = z.infer<typeof Fax>;

/** Calling, ringing and finding each other. Common practice, no source: some twenty seconds. */
const CONNECTS_MS = 20_000;
const RINGS_MS = 40_000;
/** A page at 14,400 bit/s (ITU-T V.17), as it usually is; no source. */
const PAGE_MS = 20_000;

/** What comes of sending so many pages. */
export function faxFateOf(pages: number, habit: FaxHabit = 'takes them'): FaxFate {
  switch (habit) {
    case 'takes them':
      return { after: CONNECTS_MS, pages };
    case 'no fax there':
      return { after: RINGS_MS, pages: 0, failed: 'no fax there' };
    case 'busy':
      return { after: 3000, pages: 0, failed: 'busy' };
    case 'not answered':
      return { after: RINGS_MS, pages: 0, failed: 'not answered' };
    case 'breaks off':
      return { after: CONNECTS_MS, pages: Math.floor(pages / 2), failed: 'broke off' };
  }
}

export type FaxStanding =
  | { state: 'came'; at: number }
  | { state: 'calling' }
  /** @param page that is on its way, from 1 */
  | { state: 'sending'; page: number; of: number }
  | { state: 'sent'; at: number }
  | { state: 'failed'; at: number; why: FaxFailure; pages: number };

/** Where a fax is at a moment, epoch milliseconds. */
export function faxStandingOf({ way, at, pages, fate }: Fax, now: number): FaxStanding {
  if (way === 'in') return { state: 'came', at };
  if (!fate) return { state: 'sent', at };
  const begun = at + fate.after;
  if (now < begun) return { state: 'calling' };
  const over = begun + (fate.failed && !fate.pages ? 0 : (fate.pages + (fate.failed ? 0.5 : 0)) * PAGE_MS);
  if (now < over)
    return { state: 'sending', page: Math.min(pages, Math.floor((now - begun) / PAGE_MS) + 1), of: pages };
  return fate.failed
    ? { state: 'failed', at: over, why: fate.failed, pages: fate.pages }
    : { state: 'sent', at: over };
}
