/** The log as it is kept ready beside the records. */
import { z } from 'zod';

/** Rows of a day in UTC, counted from 1970. */
export interface DayRecord {
  businessId: string;
  day: number;
  /** See `packed`. */
  rows: string;
}

/** How far the stored days go. */
export const LogHead = z.object({ version: z.number(), upTo: z.number().int().min(0) });
export type LogHead = z.infer<typeof LogHead>;
