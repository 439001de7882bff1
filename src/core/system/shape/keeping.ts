/** How long a business keeps what was dealt with. */
import { z } from 'zod';

const days = z
  .number('Type a number of days.')
  .int('Whole days.')
  .min(1, 'At least 1 day.')
  .max(3650, 'At most 3,650 days.');

/** Days after which something goes by itself; absent is never. */
export const Keeping = z.object({
  /** Calls, with their notes and recordings; messages by their mailbox. */
  callDays: days.optional(),
  textDays: days.optional(),
  /** Numbers of those who called are hidden; the call itself stays. */
  hideDays: days.optional(),
});
export type Keeping = z.infer<typeof Keeping>;
