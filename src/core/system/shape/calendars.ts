/** Calendars in which appointments are made: when they are open, how long one takes, and how many fit at once. */
import { z } from 'zod';
import { Id, name } from './primitives';

const minutes = (least: number, most: number, says: string) =>
  z
    .number('Type a number of minutes.')
    .int('Whole minutes only.')
    .min(least, `At least ${least} minutes.`)
    .max(most, says);

export const BookingCalendar = z.object({
  id: Id,
  name,
  /** When it is open: any period of these hours. */
  hoursId: Id.nullable(),
  /** How long an appointment takes. */
  minutes: minutes(5, 480, 'At most 480 minutes (8 hours).'),
  /** What stays free before and after each; it need not fit before closing. */
  gapMinutes: minutes(0, 240, 'At most 240 minutes.'),
  /** The most that there are at one moment. */
  atOnce: z.number('Type a number.').int('A whole number.').min(1, 'At least 1.').max(50, 'At most 50.'),
  /** How long before one it can be made at the latest. */
  leadMinutes: minutes(0, 43_200, 'At most 43,200 minutes (30 days).'),
  /** How many days from today it can be made at the most. */
  horizonDays: z
    .number('Type a number of days.')
    .int('Whole days only.')
    .min(1, 'At least 1 day.')
    .max(365, 'At most 365 days.'),
  /** Who sees to what is unclear about one. */
  personId: Id.nullable(),
});
export type BookingCalendar = z.infer<typeof BookingCalendar>;
