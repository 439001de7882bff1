/** When Lantern Cove is open, and who has the night watch. */
import { newRota, type Command, type HoursException, type PeriodOfWeek } from '../src/core/system';

const daily = (days: number[], from: number, to: number, kind = 'Open'): PeriodOfWeek[] =>
  days.map((day) => ({ day, from: from * 60, to: to * 60, kind }));
export const WEEKDAYS = [1, 2, 3, 4, 5];
const hours = (
  id: string,
  name: string,
  weekly: PeriodOfWeek[],
  exceptions: HoursException[] = [],
): Command => ({
  do: 'hours.add',
  value: { id, name, timeZone: null, weekly, exceptions },
});
const closedOn = (id: string, name: string, dates: string[], rule: string): HoursException => ({
  id,
  name,
  when: { on: 'dates', dates },
  times: [],
  holiday: { country: 'US', region: 'WA', rule },
});
const YEARS = [2026, 2027, 2028, 2029, 2030];
/** Days off of Washington State, United States: 5 USC 6103 and RCW 1.16.050 (dates from memory). */
const HOLIDAYS = (of: string): HoursException[] => [
  closedOn(
    `${of}-new-year`,
    "New Year's Day",
    YEARS.map((y) => `${y + 1}-01-01`),
    '01-01',
  ),
  closedOn(
    `${of}-independence`,
    'Independence Day',
    YEARS.map((y) => `${y + 1}-07-04`),
    '07-04',
  ),
  closedOn(
    `${of}-thanksgiving`,
    'Thanksgiving Day',
    ['2026-11-26', '2027-11-25', '2028-11-23', '2029-11-22', '2030-11-28'],
    '4th thursday in November',
  ),
  closedOn(
    `${of}-christmas`,
    'Christmas Day',
    YEARS.map((y) => `${y}-12-25`),
    '12-25',
  ),
];
const SUMMER: HoursException = {
  id: 'summer',
  name: 'Summer',
  when: { on: 'yearly', from: '05-15', to: '09-15' },
  times: [{ day: null, from: 480, to: 1200, kind: 'Open' }],
  holiday: null,
};
export const HOURS = [
  hours(
    'office',
    'Office hours',
    [
      ...daily(WEEKDAYS, 8, 12),
      ...daily(WEEKDAYS, 12, 13, 'Lunch'),
      ...daily(WEEKDAYS, 13, 17),
      ...daily([6], 9, 13, 'Saturday'),
    ],
    HOLIDAYS('office'),
  ),
  hours('workshop-hours', 'Workshop hours', daily(WEEKDAYS, 7, 16), HOLIDAYS('workshop')),
  hours('charter-hours', 'Charter season', daily([1, 2, 3, 4, 5, 6], 9, 18), [
    ...HOLIDAYS('charters'),
    SUMMER,
  ]),
];

/** A gap is planted in it: nobody has the watch on two nights of December. */
export const ROTA: Command = {
  do: 'rota.add',
  value: newRota({
    id: 'watch',
    name: 'Night watch',
    from: '2026-11-23',
    handover: 17 * 60,
    turns: ['callum', 'mei', 'tomas'],
    swaps: [
      { from: '2026-12-05T17:00', to: '2026-12-07T17:00', personId: 'rosa' },
      { from: '2026-12-19T17:00', to: '2026-12-21T17:00', personId: null },
    ],
  }),
};
