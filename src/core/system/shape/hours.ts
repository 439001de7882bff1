/** When it is open: hours of the week with their exceptions, and rotas of who is on duty. */
import { z } from 'zod';
import { Id, name, text, TimeZone } from './primitives';

/** Minutes of the local day; `to` up to 1440, which is midnight at its end. */
const from = z.number().int().min(0).max(1439);
const to = z.number().int().min(1).max(1440);
const day = z.number().int().min(1).max(7);
/** A named kind of period: Open, Lunch, Saturday. */
export const PeriodKind = text(30).min(1, 'Say what kind of period it is.');
const forwards = (p: { from: number; to: number }) => p.to > p.from;
const FORWARDS = 'A period ends after it starts.';

export const PeriodOfWeek = z
  .object({
    /** ISO day of the week, 1 Monday to 7 Sunday. */
    day,
    from,
    to,
    kind: PeriodKind,
  })
  .refine(forwards, FORWARDS);

/** Times on the dates of an exception: on one day of the week, or (null) on whichever it is. */
export const ExceptionTime = z
  .object({ day: day.nullable(), from, to, kind: PeriodKind })
  .refine(forwards, FORWARDS);

const MonthDay = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'A day of the year is month and day, such as 12-24.');

/** Dates that an exception holds on. */
export const OnDates = z.discriminatedUnion('on', [
  z.object({ on: z.literal('dates'), dates: z.array(z.iso.date()).min(1, 'Give it a date.').max(60) }),
  z
    .object({ on: z.literal('range'), from: z.iso.date(), to: z.iso.date() })
    .refine((r) => r.from <= r.to, 'It ends before it begins.'),
  /** Every year, both days included; it may go over the end of the year. */
  z.object({ on: z.literal('yearly'), from: MonthDay, to: MonthDay }),
]);

/** Days on which other times hold than in the week: a holiday, a day off, a season. */
export const HoursException = z.object({
  id: Id,
  name,
  when: OnDates,
  /** The times of those days; none is closed. */
  times: z.array(ExceptionTime).max(100),
  /** The public holiday whose dates these are, where they were taken from the list of a country. */
  holiday: z.object({ country: text(2), region: text(40), rule: text(120) }).nullable(),
});

export const Hours = z.object({
  id: Id,
  name,
  /** Null goes by the zone of the business. */
  timeZone: TimeZone.nullable(),
  weekly: z.array(PeriodOfWeek).max(100),
  /** Absent is none. Where two fall on a day, the one with fewer days goes first, then the earlier in the list. */
  exceptions: z.array(HoursException).max(200).optional(),
});

const LocalMoment = z
  .string()
  .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/, 'A moment is a date and a time, such as 2027-05-03T08:00.');

/** Who is on duty when: turns that follow each other, and changes to them. */
export const Rota = z.object({
  id: Id,
  name,
  timeZone: TimeZone.nullable(),
  /** Day the first turn begins, ISO. */
  from: z.iso.date(),
  /** Minute of the day at which one hands over to the next. */
  handover: from,
  /** Days a turn lasts. */
  days: z.number().int().min(1, 'At least a day.').max(28, 'At most 28 days.'),
  /** Who has each turn, over and over; null is nobody. */
  turns: z.array(Id.nullable()).max(60),
  /** Somebody else (or nobody) for a time; the later in the list goes first. */
  swaps: z
    .array(
      z
        .object({ from: LocalMoment, to: LocalMoment, personId: Id.nullable() })
        .refine((s) => s.from < s.to, 'It ends before it begins.'),
    )
    .max(1000),
});

/** What holds for a set of hours in place of what it says, until it ends by itself. */
export const Override = z.object({
  /** The kind of period; null is closed. */
  kind: PeriodKind.nullable(),
  /** Epoch milliseconds; `until` is not part of it. */
  from: z.number(),
  until: z.number(),
});

export type PeriodOfWeek = z.infer<typeof PeriodOfWeek>;
export type ExceptionTime = z.infer<typeof ExceptionTime>;
export type OnDates = z.infer<typeof OnDates>;
export type HoursException = z.infer<typeof HoursException>;
export type Hours = z.infer<typeof Hours>;
export type Rota = z.infer<typeof Rota>;
export type Override = z.infer<typeof Override>;
