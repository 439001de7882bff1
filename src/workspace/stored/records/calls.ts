/** Calls: those that are over, what was left after the tone, and those in progress. */
import { z } from 'zod';
import { CallRequest, snapshotRecord, TraceRecord } from '../../../core/calls';
import { Id, System } from '../../../core/system';
import { SoundUrl, CallSoundKept } from './sounds';

/** What one of ours wrote down to a call or message, by name; empty is whoever runs the system. */
export const Remark = z.object({
  at: z.number(),
  by: z.string().max(80),
  text: z.string().min(1).max(2000),
});

export const MOST_REMARKS = 200;

const Remarks = z.array(Remark).max(MOST_REMARKS);

/** What is written to a call besides what happened. */
export const Beside = z.object({
  /** What those who talked wrote down. */
  note: z.string().max(2000).optional(),
  /** Its sound where it was recorded, each part in two channels. */
  recordings: z.array(CallSoundKept).max(50).optional(),
  /** Recordings that were deleted for good: when, and by whom. */
  deleted: z
    .array(z.object({ recordedAt: z.number(), seconds: z.number(), at: z.number(), by: z.string().max(80) }))
    .optional(),
  /** How it sounded where it was heard, by phone: the rating of the E-model (G.107), 0 to 100. */
  quality: z.record(Id, z.number().min(0).max(100)).optional(),
});
export type Beside = z.infer<typeof Beside>;

export const CallRecord = z.object({
  id: Id,
  businessId: Id,
  at: z.number(),
  request: CallRequest,
  trace: TraceRecord,
  words: z.string(),
  /** When somebody called back, or said that it is done. */
  answeredAt: z.number().optional(),
  /** Who is to see to it. */
  assignedTo: Id.optional(),
  remarks: Remarks.optional(),
  /** Words it is found and counted by. */
  tags: z.array(z.string().min(1).max(30)).max(30).optional(),
  ...Beside.shape,
});
export type CallRecord = z.infer<typeof CallRecord>;

export const MessageRecord = z.object({
  id: Id,
  businessId: Id,
  mailboxId: Id,
  at: z.number(),
  from: z.string(),
  fromNumber: z.string().nullable(),
  seconds: z.number(),
  said: z.string().max(5000),
  /** A recording as a data URL, or null where the words were typed. */
  sound: SoundUrl.nullable(),
  heard: z.boolean(),
  /** What the caller said and pressed before; absent where there was nothing. */
  notes: z.array(z.object({ label: z.string(), text: z.string() })).optional(),
  /** What a colleague wrote to it. */
  note: z.string().max(2000).optional(),
  remarks: Remarks.optional(),
  /** Who is to see to it. */
  assignedTo: Id.optional(),
  /** Where it lies; absent is the inbox. */
  folder: z.enum(['archive', 'bin', 'spam']).optional(),
  /** When somebody called or texted back, or said that it is done. */
  answeredAt: z.number().optional(),
  binnedAt: z.number().optional(),
});
export type MessageRecord = z.infer<typeof MessageRecord>;

/** What a caller says after the tone: typed words, or a recording as a data URL. */
export const Said = z.object({ text: z.string().max(5000), sound: SoundUrl.nullable() });
export type Said = z.infer<typeof Said>;

/** The system a call in progress goes by: a version that was put in force; as it stood there, in what was stored before. */
const StoredSystem = z.union([z.strictObject({ inForce: z.number().int().min(0) }), System]);

/** Calls in progress, so that another window can take them up, with what their callers have said so far. */
export const ExchangeRecord = z.object({
  businessId: Id,
  snapshot: snapshotRecord(StoredSystem),
  /** By call. Absent in what was stored before it was kept. */
  said: z.array(z.tuple([Id, Said])).optional(),
  /** What is written to calls that go on, by call. */
  beside: z.array(z.tuple([Id, Beside])).optional(),
  /** How many events of a call have been looked at for letters to send, by call. */
  notified: z.array(z.tuple([Id, z.number().int().min(0)])).optional(),
});
export type ExchangeRecord = z.infer<typeof ExchangeRecord>;
