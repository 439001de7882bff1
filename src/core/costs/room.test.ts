/** Room for recordings, reckoned by hand. */
import { expect, it } from 'vitest';
import { recordingRoom } from './room';

const DAY = 86_400_000;
const NOW = 100 * DAY;
/** An hour recorded on each of so many days up to now. */
const hours = (days: number) =>
  Array.from({ length: days }, (_, i) => ({ at: NOW - i * DAY, seconds: 3600 }));
const HOUR = 3600 * 21_334;

it('an hour a day kept for ever needs thirty hours a month', () => {
  expect(recordingRoom(hours(7), null, NOW)).toEqual({ seconds: 7 * 3600, needs: 30 * HOUR });
});
it('what is kept ten days grows to ten hours, and no further', () => {
  expect(recordingRoom(hours(7), 10, NOW).needs).toBe(3 * HOUR);
  expect(recordingRoom(hours(10), 10, NOW).needs).toBe(0);
});
it('what is kept shorter than a week is reckoned from that', () => {
  expect(recordingRoom(hours(2), 2, NOW).needs).toBe(0);
});
it('nothing recorded needs nothing', () => {
  expect(recordingRoom([], 30, NOW)).toEqual({ seconds: 0, needs: 0 });
});
