/** Hours with exceptions in words. */
import { expect, it } from 'vitest';
import type { Hours, HoursException } from '../system';
import { copyDay, dateInWords, kindsOf, periodInWords } from '.';

const exception = (name: string, kind: string): HoursException => ({
  id: name,
  name,
  when: { on: 'dates', dates: ['2026-12-25'] },
  times: [{ day: null, from: 0, to: 1440, kind }],
  holiday: null,
});
const hours = (...exceptions: HoursException[]): Hours => ({
  id: 'h',
  name: 'Office',
  timeZone: null,
  weekly: [
    { day: 6, from: 540, to: 780, kind: 'Saturday' },
    { day: 1, from: 480, to: 1020, kind: 'Open' },
  ],
  exceptions,
});

it('kinds are those of the week in its order, then those only exceptions have', () => {
  expect(kindsOf(hours(exception('Christmas', 'Holiday'), exception('Fair', 'Open')))).toEqual([
    'Open',
    'Saturday',
    'Holiday',
  ]);
});

it('a kind only exceptions have is said by their names, or how many they are', () => {
  const three = ['Christmas', 'New Year', 'Easter'].map((n) => exception(n, 'Holiday'));
  expect(periodInWords(hours(three[0]!, three[1]!), 'Holiday')).toBe('Christmas, New Year');
  expect(periodInWords(hours(...three), 'Holiday')).toBe('on 3 exceptions');
  expect(periodInWords(hours(...three), 'Open')).toBe('Mon 08:00–17:00');
  expect(periodInWords(hours(), 'Lunch')).toBe('never');
});

it('days get all periods of another in place of their own, and other days stay as they are', () => {
  const week = hours(exception('Fair', 'Open')).weekly;
  const copied = copyDay(week, 1, [1, 2, 6]);
  expect(periodInWords({ ...hours(), weekly: copied }, 'Open')).toBe('Mon, Tue, Sat 08:00–17:00');
  expect(periodInWords({ ...hours(), weekly: copied }, 'Saturday')).toBe('never');
  expect(copyDay(week, 7, [6])).toEqual([{ day: 1, from: 480, to: 1020, kind: 'Open' }]);
});

it('writes a day as the languages of the web do', () => {
  const web = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
  // Held against CLDR, as Intl has it for British English: September has four letters there.
  for (let day = Date.UTC(2024, 0, 1); day < Date.UTC(2028, 0, 1); day += 86_400_000)
    expect(dateInWords(new Date(day).toISOString().slice(0, 10))).toBe(web.format(day).replace(',', ''));
});
