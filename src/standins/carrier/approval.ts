/** Approval before a business may send texts. Worked out from what was sent and when. */
import { z } from 'zod';
import { profileOf, readNumber } from '../../core/numbering';

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

/** Whether what a number (E.164) sends waits for the business's approval: its country decides. */
export function needsApproval(e164: string): boolean {
  const read = readNumber(e164, 'US');
  return !read.ok || profileOf(read.number.country ?? 'US').textingApproval;
}
