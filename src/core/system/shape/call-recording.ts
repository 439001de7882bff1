/** Recording of calls: who may, what is recorded by rule, how consent is had, and how long it is kept. */
import { z } from 'zod';
import { Id } from './primitives';

export const CallRecording = z.object({
  /** Who may have a call recorded; an empty list is nobody. */
  mayRecordFor: z.union([z.literal('everybody'), z.array(Id).max(500)]),
  /** Calls by these numbers, and calls of these people, are recorded by rule. */
  numberIds: z.array(Id).max(200),
  personIds: z.array(Id).max(500),
  /** Calls that went through these plans, too. */
  planIds: z.array(Id).max(200).optional(),
  /** What is said where everybody must agree; null is words of the machine. */
  noticeId: Id.nullable(),
  /** Days recordings are kept; null is until somebody deletes them. */
  keepDays: z.number().int().min(1, 'At least 1 day.').max(3650, 'At most 3,650 days.').nullable(),
  /** Where the business has been told otherwise than the usual table says: by country or state, "DE", "US-WA". */
  consent: z.record(z.string().regex(/^[A-Z]{2}(-[A-Z]{2,3})?$/), z.enum(['one', 'all'])),
});
export type CallRecording = z.infer<typeof CallRecording>;

/** What holds where recording is first allowed: nobody may yet, nothing is by rule, a month. */
export const noCallRecording = (): CallRecording => ({
  mayRecordFor: [],
  numberIds: [],
  personIds: [],
  noticeId: null,
  keepDays: 30,
  consent: {},
});

/** Whether some calls are recorded without anybody asking for it. */
export const recordsByRule = ({ numberIds, personIds, planIds }: CallRecording): boolean =>
  numberIds.length + personIds.length + (planIds?.length ?? 0) > 0;

/** What is said where no recording of it was chosen. */
export const RECORDING_NOTICE = 'This call is recorded.';
