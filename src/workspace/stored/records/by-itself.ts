/** What is done by itself, or one after the other: each as the core keeps it, with its business. */
import { z } from 'zod';
import { Booking } from '../../../core/booking';
import { CallList, Entry } from '../../../core/call-lists';
import { Run } from '../../../core/dialogues';
import { Kept, Task } from '../../../core/followups';
import { Meeting } from '../../../core/meetings';
import { Round } from '../../../core/rounds';
import { Id } from '../../../core/system';

/** What a follow-up does. */
export const ErrandRecord = Kept.extend({ businessId: Id });
export type ErrandRecord = z.infer<typeof ErrandRecord>;

export const TaskRecord = Task.extend({ businessId: Id });
export type TaskRecord = z.infer<typeof TaskRecord>;

/** A round of texts to many. */
export const RoundRecord = Round.extend({ businessId: Id });
export type RoundRecord = z.infer<typeof RoundRecord>;

/** A list of people to call, and those on it. */
export const CallListRecord = CallList.extend({ businessId: Id });
export type CallListRecord = z.infer<typeof CallListRecord>;

export const EntryRecord = Entry.extend({ businessId: Id });
export type EntryRecord = z.infer<typeof EntryRecord>;

/** An appointment. */
export const BookingRecord = Booking.extend({ businessId: Id });
export type BookingRecord = z.infer<typeof BookingRecord>;

/** A meeting that is planned. */
export const MeetingRecord = Meeting.extend({ businessId: Id });
export type MeetingRecord = z.infer<typeof MeetingRecord>;

/** A dialogue by text with somebody. */
export const RunRecord = Run.extend({ businessId: Id });
export type RunRecord = z.infer<typeof RunRecord>;
