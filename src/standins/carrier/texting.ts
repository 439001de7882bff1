/** Approval before a business may send texts, and the texts that wait for it. Worked out from what was sent and when. */
import { z } from 'zod';
import { MOST_PARTS, partsOf } from '../../core/texting';
import { profileOf, readNumber } from '../../core/numbering';
import { E164, Id } from '../../core/system/shape/primitives';
import type { NumberHeld } from '../../core/system/shape/schema';

const field = (what: string, max = 200) => z.string().trim().min(1, `${what} is missing.`).max(max);

export const TextingFacts = z.object({
  legalName: field('The legal name of the business'),
  taxId: field('The tax number', 40),
  website: field('The website'),
  contact: z.email('That is not an e-mail address.'),
  purpose: field('What the texts are for', 500),
  sample: field('A sample text', 500),
  consent: field('How people agree to be texted', 500),
});
export type TextingFacts = z.infer<typeof TextingFacts>;

export const TextingRequest = z.object({ at: z.number(), facts: TextingFacts });
export type TextingRequest = z.infer<typeof TextingRequest>;

export const TextMessage = z.object({
  id: Id,
  /** Sent by the business, or to it. */
  way: z.enum(['out', 'in']),
  from: E164,
  to: E164,
  text: z
    .string()
    .trim()
    .normalize('NFC')
    .min(1, 'Write something.')
    .max(1600, 'This is longer than 1,600 letters: send it as two.')
    .refine(
      (text) => partsOf(text).parts.length <= MOST_PARTS,
      `This takes more than ${MOST_PARTS} parts. Make it shorter, or send it as two.`,
    ),
  at: z.number(),
  /** Who of ours wrote it, by name; absent is whoever runs the system. */
  by: z.string().max(120).optional(),
});
export type TextMessage = z.infer<typeof TextMessage>;

/** In review for so long. Common practice, no source: about two weeks in the United States. */
export const REVIEW_MS = 14 * 86_400_000;

export type TextingStanding =
  | { stage: 'not asked' }
  | { stage: 'in review'; until: number }
  | { stage: 'approved'; since: number }
  | { stage: 'refused'; at: number; field: keyof TextingFacts; reason: string };

/** What the reviewers refuse, or null. The stand-in's rules are listed on the bench. */
function refusal(facts: TextingFacts): { field: keyof TextingFacts; reason: string } | null {
  if (!/\bstop\b/i.test(facts.sample))
    return {
      field: 'sample',
      reason: 'The sample does not say how to opt out, such as “Reply STOP to end”.',
    };
  if (facts.purpose.length < 20)
    return {
      field: 'purpose',
      reason: 'The purpose is too short to judge. Say who gets which texts, and when.',
    };
  if (!/^[\w-]+(\.[\w-]+)+/.test(facts.website.replace(/^https?:\/\//, '')))
    return { field: 'website', reason: 'The website cannot be reached.' };
  return null;
}

/** Where the approval stands at a moment. @param requests as sent, the last one counts */
export function textingStanding(requests: readonly TextingRequest[], now: number): TextingStanding {
  const last = requests.at(-1);
  if (!last) return { stage: 'not asked' };
  const decided = last.at + REVIEW_MS;
  if (now < decided) return { stage: 'in review', until: decided };
  const no = refusal(last.facts);
  return no ? { stage: 'refused', at: decided, ...no } : { stage: 'approved', since: decided };
}

/** Whether the carrier carries texts from and to a number at all. */
export const carriesTexts = ({ country, kind }: Pick<NumberHeld, 'country' | 'kind'>): boolean =>
  profileOf(country).textable.includes(kind);

/** Whether what a number (E.164) sends waits for the business's approval: its country decides. */
export function needsApproval(e164: string): boolean {
  const read = readNumber(e164, 'US');
  return !read.ok || profileOf(read.number.country ?? 'US').textingApproval;
}

/** When a text reaches the other side, or null while it is held back. Only what the business sends can be. */
export function deliveredAt(
  text: TextMessage,
  requests: readonly TextingRequest[],
  now: number,
): number | null {
  if (text.way === 'in' || !needsApproval(text.from)) return text.at;
  const standing = textingStanding(requests, now);
  return standing.stage === 'approved' ? Math.max(text.at, standing.since) : null;
}

/** Words with which somebody wants no more texts, and wants them again. Whatever the case, and with spaces and signs
 * around; a sentence that holds one is none. Sources: the CTIA messaging principles, and 47 CFR 64.1200(a)(10), from memory. */
const STOP =
  /^[\s\p{P}]*(stop|stopall|unsubscribe|cancel|end|quit|revoke|opt[\s-]?out|arr[eê]t)[\s\p{P}]*$/iu;
const START = /^[\s\p{P}]*(start|unstop|yes)[\s\p{P}]*$/iu;

/** Whether somebody wants no more texts by these words. */
export const isStop = (text: string): boolean => STOP.test(text);

/** Whether somebody has answered STOP to one of our numbers and not START since. @param texts oldest first */
export function wantsNone(texts: readonly TextMessage[], theirs: string, ours: string): boolean {
  const said = texts.findLast(
    (t) => t.way === 'in' && t.from === theirs && t.to === ours && (STOP.test(t.text) || START.test(t.text)),
  );
  return said !== undefined && STOP.test(said.text);
}
