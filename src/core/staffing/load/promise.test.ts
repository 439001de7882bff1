/** Promises about load: kept, broken or too close by the interval, and in words. */
import { expect, it } from 'vitest';
import { COUNTS, loadPromiseInWords, LoadPromise, verdictOf, type Week } from '.';

const promise = (more: Partial<LoadPromise> = {}): LoadPromise => ({
  id: 'p',
  days: [1],
  from: 0,
  to: 24,
  share: 0.8,
  within: 20,
  ...more,
});
/** Weeks in which of 100 callers on Monday at ten so many are answered in time, and none on other days. */
const weeks = (...inTime: number[]): Week[] =>
  inTime.map((n) => {
    const none = () => Array.from({ length: 168 }, () => 0);
    const hours = Object.fromEntries(COUNTS.map((c) => [c, none()])) as Week['hours'];
    hours.offered[10] = 100;
    hours.inTime[10] = n;
    return { hours, busy: {}, lines: none(), load: none(), missedBy: {}, found: [] };
  });

it('is kept where the lower end reaches it, broken where the upper end does not, and too close between', () => {
  expect(verdictOf(promise(), weeks(90, 88, 91, 89)).is).toBe('kept');
  expect(verdictOf(promise(), weeks(70, 68, 71, 69)).is).toBe('broken');
  expect(verdictOf(promise(), weeks(70, 90, 75, 85)).is).toBe('too close');
  expect(verdictOf(promise(), weeks(80, 80, 80)).is).toBe('kept');
  expect(verdictOf(promise({ days: [2] }), weeks(90, 90)).is).toBe('nobody calls');
  expect(verdictOf(promise({ from: 11 }), weeks(90, 90)).is).toBe('nobody calls');
  // One week says nothing of how weeks differ.
  expect(verdictOf(promise(), weeks(90)).is).toBe('nobody calls');
});

it('is said as people promise it', () => {
  expect(loadPromiseInWords(promise())).toBe(
    'Of callers on a usual Monday, 80 % are answered by a person within 20 s',
  );
  expect(loadPromiseInWords(promise({ days: [1, 2, 3, 4, 5], from: 9, to: 17, share: 0.925 }))).toBe(
    'Of callers on a usual weekday from 9 to 17, 92.5 % are answered by a person within 20 s',
  );
});

it('what cannot be promised is refused beside its field', () => {
  const wrong = (more: object) => LoadPromise.safeParse({ ...promise(), ...more }).error?.issues[0];
  expect(wrong({ days: [] })?.message).toBe('Choose a day.');
  expect(wrong({ share: 1.2 })?.message).toBe('At most 100 %.');
  expect(wrong({ within: 0 })?.message).toBe('At least 1 s.');
  expect(wrong({ from: 12, to: 12 })?.path).toEqual(['to']);
});
