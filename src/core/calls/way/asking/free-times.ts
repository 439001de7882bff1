/** Free times of a calendar, offered in words and chosen by key or word. */
import { freeTimes, isFree, type Asked as AskedOfCalendar } from '../../../booking';
import { addDays, localTime, momentInFull, momentOf, readDate, writingOf } from '../../../hours';
import type { Answered, Put } from './question';

/** So often somebody may choose among times, so often silence is waited out, and so many are offered at once. Common practice. */
const MOST_OFFERED = 4;
const MOST_SILENT = 2;
const OFFERED = 3;

export const NONE_FREE = 'There is no free time left that could be offered.';

/** What a calendar is asked of: what is kept of it, and what calls that go on have just taken. */
function calendarFor({ run, call, question }: Put): AskedOfCalendar | null {
  const { system } = run.world(call);
  const calendar = question.calendarId ? system.calendars[question.calendarId] : undefined;
  const hours = calendar?.hoursId ? system.hours[calendar.hoursId] : undefined;
  if (!calendar || !hours) return null;
  const kept = run.taken(calendar.id);
  const known = new Set(kept.map((t) => t.id));
  const taken = [
    ...kept.filter((t) => !t.off),
    ...(run.memory.booked ?? []).filter((b) => b.calendarId === calendar.id && !known.has(b.id)),
  ];
  return { calendar, hours, zone: system.business.timeZone, taken, now: run.now };
}

export function freeFor(p: Put, day: string | null): number[] {
  const asked = calendarFor(p);
  if (!asked) return [];
  const { zone } = asked;
  return day
    ? freeTimes(asked, momentOf(zone, day, 0), momentOf(zone, addDays(day, 1), 0), OFFERED)
    : freeTimes(asked, p.run.now, Infinity, OFFERED);
}

export const inWords = ({ run, call }: Put, at: number): string => {
  const { business } = run.world(call).system;
  return momentInFull(at, business.timeZone, writingOf(business));
};

/** "Which time suits you? For Tuesday 24 November, 10:00 press 1. …" */
export const offered = (p: Put, before: string, offers: readonly number[]): string =>
  `${before} ${offers.map((at, i) => `For ${inWords(p, at)} press ${i + 1}.`).join(' ')} Or say another day.`;

/** The question with the next free times behind it; or that there are none. */
export function offerTimes(p: Put): { says: string; offers?: number[]; alike?: string } {
  const offers = freeFor(p, null);
  return offers.length
    ? { says: offered(p, p.question.says, offers), offers, alike: p.question.says }
    : { says: NONE_FREE };
}

const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const ORDINALS = ['first', 'second', 'third'];
export const NONE = /\b(none|neither|not? (?:one|any)|no)\b/i;

/** Which of the times is meant: by its number, as the first, or by its hour where that is one only. */
function choiceOf(p: Put, said: string): number | undefined {
  const words: string[] = said.toLowerCase().match(/[\p{L}\p{N}:]+/gu) ?? [];
  const [, digit] = /^\s*#?([1-9])\s*#?\W*$/.exec(said) ?? [];
  if (digit) return p.offers[Number(digit) - 1];
  if (words.length <= 4)
    for (const [i, at] of p.offers.entries())
      if (words.includes(ORDINALS[i]!) || (words.length <= 2 && words.includes(NUMBERS[i]!))) return at;
  const { business } = p.run.world(p.call).system;
  const hours = p.offers.filter((at) => {
    const { minute } = localTime(business.timeZone, at);
    const [h, m] = [Math.floor(minute / 60), minute % 60];
    const on12 = h % 12 || 12;
    return words.some((w) =>
      m === 0
        ? w === `${h}:00` ||
          w === `${on12}:00` ||
          (/\bat\b/i.test(said) && (w === `${on12}` || w === NUMBERS[on12 - 1]))
        : w === `${h}:${m}` || w === `${on12}:${m}`,
    );
  });
  return hours.length === 1 ? hours[0] : undefined;
}

/** "Thursday", "next Thursday please" as a day from tomorrow on. */
function weekdayIn(said: string, today: string): string | undefined {
  const words: string[] = said.toLowerCase().match(/\p{L}+/gu) ?? [];
  for (let n = 1; n <= 7; n++) {
    const day = addDays(today, n);
    const name = new Date(`${day}T12:00:00Z`).toLocaleDateString('en', { weekday: 'long', timeZone: 'UTC' });
    if (words.includes(name.toLowerCase())) return day;
  }
  return undefined;
}

/** Offered is not held: what has gone meanwhile is said, and other times are offered. */
export function chosen(p: Put, said: string): Answered {
  const asked = calendarFor(p);
  if (!asked || !p.offers.length) return { is: 'kept', text: '', value: 0 };
  const at = choiceOf(p, said);
  const again = (before: string, offers: number[]): Answered =>
    p.time >= MOST_OFFERED
      ? { is: 'kept', text: '', value: 0, told: 'One of us sees to it.' }
      : { is: 'again', says: offered(p, before, offers), offers, alike: before };
  if (at !== undefined) {
    if (isFree(asked, at))
      return {
        is: 'kept',
        text: inWords(p, at),
        value: 1,
        told: `Booked: ${inWords(p, at)}.`,
        books: { from: at, to: at + asked.calendar.minutes * 60_000 },
      };
    const others = freeFor(p, null);
    return others.length
      ? again('That time has just gone.', others)
      : { is: 'kept', text: '', value: 0, told: NONE_FREE };
  }
  const { date } = localTime(asked.zone, p.run.now);
  const day = readDate(said, date) ?? weekdayIn(said, date);
  if (day) {
    const times = freeFor(p, day);
    if (times.length) return again('On that day:', times);
    const others = freeFor(p, null);
    return others.length
      ? again('Nothing is free then.', others)
      : { is: 'kept', text: '', value: 0, told: NONE_FREE };
  }
  if (NONE.test(said) || (!said.trim() && p.time >= MOST_SILENT))
    return { is: 'kept', text: said.trim(), value: 0, told: 'One of us sees to it.' };
  return again('Which of them?', [...p.offers]);
}
