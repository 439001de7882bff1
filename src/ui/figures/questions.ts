/** The questions that reports answer, as people ask them. */
import type { ReportId } from '$core/traffic';

export const QUESTION_WORDS: Record<ReportId, string> = {
  'how many': 'How many calls, and when?',
  missed: 'Who was missed, and did we call back?',
  waits: 'How long do callers wait?',
  who: 'Who answers, who talks how long?',
  'earns its place': 'What earns its place?',
  'too few': 'When are we too few?',
  cost: 'What does it cost?',
  wants: 'What do callers want?',
};
/** As they stand in an address. */
export const addressOf = (id: ReportId): string => id.replaceAll(' ', '-');
